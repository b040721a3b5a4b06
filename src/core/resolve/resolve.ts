import { availability, type Body, bodyAt, inMenuOrder, isNotLookedFor, isThere, type Rule, type State } from '../bodies'
import { MILLIONTHS, search, stateOf } from '../bodies/search'
import { type EffectiveTarget, type Standard, WEIGHT_FACTORS } from '../standards'
import { dimension } from '../vocabulary/dimensions'
import { type Grade, gradeOf } from '../vocabulary/grade'
import type { Area, NeutralValue } from '../vocabulary/values'
import { type Conflict, findConflicts } from './conflicts'
import type { PinOnBody } from './pins'
import {
  absentDistance,
  isSilent,
  mustLimit,
  partBound,
  type PartOnBody,
  problemOf,
  type ResolveOptions,
  type ResolveProblem,
} from './problem'

/** Why a body has nothing for a target. */
export type Missing =
  | { readonly why: 'no-setting' }
  /** The profile is not whole yet, and nobody has looked for it. */
  | { readonly why: 'not-looked-for' }
  | { readonly why: 'needs-firmware'; readonly version: string }
  | { readonly why: 'blocked'; readonly rules: readonly { readonly id: string; readonly words: string }[] }
  | { readonly why: 'not-chosen' }

/** A setting of the body that brings about what the target asks for. */
export interface Delivery {
  readonly setting: string
  readonly option: string
  readonly value: NeutralValue
}

export interface PartOutcome {
  readonly channel: string
  readonly weight: number
  readonly wanted: NeutralValue
  /** Undefined where nothing speaks on this channel. */
  readonly got: NeutralValue | undefined
  readonly distance: number
  readonly deliveries: readonly Delivery[]
  /** The profile's words where the body always behaves so. */
  readonly fixed: string | undefined
  /** True where the value is what a body without such a setting amounts to. */
  readonly implied: boolean
}

/** What one target comes to on one body. */
export interface Outcome {
  readonly target: EffectiveTarget
  /** 0 same, 1 opposite or absent. */
  readonly distance: number
  readonly grade: Grade
  /** Within the target's tolerance; a must that is not is broken. */
  readonly held: boolean
  readonly missing: Missing | undefined
  readonly parts: readonly PartOutcome[]
}

export interface Resolution {
  readonly body: string
  readonly standard: string
  readonly standardVersion: number
  readonly firmware: string
  /** The option of every setting. */
  readonly state: State
  /** Settings that are greyed out in that state. */
  readonly unavailable: readonly string[]
  readonly outcomes: readonly Outcome[]
  /** What is set anyway, and whether the body lets it stand beside all the rest. */
  readonly pins: readonly (PinOnBody & { readonly holds: boolean })[]
  readonly mustsHeld: number
  readonly musts: number
  /** Weighted mean of 1 - distance over all targets, 0 to 1. */
  readonly agreement: number
  /** For each broken must the smallest set of musts and rules that cannot hold together. */
  readonly conflicts: readonly Conflict[]
}

export class ContradictoryBodyError extends Error {
  constructor(body: Body) {
    super(`the rules of ${body.maker} ${body.model} leave no state that satisfies them`)
    this.name = 'ContradictoryBodyError'
  }
}

/**
 * Resolves a standard on a body: one option for every setting, such that all rules hold, no must is broken that can
 * be held, and the weighted distance to the targets is least. Exact.
 *
 * @throws ContradictoryBodyError where no state satisfies the rules
 * @throws SearchTooLargeError where too many settings are linked to search them exactly
 */
export const resolve = (body: Body, standard: Standard, options: ResolveOptions = {}): Resolution => {
  const problem = problemOf(body, standard, options)
  const found = search(problem.input)
  if (!found) throw new ContradictoryBodyError(body)
  const state = stateOf(problem.input, found.choice)
  const greyed = availability(problem.body, state).unavailable
  const outcomes = outcomesOf(problem, found.choice, greyed)
  const musts = outcomes.filter(o => o.target.weight === 'must')
  return {
    body: body.id,
    standard: standard.id,
    standardVersion: standard.version,
    firmware: problem.firmware,
    state,
    unavailable: problem.settings.filter(s => greyed.has(s.id)).map(s => s.id),
    outcomes,
    pins: problem.pins.map(p => ({ ...p, holds: state[p.setting] === p.option && !greyed.has(p.setting) })),
    mustsHeld: musts.filter(o => o.held).length,
    musts: musts.length,
    agreement: agreementOf(outcomes),
    conflicts: findConflicts(
      problem,
      musts.filter(o => !o.held).map(o => o.target.dimension),
    ),
  }
}

