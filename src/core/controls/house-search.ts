import { FORBIDDEN } from '../numeric/assignment'
import { type BestMap, bestOnBody } from './best-on-body'
import { type House, LEFT_OUT, type MapProblem } from './map-problem'

/** Looks for good house places: maps bodies for given ones, remembers what came out, and moves places about. */
export class HouseSearch {
  /** By body and function: the places where it can be. */
  private readonly reachable: readonly (readonly Uint8Array[])[]
  private readonly placesOf: readonly (readonly number[])[]
  private readonly used: Uint8Array
  private readonly known = new Map<string, BestMap>()
  /** How many bodies have been mapped so far. */
  tried = 0
  best: { readonly house: House; readonly cost: number }

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

  /** Places where some body can have a function; any, where none can. */
  placesFor(f: number): readonly number[] {
    return this.placesOf[f] ?? [0]
  }

  /** Places where some body wanted a function while prices were moved. */
  wanted(f: number): readonly number[] {
    // Stryker disable next-line MethodExpression: more places are tried
    return this.placesFor(f).filter(p => this.used[this.at(f, p)])
  }

  /** Notes that some body wanted a function in a place. */
  want(f: number, place: number): void {
    this.used[this.at(f, place)] = 1
  }

  /** A body's best map for given house places; a place it cannot use a function in is as good as any other such. */
  onBody(b: number, house: House): BestMap {
    const { bodies, functions, places, slides } = this.problem
    const body = bodies[b]
    if (!body) throw new RangeError(`no body ${b}`)
    let key = `${b}`
    // Stryker disable next-line EqualityOperator: one comma more
    for (let f = 0; f < functions; f++) {
      const p = house[f] ?? 0
      // Stryker disable next-line ConditionalExpression,LogicalOperator: a longer key is found less often, which takes time
      key += this.reachable[b]?.[f]?.[p] && body.away[f] ? `,${p}` : ','
    }
    const found = this.known.get(key)
    if (found) return found
    const extra = new Float64Array(functions * places)
    for (const [f, home] of house.entries()) {
      extra.fill(body.away[f] ?? 0, f * places, (f + 1) * places)
      extra[f * places + home] = 0
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

  /** Takes house places where they are the best so far. */
  consider(house: House): void {
    const cost = this.total(house)
    // Stryker disable next-line EqualityOperator: of two that cost the same
    if (cost < this.best.cost) this.best = { house: house.slice(), cost }
  }

  /** Moves one house place, or swaps two, for as long as that helps. */
  improve(start: House): void {
    const { bodies } = this.problem
    let house = start.slice()
    let cost = this.total(house)
    for (let better = true; better;) {
      better = false
      for (const f of start.keys()) {
        const now = bodies.map((_, b) => this.onBody(b, house))
        let [next, least] = [house, cost]
        const tryOut = (moved: readonly number[], places: readonly number[]) => {
          const other = house.slice()
          moved.forEach((m, i) => (other[m] = places[i] ?? 0))
          const found = this.moved(moved, house, other, now, least)
          if (found < least) [next, least] = [other, found]
        }
        for (const p of this.wanted(f)) if (p !== house[f]) tryOut([f], [p])
        for (const g of start.keys())
          // Stryker disable next-line ConditionalExpression,EqualityOperator: the same swap once more
          if (g > f && house[f] !== house[g]) tryOut([f, g], [house[g] ?? 0, house[f] ?? 0])
        if (least < cost) [house, cost, better] = [next, least, true]
      }
    }
    // Stryker disable next-line EqualityOperator: of two that cost the same
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
        // Stryker disable next-line ConditionalExpression,LogicalOperator: a body that loses nothing is only looked at as well
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
}
