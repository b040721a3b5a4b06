import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { type Body, bodyAt, factoryState } from '../bodies'
import { eventWords } from './event-words'
import { knownAfter, knownState, likeliestToDrift, type UnitEvent } from './known'
import { blockedBy, neighboursOf, proofsOf } from './proof'
import { dueAfter, readinessOf, readinessWords } from './readiness'

const body = (id: string): Body => {
  const found = demoBodies().find(b => b.id === id)
  if (!found) throw new Error(`no ${id}`)
  return found
}
const linnet = body('linnet')
const DAY = (n: number) => new Date(Date.UTC(2026, 10, n, 9)).toISOString()
const who = (day: number) => ({ at: DAY(day), by: 'Imelda Frost' })
const reset = (day: number): UnitEvent => ({ kind: 'reset', ...who(day) })
const set = (day: number, setting: string, option: string, how: 'card' | 'person' = 'card'): UnitEvent => ({
  kind: 'set',
  setting,
  option,
  how,
  ...who(day),
})
const signed = (day: number, version = 1): UnitEvent => ({
  kind: 'signed',
  standard: 'ring-action',
  version,
  minutes: 6.4,
  ...who(day),
})
const after = (...events: UnitEvent[]) => knownAfter(linnet, '1.4', events)

describe('what is known of a unit', () => {
  it('is nothing at first; the card then takes factory defaults for granted', () => {
    expect(after().facts.size).toBe(0)
    expect(knownState(after())).toEqual({})
  })

  it('is everything after a reset, each with who and when', () => {
    const known = after(reset(1))
    expect(known.facts.size).toBe(linnet.settings.length)
    expect(known.facts.get('kin')).toEqual({ option: 'kin-people', how: 'factory', ...who(1) })
  })

  it('is what was last set or told', () => {
    const known = after(reset(1), set(2, 'kin', 'kin-people'), set(3, 'kin', 'kin-beasts', 'person'))
    expect(known.facts.get('kin')).toMatchObject({ option: 'kin-beasts', how: 'person', at: DAY(3) })
    expect(knownState(known)).toEqual({ ...factoryState(linnet), kin: 'kin-beasts' })
  })

  it('is gone after a repair or a loan', () => {
    for (const kind of ['repaired', 'returned'] as const) {
      const known = after(reset(1), { kind, ...who(2) })
      expect(known.facts.size).toBe(0)
      expect(known.lost.get('kin')).toEqual({ kind, at: DAY(2) })
    }
  })

  it('loses only what a new firmware touched', () => {
    const known = knownAfter(linnet, '2.0', [reset(1), { kind: 'firmware', from: '1.4', to: '2.0', ...who(2) }])
    // Version 2.0 gives Kin new words and an option; the touch moves to another page.
    expect([...linnet.settings.map(s => s.id)].filter(s => !known.facts.has(s)).sort()).toEqual(['glass', 'kin'])
  })

  it('forgets what the profile does not offer any more', () => {
    expect(after(reset(1), set(2, 'kin', 'kin-of-the-future')).facts.has('kin')).toBe(false)
  })
})

describe('readiness', () => {
  const asked = {
    standard: 'ring-action',
    version: 1,
    steps: 0,
    settings: ['kin', 'temper'],
    recheckWeeks: 4,
    now: DAY(28),
  }
  const of = (events: UnitEvent[], more: Partial<typeof asked> = {}) => {
    const known = after(...events)
    const readiness = readinessOf(known, { ...asked, ...more })
    return { ...readiness, words: readinessWords(readiness, known) }
  }

  it('is ready once signed, until the weeks are over', () => {
    expect(of([reset(1), signed(2)])).toMatchObject({ is: 'ready', until: dueAfter(DAY(2), 4) })
    expect(dueAfter(DAY(2), 4)).toBe(DAY(30))
    expect(of([reset(1), signed(2)], { now: DAY(30) }).is).toBe('ready')
    expect(of([reset(1), signed(2)], { now: DAY(31) })).toMatchObject({
      is: 'out-of-date',
      words: 'was signed too long ago',
    })
  })

  it('falls out with a new firmware, even where that touched nothing that matters', () => {
    const updated: UnitEvent = { kind: 'firmware', from: '1.3', to: '1.4', ...who(5) }
    expect(of([reset(1), signed(2), updated])).toMatchObject({ is: 'out-of-date', why: 'firmware' })
    const touching = knownAfter(linnet, '2.0', [reset(1), signed(2), { ...updated, from: '1.4', to: '2.0' }])
    const readiness = readinessOf(touching, asked)
    expect(readinessWords(readiness, touching)).toBe('new firmware touched 1 setting that matter')
  })

  it('differs by the steps that are left, and says where a new version is owed', () => {
    expect(of([reset(1)], { steps: 3 })).toMatchObject({ is: 'differs', words: 'differs by 3 settings' })
    expect(of([reset(1), signed(2)], { steps: 1, version: 2 }).words).toBe('differs by 1 setting: version 2 is new')
  })

  it('is not known where a setting that matters is not, and says what took the knowledge away', () => {
    expect(of([])).toMatchObject({ is: 'unknown', words: 'nothing is known of it yet' })
    expect(of([set(1, 'kin', 'kin-off')]).words).toBe('1 setting not known')
    expect(of([reset(1), { kind: 'returned', ...who(3) }]).words).toContain('came back from a loan')
    expect(of([reset(1), { kind: 'repaired', ...who(3) }]).words).toContain('came back from repair')
  })

  it('is unproven where all agrees and nobody signed, or signed for another standard', () => {
    expect(of([reset(1)]).is).toBe('unproven')
    expect(of([reset(1), signed(2)], { standard: 'high-rope' }).is).toBe('unproven')
  })
})

