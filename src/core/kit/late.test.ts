import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import type { Body } from '../bodies'
import { knownAfter, knownAlong, type UnitEvent } from './known'
import { doneAt, overruledBy, type SetEvent, withLate } from './late'

const NOON = '2026-03-01T12:00:00.000Z'
const shifted = (at: string, ms: number) => new Date(Date.parse(at) + ms).toISOString()
const HOUR = 3600 * 1000

describe('when something was done', () => {
  it('is as long before it came in as it waited, however wrong the clock of the device is', () => {
    const waits = fc.integer({ min: 0, max: 30 * 24 * HOUR })
    const errors = fc.integer({ min: -10 * 365 * 24 * HOUR, max: 10 * 365 * 24 * HOUR })
    fc.assert(
      fc.property(waits, errors, (waited, off) => {
        const sent = shifted(NOON, off)
        expect(doneAt(NOON, shifted(sent, -waited), sent)).toBe(shifted(NOON, -waited))
      }),
    )
  })

  it('is when it came in, where the device says nothing or what cannot be', () => {
    expect(doneAt(NOON, undefined, undefined)).toBe(NOON)
    expect(doneAt(NOON, NOON, undefined)).toBe(NOON)
    // Its clock was set back in between, or forward by years.
    expect(doneAt(NOON, shifted(NOON, HOUR), NOON)).toBe(NOON)
    expect(doneAt(NOON, shifted(NOON, -365 * 24 * HOUR), NOON)).toBe(NOON)
    expect(doneAt(NOON, 'yesterday', NOON)).toBe(NOON)
  })
})

describe('what comes in late', () => {
  const reset = (hour: number, by = 'Imelda Frost'): UnitEvent => ({
    kind: 'reset',
    at: shifted(NOON, hour * HOUR),
    by,
  })
  const [one, three, four] = [reset(1), reset(3), reset(4)]

  it('stands behind all that was done before it, also in the same moment, and before the rest', () => {
    const late = reset(3, 'Tobiah Lark')
    expect(withLate([one, three, four], late, shifted(NOON, 9 * HOUR))).toEqual([one, three, late, four])
    expect(withLate([], late, NOON)).toEqual([late])
    const last = reset(5)
    expect(withLate([one, three, four], last, shifted(NOON, 9 * HOUR))).toEqual([one, three, four, last])
  })

  it('stands behind what claims to be later than the moment it came in', () => {
    const wrong = reset(20)
    const late = reset(2)
    expect(withLate([one, wrong], late, shifted(NOON, 9 * HOUR))).toEqual([one, wrong, late])
  })
})

describe('what came after', () => {
  const linnet = demoBodies().find(b => b.id === 'linnet') as Body
  const at = (hour: number) => ({ at: shifted(NOON, hour * HOUR), by: 'Imelda Frost' })
  const set = (hour: number, option: string, how: 'card' | 'person' = 'card'): SetEvent => ({
    kind: 'set',
    setting: 'kin',
    option,
    how,
    ...at(hour),
  })
  const overruled = (events: readonly UnitEvent[], event: SetEvent) =>
    overruledBy(linnet, '1.4', events, event, shifted(NOON, 9 * HOUR))

  it('leaves what nobody touched', () => {
    expect(overruled([], set(1, 'kin-people'))).toBeUndefined()
    expect(overruled([set(0, 'kin-beasts'), { kind: 'reset', ...at(0.5) }], set(1, 'kin-off'))).toBeUndefined()
    expect(overruled([{ ...set(2, 'temper-3'), setting: 'temper' }], set(1, 'kin-off'))).toBeUndefined()
  })

  it('takes it away where it was set to something else, was reset, or was in other hands', () => {
    expect(overruled([set(2, 'kin-beasts', 'person')], set(1, 'kin-off'))).toMatchObject({ option: 'kin-beasts' })
    expect(overruled([{ kind: 'reset', ...at(2) }], set(1, 'kin-off'))).toMatchObject({ kind: 'reset' })
    for (const kind of ['repaired', 'returned'] as const)
      expect(overruled([{ kind, ...at(2) }], set(1, 'kin-off'))).toMatchObject({ kind })
  })

  it('stands behind what is written down for the same moment, and before what came a moment later', () => {
    expect(overruled([set(1, 'kin-beasts', 'person')], set(1, 'kin-off'))).toBeUndefined()
    expect(overruled([set(1, 'kin-beasts'), set(1.001, 'kin-people')], set(1, 'kin-off'))).toMatchObject({
      option: 'kin-people',
    })
    // The first of those that take it away is named, not the last.
    const both = [set(2, 'kin-beasts', 'person'), set(3, 'kin-people')]
    expect(overruled(both, set(1, 'kin-off'))).toMatchObject({ option: 'kin-beasts' })
    // It was taken away and set so again in between: then the next one counts.
    const again = [set(2, 'kin-beasts'), set(3, 'kin-off'), set(4, 'kin-people')]
    expect(overruled(again, set(1, 'kin-off'))).toMatchObject({ option: 'kin-beasts' })
  })

  it('leaves it where a reset brings the same, or somebody set it so again', () => {
    expect(linnet.settings.find(s => s.id === 'kin')?.default).toBe('kin-people')
    expect(overruled([{ kind: 'reset', ...at(2) }], set(1, 'kin-people'))).toBeUndefined()
    expect(overruled([{ kind: 'reset', ...at(2) }, set(3, 'kin-off')], set(1, 'kin-off'))).toBeUndefined()
  })

  it('takes what claims to be later than now for something done before', () => {
    const fromAClockAhead: UnitEvent = { kind: 'reset', ...at(400 * 24) }
    expect(overruled([fromAClockAhead], set(1, 'kin-off'))).toBeUndefined()
    expect(overruled([fromAClockAhead, set(2, 'kin-beasts')], set(1, 'kin-off'))).toMatchObject({
      option: 'kin-beasts',
    })
  })

  it('is the same as working out anew what is known after each event, on random lives', () => {
    const any = fc.constantFrom<UnitEvent>(
      set(0, 'kin-beasts'),
      set(0, 'kin-off', 'person'),
      set(0, 'kin-people'),
      { kind: 'reset', ...at(0) },
      { kind: 'repaired', ...at(0) },
      { kind: 'firmware', from: '1.3', to: '1.4', ...at(0) },
      { kind: 'firmware', from: '1.4', to: '2.0', ...at(0) },
      { kind: 'exchanged', what: 'model', from: 'sorrel', to: 'linnet', ...at(0) },
      { kind: 'exchanged', what: 'serial', from: 'a', to: 'b', ...at(0) },
    )
    fc.assert(
      fc.property(fc.array(any, { maxLength: 9 }), events => {
        const along = [...knownAlong(linnet, '2.0', events)]
        expect(along).toEqual(events.map((_, i) => knownAfter(linnet, '2.0', events.slice(0, i + 1))))
      }),
      { numRuns: 60 },
    )
  })
})
