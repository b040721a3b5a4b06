import type { Level } from '../standards'
import { Bound } from './bound'
import type { BodyInFleet, FleetProblem } from './fleet-problem'
import { cheapest } from './passes'
import { descend, leastAt, Weighing } from './weighing'

/** The two ends of the slider and what lies between, as weights of being alike in hundredths of being right. */
export const LAMBDAS: readonly number[] = [
  0, 5, 11, 18, 25, 33, 43, 54, 67, 82, 100, 122, 150, 186, 233, 300, 400, 567, 900, 1900, 9900,
]

/** A fleet that was levelled. */
export interface Levelled {
  readonly lambdaHundredths: number
  /** The common level of each dimension, as a position in its levels; -1 where nobody does anything about it. */
  readonly levels: Int32Array
  /** What each body does about each dimension, as a position in its behaviours. */
  readonly behaviours: readonly Int32Array[]
  /** Weighted distances to targets and, times lambda, to the levels. */
  readonly cost: number
  /** No choice of levels can cost less than this. */
  readonly bound: number
}

/** Gaps below this are rounding. */
const PROVEN = 1e-9
/** Rounds of raising the bound, at most, and the gap at which there is no need to go on. */
const MOST_ROUNDS = 12
const NEAR_ENOUGH = 0.005

/** The level of each dimension that is nearest to its target. */
const nearestLevels = ({ dimensions }: FleetProblem): Int32Array =>
  Int32Array.from(dimensions, d => {
    let best = -1
    let least = Infinity
    d.values.forEach((value, k) => {
      const right = d.right[k] ?? Infinity
      // Stryker disable next-line EqualityOperator,ConditionalExpression: where a search begins
      if (value === undefined || right >= least) return
      least = right
      best = leastAt(d.alike[k] ?? new Float64Array(), 0)
    })
    return best
  })

export interface LevelOptions {
  /** Levels to start from as well, such as those found for a neighbouring lambda. */
  readonly from?: Int32Array | undefined
  /** How often each body counts; once where not given. */
  readonly weights?: readonly number[] | undefined
  /** Leaves out the bound, where only a better or worse is asked for. */
  readonly unproven?: boolean | undefined
  /** Stays at the levels it starts from. */
  readonly still?: boolean | undefined
}

/**
 * The common levels that cost least: the weighted distance of every body to the targets, plus lambda times its
 * distance to the levels. No must that a body can hold is broken for being alike.
 *
 * @param lambdaHundredths how much being alike counts, in hundredths of being right; 0 is best on each body
 * @returns levels with a proven lower bound; where they meet, nothing better exists
 */
export const levelFleet = (
  problem: FleetProblem,
  lambdaHundredths: number,
  { from, weights = [], unproven = false, still = false }: LevelOptions = {},
): Levelled => {
  const w = new Weighing(problem, lambdaHundredths, weights)
  const start = from ?? nearestLevels(problem)
  let best = still ? { levels: start, cost: w.total(start) } : descend(w, start)
  const tried = new Set([start.join()])
  const consider = (other: Int32Array) => {
    if (tried.size === tried.add(other.join()).size) return
    const found = descend(w, other)
    if (found.cost < best.cost) best = found
  }
  let proven = lambdaHundredths === 0 ? best.cost : unproven ? 0 : -Infinity
  if (lambdaHundredths > 0 && !unproven) {
    const bound = new Bound(w)
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const before = proven
      proven = Math.max(proven, bound.raise())
      // Stryker disable next-line all: it only takes longer
      if (best.cost - proven <= NEAR_ENOUGH * best.cost) break
      consider(bound.levels)
      // Stryker disable next-line all: it only takes longer
      if (best.cost - proven <= NEAR_ENOUGH * best.cost || proven - before < 1e-5 * best.cost) break
    }
  }
  // Stryker disable next-line EqualityOperator,ArithmeticOperator,ConditionalExpression: what is proven enough is proven again
  if (best.cost - proven > PROVEN * best.cost && !unproven) {
    const settled = prove(problem, lambdaHundredths, weights, best)
    best = settled.best
    proven = Math.max(proven, settled.bound)
  }
  return {
    lambdaHundredths,
    levels: best.levels,
    behaviours: behavioursAt(w, best.levels),
    cost: best.cost,
    // Sums of many figures in another order may differ in the last digit.
    // Stryker disable next-line EqualityOperator: at the very edge both are right
    bound: best.cost - proven <= PROVEN * best.cost ? best.cost : proven,
  }
}