/** Only what the body is set to by a standard; see `resolve`. */
export const resolvedState = (body: Body, standard: Standard, options: ResolveOptions = {}): State => {
  const { input } = problemOf(body, standard, options)
  const found = search(input)
  if (!found) throw new ContradictoryBodyError(body)
  return stateOf(input, found.choice)
}

/** Weighted mean of 1 - distance, 0 to 1. */
export const agreementOf = (outcomes: readonly Pick<Outcome, 'target' | 'distance'>[]): number => {
  const weight = (o: Pick<Outcome, 'target'>) => WEIGHT_FACTORS[o.target.weight]
  const all = outcomes.reduce((sum, o) => sum + weight(o), 0)
  return all === 0 ? 1 : outcomes.reduce((sum, o) => sum + weight(o) * (1 - o.distance), 0) / all
}

/** What each target comes to under a complete choice. */
export const outcomesOf = (
  problem: ResolveProblem,
  choice: Int32Array,
  greyed: ReadonlyMap<string, readonly Rule[]>,
): readonly Outcome[] =>
  problem.targets.map(({ target, parts, term }) => {
    const millionths = term.bound(choice)
    const [decisive] = parts
    const silent = decisive !== undefined && isSilent(decisive, choice)
    const missing = silent && millionths === MILLIONTHS ? missingReason(problem, target, decisive, greyed) : undefined
    const distance = millionths / MILLIONTHS
    return {
      target,
      distance,
      grade: missing ? 'missing' : gradeOf(distance),
      held: millionths <= mustLimit(target),
      missing,
      parts: parts.map(p => partOutcome(problem, p, choice)),
    }
  })

const partOutcome = (problem: ResolveProblem, p: PartOnBody, choice: Int32Array): PartOutcome => {
  const spoken = [...p.readings.values()].flatMap(byOption =>
    [...byOption.values()].filter(r => choice[r.setting] === r.option),
  )
  const distance = partBound(p, choice)
  const counting = p.part.combine === 'union' ? spoken : spoken.filter(r => r.distance === distance)
  const fixed = p.fixed.find(f => p.part.combine === 'union' || f.distance === distance)
  const implied =
    spoken.length + p.fixed.length === 0 && p.part.without !== undefined && absentDistance(p.part) < MILLIONTHS
  const members = p.part.combine === 'union' ? [...p.fixed, ...spoken].flatMap(r => r.value as readonly Area[]) : []
  const single = counting[0]?.value ?? fixed?.value ?? (implied ? p.part.without : undefined)
  const got = p.part.combine === 'union' ? (members.length ? members : undefined) : single
  return {
    channel: p.part.channel,
    weight: p.part.weight,
    wanted: p.part.wanted,
    got,
    distance: distance / MILLIONTHS,
    deliveries: counting.flatMap(r => {
      const setting = problem.settings[r.setting]
      const option = setting?.options[r.option]
      return setting && option ? [{ setting: setting.id, option: option.id, value: r.value }] : []
    }),
    fixed: counting.length ? undefined : fixed?.words,
    implied,
  }
}

const missingReason = (
  problem: ResolveProblem,
  target: EffectiveTarget,
  decisive: PartOnBody,
  greyed: ReadonlyMap<string, readonly Rule[]>,
): Missing => {
  const speaking = [...decisive.readings.keys()].flatMap(i => problem.settings[i] ?? [])
  const rules = speaking.flatMap(s => greyed.get(s.id) ?? [])
  if (rules.length) return { why: 'blocked', rules: rules.map(({ id, words }) => ({ id, words })) }
  if (speaking.length) return { why: 'not-chosen' }
  const version = firmwareThatAdds(problem.body, target.dimension, problem.firmware)
  if (version) return { why: 'needs-firmware', version }
  return { why: isNotLookedFor(problem.body, target.dimension) ? 'not-looked-for' : 'no-setting' }
}

/** The first later firmware with an option for a dimension, or undefined. */
const firmwareThatAdds = (body: Body, dimensionId: string, firmware: string): string | undefined => {
  const speaking = (b: Body) =>
    inMenuOrder(b).flatMap(s =>
      s.options.filter(o => dimension(dimensionId).id in o.means).map(o => o.since ?? s.since),
    )
  return (
    speaking(body).find(since => since !== undefined && !isThere(since, firmware)) ??
    body.updates.map(u => u.id).find(version => speaking(bodyAt(body, version)).length > 0)
  )
}
