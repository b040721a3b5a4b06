import { random } from '../random/random'
import { FORBIDDEN } from './assignment'
import { type BestMap, bestOnBody } from './best-on-body'
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
  /** House places to start from as well, such as those of the map before. */
  readonly from?: House | undefined
}

/** How far the cost may be above the best possible, as a share of it; 0 where it is proven best. */
export const gapOf = ({ cost, bound }: Pick<Solved, 'cost' | 'bound'>): number =>
  cost <= bound ? 0 : (cost - bound) / cost

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

/**
 * The maps that cost least over all house places. Prices for being in a place part the bodies from each other: for
 * any prices, the bodies' own best maps give a lower bound, and where most of them go gives house places to try.
 * Those are improved one place at a time, and what is left of the gap is closed by branching on house places as far
 * as a fixed number of nodes allows, so that the answer does not depend on the machine.
 */
export const solve = (problem: MapProblem, { seed = 1, from }: SolveOptions = {}): Solved =>
  new Search(problem).run(seed, from)

/** Which house places are decided; UNDECIDED where not. */
const UNDECIDED = -1

class Search {
  private readonly reachable: readonly (readonly Uint8Array[])[]
  private readonly placesOf: readonly (readonly number[])[]
  private tried = 0
  private readonly used: Uint8Array
  private readonly known = new Map<string, BestMap>()
  private best: { house: House; cost: number }

  constructor(private readonly problem: MapProblem) {
    const { bodies, functions, places } = problem
    this.reachable = bodies.map(b =>
      Array.from({ length: functions }, (_, f) => {
        const here = new Uint8Array(places)
        b.place.forEach((p, c) => {
          if ((b.cost[f]?.[c] ?? FORBIDDEN) < FORBIDDEN) here[p] = 1
        })
        return here
      }),
    )
    this.placesOf = Array.from({ length: functions }, (_, f) => {
      const here = Array.from({ length: places }, (_, p) => p).filter(p => this.reachable.some(r => r[f]?.[p]))
      return here.length ? here : [0]
    })
    this.used = new Uint8Array(functions * places)
    this.best = { house: new Int32Array(functions), cost: Infinity }
  }

  run(seed: number, from: House | undefined): Solved {
    const { functions, places, bodies } = this.problem
    if (from) this.consider(from)
    const root = new Float64Array(bodies.length * functions * places)
    const free = new Int32Array(functions).fill(UNDECIDED)
    let bound = this.raise(root, free, ROOT_ROUNDS)
    if (bound < this.best.cost) {
      const { int, pick } = random(seed)
      this.improve(this.best.house)
      const most = this.tried + MOST_TRIED * bodies.length
      for (let i = 0; i < RESTARTS && bound < this.best.cost && this.tried < most; i++) {
        const other = this.best.house.slice()
        for (let k = 0; k < 2; k++) {
          const f = int(0, functions - 1)
          const wanted = this.wanted(f)
          if (wanted.length) other[f] = pick(wanted)
        }
        this.improve(other)
      }
      if (this.best.cost - bound < CLOSABLE * this.best.cost || bodies.length <= FEW_BODIES)
        bound = this.branch(root, free, bound)
    }
    const { house, cost } = this.best
    const maps = bodies.map((_, b) => this.onBody(b, house).map)
    return { house, maps, cost, bound: Math.min(bound, cost) }
  }

  /** Places where some body can have a function; any, where none can. */
  private placesFor(f: number): readonly number[] {
    return this.placesOf[f] ?? [0]
  }

  /** Places where some body wanted a function while prices were moved. */
  private wanted(f: number): readonly number[] {
    return this.placesFor(f).filter(p => this.used[f * this.problem.places + p])
  }

  /** A body's best map for given house places; a place it cannot use a function in is as good as any other such. */
  private onBody(b: number, house: House): BestMap {
    const { bodies, functions, places, slides } = this.problem
    const body = bodies[b]
    if (!body) throw new RangeError(`no body ${b}`)
    let key = `${b}`
    for (let f = 0; f < functions; f++) {
      const p = house[f] ?? 0
      key += this.reachable[b]?.[f]?.[p] && body.away[f] ? `,${p}` : ','
    }
    const found = this.known.get(key)
    if (found) return found
    const extra = new Float64Array(functions * places)
    for (let f = 0; f < functions; f++) {
      extra.fill(body.away[f] ?? 0, f * places, (f + 1) * places)
      extra[f * places + (house[f] ?? 0)] = 0
    }
    this.tried++
    const made = bestOnBody(body, slides, places, extra)
    this.known.set(key, made)
    return made
  }

