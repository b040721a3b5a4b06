import { leastCost, weigh } from './passes'
import { leastAt, type Part, type Weighing } from './weighing'

/**
 * Raises a lower bound: each part may have levels of its own, at prices that add up to what bodies without a choice
 * cost. For one dimension after the other the prices are set so that all parts agree on what each level costs; no step
 * lowers the bound.
 *
 * @source averaging of min-marginals: Globerson and Jaakkola 2007, Advances in Neural Information Processing 20
 */
export class Bound {
  /** By dimension, then by deciding part: the price of each level. */
  private readonly prices: readonly (readonly Float64Array[])[]
  /** By part and cell: its cost at the level that is cheapest for it. */
  private readonly costs: readonly Float64Array[]
  /** What dimensions cost that no part decides. */
  private readonly free: number
  readonly levels: Int32Array

  constructor(private readonly w: Weighing) {
    this.prices = w.settled.map((costs, d) => {
      const count = w.deciding[d]?.length ?? 0
      return Array.from({ length: count }, () => costs.map(c => c / count))
    })
    this.costs = w.parts.map(p => new Float64Array(p.graph.cells.length))
    this.free = w.settled.reduce((sum, costs, d) => sum + (w.deciding[d]?.length ? 0 : Math.min(...costs)), 0)
    this.levels = Int32Array.from(w.settled, (costs, d) =>
      w.problem.dimensions[d]?.levels.length ? leastAt(costs, 0) : -1,
    )
    w.settled.forEach((_, d) => this.price(d))
  }

  private price(d: number): void {
    this.w.deciding[d]?.forEach((i, n) => {
      const [part, costs] = [this.w.parts[i] as Part, this.costs[i] as Float64Array]
      const prices = this.prices[d]?.[n] as Float64Array
      const weight = this.w.weightOf(part.body)
      for (const cell of part.graph.byDimension.get(d) ?? []) {
        const own = this.w.costsOf(d, part.graph.cells[cell]?.behaviour ?? 0)
        let least = Infinity
        // Stryker disable next-line EqualityOperator: no level costs less than one that is not there
        for (let l = 0; l < prices.length; l++) {
          const here = (prices[l] as number) + weight * (own[l] as number)
          if (here < least) least = here
        }
        costs[cell] = least
      }
    })
  }

  /** One round over all dimensions; returns the bound that is proven then. */
  raise(): number {
    this.w.settled.forEach((costs, d) => {
      const parts = this.w.deciding[d] ?? []
      if (!parts.length) return
      const total = costs.slice()
      const each = parts.map(i => {
        const [part, cost] = [this.w.parts[i] as Part, this.costs[i] as Float64Array]
        const byLevel = new Float64Array(costs.length)
        this.w.costByLevel(part, d, cost, weigh(part.graph, cost), byLevel)
        for (let l = 0; l < total.length; l++) total[l] = (total[l] as number) + (byLevel[l] as number)
        return byLevel
      })
      each.forEach((byLevel, n) => {
        const prices = this.prices[d]?.[n] as Float64Array
        for (let l = 0; l < prices.length; l++) prices[l] = (total[l] as number) / parts.length - (byLevel[l] as number)
      })
      if (this.levels[d] !== -1) this.levels[d] = leastAt(total, 0)
      this.price(d)
    })
    return this.w.parts.reduce((sum, p, i) => sum + leastCost(p.graph, this.costs[i] as Float64Array), this.free)
  }
}
