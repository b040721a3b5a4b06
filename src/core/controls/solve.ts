import { random } from '../numeric/random'
import { bestOnBody } from './best-on-body'
import { HouseSearch } from './house-search'
import { type BodyMap, type House, LEFT_OUT, type MapProblem } from './map-problem'

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

/** How often prices are moved at the root of the tree and at its other nodes. */
const ROOT_ROUNDS = 45
const NODE_ROUNDS = 8
/** How often each body is mapped while trying house places out, and how many bodies are while branching. */
const MOST_TRIED = 120
const MOST_BRANCHING = 900
/** How much of the step before is kept in the next one, which would zigzag otherwise. */
const DEFLECTION = 0.7
/** A wider gap on more bodies than these is not closed by so few nodes. */
const CLOSABLE = 0.005
const FEW_BODIES = 6
const RESTARTS = 12
/** On few bodies each try costs so little that many more are made. */
const MORE_FOR_FEW = 5

/**
 * The maps that cost least over all house places. Prices for being in a place part the bodies from each other: for
 * any prices, the bodies' own best maps give a lower bound, and where most of them go gives house places to try.
 * Those are improved one move or swap at a time, and what is left of the gap is closed by branching on house places as far
 * as a fixed number of nodes allows, so that the answer does not depend on the machine.
 */
export const solve = (problem: MapProblem, { seed = 1 }: SolveOptions = {}): Solved => new Solver(problem).run(seed)

/** Which house places are decided; UNDECIDED where not. */
const UNDECIDED = -1

class Solver {
  private readonly houses: HouseSearch

  constructor(private readonly problem: MapProblem) {
    this.houses = new HouseSearch(problem)
  }

  run(seed: number): Solved {
    const { functions, places, bodies } = this.problem
    const root = new Float64Array(bodies.length * functions * places)
    const free = new Int32Array(functions).fill(UNDECIDED)
    let bound = this.raise(root, free, ROOT_ROUNDS)
    // Stryker disable next-line all: it only takes longer
    if (bound < this.houses.best.cost) {
      const { int, pick } = random(seed)
      this.houses.improve(this.houses.best.house)
      const more = bodies.length <= FEW_BODIES ? MORE_FOR_FEW : 1
      const most = this.houses.tried + more * MOST_TRIED * bodies.length
      for (let i = 0; i < more * RESTARTS && bound < this.houses.best.cost && this.houses.tried < most; i++) {
        const other = this.houses.best.house.slice()
        // Stryker disable next-line all: how far a new beginning is from the last
        for (let k = 0; k < 2; k++) {
          const f = int(0, functions - 1)
          const wanted = this.houses.wanted(f)
          if (wanted.length) other[f] = pick(wanted)
        }
        this.houses.improve(other)
      }
      if (this.houses.best.cost - bound < CLOSABLE * this.houses.best.cost || bodies.length <= FEW_BODIES)
        bound = this.branch(root, free, bound)
    }
    const { house, cost } = this.houses.best
    const maps = bodies.map((_, b) => this.houses.onBody(b, house).map)
    return { house, maps, cost, bound: Math.min(bound, cost) }
  }

