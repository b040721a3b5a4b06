import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { factoryState } from '../bodies'
import { todayOf } from '../controls/today'
import { findDimension } from '../vocabulary/dimensions'
import type { NeutralValue } from '../vocabulary/values'
import { changeOn, situationOf } from './on-body'
import { remediesFor } from './rescue'
import { RULES } from './rules'
import type { Situation } from './situation'
import { findSymptoms, SYMPTOM_IDS, type SymptomId } from './symptoms'

const WHOLE = { pattern: 'full', width: 1, height: 1, chooser: 'camera', follow: 'automatic' } as const
const ZONE = { pattern: 'zone', width: 0.35, height: 0.4, chooser: 'camera', follow: 'off' } as const
const POINT = { pattern: 'point', width: 0.045, height: 0.06, chooser: 'operator', follow: 'off' } as const
const EVERYTHING = new Set(RULES.flatMap(r => (r.change ? [r.change.dimension] : [])).concat('range.offset'))

const set = (
  means: Readonly<Record<string, NeutralValue>>,
  keys: Readonly<Record<string, string>> = {},
): Situation => ({
  means,
  keys,
  says: EVERYTHING,
})

/**
 * What somebody sees, how the camera is set, and what has to be named first.
 *
 * @source common practice, no published source
 */
const FIRST: readonly (readonly [SymptomId, Situation, string])[] = [
  ['takes-front', set({ 'area.pattern': WHOLE }), 'whole'],
  ['takes-front', set({ 'area.pattern': ZONE }), 'whole'],
  ['takes-front', set({ 'area.pattern': POINT, 'track.hold': 0.2 }), 'hasty'],
  ['takes-front', set({ 'area.pattern': POINT, 'track.hold': 2 }), 'range'],
  ['stays-background', set({ 'mode.override': false }), 'ring'],
  ['stays-background', set({ 'mode.override': true, 'area.pattern': POINT }), 'nudge'],
  ['stays-background', set({ 'mode.override': true, 'area.pattern': WHOLE }), 'small'],
  ['stays-background', set({ 'mode.override': true, 'area.pattern': POINT }, { 'range.preset': 'front' }), 'preset'],
  ['will-not-find', set({ 'mode.drive': 'manual' }), 'manual'],
  ['will-not-find', set({ 'mode.drive': 'single', 'range.limit': { nearMetres: 3, farMetres: 'infinity' } }), 'range'],
  [
    'will-not-find',
    set({ 'mode.drive': 'single', 'range.limit': { nearMetres: 0.3, farMetres: 'infinity' }, 'track.search': 'stop' }),
    'stopped',
  ],
  [
    'will-not-find',
    set({
      'mode.drive': 'continuous',
      'range.limit': { nearMetres: 0.3, farMetres: 'infinity' },
      'track.search': 'continue',
    }),
    'edge',
  ],
  ['jumps-between', set({ 'area.pattern': ZONE }), 'wide'],
  ['jumps-between', set({ 'area.pattern': POINT, 'track.response': 0.9 }), 'quick'],
  [
    'jumps-between',
    set({ 'area.pattern': POINT, 'track.response': 0.4, 'subject.scope': 'whole-frame', 'subject.class': 'people' }),
    'detects',
  ],
  [
    'jumps-between',
    set({ 'area.pattern': POINT, 'track.response': 0.4, 'subject.class': 'off', 'track.switch': 0.1 }),
    'switch',
  ],
  ['lets-go-crossed', set({ 'track.hold': 0.3 }), 'hold'],
  ['lets-go-crossed', set({ 'track.hold': 3 }, { 'trigger.stop': 'front' }), 'freeze'],
  ['lets-go-crossed', set({ 'track.hold': 3, 'area.pattern': ZONE }), 'wide'],
  ['stays-wrong', set({ 'track.hold': 'never' }), 'hold'],
  ['stays-wrong', set({ 'track.hold': 4.5 }), 'hold'],
  ['stays-wrong', set({ 'track.hold': 0.3, 'subject.class': 'people' }), 'detects'],
  ['stays-wrong', set({ 'track.hold': 0.3, 'subject.class': 'off' }), 'anew'],
  ['pulses', set({ 'mode.drive': 'continuous' }), 'continuous'],
  ['pulses', set({ 'mode.drive': 'single', 'track.response': 0.9 }), 'quick'],
  ['pulses', set({ 'mode.drive': 'single', 'track.response': 0.3, 'area.pattern': ZONE }), 'depths'],
  ['hunts-dark', set({ 'area.pattern': { ...POINT, width: 0.02, height: 0.03 } }), 'small'],
  ['hunts-dark', set({ 'area.pattern': ZONE, 'subject.class': 'people' }), 'detects'],
  ['hunts-dark', set({ 'area.pattern': ZONE, 'subject.class': 'off' }), 'exposure'],
  ['soft-though-sharp', set({ 'mode.drive': 'continuous', 'release.next': 'release' }), 'release'],
  ['soft-though-sharp', set({ 'release.next': 'focus', 'mode.drive': 'continuous' }), 'offset'],
  ['press-does-nothing', set({ 'trigger.shutter': 'meters-only', 'mode.drive': 'continuous' }), 'thumb'],
  ['press-does-nothing', set({ 'trigger.shutter': 'holds-focus', 'mode.drive': 'continuous' }), 'holds'],
  ['press-does-nothing', set({ 'trigger.shutter': 'starts-af', 'mode.drive': 'manual' }), 'manual'],
  [
    'press-does-nothing',
    set({ 'trigger.shutter': 'starts-af', 'mode.drive': 'single', 'release.single': 'release' }),
    'lens',
  ],
  [
    'press-does-nothing',
    set({ 'trigger.shutter': 'starts-af', 'mode.drive': 'single', 'release.single': 'focus' }),
    'waits',
  ],
  ['point-stuck', set({ 'area.pattern': WHOLE }), 'whole'],
  ['point-stuck', set({ 'area.pattern': ZONE, 'area.chooser': 'camera' }), 'camera'],
  ['point-stuck', set({ 'area.pattern': POINT, 'area.chooser': 'operator', 'area.direct': false }), 'direct'],
  ['point-stuck', set({ 'area.pattern': POINT, 'area.chooser': 'operator', 'area.direct': true }), 'edge'],
  ['two-tones', set({ 'trigger.shutter': 'starts-af' }), 'refocus'],
  ['two-tones', set({ 'trigger.shutter': 'meters-only', 'mode.drive': 'continuous' }), 'continuous'],
  ['two-tones', set({ 'trigger.shutter': 'meters-only', 'mode.drive': 'single' }), 'again'],
  ['slow-start', set({ 'release.first': 'focus' }), 'waits'],
  ['slow-start', set({ 'release.first': 'release', 'mode.drive': 'automatic' }), 'automatic'],
  ['slow-start', set({ 'release.first': 'release', 'mode.drive': 'continuous', 'track.response': 0.2 }), 'calm'],
  ['wrong-eye', set({ 'subject.scope': 'whole-frame', 'subject.class': 'people' }), 'whole'],
  [
    'wrong-eye',
    set({ 'subject.scope': 'inside-area', 'subject.class': 'people' }, { 'subject.cycle': 'pad' }),
    'cycle',
  ],
  ['sharp-middle', set({}), 'depth'],
]

