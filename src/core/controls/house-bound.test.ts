import { expect, it } from 'vitest'
import { bruteBody, bruteFleet, generateMapProblem } from '../../../test/fixtures/controls'
import { random } from '../../../test/fixtures/random'
import { HouseBound, type Houses } from './house-bound'
import type { House, MapProblem } from './map-problem'

/** What a house costs, each body mapped by trying every map. */
const priceOf = (problem: MapProblem, house: House): number =>
  problem.bodies.reduce((sum, b) => sum + bruteBody(problem, b, house), 0)

/** Knows one house, and of others only those that are tried where that is allowed: nobody looks for good ones. */
const housesOf = (problem: MapProblem, known: House, looksAtOthers: boolean) => {
  const houses = {
    best: { house: known, cost: priceOf(problem, known) },
    wanted: 0,
    placesFor: () => Array.from({ length: problem.places }, (_, p) => p),
    want: () => void houses.wanted++,
    consider: (house: House) => {
      const cost = priceOf(problem, house)
      if (looksAtOthers && cost < houses.best.cost) houses.best = { house: house.slice(), cost }
    },
  } satisfies Houses & { wanted: number; best: { house: House } }
  return houses
}

const problems = Array.from({ length: 60 }, (_, i) => {
  const problem = generateMapProblem(i + 1, {
    bodies: 2 + (i % 2),
    functions: 3,
    controls: 4 + (i % 2),
    places: 3,
    slides: i % 3,
  })
  const { int } = random(i + 1)
  // Whatever is known at the beginning: mostly far from the best.
  const known = Int32Array.from({ length: problem.functions }, () => int(0, problem.places - 1))
  return { problem, known, best: bruteFleet(problem) }
})

it('never lies, whichever house is known, and comes to within a few hundredths of the best by prices alone', () => {
  let [sum, all] = [0, 0]
  for (const [i, { problem, known, best }] of problems.entries()) {
    const houses = housesOf(problem, known, false)
    const bound = new HouseBound(problem, houses).byPrices()
    expect(bound, `problem ${i}`).toBeLessThanOrEqual(best)
    expect(houses.wanted).toBeGreaterThan(0)
    sum += bound
    all += best
  }
  expect(sum / all).toBeGreaterThan(0.97)
})

it('finds the best by branching from a bad house, and proves it', () => {
  let branched = 0
  for (const [i, { problem, known, best }] of problems.entries()) {
    const houses = housesOf(problem, known, true)
    const bounds = new HouseBound(problem, houses)
    const before = bounds.byPrices()
    // What was tried on the way is forgotten: branching has to find it by itself.
    houses.best = { house: known, cost: priceOf(problem, known) }
    const after = bounds.byBranching()
    expect([i, after, houses.best.cost]).toEqual([i, best, best])
    expect(after).toBeGreaterThanOrEqual(before)
    branched += Number(before < best)
  }
  expect(branched).toBeGreaterThan(5)
})

it('does not lie either where the nodes run out before the gap is closed', () => {
  let open = 0
  for (const [i, { problem, known, best }] of problems.entries())
    for (const nodes of [1, 4, 7]) {
      const houses = housesOf(problem, known, true)
      const bounds = new HouseBound(problem, houses, nodes * 8 * problem.bodies.length)
      const before = bounds.byPrices()
      // Far from the best, it closes no node by itself.
      houses.best = { house: known, cost: priceOf(problem, known) + 1000 }
      const after = bounds.byBranching()
      expect(after, `problem ${i}, ${nodes} nodes`).toBeLessThanOrEqual(best)
      expect(after).toBeGreaterThanOrEqual(before)
      open += Number(after < best)
    }
  expect(open).toBeGreaterThan(5)
})
