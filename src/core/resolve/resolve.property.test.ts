import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestByTrying, compareFigures, figuresOf, isAllowed } from '../../../test/fixtures/brute-force'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { random } from '../../../test/fixtures/random'
import { type Body, factoryState, type State } from '../bodies'
import { WEIGHTS, type Standard, type Weight } from '../standards'
import { resolve } from './index'

const seeds = fc.integer({ min: 0, max: 2 ** 31 - 1 })
const RUNS = 150

const middleBody = (seed: number) => generateBody(seed, { settings: 24, rules: 10 })
const middleStandard = (seed: number) => generateStandard(seed, 20)

/** Some state of a body that its rules may or may not allow, as a person might have left it. */
const someState = (body: Body, seed: number): State => {
  const r = random(seed)
  return Object.fromEntries(body.settings.map(s => [s.id, r.pick(s.options).id]))
}

describe('against trying every state of small bodies', () => {
  // Few dimensions, so that settings share them; areas, so that one dimension is judged on several channels.
  const dimensions = [
    'track.hold',
    'track.response',
    'mode.drive',
    'release.first',
    'trigger.start',
    'area.pattern',
    'area.chooser',
    'area.follow',
    'area.offered',
    'see.tone',
    'subject.class',
    'range.limit',
  ]
  it('finds the same answer on 240 random bodies', () => {
    for (let seed = 1; seed <= 240; seed++) {
      const body = generateBody(seed, { settings: 6, rules: 5, mostOptions: 4, dimensions })
      const standard = generateStandard(seed, 8, dimensions)
      const known = seed % 3 === 0 ? factoryState(body) : someState(body, seed)
      const best = bestByTrying(body, standard, known)
      const { state, mustsHeld, musts } = resolve(body, standard, { known })
      const figures = figuresOf(body, standard, state, known)
      expect(best, `seed ${seed}`).toBeDefined()
      expect(isAllowed(body, state), `seed ${seed}`).toBe(true)
      expect({ seed, order: compareFigures(figures, best?.figures ?? []) }).toEqual({ seed, order: 0 })
      expect(state, `seed ${seed}`).toEqual(best?.state)
      expect(musts - mustsHeld, `seed ${seed}`).toBe(figures[0])
    }
  })
})

describe('always', () => {
  it('satisfies every rule of the body', () => {
    fc.assert(
      fc.property(seeds, seed => {
        const body = middleBody(seed)
        return isAllowed(body, resolve(body, middleStandard(seed)).state)
      }),
      { numRuns: RUNS },
    )
  })

  it('never worsens a dimension whose weight is raised', () => {
    fc.assert(
      fc.property(seeds, fc.nat(), (seed, which) => {
        const body = middleBody(seed)
        const before = middleStandard(seed)
        const target = before.layers[0]?.targets[which % 20]
        const heavier = WEIGHTS[WEIGHTS.indexOf(target?.weight ?? 'must') - 1]
        if (!target || !heavier) return
        const raised = resolve(body, withWeight(before, target.dimension, heavier))
        const offBefore = resolve(body, before).outcomes.find(o => o.target.dimension === target.dimension)?.distance
        const offAfter = raised.outcomes.find(o => o.target.dimension === target.dimension)?.distance
        // Where nothing is looked for, a target about how it is looked for says nothing, with any weight.
        expect(offAfter === undefined).toBe(offBefore === undefined)
        expect(offAfter ?? 0).toBeLessThanOrEqual(offBefore ?? 0)
      }),
      { numRuns: RUNS },
    )
  })

  it('does not depend on the order in which settings, rules, controls and targets are listed', () => {
    fc.assert(
      fc.property(seeds, seed => {
        const body = middleBody(seed)
        const standard = middleStandard(seed)
        const r = random(seed + 1)
        const shuffledBody = {
          ...body,
          settings: r.shuffle(body.settings),
          rules: r.shuffle(body.rules),
          controls: r.shuffle(body.controls),
        }
        const shuffledStandard = {
          ...standard,
          layers: standard.layers.map(l => ({ ...l, targets: r.shuffle(l.targets) })),
        }
        const [a, b] = [resolve(body, standard), resolve(shuffledBody, shuffledStandard)]
        expect(b.state).toEqual(a.state)
        expect(b.outcomes.map(o => [o.target.dimension, o.distance])).toEqual(
          a.outcomes.map(o => [o.target.dimension, o.distance]),
        )
      }),
      { numRuns: RUNS },
    )
  })

  it('changes nothing when it is resolved again from its own result', () => {
    fc.assert(
      fc.property(seeds, seed => {
        const body = middleBody(seed)
        const standard = middleStandard(seed)
        const first = resolve(body, standard, { known: someState(body, seed) })
        expect(resolve(body, standard, { known: first.state }).state).toEqual(first.state)
      }),
      { numRuns: RUNS },
    )
  })

  it('leaves alone what no target and no rule speaks of', () => {
    fc.assert(
      fc.property(seeds, seed => {
        const body: Body = { ...middleBody(seed), rules: [] }
        const known = someState(body, seed)
        const standard = generateStandard(seed, 1, ['see.tone'])
        const { state } = resolve(body, standard, { known })
        for (const s of body.settings)
          if (!s.options.some(o => 'see.tone' in o.means)) expect(state[s.id]).toBe(known[s.id])
      }),
      { numRuns: RUNS },
    )
  })
})

const withWeight = (standard: Standard, dimensionId: string, weight: Weight): Standard => ({
  ...standard,
  layers: standard.layers.map(l => ({
    ...l,
    targets: l.targets.map(t => (t.dimension === dimensionId ? { ...t, weight } : t)),
  })),
})
