import { random } from '../numeric/random'
import { HouseBound } from './house-bound'
import { HouseSearch } from './house-search'
import type { BodyMap, House, MapProblem } from './map-problem'

/** Maps for a fleet. */
export interface Solved {
  readonly house: House
  readonly maps: readonly BodyMap[]
  readonly cost: number
  /** No maps can cost less. */
  readonly bound: number
}

export interface SolveOptions {
  readonly seed?: number | undefined
}

/** How often each body is mapped while trying house places out. */
const MOST_TRIED = 120
/** A wider gap on more bodies than these is not closed by so few nodes. */
const CLOSABLE = 0.005
const FEW_BODIES = 6
const RESTARTS = 12
/** On few bodies each try costs so little that many more are made. */
const MORE_FOR_FEW = 5

/**
 * The maps that cost least over all house places. Where most bodies go while the bound is raised gives house places to try.
 * Those are improved one move or swap at a time, and what is left of the gap is closed by branching on house places as far
 * as a fixed number of nodes allows, so that the answer does not depend on the machine.
 */
export const solve = (problem: MapProblem, { seed = 1 }: SolveOptions = {}): Solved => {
  const { functions, bodies } = problem
  const houses = new HouseSearch(problem)
  const least = new HouseBound(problem, houses)
  let bound = least.byPrices()
  // Stryker disable next-line all: it only takes longer
  if (bound < houses.best.cost) {
    const { int, pick } = random(seed)
    houses.improve(houses.best.house)
    // Stryker disable next-line ConditionalExpression,EqualityOperator: how many are tried
    const more = bodies.length <= FEW_BODIES ? MORE_FOR_FEW : 1
    const most = houses.tried + more * MOST_TRIED * bodies.length
    // Stryker disable next-line ConditionalExpression,EqualityOperator,ArithmeticOperator,LogicalOperator: how many are tried
    for (let i = 0; i < more * RESTARTS && bound < houses.best.cost && houses.tried < most; i++) {
      const other = houses.best.house.slice()
      // Stryker disable next-line all: how far a new beginning is from the last
      for (let k = 0; k < 2; k++) {
        const f = int(0, functions - 1)
        const wanted = houses.wanted(f)
        if (wanted.length) other[f] = pick(wanted)
      }
      houses.improve(other)
    }
    if (houses.best.cost - bound < CLOSABLE * houses.best.cost || bodies.length <= FEW_BODIES)
      bound = least.byBranching()
  }
  const { house, cost } = houses.best
  const maps = bodies.map((_, b) => houses.onBody(b, house).map)
  return { house, maps, cost, bound: Math.min(bound, cost) }
}
