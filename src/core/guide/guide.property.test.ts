import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Area } from '../vocabulary/values'
import { answersOn, propose, tipsFor } from './guide'
import { firstOn } from './weigh'
import { contradictions } from './incompatible'
import { schoolsIn } from './schools'
import { type Answers, QUESTIONS, questionsFor, UNKNOWN } from './questions'

/** Whatever is answered: nothing contradicts itself, and more of one thing never means less of another. */

const answers: fc.Arbitrary<Answers> = fc
  .tuple(
    ...QUESTIONS.map(q =>
      q.kind === 'amount'
        ? fc.option(fc.double({ min: 0, max: q.most, noNaN: true }), { nil: undefined, freq: 2 })
        : q.kind === 'one'
          ? fc.option(fc.constantFrom(UNKNOWN, ...q.options.map(o => o.id)), { nil: undefined, freq: 2 })
          : fc.option(fc.subarray(q.options.map(o => o.id)), { nil: undefined, freq: 3 }),
    ),
  )
  .map(all => Object.fromEntries(QUESTIONS.flatMap((q, i) => (all[i] === undefined ? [] : [[q.id, all[i]]]))))

const RUNS = { numRuns: 150, seed: 1927 }
const firsts = (a: Answers) => answersOn(a).flatMap(t => t.proposals[0].targets)
const valueOf = (a: Answers, id: string) => firsts(a).find(t => t.dimension === id)?.value
/** The share of the frame that the area which comes first covers. */
const areaOf = (a: Answers): number => {
  const area = schoolsIn('where')[firstOn(a).where ?? '']?.targets[0]?.value as Area | undefined
  return area ? area.width * area.height : NaN
}

/** Every step along an order of options, all else equal. */
const steps = (given: Answers, id: string, order: readonly string[]): readonly (readonly [Answers, Answers])[] =>
  order.slice(1).map((next, i) => [
    { ...given, [id]: order[i] ?? '' },
    { ...given, [id]: next },
  ])

describe('for any answers', () => {
  it('the answers that come first ask for one thing each, and go together', () => {
    fc.assert(
      fc.property(answers, given => {
        const targets = firsts(given)
        const values = new Map<string, string>()
        for (const t of targets) {
          const value = JSON.stringify(t.value)
          expect([t.dimension, values.get(t.dimension) ?? value]).toEqual([t.dimension, value])
          values.set(t.dimension, value)
        }
        expect(contradictions(targets)).toEqual([])
      }),
      RUNS,
    )
  })

  it('longer hidden never means looser', () => {
    fc.assert(
      fc.property(
        answers,
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (given, a, b) => {
          const at = (blocked: number, id: string) => Number(valueOf({ ...given, blocked }, id) ?? 0)
          const [less, more] = [Math.min(a, b), Math.max(a, b)]
          for (const id of ['track.hold', 'track.switch', 'video.shift'])
            expect(at(more, id)).toBeGreaterThanOrEqual(at(less, id))
        },
      ),
      RUNS,
    )
  })

  it('more faces never mean wider detection', () => {
    const width = (a: Answers) => ['off', 'inside', 'on'].indexOf(firstOn(a).whom ?? 'off')
    fc.assert(
      fc.property(answers, given => {
        for (const [fewer, more] of steps(given, 'faces', ['one', 'two', 'several', 'crowd']))
          expect(width(more), JSON.stringify(more)).toBeLessThanOrEqual(width(fewer))
      }),
      RUNS,
    )
  })

  it('smaller in the frame never means a larger area', () => {
    fc.assert(
      fc.property(answers, given => {
        for (const [smaller, larger] of steps(given, 'size', ['tiny', 'small', 'half', 'fills']))
          expect(areaOf(smaller), JSON.stringify(smaller)).toBeLessThanOrEqual(areaOf(larger))
      }),
      RUNS,
    )
  })

  it('less practice never means a smaller area than the hand can hold', () => {
    fc.assert(
      fc.property(answers, given => {
        for (const [more, less] of steps(given, 'hands', ['practised', 'learning', 'first-days']))
          // A zone can be held by anybody: less practice may leave the whole frame for it.
          expect(areaOf(less), JSON.stringify(less)).toBeGreaterThanOrEqual(Math.min(areaOf(more), 0.35 * 0.4))
      }),
      RUNS,
    )
  })

  it('what is not known is never taken for a no, and everything that is said has words and a source', () => {
    fc.assert(
      fc.property(answers, given => {
        const known = Object.fromEntries(Object.entries(given).filter(([, a]) => a !== UNKNOWN))
        expect(answersOn(given)).toEqual(answersOn(known))
        for (const t of propose(given)) {
          for (const p of [...t.proposals, ...t.others]) expect(p.reason && p.source && p.title).not.toBe('')
          expect(t.proposals.map(p => p.school)).toEqual([...new Set(t.proposals.map(p => p.school))])
        }
        for (const a of tipsFor(given).advice) expect(a.text && a.source).not.toBe('')
        expect(questionsFor(given).length).toBeGreaterThanOrEqual(5)
      }),
      { numRuns: 60, seed: 1927 },
    )
  })
})
