import { Assigner, FORBIDDEN } from '../numeric/assignment'
import { type BodyMap, type BodyProblem, LEFT_OUT, type Slide } from './map-problem'

export interface BestMap {
  readonly map: BodyMap
  readonly cost: number
  /** What a map costs more at least that has a function in a place, by function x place. */
  readonly slack: Float64Array
}

/** A control for a function, and what any map costs at least that has it there. */
interface Choice {
  readonly c: number
  readonly least: number
}

/** The least of a slide that falls to each of its ends for being on a control, wherever the other end is. */
const sharesOf = ({ distance }: BodyProblem, { weight }: Slide) => {
  const least = (to: (other: number) => number, self: number) => {
    // There is no slide where there is one control.
    let found = distance.length > 1 ? Infinity : 0
    for (let other = 0; other < distance.length; other++) if (other !== self) found = Math.min(found, to(other))
    return (weight * found) / 2
  }
  return {
    from: distance.map((row, c) => least(other => row[other] ?? 0, c)),
    to: distance.map((_, c) => least(other => distance[other]?.[c] ?? 0, c)),
  }
}

/**
 * The cheapest map of one body when being in a place costs extra. Without slides it is one assignment problem; with
 * them, the functions that slides start from are tried on each control by branch and bound, after which the rest is
 * an assignment problem again. Exact.
 *
 * @param extra what it costs beyond the body's own costs that a function is in a place, by function x place
 */
export const bestOnBody = (
  body: BodyProblem,
  slides: readonly Slide[],
  places: number,
  extra: Float64Array,
): BestMap => {
  const functions = body.cost.length
  const controls = body.place.length
  // Every function has a column of its own for being left out.
  const columns = controls + functions
  const own = new Float64Array(functions * columns).fill(FORBIDDEN)
  // Stryker disable next-line EqualityOperator: a row beyond the end takes nothing
  for (let f = 0; f < functions; f++) {
    // Stryker disable next-line EqualityOperator: what it writes beyond the end is written over
    for (let c = 0; c < controls; c++) {
      const cost = body.cost[f]?.[c] ?? FORBIDDEN
      if (cost < FORBIDDEN) own[f * columns + c] = cost + (extra[f * places + (body.place[c] ?? 0)] ?? 0)
    }
    own[f * columns + controls + f] = body.leftOut[f] ?? FORBIDDEN
  }
  const leaders = [...new Set(slides.map(s => s.from))]
  const assigner = new Assigner(functions, columns)
  const shared = slides.map(s => ({ ...s, share: sharesOf(body, s) }))
  const add = (cost: Float64Array, f: number, column: number, more: number): void => {
    const i = f * columns + column
    // Stryker disable next-line all: what is forbidden stays so at any cost
    if ((cost[i] ?? FORBIDDEN) < FORBIDDEN) cost[i] = (cost[i] ?? 0) + more
  }
  let best = { map: new Int32Array(functions).fill(LEFT_OUT), cost: Infinity }
  const slack = new Float64Array(functions * places).fill(FORBIDDEN)

  const slideCost = (at: Int32Array): number => {
    let sum = 0
    for (const s of slides) {
      const from = at[s.from] ?? columns
      const to = at[s.to] ?? columns
      if (from < controls && to < controls) sum += s.weight * (body.distance[from]?.[to] ?? 0)
    }
    return sum
  }
  /** Columns of the leaders that are fixed, in their order. */
  const branch = (fixed: readonly number[]): void => {
    const cost = own.slice()
    fixed.forEach((column, i) => {
      const row = leaders[i] ?? 0
      const kept = cost[row * columns + column] ?? FORBIDDEN
      cost.fill(FORBIDDEN, row * columns, (row + 1) * columns)
      cost[row * columns + column] = kept
    })
    for (const s of shared) {
      const { share } = s
      const from = fixed[leaders.indexOf(s.from)]
      // Stryker disable next-line EqualityOperator: beyond the end there is nothing to add
      for (let c = 0; c < controls; c++) {
        if (from === undefined) {
          add(cost, s.from, c, share.from[c] ?? 0)
          add(cost, s.to, c, share.to[c] ?? 0)
        } else {
          // What is left out is at no distance from anything.
          add(cost, s.to, c, s.weight * (body.distance[from]?.[c] ?? 0))
        }
      }
      // Where one of the two is left out there is no slide, and the share of the other was too much.
      if (from === undefined) {
        add(cost, s.from, controls + s.from, -Math.max(0, ...share.to))
        add(cost, s.to, controls + s.to, -Math.max(0, ...share.from))
      }
    }
    const bound = assigner.solve(cost)
    if (fixed.length === 0) {
      // Stryker disable next-line EqualityOperator: a row beyond the end is nobody's
      for (let f = 0; f < functions; f++)
        // Stryker disable next-line EqualityOperator: less slack only has more looked at
        for (let c = 0; c < controls; c++) {
          const i = f * places + (body.place[c] ?? 0)
          // Stryker disable next-line ArithmeticOperator: less slack only has more looked at
          const here = bound + assigner.atLeast(f, c, cost[f * columns + c] ?? FORBIDDEN)
          if (here < (slack[i] ?? 0)) slack[i] = here
        }
    }
    if (bound >= best.cost) return
    const found = assigner.columnOf
    // Of slides from leaders that are not fixed yet only the shares are in it: it is a bound, and a map to try.
    let whole = bound
    if (fixed.length < leaders.length) {
      whole = slideCost(found)
      // Stryker disable next-line all: a map that is not tried here comes up later
      for (let f = 0; f < functions; f++) whole += own[f * columns + (found[f] ?? 0)] ?? FORBIDDEN
    }
    if (whole < best.cost) best = { map: found.map(c => (c < controls ? c : LEFT_OUT)), cost: whole }
    if (whole <= bound || fixed.length === leaders.length) return
    const row = leaders[fixed.length] ?? 0
    // Stryker disable next-line all: what is tried first
    const cheapestFirst = (a: Choice, b: Choice) => a.least - b.least || a.c - b.c
    // Stryker disable next-line ArithmeticOperator: a weaker bound only tries more
    const leastOf = (c: number) => bound + assigner.atLeast(row, c, cost[row * columns + c] ?? FORBIDDEN)
    const choices = Array.from({ length: columns }, (_, c) => ({ c, least: leastOf(c) })).sort(cheapestFirst)
    for (const { c, least } of choices) if (least < best.cost) branch([...fixed, c])
  }
  branch([])
  // Stryker disable next-line EqualityOperator,MethodExpression: less slack only has more looked at
  for (let i = 0; i < slack.length; i++) slack[i] = Math.max(0, (slack[i] ?? 0) - best.cost)
  return { ...best, slack }
}
