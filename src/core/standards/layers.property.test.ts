import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generateStandard } from '../../../test/fixtures/generate'
import { CASES } from '../../../test/fixtures/guide/cases'
import { accept, asSchool } from '../guide/accept'
import { DISPUTED, propose, schoolsOf } from '../guide/guide'
import { QUESTIONS } from '../guide/questions'
import { compareStandards } from './compare'
import { emptyStandard, withoutTarget, withTarget } from './edit'
import { effectiveTargets, layered, parseStandard, type Standard, standardProblems } from './index'
import { mergeStandards } from './merge'

/** Two generated standards laid over each other. */
const stacked = fc
  .tuple(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 401, max: 800 }))
  .map(([a, b]): Standard => {
    const [lower, upper] = [generateStandard(a, 12), generateStandard(b, 12)]
    const named = (s: Standard, id: string, kind: 'house' | 'work') => s.layers.map(l => ({ ...l, id, name: id, kind }))
    return { ...upper, layers: [...named(lower, 'below', 'house'), ...named(upper, 'above', 'work')] }
  })

describe('for any two layers', () => {
  it('every target of either is answered for: it counts, or a must that was not relaxed stands in its place', () => {
    fc.assert(
      fc.property(stacked, standard => {
        const { targets, withheld } = layered(standard)
        const asked = new Set(standard.layers.flatMap(l => l.targets.map(t => t.dimension)))
        const drive = targets.find(t => t.dimension === 'mode.drive')?.value
        // Where nothing is looked for, how it is looked for says nothing.
        if (targets.find(t => t.dimension === 'subject.class')?.value === 'off')
          for (const id of ['detail', 'eye', 'scope', 'registered']) asked.delete(`subject.${id}`)
        // A rate in continuous AF asks for focus between the frames as well.
        if (asked.has('release.rate') && (drive === 'continuous' || drive === 'automatic')) asked.add('release.refocus')
        expect(targets.map(t => t.dimension).sort()).toEqual([...asked].sort())
        for (const w of withheld) {
          if (!asked.has(w.target.dimension)) continue
          const stands = targets.find(t => t.dimension === w.target.dimension)
          expect(stands).toMatchObject({ weight: 'must', from: { layer: 'below' } })
        }
        expect(standardProblems(standard, 'f')).toHaveLength(withheld.length)
      }),
    )
  })

  it('taking out every override leaves the layer below as it was alone', () => {
    fc.assert(
      fc.property(stacked, standard => {
        const bare = (standard.layers[1]?.targets ?? []).reduce(
          (s, t) => withoutTarget(s, 'above', t.dimension),
          standard,
        )
        const alone = { ...standard, layers: standard.layers.slice(0, 1) }
        expect(effectiveTargets(bare)).toEqual(effectiveTargets(alone))
      }),
    )
  })

  it('goes into a file and comes back the same, and differs from itself in nothing', () => {
    fc.assert(
      fc.property(stacked, standard => {
        const again = parseStandard(JSON.parse(JSON.stringify(standard)), 'again')
        expect(again).toEqual({ ok: true, value: standard })
        expect(compareStandards(standard, again.ok ? again.value : standard)).toEqual([])
      }),
    )
  })

  it('comparing forward and back tells the same targets', () => {
    fc.assert(
      fc.property(stacked, stacked, (a, b) => {
        const there = compareStandards(a, b).map(d => d.dimension)
        expect(compareStandards(b, a).map(d => d.dimension)).toEqual(there)
      }),
    )
  })

  it('merging two drafts that touch different targets loses neither', () => {
    fc.assert(
      fc.property(stacked, standard => {
        const [first, second] = standard.layers[1]?.targets ?? []
        if (!first || !second) return
        const mine = withTarget(standard, 'above', { ...first, reason: 'mine' })
        const theirs = withTarget(standard, 'above', { ...second, reason: 'theirs' })
        const { document, conflicts } = mergeStandards(standard, mine, theirs)
        expect(conflicts).toEqual([])
        const reasons = document.layers[1]?.targets.map(t => t.reason)
        expect(reasons).toContain('mine')
        expect(reasons).toContain('theirs')
      }),
    )
  })
})

const answers = fc
  .tuple(
    ...QUESTIONS.map(q =>
      q.kind === 'amount'
        ? fc.option(fc.double({ min: 0, max: q.most, noNaN: true }), { nil: undefined })
        : q.kind === 'one'
          ? fc.option(fc.constantFrom(...q.options.map(o => o.id)), { nil: undefined })
          : fc.option(fc.subarray(q.options.map(o => o.id)), { nil: undefined }),
    ),
  )
  .map(all => Object.fromEntries(QUESTIONS.flatMap((q, i) => (all[i] === undefined ? [] : [[q.id, all[i]]]))))

describe('for any answers to the guide', () => {
  it('proposes what the format takes, with a reason each; accepting everything leaves nothing to mend', () => {
    fc.assert(
      fc.property(answers, given => {
        const topics = propose(given)
        const draft = emptyStandard({ id: 'made', name: 'Made', about: 'For a test.' }, 'work', undefined)
        const written = topics.reduce((s, t) => accept(s, 'made', t.id, t.proposals[0]), draft)
        expect(parseStandard(written, 'made').ok).toBe(true)
        expect(standardProblems(written, 'made')).toEqual([])
        for (const t of topics) expect(t.proposals.every(p => p.reason !== '' && p.source !== '')).toBe(true)
      }),
      { numRuns: 150 },
    )
  })

  it('offers each school of a disputed topic once, and two of them differ', () => {
    for (const topic of DISPUTED)
      for (const { answers: given } of CASES.slice(0, 8)) {
        const schools = schoolsOf(topic, given)
        expect(new Set(schools.map(s => s.school)).size).toBe(schools.length)
        const draft = emptyStandard({ id: 'made', name: 'Made', about: 'For a test.' }, 'work', undefined)
        const [one, other] = schools
        if (one && other)
          expect(compareStandards(asSchool(draft, topic, one), asSchool(draft, topic, other)).length).toBeGreaterThan(0)
      }
  })
})
