import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isUsable } from '../../../test/fixtures/brute-force'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { type Body, bodyAt, factoryState, formChangesBetween, type State } from '../bodies'
import { knownAfter, knownState, type UnitEvent } from './known'
import { readinessOf } from './readiness'

/** What must hold of what is known, whatever happened to a unit and in whatever order. */

/** A small body with every kind of rule, and a firmware that only adds one that forces. */
const small = ((): Body => {
  const first = tinyBody(
    { way: ['a', 'b', 'c'], beep: ['on', 'off'], lamp: ['dark', 'lit'], bank: ['one', 'two'], key: ['none', 'start'] },
    {
      rules: [
        rule('quiet', { way: 'b' }, { effect: 'forced', setting: 'beep', option: 'off' }),
        rule('either', { beep: 'off' }, { effect: 'excludes', setting: 'lamp', options: ['lit'] }),
        rule('bank', { bank: 'one' }, { effect: 'unavailable', setting: 'key' }),
        rule('both', { way: 'c', bank: 'two' }, { effect: 'forced', setting: 'lamp', option: 'lit' }),
      ],
    },
  )
  const later = {
    ...first,
    rules: [...first.rules, rule('new', { key: 'start' }, { effect: 'forced', setting: 'way', option: 'a' })],
  }
  const changes = formChangesBetween(first, later).map(c => ({ ...c, at: [...c.at] }))
  return { ...first, updates: [{ id: '2.0', changes }] }
})()
const linnet = demoBodies().find(b => b.id === 'linnet') as Body

const at = (n: number) => new Date(Date.UTC(2026, 0, 1, 0, n)).toISOString()

/** Events as a body's own words allow them, with the firmware that runs in the end. */
const lives = (body: Body, versions: readonly string[]) => {
  const settings = fc.constantFrom(...body.settings)
  const told = settings.chain(s =>
    fc.record({
      kind: fc.constant('set' as const),
      setting: fc.constant(s.id),
      option: fc.constantFrom(...s.options.map(o => o.id)),
      how: fc.constantFrom('card' as const, 'person' as const),
    }),
  )
  const read = fc
    .array(settings, { maxLength: 4 })
    .chain(all => fc.record(Object.fromEntries(all.map(s => [s.id, fc.constantFrom(...s.options.map(o => o.id))]))))
    .chain(settings =>
      fc.constantFrom(
        { kind: 'read' as const, settings },
        { kind: 'pictured' as const, settings, file: 'RING_0001.JPG' },
      ),
    )
  const plain = fc.constantFrom(
    { kind: 'reset' as const },
    { kind: 'repaired' as const },
    { kind: 'returned' as const },
    { kind: 'exchanged' as const, what: 'serial' as const, from: '1', to: '2' },
    { kind: 'stored' as const, slot: 'One', standard: 'ring', version: 1 },
    { kind: 'signed' as const, standard: 'ring', version: 1, minutes: null },
  )
  const update = fc.constantFrom(...versions).map(to => ({ kind: 'update' as const, to }))
  return fc.array(fc.oneof({ weight: 6, arbitrary: told }, read, plain, update), { maxLength: 25 }).map(events => {
    let firmware = versions[0] ?? ''
    const life = events.flatMap((e, n): UnitEvent[] => {
      const who = { at: at(n), by: 'Imelda Frost' }
      if (e.kind !== 'update') return [{ ...e, ...who }]
      const from = firmware
      firmware = e.to
      return from === firmware ? [] : [{ kind: 'firmware', from, to: firmware, ...who }]
    })
    return { life, firmware }
  })
}

/** Rules that what is known breaks by itself, judged by another writing of the rules. */
const broken = (form: Body, state: State): readonly string[] =>
  form.rules.flatMap(r => {
    const holds = r.when.every(c => isUsable(form, state, c.setting) && c.is.includes(state[c.setting] ?? ''))
    const option = state[r.then.setting]
    if (!holds || r.then.effect === 'unavailable' || option === undefined) return []
    if (!isUsable(form, state, r.then.setting)) return []
    const right = r.then.effect === 'forced' ? option === r.then.option : !r.then.options.includes(option)
    return right ? [] : [r.id]
  })

const TOUCHING = ['reset', 'firmware', 'repaired', 'returned', 'exchanged']

