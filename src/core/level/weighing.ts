import { MILLIONTHS } from '../bodies/search'
import type { FleetProblem } from './fleet-problem'
import type { FlatGraph } from './flat-graph'
import { leastCost, numbersBy, weigh, type Weighed } from './passes'

/** Being right counts this much for each millionth of distance, so that shares of it stay whole numbers. */
const RIGHT = 100

const MOST_SWEEPS = 30
const NOTHING = new Float64Array(0)

export interface Part {
  readonly body: number
  readonly graph: FlatGraph
}

/**
 * One weighing of a fleet. For fixed levels the bodies decouple and each costs the least of its states; levels are
 * then moved one dimension at a time. What a dimension costs at each of its levels comes from one pass over each graph.
 */
export class Weighing {
  /** Graphs that decide several dimensions at once. */
  readonly parts: readonly Part[]
  /** Graphs that decide one: what they cost at each level can be told at once. */
  readonly alone: readonly Part[]
  /** The parts that decide each dimension. */
  readonly deciding: readonly (readonly number[])[]
  /** What each level costs all bodies that decide the dimension alone, or have no choice about it. */
  readonly settled: readonly Float64Array[]
  /** By dimension, behaviour and level: what it costs. */
  private readonly table: readonly (readonly Float64Array[])[]

  constructor(
    readonly problem: FleetProblem,
    readonly lambda: number,
    readonly weights: readonly number[],
  ) {
    const all = problem.bodies
      .flatMap((b, body) => b.graphs.map(graph => ({ body, graph })))
      .filter(p => this.weightOf(p.body) > 0)
    this.parts = all.filter(p => p.graph.byDimension.size > 1)
    this.alone = all.filter(p => p.graph.byDimension.size === 1)
    this.deciding = problem.dimensions.map((_, d) =>
      this.parts.flatMap((p, i) => (p.graph.byDimension.has(d) ? [i] : [])),
    )
    this.table = problem.dimensions.map(({ weight, right, alike, levels, kinds }) =>
      right.map((r, k) =>
        kinds[k] !== k
          ? NOTHING
          : levels.length
            ? numbersBy(levels.length, l => weight * (RIGHT * r + lambda * (alike[k]?.[l] ?? 0)))
            : Float64Array.of(weight * (RIGHT * r + lambda * MILLIONTHS)),
      ),
    )
    this.settled = problem.dimensions.map(d => new Float64Array(Math.max(1, d.levels.length)))
    problem.bodies.forEach((b, body) => {
      for (const { dimension, behaviour } of b.settled) {
        const [costs, own] = [this.settled[dimension], this.costsOf(dimension, behaviour)]
        costs?.forEach((c, l) => (costs[l] = c + this.weightOf(body) * (own[l] as number)))
      }
    })
    for (const { body, graph } of this.alone)
      for (const [d, cells] of graph.byDimension) {
        const costs = this.settled[d] as Float64Array
        const own = cells.map(cell => this.costsOf(d, graph.cells[cell]?.behaviour ?? 0))
        costs.forEach((c, l) => (costs[l] = c + this.weightOf(body) * Math.min(...own.map(o => o[l] as number))))
      }
  }

  weightOf(body: number): number {
    return this.weights[body] ?? 1
  }

  /** What a behaviour costs at each level. */
  costsOf(d: number, behaviour: number): Float64Array {
    return this.table[d]?.[this.problem.dimensions[d]?.kinds[behaviour] ?? -1] as Float64Array
  }

  costAt({ graph, body }: Part, cell: number, levels: Int32Array): number {
    const { dimension, behaviour } = graph.cells[cell] as FlatGraph['cells'][number]
    return (
      this.weightOf(body) * (this.costsOf(dimension, behaviour)[Math.max(0, levels[dimension] as number)] as number)
    )
  }

  costsAt(part: Part, levels: Int32Array): Float64Array {
    return numbersBy(part.graph.cells.length, cell => this.costAt(part, cell, levels))
  }

  total(levels: Int32Array): number {
    let sum = 0
    for (const part of this.parts) sum += leastCost(part.graph, this.costsAt(part, levels))
    this.settled.forEach((costs, d) => (sum += costs[Math.max(0, levels[d] ?? 0)] ?? 0))
    return sum
  }

  /** For each level of a dimension the least cost of a part, all else as it was weighed. */
  costByLevel(part: Part, d: number, cost: Float64Array, { withCell }: Weighed, into: Float64Array): void {
    const cells = part.graph.byDimension.get(d) ?? []
    const weight = this.weightOf(part.body)
    into.fill(Infinity)
    for (const cell of cells) {
      const rest = (withCell[cell] as number) - (cost[cell] as number)
      if (rest === Infinity) continue
      const own = this.costsOf(d, part.graph.cells[cell]?.behaviour ?? 0)
      // Stryker disable next-line EqualityOperator: there is no level beyond the last
      for (let l = 0; l < into.length; l++) {
        const here = rest + weight * (own[l] as number)
        if (here < (into[l] as number)) into[l] = here
      }
    }
  }
}

/** Moves one level at a time to where it costs least, until none moves. */
export const descend = (w: Weighing, start: Int32Array): { levels: Int32Array; cost: number } => {
  const levels = start.slice()
  const costs = w.parts.map(p => w.costsAt(p, levels))
  const weighed: (Weighed | undefined)[] = w.parts.map(() => undefined)
  const sweep = (): boolean => {
    let moved = false
    w.problem.dimensions.forEach((dimension, d) => {
      if (dimension.levels.length < 2) return
      const total = w.settled[d]?.slice() ?? new Float64Array(dimension.levels.length)
      const byLevel = new Float64Array(dimension.levels.length)
      for (const i of w.deciding[d] ?? []) {
        const [part, cost] = [w.parts[i] as Part, costs[i] as Float64Array]
        const seen = (weighed[i] ??= weigh(part.graph, cost))
        w.costByLevel(part, d, cost, seen, byLevel)
        byLevel.forEach((c, l) => (total[l] = (total[l] ?? 0) + c))
      }
      const best = leastAt(total, levels[d] ?? 0)
      // Stryker disable next-line ConditionalExpression: it only takes longer
      if (best === levels[d]) return
      levels[d] = best
      moved = true
      for (const i of w.deciding[d] ?? []) {
        const part = w.parts[i] as Part
        for (const cell of part.graph.byDimension.get(d) ?? [])
          (costs[i] as Float64Array)[cell] = w.costAt(part, cell, levels)
        weighed[i] = undefined
      }
    })
    return moved
  }
  // Stryker disable next-line all: it only takes longer
  for (let n = 0; n < MOST_SWEEPS && sweep(); n++);
  return { levels, cost: w.total(levels) }
}

/** Where a list is least; stays where it is among equals, so that the answer never flickers. */
export const leastAt = (costs: Float64Array, now: number): number => {
  let best = now
  costs.forEach((c, l) => {
    if (c < (costs[best] ?? Infinity)) best = l
  })
  return best
}
