import { bestOnBody } from './best-on-body'
import { type House, LEFT_OUT, type MapProblem } from './map-problem'

/** Which house places are decided; UNDECIDED where not. */
const UNDECIDED = -1

/** How often prices are moved at the root of the tree and at its other nodes. */
const ROOT_ROUNDS = 45
const NODE_ROUNDS = 8
/** How many bodies are mapped while branching. */
const MOST_BRANCHING = 900
/** How much of the step before is kept in the next one, which would zigzag otherwise. */
const DEFLECTION = 0.7

/** What finding a bound has to do with those who look for good houses. */
export interface Houses {
  readonly best: { readonly cost: number }
  /** Places where some body can have a function. */
  placesFor(f: number): readonly number[]
  /** Notes that some body wanted a function in a place. */
  want(f: number, place: number): void
  /** Takes house places where they are the best so far. */
  consider(house: House): void
}

/**
 * What no maps can cost less than. Prices for being in a place part the bodies from each other: for any prices, the
 * bodies' own best maps give a lower bound, which moving the prices raises, and branching on house places raises further.
 *
 * @source the method: Lagrangian decomposition with subgradients (Held and Karp 1971), from memory
 */
export class HouseBound {
  private readonly price: Float64Array
  /** What each price is at most: what being away costs there. */
  private readonly dearest: Float64Array
  private readonly free: Int32Array
  private bound = -Infinity

  /** @param mostBranching how many bodies are mapped while branching, at most */
  constructor(
    private readonly problem: MapProblem,
    private readonly houses: Houses,
    private readonly mostBranching = MOST_BRANCHING,
  ) {
    const { functions, places, bodies } = problem
    this.price = new Float64Array(bodies.length * functions * places)
    const away = bodies.flatMap(b => Array.from({ length: functions }, (_, f) => b.away[f] ?? 0))
    this.dearest = Float64Array.from(this.price, (_, i) => away[Math.floor(i / places)] ?? 0)
    this.free = new Int32Array(functions).fill(UNDECIDED)
  }

  /** By moving prices alone. */
  byPrices(): number {
    this.bound = this.raise(this.price, this.free, ROOT_ROUNDS)
    return this.bound
  }

  /** By deciding house places as well, from where prices have come. */
  byBranching(): number {
    return this.branch(this.price, this.free, this.bound)
  }