describe.each([
  { name: 'a small body', body: small, versions: ['1.0', '2.0'] },
  { name: 'a body of the demo', body: linnet, versions: ['1.4', '2.0'] },
])('what is known of $name, after anything in any order', ({ body, versions }) => {
  const check = (property: (life: readonly UnitEvent[], firmware: string) => void) =>
    fc.assert(
      fc.property(lives(body, versions), ({ life, firmware }) => property(life, firmware)),
      { numRuns: 400 },
    )

  it('never contradicts the rules of the form that runs', () => {
    check((life, firmware) => {
      const state = knownState(knownAfter(body, firmware, life))
      expect(broken(bodyAt(body, firmware), state)).toEqual([])
    })
  })

  it('is what was said last, or what a rule makes of something newer', () => {
    check((life, firmware) => {
      const form = bodyAt(body, firmware)
      const { facts } = knownAfter(body, firmware, life)
      for (const [setting, fact] of facts) {
        const said = life.flatMap((e, n): { n: number; option: string | undefined }[] => {
          if (e.kind === 'set' && e.setting === setting) return [{ n, option: e.option }]
          if ((e.kind === 'read' || e.kind === 'pictured') && setting in e.settings)
            return [{ n, option: e.settings[setting] }]
          if (e.kind === 'reset') return [{ n, option: factoryState(form)[setting] }]
          return TOUCHING.includes(e.kind) && e.kind !== 'firmware' ? [{ n, option: undefined }] : []
        })
        const last = said.at(-1)
        if (last?.option === fact.option) continue
        // Pulled along by something that was learned later.
        const pulls = form.rules.some(
          r => r.then.effect === 'forced' && r.then.setting === setting && r.then.option === fact.option,
        )
        expect(pulls, setting).toBe(true)
        expect(fact.at >= at(last?.n ?? 0), setting).toBe(true)
      }
    })
  })

  it('is nothing that a repair, a loan or another camera may have changed since', () => {
    check((life, firmware) => {
      const last = life.findLastIndex(e => ['repaired', 'returned', 'exchanged'].includes(e.kind))
      if (last < 0) return
      for (const [, fact] of knownAfter(body, firmware, life).facts) expect(fact.at >= at(last)).toBe(true)
    })
  })

  it('makes a unit ready only by a proof after the last thing that may have touched it', () => {
    check((life, firmware) => {
      const known = knownAfter(body, firmware, life)
      const asked = { standard: 'ring', version: 1, steps: 0, settings: [], recheckWeeks: 52, now: at(0) }
      const isReady = readinessOf(known, asked).is === 'ready'
      const proof = life.findLastIndex(e => e.kind === 'signed')
      const since = life.slice(proof + 1)
      if (isReady) {
        expect(proof).toBeGreaterThanOrEqual(0)
        expect(since.filter(e => TOUCHING.includes(e.kind) || (e.kind === 'set' && e.how === 'card'))).toEqual([])
      } else if (proof >= 0) expect(since.length).toBeGreaterThan(0)
    })
  })

  it('does not depend on what happened before everything was taken away', () => {
    check((life, firmware) => {
      const last = life.findLastIndex(e => e.kind === 'repaired')
      if (last < 0) return
      const rest = life.slice(last)
      expect(knownState(knownAfter(body, firmware, rest))).toEqual(knownState(knownAfter(body, firmware, life)))
    })
  })
})