interface Found {
  readonly levels: Int32Array
  readonly cost: number
}

/** Steps of the search to the end, at most; fewer on larger fleets, where each takes longer. */
const MOST_STEPS = 3000
const MOST_WORK = 1_000_000
/** With fewer steps than this a search does not come to its end. */
const WORTH_TRYING = 30
const ROUNDS_AT_A_STEP = 4

/**
 * Branch and bound for small fleets: fixes one level after the other and leaves out what cannot beat the best.
 *
 * @returns the best that was found, and what is proven: the same where the search came to its end
 */
const prove = (
  problem: FleetProblem,
  lambda: number,
  weights: readonly number[],
  start: Found,
): { readonly best: Found; readonly bound: number } => {
  const size = problem.bodies.reduce((sum, b) => sum + b.graphs.reduce((n, g) => n + g.minor.length, 0), 0)
  let best = start
  const affordable = Math.floor(MOST_WORK / (1 + size * problem.dimensions.length))
  if (affordable < WORTH_TRYING) return { best: start, bound: -Infinity }
  let steps = Math.min(MOST_STEPS, affordable)
  // What is still open is named by the levels that each dimension may take.
  const branch = (open: readonly (readonly number[])[]): number => {
    if (steps-- <= 0) return -Infinity
    const part = withLevels(problem, open)
    const w = new Weighing(part, lambda, weights)
    const bound = new Bound(w)
    let proven = -Infinity
    // Stryker disable next-line all: it only takes longer
    for (let n = 0; n < ROUNDS_AT_A_STEP && proven < best.cost * (1 - PROVEN); n++)
      proven = Math.max(proven, bound.raise())
    const found = descend(w, bound.levels)
    if (found.cost < best.cost)
      best = { cost: found.cost, levels: found.levels.map((l, d) => (l < 0 ? l : (open[d]?.[l] ?? 0))) }
    if (proven >= best.cost * (1 - PROVEN)) return best.cost
    const next = choiceToFix(w)
    if (next === undefined) return proven
    return Math.min(
      ...(open[next] ?? []).map(level => Math.max(proven, branch(open.map((o, d) => (d === next ? [level] : o))))),
    )
  }
  const bound = branch(problem.dimensions.map(d => d.levels.map((_, l) => l)))
  return { best, bound: Math.min(bound, best.cost) }
}

/** The dimension with the fewest levels left among those that bodies decide together with others. */
const choiceToFix = (w: Weighing): number | undefined => {
  let chosen: number | undefined
  let fewest = Infinity
  w.problem.dimensions.forEach(({ levels }, d) => {
    if (levels.length < 2 || levels.length >= fewest || !w.deciding[d]?.length) return
    fewest = levels.length
    chosen = d
  })
  return chosen
}

const withLevels = (problem: FleetProblem, open: readonly (readonly number[])[]): FleetProblem => ({
  ...problem,
  dimensions: problem.dimensions.map((d, i) => {
    const kept = open[i] ?? []
    // Stryker disable next-line all: it only takes longer
    if (kept.length === d.levels.length) return d
    return {
      ...d,
      levels: d.levels.filter((_, l) => kept.includes(l)),
      alike: d.alike.map(row => Float64Array.from(kept, l => row[l] ?? 0)),
    }
  }),
})

const behavioursAt = (w: Weighing, levels: Int32Array): readonly Int32Array[] => {
  const found = w.problem.bodies.map((b: BodyInFleet) => {
    const does = new Int32Array(w.problem.dimensions.length)
    for (const s of b.settled) does[s.dimension] = s.behaviour
    return does
  })
  for (const part of [...w.parts, ...w.alone])
    for (const cell of cheapest(part.graph, w.costsAt(part, levels))) {
      const { dimension, behaviour } = part.graph.cells[cell] ?? { dimension: 0, behaviour: 0 }
      const does = found[part.body]
      if (does) does[dimension] = behaviour
    }
  return found
}

/** The levels as a standard keeps them; undefined where each body does its best. */
export const asLevel = (problem: FleetProblem, levelled: Levelled): Level | undefined =>
  levelled.lambdaHundredths === 0
    ? undefined
    : {
        lambdaHundredths: levelled.lambdaHundredths,
        values: problem.dimensions.flatMap((d, i) => {
          const value = d.levels[levelled.levels[i] ?? -1]
          return value === undefined ? [] : [{ dimension: d.target.dimension, value }]
        }),
      }
