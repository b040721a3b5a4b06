import { type Body, bodyAt, type State } from '@/core/bodies'
import { recallKeysOf } from '@/core/jobs/recall-keys'
import type { Pair } from '@/core/jobs/needed'
import { type PairWalk, roughlyBetween, type SetTo, type Walks, walksBetween } from '@/core/jobs/walks'
import { nearestWays, type Way } from '@/core/phrasebook/nearest'
import { askedOf, type Conflict, explain, type Explanation, listedBy, resolve, resolvedState } from '@/core/resolve'
import type { Context, Level, Standard } from '@/core/standards'
import { planSlots, planSteps, type SlotPlan } from '@/core/steps/plan'
import { documentOf, type Shared } from './documents'

/** A standard on bodies, worked out: all of it takes as long as the rules of a body make it. */

export interface Reckoned {
  readonly body: Shared<Body>
  readonly standard: Shared<Standard>
  readonly firmware: string
  readonly context: Context
}

/** @returns the resolution as JSON text, to be kept as it is */
export const resolution = ({
  body,
  standard,
  firmware,
  context,
  known,
}: Reckoned & {
  /** What the body is set to; what is missing in it counts as factory defaults. */
  readonly known: State
}): string => JSON.stringify(resolve(documentOf(body), documentOf(standard), { firmware, context, known }))

/**
 * The walk to what a standard asks of a body, and the resolution that it goes to.
 *
 * @returns both as JSON text, to be kept as they are
 */
export const walk = ({
  known,
  assumed,
  ...of
}: Reckoned & {
  readonly known: State
  /** The same, with what it is taken to be at for the rest. */
  readonly assumed: State
}): { readonly resolution: string; readonly plan: string } => {
  const form = bodyAt(documentOf(of.body), of.firmware)
  const found = resolve(documentOf(of.body), documentOf(of.standard), { ...of, known })
  const unseen = new Set(askedOf(form, found).filter(s => !(s in known)))
  const plan = planSteps(form, assumed, found.state, { listed: listedBy(found), unseen })
  return { resolution: JSON.stringify(found), plan: JSON.stringify(plan) }
}

export interface SlotsAsked {
  readonly body: Shared<Body>
  readonly firmware: string
  readonly context: Context
  readonly now: State
  readonly slots: readonly { readonly slot: string; readonly standard: Shared<Standard> }[]
  readonly unseen: readonly string[]
}

/** Several memory slots in one walk. */
export const slots = ({ body, firmware, context, now, slots: asked, unseen }: SlotsAsked): readonly SlotPlan[] => {
  const profile = documentOf(body)
  return planSlots(
    bodyAt(profile, firmware),
    now,
    asked.map(({ slot, standard }) => ({
      slot,
      to: (known: State) => resolvedState(profile, documentOf(standard), { firmware, context, known }),
    })),
    new Set(unseen),
  )
}

export interface JobWalksAsked {
  readonly body: Shared<Body>
  readonly firmware: string
  readonly setUps: readonly { readonly key: string; readonly standard: Shared<Standard>; readonly context: Context }[]
}

/** From set-ups of a job to others on a body. @returns for each pair in its order a `PairWalk` as JSON text, to be kept as it is */
export const jobWalks = ({
  body,
  firmware,
  setUps,
  pairs,
}: JobWalksAsked & { readonly pairs: readonly Pair[] }): readonly { readonly text: string }[] => {
  const profile = documentOf(body)
  const form = bodyAt(profile, firmware)
  const all = setUps.map(({ key, standard, context }): SetTo => {
    const found = resolve(profile, documentOf(standard), { firmware, context, known: {} })
    return { key, state: found.state, asked: askedOf(form, found) }
  })
  const setTo = ({ key, state }: SetTo, known: State): State => {
    const setUp = setUps.find(s => s.key === key)
    return setUp
      ? resolvedState(profile, documentOf(setUp.standard), { firmware, context: setUp.context, known })
      : state
  }
  return pairs.map(pair => {
    const { walks, rests, rows } = walksBetween(form, all, setTo, [pair])
    const [from = '', to = ''] = pair.map(i => all[i]?.key)
    const one: PairWalk = { walk: walks[from]?.[to], rest: rests[from]?.[to], rows }
    return { text: JSON.stringify(one) }
  })
}

/** The same without looking for the best order, from what each set-up was found to set: quick, and an estimate. */
export const jobRoughly = ({
  body,
  firmware,
  all,
}: Pick<JobWalksAsked, 'body' | 'firmware'> & { readonly all: readonly SetTo[] }): string => {
  const form = bodyAt(documentOf(body), firmware)
  return JSON.stringify({ ...roughlyBetween(form, all), keys: recallKeysOf(form, all) } satisfies Walks)
}

/** Why a body gets what it gets for one target, what else it could do, and the conflicts of all. */
export const explanation = ({
  body,
  standard,
  firmware,
  context,
  level,
  dimension,
}: Reckoned & { readonly level?: Level | null | undefined; readonly dimension: string }): Explanation & {
  readonly conflicts: readonly Conflict[]
  readonly ways: readonly Way[]
} => {
  const [profile, document] = [documentOf(body), documentOf(standard)]
  const options = { firmware, context, level }
  const explained = explain(profile, document, dimension, options)
  return {
    ...explained,
    conflicts: resolve(profile, document, options).conflicts,
    ways: explained.outcome.missing ? nearestWays(bodyAt(profile, firmware), dimension) : [],
  }
}
