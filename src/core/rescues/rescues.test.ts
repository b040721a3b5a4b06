import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { factoryState } from '../bodies'
import { todayOf } from '../controls/today'
import { RESCUES } from '../guide/arguments/rescues'
import { factsOf } from '../guide/facts'
import type { Answers } from '../guide/questions'
import { findDimension } from '../vocabulary/dimensions'
import type { NeutralValue } from '../vocabulary/values'
import { changeOn, situationOf } from './on-body'
import { remediesFor } from './rescue'
import { RULES } from './rules'
import type { Situation } from './situation'
import { findSymptoms, SYMPTOM_IDS, type SymptomId, symptomOfRescue } from './symptoms'

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
  ['soft-though-sharp', set({ 'release.single': 'focus', 'mode.drive': 'single' }), 'offset'],
  ['soft-though-sharp', set({ 'release.next': 'focus', 'mode.drive': 'continuous' }), 'wandered'],
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

/**
 * The same camera at different scenes: what has to be named first where nothing of its settings decides.
 *
 * @source common practice, no published source
 */
const AT_SCENES: readonly (readonly [SymptomId, Answers, Situation, string])[] = [
  ['takes-front', { foreground: 'leaves' }, set({ 'area.pattern': ZONE, 'track.hold': 2 }), 'gap'],
  ['takes-front', { foreground: 'gaps' }, set({ 'area.pattern': WHOLE, 'track.hold': 0.2 }), 'gap'],
  ['takes-front', { crossing: 'crowd' }, set({ 'area.pattern': ZONE, 'track.hold': 0.2 }), 'hasty'],
  ['takes-front', { crossing: 'people' }, set({ 'area.pattern': WHOLE, 'track.hold': 0.2 }), 'hasty'],
  ['stays-background', { size: 'tiny', background: 'far' }, set({ 'area.pattern': WHOLE }), 'small'],
  ['stays-background', { size: 'small', background: 'busy' }, set({ 'mode.override': true }), 'nudge'],
  ['will-not-find', { distance: 'close' }, set({ 'mode.drive': 'continuous', 'track.search': 'continue' }), 'near'],
  ['will-not-find', { nearest: 0.3 }, set({ 'mode.drive': 'single', 'track.search': 'continue' }), 'near'],
  ['will-not-find', { background: 'plain' }, set({ 'mode.drive': 'single', 'track.search': 'continue' }), 'edge'],
  ['will-not-find', { light: ['back'] }, set({ 'mode.drive': 'single', 'track.search': 'continue' }), 'edge'],
  ['hunts-dark', { light: ['dark'] }, set({ 'area.pattern': ZONE, 'subject.class': 'off' }), 'manual'],
  ['hunts-dark', { light: ['spot'] }, set({ 'area.pattern': ZONE, 'subject.class': 'off' }), 'exposure'],
  ['hunts-dark', { light: ['back'] }, set({ 'area.pattern': ZONE, 'subject.class': 'off' }), 'exposure'],
  ['slow-start', { motion: ['sudden'] }, set({ 'release.first': 'release', 'mode.drive': 'continuous' }), 'near'],
  ['slow-start', { background: 'far' }, set({ 'release.first': 'release', 'mode.drive': 'continuous' }), 'range'],
  ['soft-though-sharp', { motion: ['steady', 'across'] }, set({ 'release.next': 'focus' }), 'blur'],
  ['soft-though-sharp', { light: ['dark'] }, set({ 'release.next': 'focus' }), 'blur'],
  [
    'soft-though-sharp',
    { compose: 'recompose', distance: 'close' },
    set({ 'mode.drive': 'single', 'release.single': 'focus' }),
    'recompose',
  ],
  [
    'soft-though-sharp',
    { motion: ['still'] },
    set({ 'mode.drive': 'continuous', 'release.next': 'release' }),
    'wandered',
  ],
  ['sharp-middle', { faces: 'crowd', depth: 'deep' }, set({}), 'depth'],
  ['sharp-middle', { faces: 'several', motion: ['still'], depth: 'flat' }, set({}), 'parallel'],
  ['pulses', { background: 'plain', motion: ['slow'] }, set({ 'mode.drive': 'single', 'track.response': 0.3 }), 'edge'],
  ['pulses', { depth: 'layered' }, set({ 'mode.drive': 'continuous', 'area.pattern': ZONE }), 'depths'],
  [
    'jumps-between',
    { faces: 'two' },
    set({ 'area.pattern': ZONE, 'subject.scope': 'whole-frame', 'subject.class': 'people' }),
    'detects',
  ],
  [
    'jumps-between',
    { crossing: 'crowd' },
    set({
      'area.pattern': POINT,
      'track.response': 0.4,
      'track.switch': 0.1,
      'subject.scope': 'whole-frame',
      'subject.class': 'people',
    }),
    'switch',
  ],
  ['lets-go-crossed', { foreground: 'gaps' }, set({ 'track.hold': 0.3, 'area.pattern': ZONE }), 'wide'],
  ['lets-go-crossed', { crossing: 'people' }, set({ 'track.hold': 0.3, 'area.pattern': ZONE }), 'hold'],
  ['stays-wrong', { faces: 'several' }, set({ 'track.hold': 'never', 'subject.class': 'people' }), 'detects'],
  ['stays-wrong', { crossing: 'people' }, set({ 'track.hold': 'never', 'subject.class': 'people' }), 'hold'],
  ['wrong-eye', { faces: 'crowd' }, set({ 'subject.scope': 'inside-area', 'subject.class': 'people' }), 'off'],
  [
    'two-tones',
    { compose: 'recompose' },
    set({ 'trigger.shutter': 'starts-af', 'mode.drive': 'continuous' }),
    'refocus',
  ],
  [
    'press-does-nothing',
    { light: ['dark'] },
    set({ 'trigger.shutter': 'starts-af', 'mode.drive': 'single', 'release.single': 'focus' }),
    'waits',
  ],
]

