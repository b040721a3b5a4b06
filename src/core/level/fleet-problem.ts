import type { Body, State } from '../bodies'
import { groupsOf, MILLIONTHS, SearchTooLargeError, type Term, UNDECIDED } from '../bodies/search'
import { type StateGraph, stateGraph } from '../bodies/state-graph'
import { ContradictoryBodyError } from '../resolve'
import { mustLimit, problemOf, type ResolveProblem } from '../resolve/problem'
import { type Context, type EffectiveTarget, effectiveTargets, type Standard, WEIGHT_FACTORS } from '../standards'
import type { NeutralValue } from '../vocabulary/values'
import { flat, type FlatGraph } from './flat-graph'
import { type Behaviour, behaviourUnder, distancesBetween, keyOf, levelKey, valueOfBehaviour } from './behaviour'

/** A body of the fleet as it runs now. */
export interface FleetBody {
  readonly body: Body
  readonly firmware: string
  readonly known?: State | undefined
}

/** One target across the fleet: everything some body does about it, and everything that could be the common level. */
export interface FleetDimension {
  readonly target: EffectiveTarget
  readonly weight: number
  readonly behaviours: readonly Behaviour[]
  /** For each behaviour the first that is as far from the target and from every level. */
  readonly kinds: readonly number[]
  /** What each behaviour comes to; undefined where it comes to nothing. */
  readonly values: readonly (NeutralValue | undefined)[]
  /** Distance of each behaviour to the target, in millionths. */
  readonly right: readonly number[]
  readonly levels: readonly NeutralValue[]
  /** Distance of each behaviour to each level, in millionths. */
  readonly alike: readonly Float64Array[]
}

export interface BodyInFleet {
  readonly id: string
  readonly graphs: readonly FlatGraph[]
  /** Targets that no setting of the body decides: what it does about them whatever it is set to. */
  readonly settled: readonly { readonly dimension: number; readonly behaviour: number }[]
}

export interface FleetProblem {
  readonly dimensions: readonly FleetDimension[]
  readonly bodies: readonly BodyInFleet[]
}

/** Gathers behaviours while bodies are read; the same behaviour on two bodies has the same number. */
class Behaviours {
  readonly all: Behaviour[] = []
  private readonly numbers = new Map<string, number>()

  numberOf(behaviour: Behaviour): number {
    const known = this.numbers.get(behaviour.key)
    if (known !== undefined) return known
    const number = this.all.push(behaviour) - 1
    this.numbers.set(behaviour.key, number)
    return number
  }
}

const byValue = (problem: ResolveProblem): readonly Term[] =>
  problem.targets.map(({ term, parts }) => ({
    ...term,
    signature: (setting, option) =>
      parts
        .map(p => {
          const value = p.readings.get(setting)?.get(option)?.value
          return value === undefined ? '-' : keyOf(value)
        })
        .join(','),
  }))

/** Names the body where one cannot be held in memory, so that it can be left out. */
const graphOf = (body: Body, build: () => StateGraph | undefined): StateGraph | undefined => {
  try {
    return build()
  } catch (error) {
    if (!(error instanceof SearchTooLargeError)) throw error
    throw new SearchTooLargeError(error.settings, `${body.maker} ${body.model}`)
  }
}

/** The same graph with its behaviours numbered across the fleet; only those that some state comes to get a number. */
const renumbered = (graph: StateGraph, mine: readonly Behaviours[], fleet: readonly Behaviours[]): StateGraph => {
  const numberOf = (t: number, own: number): number => {
    const behaviour = mine[t]?.all[own]
    return behaviour ? (fleet[t]?.numberOf(behaviour) ?? 0) : 0
  }
  return {
    ...graph,
    nodes: graph.nodes.map(n => ({
      ...n,
      branches: n.branches.map(b => ({ ...b, decided: b.decided.map(([t, own]) => [t, numberOf(t, own)] as const) })),
    })),
  }
}

