import { expect, it } from 'vitest'
import { bruteBody, generateMapProblem } from '../../../test/fixtures/controls'
import { random } from '../../../test/fixtures/random'
import { HouseSearch } from './house-search'
import type { House, MapProblem } from './map-problem'

/** What a house costs, each body mapped by trying every map. */
const priceOf = (problem: MapProblem, house: House): number =>
  problem.bodies.reduce((sum, b) => sum + bruteBody(problem, b, house), 0)

/** Every house in which one function has moved, or two have changed places. */
const neighbours = ({ functions, places }: MapProblem, house: House): readonly House[] =>
  Array.from({ length: functions }, (_, f) => [
    ...Array.from({ length: places }, (__, p) => house.with(f, p)),
    ...Array.from({ length: functions }, (__, g) => house.with(f, house[g] ?? 0).with(g, house[f] ?? 0)),
  ]).flat()

it('a house that was improved costs what it says, and no move or swap of places makes it cheaper', () => {
  let improved = 0
  for (let seed = 1; seed <= 40; seed++) {
    const problem = generateMapProblem(seed, { bodies: 3, functions: 4, controls: 5, places: 4, slides: seed % 3 })
    const { int } = random(seed)
    const houses = new HouseSearch(problem)
    for (let f = 0; f < problem.functions; f++) for (const p of houses.placesFor(f)) houses.want(f, p)
    let least = Infinity
    for (let begun = 0; begun < 3; begun++) {
      const start = Int32Array.from({ length: problem.functions }, () => int(0, problem.places - 1))
      houses.improve(start)
      improved += Number(houses.best.cost < priceOf(problem, start))
      // What comes later never takes the place of something better.
      expect(houses.best.cost).toBeLessThanOrEqual(least)
      least = houses.best.cost
    }
    const { house, cost } = houses.best
    expect(cost, `seed ${seed}`).toBe(priceOf(problem, house))
    expect(Math.min(...neighbours(problem, house).map(h => priceOf(problem, h))), `seed ${seed}`).toBe(cost)
  }
  expect(improved).toBeGreaterThan(80)
})