  /**
   * Raises the bound by moving prices along a subgradient; house places that are decided need none.
   *
   * @param price by body, function and place, between 0 and what being away costs; moved in place
   */
  private raise(price: Float64Array, decided: Int32Array, rounds: number): number {
    const { bodies, functions, places, slides } = this.problem
    let best = -Infinity
    let kept = price.slice()
    let stride = 1
    let last = new Float64Array(0)
    let since = 0
    for (let round = 0; round < rounds; round++) {
      let bound = 0
      const votes = new Float64Array(functions * places)
      const used: number[] = []
      for (let b = 0; b < bodies.length; b++) {
        const body = bodies[b]
        if (!body) continue
        const base = b * functions * places
        const extra = price.slice(base, base + functions * places)
        for (let f = 0; f < functions; f++) {
          const place = decided[f] ?? UNDECIDED
          if (place === UNDECIDED) continue
          extra.fill(body.away[f] ?? 0, f * places, (f + 1) * places)
          extra[f * places + place] = 0
        }
        const found = bestOnBody(body, slides, places, extra)
        bound += found.cost
        found.map.forEach((control, f) => {
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
      for (let f = 0; f < functions; f++) {
        if (decided[f] !== UNDECIDED) continue
        let most = -Infinity
        let mostVotes = -1
        for (let p = 0; p < places; p++) {
          let paid = 0
          for (let b = 0; b < bodies.length; b++) paid += price[(b * functions + f) * places + p] ?? 0
          if (paid > most) [most, chosen[f]] = [paid, p]
          const v = votes[f * places + p] ?? 0
          // Stryker disable next-line ConditionalExpression,EqualityOperator: which house is tried
          if (v > mostVotes) [mostVotes, voted[f]] = [v, p]
        }
        bound -= most
      }
      if (bound > best + 1e-9) {
        best = bound
        kept = price.slice()
        since = 0
      } else if (++since === 6) {
        stride /= 2
        since = 0
      }
      if (round % 4 === 0) this.houses.consider(voted)
      if (Math.ceil(best - 1e-6) >= this.houses.best.cost) break
      // One step up: where a body goes the price rises, where the house is it falls.
      const gradient = new Float64Array(price.length)
      if (round > 0) for (let i = 0; i < last.length; i++) gradient[i] = DEFLECTION * (last[i] ?? 0)
      for (const i of used) gradient[i] = (gradient[i] ?? 0) + 1
      for (let f = 0; f < functions; f++) {
        if (decided[f] !== UNDECIDED) continue
        for (let b = 0; b < bodies.length; b++) {
          const i = (b * functions + f) * places + (chosen[f] ?? 0)
          gradient[i] = (gradient[i] ?? 0) - 1
        }
      }
      last = gradient
      let norm = 0
      for (const g of gradient) norm += g * g
      if (norm === 0) break
      const step = (stride * Math.max(1, this.houses.best.cost - bound)) / norm
      for (let b = 0; b < bodies.length; b++)
        for (let f = 0; f < functions; f++)
          for (let p = 0; p < places; p++) {
            const i = (b * functions + f) * places + p
            const away = bodies[b]?.away[f] ?? 0
            price[i] = Math.min(away, Math.max(0, (price[i] ?? 0) + step * (gradient[i] ?? 0)))
          }
    }
    price.set(kept)
    // Costs are whole numbers, and so is the least of them.
    return Math.ceil(best - 1e-6)
  }

  /** Decides house places one after another, the least bound first, until the gap is closed or the nodes run out. */
  private branch(price: Float64Array, decided: Int32Array, bound: number): number {
    const { bodies } = this.problem
    let open = [{ price, decided, bound }]
    let nodes = MOST_BRANCHING / (NODE_ROUNDS * Math.max(1, bodies.length))
    while (open.length) {
      open.sort((a, b) => b.bound - a.bound)
      const node = open.pop()
      if (!node || node.bound >= this.houses.best.cost) return this.houses.best.cost
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
        else if (child.bound < this.houses.best.cost) open.push(child)
      }
      open = open.filter(n => n.bound < this.houses.best.cost)
    }
    return this.houses.best.cost
  }

  /** The undecided function whose prices differ most from place to place: the bodies disagree about it. */
  private mostTorn(price: Float64Array, decided: Int32Array): number {
    const { functions, places, bodies } = this.problem
    let [torn, most] = [UNDECIDED, -1]
    for (let f = 0; f < functions; f++) {
      if (decided[f] !== UNDECIDED) continue
      let sum = 0
      for (let b = 0; b < bodies.length; b++)
        for (let p = 0; p < places; p++) sum += price[(b * functions + f) * places + p] ?? 0
      // Stryker disable next-line ConditionalExpression,EqualityOperator: what is decided first
      if (sum > most) [torn, most] = [f, sum]
    }
    return torn
  }
}
