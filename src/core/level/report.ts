import { gapOf } from '../numeric/gap'
import { MILLIONTHS } from '../bodies/search'
import { alikeness, type BodyValue, type Spread, spreadOf } from '../resolve'
import { type Grade, gradeOf } from '../vocabulary/grade'
import type { NeutralValue } from '../vocabulary/values'
import { heldUpTo } from '../standards'
import type { FleetDimension, FleetProblem } from './fleet-problem'
import { type Levelled, levelFleet } from './level'

/** What levelling a fleet comes to, for people: figures, spreads, what each body gives up, who holds the others back. */

export interface FleetFigures {
  /** Mean agreement of the bodies with the standard, 0 to 1. */
  readonly agreement: number
  /** How alike the bodies are among each other, 0 to 1. */
  readonly alike: number
}

/** What one body does about one target. */
export interface Doing {
  readonly value: NeutralValue | undefined
  readonly distance: number
  readonly grade: Grade
}

export interface GivenUp {
  readonly dimension: string
  readonly before: Doing
  readonly after: Doing
}

export interface LevelReport {
  readonly lambdaHundredths: number
  /** How far the cost may be above the best possible, as a share of it; 0 where it is proven best. */
  readonly gap: number
  readonly before: FleetFigures
  readonly after: FleetFigures
  /** Dimensions whose spread changed, the most changed first. */
  readonly spreads: readonly {
    readonly dimension: string
    readonly before: Spread | undefined
    readonly after: Spread | undefined
  }[]
  readonly bodies: readonly {
    readonly body: string
    readonly agreementBefore: number
    readonly agreementAfter: number
    /** Targets it is further from than it could be, what weighs most first. */
    readonly givesUp: readonly GivenUp[]
    /** Targets it came nearer to, because one weight now counts for two. */
    readonly gains: readonly GivenUp[]
  }[]
}

const doingOf = (d: FleetDimension, behaviour: number): Doing => {
  const distance = (d.right[behaviour] ?? MILLIONTHS) / MILLIONTHS
  const value = d.values[behaviour]
  return { value, distance, grade: value === undefined ? 'missing' : gradeOf(distance) }
}

const valuesAt = (problem: FleetProblem, levelled: Levelled, d: number, weights: readonly number[]): BodyValue[] =>
  problem.bodies.flatMap(({ id }, b) => {
    const value = problem.dimensions[d]?.values[levelled.behaviours[b]?.[d] ?? -1]
    return Array.from({ length: weights[b] ?? 1 }, () => ({ body: id, value }))
  })

const agreementOf = (problem: FleetProblem, does: Int32Array | undefined): number => {
  const weight = problem.dimensions.reduce((sum, d) => sum + d.weight, 0)
  const lost = problem.dimensions.reduce((sum, d, i) => sum + d.weight * (d.right[does?.[i] ?? -1] ?? MILLIONTHS), 0)
  return weight === 0 ? 1 : 1 - lost / MILLIONTHS / weight
}

const spreadsOf = (problem: FleetProblem, levelled: Levelled, weights: readonly number[] = []) =>
  problem.dimensions.map((d, i) => spreadOf(d.target.dimension, valuesAt(problem, levelled, i, weights)))

/** The two figures of a fleet, each body counting as often as its weight says. */
export const figuresOf = (problem: FleetProblem, levelled: Levelled, weights: readonly number[] = []): FleetFigures => {
  const weightOf = new Map(problem.dimensions.map(d => [d.target.dimension, d.weight]))
  const spreads = spreadsOf(problem, levelled, weights).flatMap(s => s ?? [])
  let [sum, count] = [0, 0]
  problem.bodies.forEach((_, b) => {
    const weight = weights[b] ?? 1
    count += weight
    if (weight) sum += weight * agreementOf(problem, levelled.behaviours[b])
  })
  return { agreement: count ? sum / count : 1, alike: alikeness(spreads, d => weightOf.get(d) ?? 0) }
}