  private total(house: House): number {
    let sum = 0
    for (let b = 0; b < this.problem.bodies.length; b++) sum += this.onBody(b, house).cost
    return sum
  }

  private consider(house: House): void {
    const cost = this.total(house)
    if (cost < this.best.cost) this.best = { house: house.slice(), cost }
  }

  /** Moves one house place, or swaps two, for as long as that helps. */
  private improve(start: House): void {
    const { functions, bodies } = this.problem
    let house = start.slice()
    let cost = this.total(house)
    for (let better = true; better;) {
      better = false
      for (let f = 0; f < functions; f++) {
        const now = bodies.map((_, b) => this.onBody(b, house))
        let [next, least] = [house, cost]
        const tryOut = (moved: readonly number[], places: readonly number[]) => {
          const other = house.slice()
          moved.forEach((m, i) => (other[m] = places[i] ?? 0))
          const found = this.moved(moved, house, other, now, least)
          if (found < least) [next, least] = [other, found]
        }
        for (const p of this.wanted(f)) if (p !== house[f]) tryOut([f], [p])
        for (let g = f + 1; g < functions; g++)
          if (house[f] !== house[g]) tryOut([f, g], [house[g] ?? 0, house[f] ?? 0])
        if (least < cost) [house, cost, better] = [next, least, true]
      }
    }
    if (cost < this.best.cost) this.best = { house, cost }
  }

  /**
   * What a house costs in which one or two functions have moved; Infinity as soon as it cannot be less than a limit.
   */
  private moved(moved: readonly number[], before: House, house: House, now: readonly BestMap[], limit: number): number {
    const { bodies } = this.problem
    const open: { readonly b: number; readonly least: number; readonly unsure: number }[] = []
    let sum = 0
    bodies.forEach((body, b) => {
      const was = now[b]
      if (!was) return
      // A map that has a function in its new home saves what being away costs, and costs more by its slack.
      const gains = moved.map(f => ({
        away: body.away[f] ?? 0,
        slack: was.slack[this.at(f, house[f] ?? 0)] ?? FORBIDDEN,
      }))
      const all = gains.reduce((total, g) => total + g.away, 0) - Math.max(...gains.map(g => g.slack))
      const gain = Math.max(0, all, ...gains.map(g => g.away - g.slack))
      let loss = 0
      for (const f of moved) {
        const control = was.map[f] ?? LEFT_OUT
        if (control !== LEFT_OUT && body.place[control] === before[f]) loss += body.away[f] ?? 0
      }
      sum += was.cost - gain
      // Where nobody leaves home and there is nothing to gain, all stays as it was.
      if (gain > 0 || loss > 0) open.push({ b, least: was.cost - gain, unsure: gain + loss })
    })
    open.sort((x, y) => y.unsure - x.unsure)
    for (const { b, least } of open) {
      if (sum >= limit) return Infinity
      sum += this.onBody(b, house).cost - least
    }
    return sum
  }

  private at(f: number, place: number): number {
    return f * this.problem.places + place
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
          this.used[f * places + place] = 1
          votes[f * places + place] = (votes[f * places + place] ?? 0) + (body.away[f] ?? 0)
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
      if (round % 4 === 0) this.consider(voted)
      if (Math.ceil(best - 1e-6) >= this.best.cost) break
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
      const step = (stride * Math.max(1, this.best.cost - bound)) / norm
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
      if (!node || node.bound >= this.best.cost) return this.best.cost
      if (nodes <= 0) return node.bound
      const f = this.mostTorn(node.price, node.decided)
      if (f === UNDECIDED) return node.bound
      for (const p of this.placesFor(f)) {
        const child = { price: node.price.slice(), decided: node.decided.slice(), bound: node.bound }
        child.decided[f] = p
        nodes--
        const left = child.decided.some(d => d === UNDECIDED)
        child.bound = left ? Math.max(node.bound, this.raise(child.price, child.decided, NODE_ROUNDS)) : Infinity
        if (!left) this.consider(child.decided)
        else if (child.bound < this.best.cost) open.push(child)
      }
      open = open.filter(n => n.bound < this.best.cost)
    }
    return this.best.cost
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
      if (sum > most) [torn, most] = [f, sum]
    }
    return torn
  }
}