describe('what is behind it', () => {
  it.each(
    FIRST.map(([symptom, situation, first]) => [symptom, JSON.stringify(situation.means), first, situation] as const),
  )('%s with %s: %s first', (symptom, _, first, situation) => {
    const [top] = remediesFor(symptom, situation)
    expect(top?.id).toBe(`${symptom}/${first}`)
  })

  it('what the settings rule out is not there; what nobody knows comes last and says so', () => {
    const ids = (s: Situation) => remediesFor('press-does-nothing', s).map(r => `${r.id.split('/')[1]} ${r.sure}`)
    expect(ids(set({ 'trigger.shutter': 'starts-af', 'mode.drive': 'single', 'release.single': 'release' }))).toEqual([
      'lens may',
    ])
    expect(ids(set({}))).toEqual(['lens may', 'thumb unknown', 'holds unknown', 'manual unknown', 'waits unknown'])
  })

  it('something can be done about every symptom, whatever a camera is set to', () => {
    for (const symptom of SYMPTOM_IDS)
      expect(
        RULES.some(r => r.symptom === symptom && !r.when),
        symptom,
      ).toBe(true)
    for (const body of demoBodies())
      for (const symptom of SYMPTOM_IDS) {
        const situation = situationOf(body, factoryState(body), todayOf(body, factoryState(body)))
        expect(remediesFor(symptom, situation).length, `${body.id} ${symptom}`).toBeGreaterThan(0)
      }
  })

  it('every rule names dimensions of the vocabulary, and has an id of its own', () => {
    expect(new Set(RULES.map(r => r.id)).size).toBe(RULES.length)
    for (const r of RULES) if (r.change) expect(findDimension(r.change.dimension), r.id).toBeDefined()
  })
})

describe('on a body', () => {
  it('a change is a row of its menus, with an option that says another thing than now, and more of it where more is asked', () => {
    let changed = 0
    for (const body of demoBodies()) {
      const state = factoryState(body)
      const keys = todayOf(body, state)
      for (const { change, id } of RULES) {
        const on = change && changeOn(body, state, keys, change)
        if (!change || !on) continue
        const setting = body.settings.find(s => s.label === on.setting && s.options.some(o => o.label === on.option))
        const option = setting?.options.find(o => o.label === on.option)
        expect(option, `${body.id} ${id}`).toBeDefined()
        expect(option?.id, `${body.id} ${id}`).not.toBe(state[setting?.id ?? ''])
        const [now, then] = [
          setting?.options.find(o => o.id === state[setting.id])?.means[change.dimension],
          option?.means[change.dimension],
        ]
        if (typeof now === 'number' && typeof then === 'number' && change.step)
          expect(Math.sign(then - now), `${body.id} ${id}`).toBe(change.step === 'more' ? 1 : -1)
        changed += 1
      }
    }
    expect(changed).toBeGreaterThan(80)
  })

  it('is not offered where the body has no word for it', () => {
    const wicket = demoBodies().find(b => b.id === 'wicket')
    if (!wicket) throw new Error('no wicket')
    const state = factoryState(wicket)
    const situation = situationOf(wicket, state, todayOf(wicket, state))
    for (const symptom of SYMPTOM_IDS)
      for (const r of remediesFor(symptom, situation))
        if (r.change) expect(situation.says.has(r.change.dimension)).toBe(true)
    expect(situation.says.has('track.hold')).toBe(false)
  })
})

describe('symptoms', () => {
  it('are found by what people call them', () => {
    expect(findSymptoms('')).toEqual(SYMPTOM_IDS)
    expect(findSymptoms('half')[0]).toBe('press-does-nothing')
    expect(findSymptoms('beep')).toEqual(['two-tones'])
    expect(findSymptoms('branch')).toEqual(['takes-front'])
    expect(findSymptoms('DARK')[0]).toBe('hunts-dark')
    expect(findSymptoms('joystick')).toEqual(['point-stuck'])
    expect(findSymptoms('zebra')).toEqual([])
  })
})