describe('the cases that led here', () => {
  const who = (n: number) => ({ at: at(n), by: null })
  const set = (n: number, setting: string, option: string, how: 'card' | 'person' = 'person'): UnitEvent => ({
    kind: 'set',
    setting,
    option,
    how,
    ...who(n),
  })
  const signed = (n: number): UnitEvent => ({ kind: 'signed', standard: 'ring', version: 1, minutes: null, ...who(n) })
  const asked = { standard: 'ring', version: 1, steps: 0, settings: ['way'], recheckWeeks: 52, now: at(0) }
  const readiness = (...life: UnitEvent[]) => readinessOf(knownAfter(small, '1.0', life), asked)

  it('what is told pulls along what rules force, and an older fact that cannot stand goes', () => {
    const known = knownAfter(small, '1.0', [set(1, 'lamp', 'lit'), set(2, 'way', 'b')])
    expect(knownState(known)).toEqual({ way: 'b', beep: 'off' })
    expect(known.facts.get('beep')).toEqual({ option: 'off', how: 'person', ...who(2) })
    expect(known.lost.get('lamp')).toEqual({ kind: 'contradicted', at: at(2) })
    // The newer one stands, though a rule would pull it the other way.
    expect(knownState(knownAfter(small, '1.0', [set(1, 'way', 'b'), set(2, 'beep', 'on')]))).toEqual({ beep: 'on' })
  })

  it('a rule with several conditions holds from the last of them on', () => {
    for (const [first, second] of [
      [set(1, 'way', 'c'), set(2, 'bank', 'two')],
      [set(1, 'bank', 'two'), set(2, 'way', 'c')],
    ] as const) {
      const known = knownAfter(small, '1.0', [first, second])
      expect(known.facts.get('lamp')).toEqual({ option: 'lit', how: 'person', ...who(2) })
      // Seen otherwise later: which of the two is wrong nobody can tell.
      const seen = knownAfter(small, '1.0', [first, second, set(3, 'lamp', 'dark')])
      expect(knownState(seen)).toEqual({ lamp: 'dark' })
    }
  })

  it('an option that came with later firmware is not known on an earlier one', () => {
    const later: Body = {
      ...small,
      settings: small.settings.map(s =>
        s.id === 'way' ? { ...s, options: s.options.map(o => (o.id === 'c' ? { ...o, since: '2.0' } : o)) } : s,
      ),
    }
    expect(knownAfter(later, '1.0', [set(1, 'way', 'c')]).facts.has('way')).toBe(false)
    expect(knownAfter(later, '2.0', [set(1, 'way', 'c')]).facts.has('way')).toBe(true)
    const updated = knownAfter(later, '2.0', [
      set(1, 'way', 'a'),
      { kind: 'firmware', from: '1.0', to: '2.0', ...who(2) },
    ])
    expect(updated.facts.has('way')).toBe(false)
  })

  it('a firmware that only adds a forcing rule makes unknown what that rule moves', () => {
    const known = knownAfter(small, '2.0', [
      { kind: 'reset', ...who(1) },
      { kind: 'firmware', from: '1.0', to: '2.0', ...who(2) },
    ])
    expect(known.facts.has('way')).toBe(false)
    expect(known.facts.has('lamp')).toBe(true)
    expect(known.lost.get('way')).toEqual({ kind: 'firmware', at: at(2) })
  })

  it('a firmware nobody entered counts as well, since it is what runs', () => {
    const known = knownAfter(small, '2.0', [
      { kind: 'firmware', from: '2.0', to: '1.0', ...who(1) },
      { kind: 'reset', ...who(2) },
    ])
    expect(known.facts.has('way')).toBe(false)
  })

  it('a memory slot is known until firmware touches the settings, or it was in other hands', () => {
    const stored: UnitEvent = { kind: 'stored', slot: 'One', standard: 'ring', version: 1, ...who(1) }
    const slots = (firmware: string, ...rest: UnitEvent[]) => [
      ...knownAfter(small, firmware, [stored, ...rest]).slots.keys(),
    ]
    expect(slots('1.0')).toEqual(['One'])
    expect(slots('1.5', { kind: 'firmware', from: '1.0', to: '1.5', ...who(2) })).toEqual(['One'])
    expect(slots('2.0', { kind: 'firmware', from: '1.0', to: '2.0', ...who(2) })).toEqual([])
    for (const kind of ['reset', 'repaired', 'returned'] as const) expect(slots('1.0', { kind, ...who(2) })).toEqual([])
    expect(slots('1.0', { kind: 'exchanged', what: 'serial', from: '1', to: '2', ...who(2) })).toEqual([])
    const two = knownAfter(small, '1.0', [stored, { ...stored, standard: 'rope', ...who(2) }])
    expect(two.slots.get('One')).toMatchObject({ standard: 'rope', at: at(2) })
  })

  it('another camera under the same tag is known for nothing, and not signed', () => {
    for (const what of ['serial', 'model'] as const) {
      const life: UnitEvent[] = [
        { kind: 'reset', ...who(1) },
        signed(2),
        { kind: 'exchanged', what, from: '1', to: '2', ...who(3) },
      ]
      const known = knownAfter(small, '1.0', life)
      expect([known.facts.size, known.signed]).toEqual([0, undefined])
      expect(readiness(...life)).toMatchObject({ is: 'unknown', because: [{ why: 'exchanged', settings: 1 }] })
    }
  })

  it('a unit that was signed, came back from repair and was then read from a file has to be proved again', () => {
    const life: UnitEvent[] = [
      { kind: 'reset', ...who(1) },
      signed(2),
      { kind: 'repaired', ...who(3) },
      { kind: 'read', settings: factoryState(small), ...who(4) },
    ]
    expect(readiness(...life)).toMatchObject({ is: 'out-of-date', why: 'repaired', since: at(3) })
    expect(readiness(...life, signed(5)).is).toBe('ready')
  })

  it('a look that finds what was known leaves the proof; a change takes it', () => {
    const life: UnitEvent[] = [{ kind: 'reset', ...who(1) }, signed(2)]
    expect(readiness(...life, set(3, 'way', 'a')).is).toBe('ready')
    expect(readiness(...life, set(3, 'way', 'c')).is).toBe('out-of-date')
    expect(readiness(...life, set(3, 'way', 'a', 'card')).is).toBe('out-of-date')
    expect(readiness(...life, { kind: 'read', settings: { way: 'a' }, ...who(3) }).is).toBe('ready')
    expect(readiness(...life, { kind: 'read', settings: { way: 'c' }, ...who(3) }).is).toBe('out-of-date')
  })

  it('each setting keeps the reason why it is not known, whatever came after', () => {
    const life: UnitEvent[] = [
      { kind: 'reset', ...who(1) },
      { kind: 'repaired', ...who(2) },
      { kind: 'firmware', from: '1.0', to: '2.0', ...who(3) },
    ]
    expect(readinessOf(knownAfter(small, '2.0', life), asked)).toMatchObject({
      because: [{ why: 'repaired', settings: 1 }],
    })
  })
})