const readBody = (fleet: FleetBody, standard: Standard, context: Context, behaviours: readonly Behaviours[]) => {
  const { body, firmware, known } = fleet
  const problem = problemOf(body, standard, { firmware, known, context, level: null })
  const input = { ...problem.input, terms: byValue(problem) }
  // Of branches that turn out to lead nowhere nothing may stay: they are numbered apart first.
  const mine = problem.targets.map(() => new Behaviours())
  const seen = problem.targets.map(() => new Map<string, number>())
  const behaviourOf = (t: number, choice: Int32Array): number => {
    const onBody = problem.targets[t]
    const chosen = onBody?.settings.map(s => choice[s]).join() ?? ''
    const known = seen[t]?.get(chosen)
    if (known !== undefined) return known
    const number = mine[t]?.numberOf(behaviourUnder(onBody?.parts ?? [], choice)) ?? 0
    seen[t]?.set(chosen, number)
    return number
  }
  const graphs: StateGraph[] = []
  for (const group of groupsOf(input)) {
    // Rules alone decide nothing here, but they must leave some state.
    if (group.rules.length + group.terms.length === 0) continue
    const graph = graphOf(body, () => stateGraph(input, group, behaviourOf))
    if (!graph) throw new ContradictoryBodyError(body)
    if (group.terms.length) graphs.push(renumbered(graph, mine, behaviours))
  }
  const nothing = new Int32Array(problem.settings.length).fill(UNDECIDED)
  const settled = problem.targets.flatMap((t, dimension) =>
    t.settings.length
      ? []
      : [{ dimension, behaviour: behaviours[dimension]?.numberOf(behaviourUnder(t.parts, nothing)) ?? 0 }],
  )
  return { id: body.id, graphs, settled }
}

const dimensionOf = (target: EffectiveTarget, behaviours: readonly Behaviour[]): FleetDimension => {
  const { dimension } = target
  const values = behaviours.map(b => valueOfBehaviour(dimension, target.value, b))
  const distinct = new Map<string, NeutralValue>()
  for (const value of values) {
    const key = value === undefined ? undefined : levelKey(dimension, value)
    if (value !== undefined && key !== undefined && !distinct.has(key)) distinct.set(key, value)
  }
  const reached = [...distinct.values()]
  // What all are held to does not break a must that some body can hold.
  const off = distancesBetween(dimension, behaviours, [target.value]).table
  const isHeld = (value: NeutralValue) =>
    values.some((v, k) => v !== undefined && sameLevel(v, value) && (off[k]?.[0] ?? MILLIONTHS) <= mustLimit(target))
  const sameLevel = (a: NeutralValue, b: NeutralValue) => levelKey(dimension, a) === levelKey(dimension, b)
  const holding = target.weight === 'must' ? reached.filter(isHeld) : []
  const levels = holding.length ? holding : reached
  const { table, kinds } = distancesBetween(dimension, behaviours, [target.value, ...levels])
  return {
    target,
    weight: WEIGHT_FACTORS[target.weight],
    behaviours,
    kinds,
    values,
    right: table.map(row => row[0] ?? MILLIONTHS),
    levels,
    alike: table.map(row => row.subarray(1)),
  }
}

/**
 * A standard on a fleet, ready to be levelled: every state of every body as graphs, and how far all behaviours are
 * from the targets and from each other. Independent of how much being alike counts.
 *
 * @throws ContradictoryBodyError where a body's rules leave no state
 * @throws SearchTooLargeError where too many settings of a body are linked to search them exactly
 */
export const fleetProblem = (fleet: readonly FleetBody[], standard: Standard, context: Context = {}): FleetProblem => {
  const targets = effectiveTargets(standard, context)
  const behaviours = targets.map(() => new Behaviours())
  const bodies = fleet.map(b => readBody(b, standard, context, behaviours))
  const dimensions = targets.map((t, i) => dimensionOf(t, behaviours[i]?.all ?? []))
  const kindOf = (dimension: number, behaviour: number) => dimensions[dimension]?.kinds[behaviour] ?? behaviour
  return { dimensions, bodies: bodies.map(b => ({ ...b, graphs: b.graphs.map(g => flat(g, kindOf)) })) }
}

export { MILLIONTHS }