describe('what to look at first', () => {
  const weights = new Map([
    ['kin', 10],
    ['temper', 3],
    ['way', 3],
    ['sheen', 0],
  ])

  it('is what is not known, then what matters, is old, or was only told', () => {
    const known = after(set(1, 'kin', 'kin-off'), set(1, 'temper', 'temper-1'))
    expect(likeliestToDrift(known, weights, DAY(15))).toEqual(['way', 'kin', 'temper'])
    const told = after(set(1, 'temper', 'temper-1', 'person'), set(1, 'way', 'perch'), set(28, 'kin', 'kin-off'))
    expect(likeliestToDrift(told, weights, DAY(29), 2)).toEqual(['temper', 'way'])
  })

  it('is the same each time where two are as likely, in whatever order they are given', () => {
    const alike = ['way', 'temper', 'sheen', 'kin'].map(id => [id, 3] as const)
    const first = likeliestToDrift(after(), new Map(alike), DAY(1))
    expect(first).toEqual(['kin', 'sheen', 'temper'])
    expect(likeliestToDrift(after(), new Map(alike.toReversed()), DAY(1))).toEqual(first)
  })

  it('never is what the standard does not ask for', () => {
    expect(likeliestToDrift(after(), weights, DAY(1), 9)).not.toContain('sheen')
  })
})

describe('on the camera itself', () => {
  const sorrel = bodyAt(body('sorrel'), '2.10')
  it('proves what presses do, by their own names', () => {
    const state = { ...factoryState(sorrel), 'key-pad-1': 'pursue' }
    const half = sorrel.settings.find(s => s.options.some(o => o.means['trigger.shutter'] === 'meters-only'))
    const light = half?.options.find(o => o.means['trigger.shutter'] === 'meters-only')
    if (!half || !light) throw new Error('no half press')
    const words = proofsOf(sorrel, { ...state, [half.id]: light.id }).map(p => p.words)
    expect(words).toContain('Half-press the shutter: nothing may focus.')
    expect(words).toContain('Hold Pad 1: it focuses, and follows your hand.')
    expect(new Set(words).size).toBe(words.length)
  })

  it('shows the rows around a setting, and which it is', () => {
    const rows = neighboursOf(sorrel, 'key-pad-1')
    expect(rows.filter(r => r.isIt).map(r => r.label)).toEqual(['Pad 1 does'])
    expect(rows.map(r => r.row)).toEqual([...rows.map(r => r.row)].sort((a, b) => a - b))
    expect(neighboursOf(sorrel, 'no-such-thing')).toEqual([])
  })

  it('names the rule that keeps a setting, and what frees it', () => {
    const tollgate = bodyAt(body('tollgate'), '3.0')
    expect(blockedBy(tollgate, factoryState(tollgate), 'key-rear-key-a')).toEqual([
      {
        rule: 'Rear key A keeps its works order until Key bank is at Own order.',
        first: ['Key bank: Own order'],
        frees: [{ setting: 'bank', options: ['own-order'] }],
      },
    ])
    const freed = { ...factoryState(tollgate), bank: 'own-order' }
    expect(blockedBy(tollgate, freed, 'key-rear-key-a')).toEqual([])
    // Where nobody has seen the bank, it may well be what keeps the key.
    expect(blockedBy(tollgate, freed, 'key-rear-key-a', new Set(['bank']))).toHaveLength(1)
  })
})

it('tells a unit’s life in the body’s own words', () => {
  const words = (e: UnitEvent) => eventWords(e, linnet, () => 'Ring action')
  expect(words(set(1, 'kin', 'kin-people'))).toBe('Kin set to Kin: people')
  expect(words(set(1, 'kin', 'kin-people', 'person'))).toBe('Kin says Kin: people')
  expect(words(set(1, 'gone', 'x'))).toBe('gone set to x')
  expect(words(set(1, 'kin', 'gone'))).toBe('Kin set to gone')
  expect(words({ kind: 'exchanged', what: 'serial', from: 'A', to: 'B', ...who(1) })).toContain('another serial number')
  expect(words({ kind: 'exchanged', what: 'model', from: 'A', to: 'B', ...who(1) })).toContain('another model')
  expect(words(signed(3))).toBe('signed for Ring action, version 1, in 6 minutes')
  expect(words({ kind: 'firmware', from: '1.4', to: '2.0', ...who(1) })).toBe('firmware 1.4 became 2.0')
})
