import { WEIGHT_FACTORS } from '../standards'
import { dimension } from '../vocabulary/dimensions'
import { distance } from '../vocabulary/distance'
import type { NeutralValue } from '../vocabulary/values'
import type { Outcome, Resolution } from './resolve'

/** How one standard stands on several bodies. */
export interface FleetSummary {
  /** Mean agreement of the bodies, 0 to 1. */
  readonly agreement: number
  /** Musts held on every body, of all musts. */
  readonly mustsHeldEverywhere: number
  readonly musts: number
  /** Dimensions of musts that some body breaks, with the bodies. */
  readonly brokenMusts: readonly { readonly dimension: string; readonly bodies: readonly string[] }[]
  readonly spreads: readonly Spread[]
  /** How alike the bodies are, see `alikeness`. */
  readonly alike: number
  /** Per body the mean agreement of the others if it were left out, largest gain first. */
  readonly withoutEach: readonly { readonly body: string; readonly agreementOfOthers: number }[]
}

/** How far apart the bodies are on one dimension, among those that have it at all. */
export interface Spread {
  readonly dimension: string
  /** Largest distance between two bodies. */
  readonly largest: number
  readonly mean: number
  readonly between: readonly [string, string]
  readonly values: readonly [NeutralValue, NeutralValue]
}

/** What a body does about a target, or undefined where it has nothing. */
export const gotValue = (outcome: Outcome): NeutralValue | undefined => {
  if (outcome.missing) return undefined
  if (outcome.target.dimension !== 'area.pattern') return outcome.parts[0]?.got
  const part = (channel: string) => outcome.parts.find(p => p.channel === channel)?.got
  const size = part('area.size')
  if (size === undefined) return undefined
  const chooser = part('area.chooser')
  const follow = part('area.follow')
  return {
    pattern: 'block',
    ...(size as object),
    ...(chooser ? { chooser } : {}),
    ...(follow ? { follow } : {}),
  } as NeutralValue
}

/** What one body does about a target; nothing where it is missing. */
export interface BodyValue {
  readonly body: string
  readonly value: NeutralValue | undefined
}

/** How far apart bodies are on one dimension: means over pairs, measured like a body against a target. */
export const spreadOf = (dimensionId: string, each: readonly BodyValue[]): Spread | undefined => {
  const d = dimension(dimensionId)
  const byValue = new Map<string, { value: NeutralValue; bodies: string[] }>()
  for (const { body, value } of each) {
    if (value === undefined) continue
    const entry = byValue.get(JSON.stringify(value)) ?? { value, bodies: [] }
    entry.bodies.push(body)
    byValue.set(JSON.stringify(value), entry)
  }
  const kinds = [...byValue.values()]
  const count = kinds.reduce((n, k) => n + k.bodies.length, 0)
  let sum = 0
  const [first, second] = each.filter(b => b.value !== undefined)
  if (first?.value === undefined || second?.value === undefined) return undefined
  let largest: Spread = {
    dimension: dimensionId,
    largest: 0,
    mean: 0,
    between: [first.body, second.body],
    values: [first.value, first.value],
  }
  kinds.forEach((a, i) =>
    kinds.slice(i + 1).forEach(b => {
      const apart = distance(d, a.value, b.value)
      sum += apart * a.bodies.length * b.bodies.length
      if (apart > largest.largest)
        largest = {
          dimension: dimensionId,
          largest: apart,
          mean: 0,
          between: [a.bodies[0] ?? '', b.bodies[0] ?? ''],
          values: [a.value, b.value],
        }
    }),
  )
  return { ...largest, mean: sum / ((count * (count - 1)) / 2) }
}

const valuesOn = (dimensionId: string, resolutions: readonly Resolution[]): readonly BodyValue[] =>
  resolutions.map(r => {
    const outcome = r.outcomes.find(o => o.target.dimension === dimensionId)
    return { body: r.body, value: outcome && gotValue(outcome) }
  })

const mean = (numbers: readonly number[]): number =>
  numbers.length ? numbers.reduce((sum, n) => sum + n, 0) / numbers.length : 1

/** 1 minus the mean distance between two bodies, each dimension counting by its weight; 1 where there is nothing to compare. */
export const alikeness = (spreads: readonly Spread[], weightOf: (dimensionId: string) => number): number => {
  const all = spreads.reduce((sum, s) => sum + weightOf(s.dimension), 0)
  return all === 0 ? 1 : 1 - spreads.reduce((sum, s) => sum + weightOf(s.dimension) * s.mean, 0) / all
}

/**
 * The figures above the Concordance.
 *
 * @param resolutions of one standard, at least one
 */
export const summarise = (resolutions: readonly Resolution[]): FleetSummary => {
  const outcomes = resolutions[0]?.outcomes ?? []
  const musts = outcomes.filter(o => o.target.weight === 'must').map(o => o.target.dimension)
  const brokenMusts = musts.flatMap(d => {
    const bodies = resolutions.filter(r => !r.outcomes.find(o => o.target.dimension === d)?.held).map(r => r.body)
    return bodies.length ? [{ dimension: d, bodies }] : []
  })
  const weightOf = new Map(outcomes.map(o => [o.target.dimension, WEIGHT_FACTORS[o.target.weight]]))
  const spreads = outcomes
    .flatMap(o => spreadOf(o.target.dimension, valuesOn(o.target.dimension, resolutions)) ?? [])
    .sort(
      (a, b) =>
        b.largest - a.largest || (weightOf.get(b.dimension) ?? 0) - (weightOf.get(a.dimension) ?? 0) || b.mean - a.mean,
    )
  return {
    agreement: mean(resolutions.map(r => r.agreement)),
    mustsHeldEverywhere: musts.length - brokenMusts.length,
    musts: musts.length,
    brokenMusts,
    spreads,
    alike: alikeness(spreads, d => weightOf.get(d) ?? 0),
    withoutEach: resolutions
      .map(r => ({
        body: r.body,
        agreementOfOthers: mean(resolutions.filter(other => other !== r).map(other => other.agreement)),
      }))
      .sort((a, b) => b.agreementOfOthers - a.agreementOfOthers),
  }
}