/** What the camera is set to, and what its standard asks for: a row that is otherwise comes before one that is not. */
const AGAINST: readonly (readonly [SymptomId, Situation, Situation['means'], string])[] = [
  [
    'lets-go-crossed',
    set({ 'track.hold': 0.5, 'area.pattern': ZONE }),
    { 'track.hold': 0.5, 'area.pattern': POINT },
    'wide',
  ],
  [
    'lets-go-crossed',
    set({ 'track.hold': 0.5, 'area.pattern': ZONE }),
    { 'track.hold': 4, 'area.pattern': ZONE },
    'hold',
  ],
  [
    'jumps-between',
    set({ 'area.pattern': ZONE, 'subject.scope': 'whole-frame', 'subject.class': 'people' }),
    { 'area.pattern': ZONE, 'subject.scope': 'inside-area' },
    'detects',
  ],
  [
    'pulses',
    set({ 'mode.drive': 'continuous', 'track.response': 0.9, 'area.pattern': ZONE }),
    { 'track.response': 0.3, 'area.pattern': ZONE },
    'quick',
  ],
  [
    'slow-start',
    set({ 'release.first': 'focus', 'track.response': 0.2 }),
    { 'release.first': 'focus', 'track.response': 0.8 },
    'calm',
  ],
  [
    'press-does-nothing',
    set({ 'trigger.shutter': 'meters-only', 'mode.drive': 'manual' }),
    { 'trigger.shutter': 'meters-only', 'mode.drive': 'continuous' },
    'manual',
  ],
]

describe('what is behind it', () => {
  it.each(
    AT_SCENES.map(
      ([symptom, scene, situation, first]) => [symptom, JSON.stringify(scene), first, scene, situation] as const,
    ),
  )('%s at a scene with %s: %s first', (symptom, _, first, scene, situation) => {
    const [top] = remediesFor(symptom, { ...situation, scene: factsOf(scene) })
    expect(top?.id).toBe(`${symptom}/${first}`)
  })

  it.each(
    AGAINST.map(
      ([symptom, situation, asked, first]) => [symptom, JSON.stringify(asked), first, asked, situation] as const,
    ),
  )('%s where the standard asks for %s: %s first, and it says so', (symptom, _, first, asked, situation) => {
    const [top] = remediesFor(symptom, { ...situation, asked })
    expect(top?.id).toBe(`${symptom}/${first}`)
    expect(top?.isOtherwise).toBe(true)
    // Without the standard, nothing is otherwise.
    expect(remediesFor(symptom, situation).filter(r => r.isOtherwise)).toEqual([])
  })

  it('a scene changes the order alone: nothing comes in or goes, and what settings decide stays before what may be', () => {
    const ORDER = ['so', 'may', 'unknown']
    for (const [symptom, scene, situation] of AT_SCENES) {
      const plain = remediesFor(symptom, situation)
      const there = remediesFor(symptom, { ...situation, scene: factsOf(scene) })
      expect(there.map(r => r.id).toSorted()).toEqual(plain.map(r => r.id).toSorted())
      const kinds = there.map(r => ORDER.indexOf(r.sure))
      expect(kinds).toEqual(kinds.toSorted((a, b) => a - b))
    }
  })

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

describe('what the guide calls going wrong', () => {
  it('is asked for with a camera in hand, for every trouble that has an answer there', () => {
    const asked = RESCUES.map(r => [r.id, symptomOfRescue(r.id)] as const)
    const without = asked.filter(([, s]) => s === undefined).map(([id]) => id)
    expect(without).toEqual(['falls-off', 'overshoots', 'no-face', 'thumb-hurts', 'air', 'film-drifts'])
    expect(symptomOfRescue('no such rescue')).toBeUndefined()
  })
})