/** @param best the same fleet with each body at its best */
export const levelReport = (problem: FleetProblem, best: Levelled, levelled: Levelled): LevelReport => {
  const [before, after] = [spreadsOf(problem, best), spreadsOf(problem, levelled)]
  const changed = (i: number) => Math.abs((before[i]?.mean ?? 0) - (after[i]?.mean ?? 0))
  return {
    lambdaHundredths: levelled.lambdaHundredths,
    gap: gapOf(levelled),
    before: figuresOf(problem, best),
    after: figuresOf(problem, levelled),
    spreads: problem.dimensions
      .map((d, i) => ({ dimension: d.target.dimension, before: before[i], after: after[i], weight: d.weight, i }))
      .filter(s => changed(s.i) > 1e-9 || (s.before?.largest ?? 0) !== (s.after?.largest ?? 0))
      .sort((a, b) => b.weight * changed(b.i) - a.weight * changed(a.i))
      .map(({ dimension, before, after }) => ({ dimension, before, after })),
    bodies: problem.bodies.map(({ id }, b) => {
      const moved = problem.dimensions.map((d, i) => {
        const [from, to] = [best.behaviours[b]?.[i] ?? -1, levelled.behaviours[b]?.[i] ?? -1]
        const change = d.weight * ((d.right[to] ?? 0) - (d.right[from] ?? 0))
        return { change, row: { dimension: d.target.dimension, before: doingOf(d, from), after: doingOf(d, to) } }
      })
      return {
        body: id,
        agreementBefore: agreementOf(problem, best.behaviours[b]),
        agreementAfter: agreementOf(problem, levelled.behaviours[b]),
        givesUp: moved
          .filter(m => m.change > 0)
          .sort((x, y) => y.change - x.change)
          .map(m => m.row),
        gains: moved
          .filter(m => m.change < 0)
          .sort((x, y) => x.change - y.change)
          .map(m => m.row),
      }
    }),
  }
}

/** Musts that a body breaks in a levelled fleet. */
export const brokenMusts = (problem: FleetProblem, levelled: Levelled, b: number): readonly string[] =>
  problem.dimensions.flatMap((d, i) => {
    if (d.target.weight !== 'must') return []
    const distance = d.right[levelled.behaviours[b]?.[i] ?? -1] ?? MILLIONTHS
    return distance > Math.round(heldUpTo(d.target) * MILLIONTHS) ? [d.target.dimension] : []
  })

/** How the others would stand without one body, at the same lambda. */
export interface WithoutOne {
  readonly body: string
  /** The others as they are now, and once they need not care for this one. */
  readonly now: FleetFigures
  readonly then: FleetFigures
  /** What the others save, as a share of what they cost now; 0 or more. */
  readonly gain: number
}

const costOfOthers = (problem: FleetProblem, levelled: Levelled, weights: readonly number[]): number =>
  levelFleet(problem, levelled.lambdaHundredths, { from: levelled.levels, weights, unproven: true, still: true }).cost

/** Levels the others again without one body; the gain is what was found, so at least that much is to be had. */
export const withoutOne = (problem: FleetProblem, levelled: Levelled, b: number): WithoutOne => {
  const weights = problem.bodies.map((_, i) => Number(i !== b))
  const then = levelFleet(problem, levelled.lambdaHundredths, { from: levelled.levels, weights, unproven: true })
  const now = costOfOthers(problem, levelled, weights)
  return {
    body: problem.bodies[b]?.id ?? '',
    now: figuresOf(problem, levelled, weights),
    then: figuresOf(problem, then, weights),
    gain: now > 0 ? Math.max(0, (now - then.cost) / now) : 0,
  }
}

/** One change of the kit, and what the whole fleet would gain by it. */
export interface Help {
  readonly body: string
  readonly change:
    | { readonly kind: 'update'; readonly firmware: string }
    | { readonly kind: 'replace'; readonly by: string }
  readonly now: FleetFigures
  readonly then: FleetFigures
  /** What the fleet saves, as a share of what it costs now; below 0 where it would lose. */
  readonly gain: number
}

/**
 * What it would bring to have another body, or another form of the same, in the place of one.
 *
 * @param problem holds the fleet first, then the forms that bodies would have after an update
 * @param fleet how many of its bodies are the fleet
 * @param instead the position of what would come in its place
 */
export const insteadOf = (
  problem: FleetProblem,
  fleet: number,
  levelled: Levelled,
  b: number,
  instead: number,
  change: Help['change'],
): Help => {
  const present = problem.bodies.map((_, i) => Number(i < fleet))
  const weights = present.map((w, i) => (i === b ? 0 : w) + Number(i === instead))
  const options = { from: levelled.levels, unproven: true } as const
  const now = levelFleet(problem, levelled.lambdaHundredths, { ...options, weights: present })
  const then = levelFleet(problem, levelled.lambdaHundredths, { ...options, weights })
  return {
    body: problem.bodies[b]?.id ?? '',
    change,
    now: figuresOf(problem, now, present),
    then: figuresOf(problem, then, weights),
    gain: now.cost > 0 ? (now.cost - then.cost) / now.cost : 0,
  }
}

/** What each body costs by itself at the levels there are: its distances to the targets and to the others. */
export const costOfEach = (problem: FleetProblem, levelled: Levelled): readonly number[] =>
  problem.bodies.map((_, b) =>
    costOfOthers(
      problem,
      levelled,
      problem.bodies.map((_, i) => Number(i === b)),
    ),
  )
