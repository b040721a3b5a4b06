import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apply, asJson, diff, invert, type Json, merge, placeOf } from './changes'

const member = fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd', 'e'), label: fc.string(), n: fc.integer() })
const document = fc.record({
  name: fc.string(),
  facts: fc.dictionary(fc.constantFrom('x', 'y', 'z'), fc.integer()),
  list: fc.array(fc.integer(), { maxLength: 4 }),
  members: fc.uniqueArray(member, { selector: m => m.id, maxLength: 5 }),
})

describe('changes between two documents', () => {
  it('turn the one into the other, and back again', () => {
    fc.assert(
      fc.property(document, document, (a, b) => {
        const changes = diff(asJson(a), asJson(b))
        expect(apply(a, changes)).toEqual(b)
        expect(apply(b, invert(changes))).toEqual(a)
      }),
      { numRuns: 500 },
    )
  })

  it('name a member of a list by its id, wherever it stands', () => {
    const before = {
      settings: [
        { id: 'grip', label: 'Grip' },
        { id: 'hop', label: 'Hop' },
      ],
    }
    const after = {
      settings: [
        { id: 'hop', label: 'Leap' },
        { id: 'grip', label: 'Grip' },
      ],
    }
    expect(diff(before, after).map(c => c.at.join('.'))).toEqual(['settings.hop.label', 'settings.#order'])
  })

  it('are empty between equal documents, whatever the order of their keys', () => {
    expect(diff({ a: 1, b: { c: 2 } }, { b: { c: 2 }, a: 1 })).toEqual([])
  })

  it('keep together what only makes sense as a whole', () => {
    const whole = (at: readonly string[]) => at.at(-1) === 'at'
    const changes = diff({ at: { tab: 'one', row: 1 } }, { at: { tab: 'two', row: 3 } }, whole)
    expect(changes).toEqual([{ at: ['at'], before: { tab: 'one', row: 1 }, after: { tab: 'two', row: 3 } }])
  })
})

describe('merging', () => {
  const base = { name: 'Sorrel', about: 'old', settings: [{ id: 'grip', label: 'Grip', row: 1 }] }

  it('keeps what each of two people changed', () => {
    const mine = { ...base, name: 'Sorrel II' }
    const theirs = {
      ...base,
      settings: [
        { id: 'grip', label: 'Clutch', row: 1 },
        { id: 'hop', label: 'Hop', row: 2 },
      ],
    }
    const merged = merge(base, mine, theirs)
    expect(merged.conflicts).toEqual([])
    expect(merged.document).toEqual({ ...theirs, name: 'Sorrel II' })
  })

  it('names the place where both changed the same, and lets a person choose', () => {
    const mine = { ...base, about: 'mine' }
    const theirs = { ...base, about: 'theirs', name: 'Other' }
    const asked = merge(base, mine, theirs)
    expect(asked.conflicts.map(c => [placeOf(c.mine), c.mine.after, c.theirs.after])).toEqual([
      ['about', 'mine', 'theirs'],
    ])
    expect(asked.document).toEqual({ ...base, about: 'mine', name: 'Other' })
    expect(merge(base, mine, theirs, undefined, { about: 'theirs' }).document).toEqual({ ...theirs })
  })

  it('treats a change inside of what the other removed as a conflict', () => {
    const mine = { ...base, settings: [{ id: 'grip', label: 'Clutch', row: 1 }] }
    const theirs = { ...base, settings: [] as typeof base.settings }
    expect(merge(base, mine, theirs).conflicts).toHaveLength(1)
    expect(merge(base, mine, theirs, undefined, { 'settings › grip › label': 'theirs' }).document).toEqual(theirs)
  })

  it('loses nothing where the changes lie apart, whoever comes first', () => {
    fc.assert(
      fc.property(document, document, document, (a, b, c) => {
        const [ab, ba] = [merge(a, b, c), merge(a, c, b)]
        if (ab.conflicts.length === 0)
          expect(sorted(ab.document as unknown as Json)).toEqual(sorted(ba.document as unknown as Json))
      }),
      { numRuns: 300 },
    )
  })
})

/** Members added by both sides may stand in either order. */
const sorted = (d: Json) => {
  const { members, ...rest } = d as { members: readonly { id: string }[] }
  return { ...rest, members: [...members].sort((x, y) => (x.id < y.id ? -1 : 1)) }
}
