import { describe, expect, it } from 'vitest'
import { smallestConflict } from '../../../test/fixtures/conflicts'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import type { Standard } from '../standards'
import { conflictWords, resolve } from './index'

const toneOff = { dimension: 'see.tone', value: false, weight: 'must' } as const
const lampOn = { dimension: 'see.lamp', value: true, weight: 'must' } as const

/** A tone that cannot be switched off, only silenced together with the lamp. */
const silent = tinyBody(
  {
    silent: ['off', 'on'],
    beep: [['always', { 'see.tone': true }]],
    lamp: [
      ['dark', { 'see.lamp': false }],
      ['lit', { 'see.lamp': true }],
    ],
  },
  {
    rules: [
      rule('greys-beep', { silent: 'on' }, { effect: 'unavailable', setting: 'beep' }),
      rule('no-lamp', { silent: 'on' }, { effect: 'forced', setting: 'lamp', option: 'dark' }),
    ],
  },
)

describe('on older firmware', () => {
  const base = tinyBody({
    drive: [
      ['once', { 'mode.drive': 'single' }],
      ['on', { 'mode.drive': 'continuous' }],
    ],
    beep: [
      ['loud', { 'see.tone': true }],
      ['mute', { 'see.tone': false }],
    ],
    late: ['off', 'on'],
  })
  const later = (id: string) => base.settings.map(s => (s.id === id ? { ...s, since: '2.0' } : s))
  const forces = rule('forces', { late: 'off' }, { effect: 'forced', setting: 'beep', option: 'loud' })
  const wanted = tinyStandard({ dimension: 'see.tone', value: false, weight: 'should' })

  it('a rule does not hold that speaks of a setting that is not there yet', () => {
    const body = {
      ...base,
      settings: later('late'),
      rules: [{ ...forces, when: [{ setting: 'late', is: ['off', 'on'] }] }],
    }
    expect(resolve(body, wanted, { firmware: '1.0' }).state['beep']).toBe('mute')
    expect(resolve(body, wanted, { firmware: '2.0' }).state['beep']).toBe('loud')
  })

  it('a setting that is not there yet is neither set nor greyed', () => {
    const greys = rule('greys', { late: 'off' }, { effect: 'unavailable', setting: 'beep' })
    const body = { ...base, settings: later('beep'), rules: [greys] }
    const early = resolve(body, wanted, { firmware: '1.0' })
    // Without such a setting it makes no sound.
    expect(early.outcomes[0]?.parts[0]).toMatchObject({ implied: true, got: false, deliveries: [] })
    expect(early.state).toEqual({ drive: 'once', beep: 'loud', late: 'off' })
    const loud = tinyStandard({ dimension: 'see.tone', value: true, weight: 'should' })
    expect(resolve(body, loud, { firmware: '2.0' }).state).toMatchObject({ beep: 'loud', late: 'on' })
    expect(resolve(body, loud, { firmware: '1.0' }).outcomes[0]?.distance).toBe(1)
  })

  it('an option that is not there yet is not taken', () => {
    const settings = base.settings.map(s => ({
      ...s,
      options: s.options.map(o => (o.id === 'mute' ? { ...o, since: '2.0' } : o)),
    }))
    expect(resolve({ ...base, settings }, wanted, { firmware: '1.9' }).state['beep']).toBe('loud')
    expect(resolve({ ...base, settings }, wanted, { firmware: '2.0' }).state['beep']).toBe('mute')
  })
})

describe('conflicts', () => {
  it('know that silencing a setting is a way to hold a must', () => {
    expect(resolve(silent, tinyStandard(toneOff)).mustsHeld).toBe(1)
    const [conflict] = resolve(silent, tinyStandard(toneOff, lampOn)).conflicts
    expect([conflict?.must, ...(conflict?.against ?? [])].sort()).toEqual(['see.lamp', 'see.tone'])
    expect(conflict?.rules.map(r => r.id)).toEqual(['no-lamp'])
    expect(conflict && conflictWords(conflict)).not.toContain('No option of this body')
  })

  it('name a rule that greys out where that is what stands in the way', () => {
    const greyed = tinyBody(
      {
        bank: [
          ['one', { 'mode.drive': 'single' }],
          ['two', { 'mode.drive': 'continuous' }],
        ],
        lamp: [['lit', { 'see.lamp': true }]],
      },
      { rules: [rule('bank-two', { bank: 'two' }, { effect: 'unavailable', setting: 'lamp' })] },
    )
    const drive = { dimension: 'mode.drive', value: 'continuous', weight: 'must' } as const
    const [conflict] = resolve(greyed, tinyStandard(drive, lampOn)).conflicts
    expect([conflict?.must, ...(conflict?.against ?? [])].sort()).toEqual(['mode.drive', 'see.lamp'])
    expect(conflict?.rules.map(r => r.id)).toEqual(['bank-two'])
  })

  it('are true and as small as any, on random bodies, against trying every set', () => {
    const dimensions = ['track.hold', 'mode.drive', 'see.tone', 'see.lamp', 'trigger.touch', 'release.first']
    let compared = 0
    for (let seed = 1; seed <= 700; seed++) {
      const body = generateBody(seed, { settings: 4, rules: 4, mostOptions: 3, dimensions })
      const made = generateStandard(seed, 5, dimensions)
      const standard: Standard = {
        ...made,
        layers: made.layers.map(l => ({ ...l, targets: l.targets.map(t => ({ ...t, weight: 'must' as const })) })),
      }
      const { conflicts, outcomes } = resolve(body, standard)
      const held = outcomes.filter(o => o.held).map(o => o.target.dimension)
      for (const c of conflicts) {
        const { size, clashes } = smallestConflict(body, standard, c.must, held)
        const rules = c.rules.map(r => r.id)
        expect(clashes(c.against, rules), `seed ${seed}, ${c.must}: cannot stand together`).toBe(true)
        expect({ seed, must: c.must, size: c.against.length + rules.length }).toEqual({ seed, must: c.must, size })
        compared++
      }
    }
    expect(compared).toBeGreaterThan(500)
  }, 240_000)
})