  /**
   * Raises the bound by moving prices along a subgradient; house places that are decided need none.
   *
   * @param price by body, function and place, between 0 and what being away costs; moved in place
   */
  private raise(price: Float64Array, decided: Int32Array, rounds: number): number {
    const { bodies, functions, places, slides } = this.problem
    const { dearest } = this
    let best = -Infinity
    let kept = price
    let stride = 1
    let last = new Float64Array(0)
    let since = 0
    for (let round = 0; round < rounds; round++) {
      let bound = 0
      // Stryker disable next-line ArithmeticOperator: which house is tried
      const votes = new Float64Array(functions * places)
      const used: number[] = []
      for (const [b, body] of bodies.entries()) {
        const base = b * functions * places
        const extra = price.slice(base, base + functions * places)
        for (const [f, place] of decided.entries()) {
          if (place === UNDECIDED) continue
          extra.fill(body.away[f] ?? 0, f * places, (f + 1) * places)
          extra[f * places + place] = 0
        }
        const found = bestOnBody(body, slides, places, extra)
        bound += found.cost
        found.map.forEach((control, f) => {
          // Stryker disable next-line ConditionalExpression: any prices bound it; how well is seen by time
          if (control === LEFT_OUT) return
          const place = body.place[control] ?? 0
          this.houses.want(f, place)
          votes[f * places + place] = (votes[f * places + place] ?? 0) + (body.away[f] ?? 0)
          // Stryker disable next-line ConditionalExpression: nobody is paid for what is decided
          if (decided[f] === UNDECIDED) used.push(base + f * places + place)
        })
      }
      // What the house can gain at most from being paid the prices of one place.
      const chosen: House = decided.slice()
      const voted: House = decided.slice()
      for (const [f, at] of decided.entries()) {
        if (at !== UNDECIDED) continue
        let most = -Infinity
        let mostVotes = -1
        for (let p = 0; p < places; p++) {
          let paid = 0
          // Stryker disable next-line EqualityOperator: what is not there pays nothing
          for (let b = 0; b < bodies.length; b++) paid += price[(b * functions + f) * places + p] ?? 0
          // Stryker disable next-line EqualityOperator: of two that are paid the same
          if (paid > most) [most, chosen[f]] = [paid, p]
          // Stryker disable next-line ArithmeticOperator: which house is tried
          const v = votes[f * places + p] ?? 0
          // Stryker disable next-line ConditionalExpression,EqualityOperator: which house is tried
          if (v > mostVotes) [mostVotes, voted[f]] = [v, p]
        }
        bound -= most
      }
      const isBetter = bound > best + 1e-9
      if (isBetter) [best, kept] = [bound, price.slice()]
      // Stryker disable next-line all: any step leaves it a bound; how far one goes only takes time
      since = isBetter ? 0 : since + 1
      // Stryker disable next-line all: any step leaves it a bound; how far one goes only takes time
      if (since === 6) [stride, since] = [stride / 2, 0]
      if (round % 4 === 0) this.houses.consider(voted)
      // Stryker disable next-line all: more rounds find no more than is proven already, and take time
      if (Math.ceil(best - 1e-6) >= this.houses.best.cost) break
      // One step up: where a body goes the price rises, where the house is it falls.
      const gradient = new Float64Array(price.length)
      // Stryker disable next-line all: any step leaves it a bound; how far one goes only takes time
      if (round > 0) for (let i = 0; i < last.length; i++) gradient[i] = DEFLECTION * (last[i] ?? 0)
      for (const i of used) gradient[i] = (gradient[i] ?? 0) + 1
      for (const [f, at] of decided.entries()) {
        if (at !== UNDECIDED) continue
        for (const b of bodies.keys()) {
          const i = (b * functions + f) * places + (chosen[f] ?? 0)
          gradient[i] = (gradient[i] ?? 0) - 1
        }
      }
      last = gradient
      let norm = 0
      for (const g of gradient) norm += g * g
      if (norm === 0) break
      // Stryker disable next-line ArithmeticOperator: any step leaves it a bound; how far one goes only takes time
      const step = (stride * Math.max(1, this.houses.best.cost - bound)) / norm
      // Stryker disable next-line EqualityOperator: a price beyond the last is not kept
      for (let i = 0; i < price.length; i++)
        price[i] = Math.min(dearest[i] ?? 0, Math.max(0, (price[i] ?? 0) + step * (gradient[i] ?? 0)))
    }
    price.set(kept)
    // Costs are whole numbers, and so is the least of them.
    return Math.ceil(best - 1e-6)
  }

  /** Decides house places one after another, the least bound first, until the gap is closed or the nodes run out. */
  private branch(price: Float64Array, decided: Int32Array, bound: number): number {
    const { bodies } = this.problem
    let open = [{ price, decided, bound }]
    let nodes = this.mostBranching / (NODE_ROUNDS * Math.max(1, bodies.length))
    for (;;) {
      open = open.filter(n => n.bound < this.houses.best.cost).sort((a, b) => b.bound - a.bound)
      const node = open.pop()
      if (!node) return this.houses.best.cost
      if (nodes <= 0) return node.bound
      const f = this.mostTorn(node.price, node.decided)
      if (f === UNDECIDED) return node.bound
      for (const p of this.houses.placesFor(f)) {
        const child = { price: node.price.slice(), decided: node.decided.slice(), bound: node.bound }
        child.decided[f] = p
        nodes--
        const left = child.decided.some(d => d === UNDECIDED)
        child.bound = left ? Math.max(node.bound, this.raise(child.price, child.decided, NODE_ROUNDS)) : Infinity
        if (!left) this.houses.consider(child.decided)
        else open.push(child)
      }
    }
  }

  /** The undecided function whose prices differ most from place to place: the bodies disagree about it. */
  private mostTorn(price: Float64Array, decided: Int32Array): number {
    const { functions, places, bodies } = this.problem
    let [torn, most] = [UNDECIDED, -1]
    for (const [f, place] of decided.entries()) {
      if (place !== UNDECIDED) continue
      let sum = 0
      // Stryker disable next-line all: what is decided first
      for (let b = 0; b < bodies.length; b++)
        for (let p = 0; p < places; p++) sum += price[(b * functions + f) * places + p] ?? 0
      // Stryker disable next-line ConditionalExpression,EqualityOperator: what is decided first
      if (sum > most) [torn, most] = [f, sum]
    }
    return torn
  }
}
