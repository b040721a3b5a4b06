import { type Body, bodyAt, type State } from '@/core/bodies'
import { recallKeysOf } from '@/core/jobs/recall-keys'
import { type SetTo, type Walks, walksBetween } from '@/core/jobs/walks'
import { nearestWays, type Way } from '@/core/phrasebook/nearest'
import { askedOf, type Conflict, explain, type Explanation, listedBy, resolve } from '@/core/resolve'
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

const forms = new WeakMap<Body, Map<string, Body>>()

/** The form of a profile at a firmware, the same object each time: much is remembered by it. */
const formAt = (profile: Body, firmware: string): Body => {
  const known = forms.get(profile) ?? new Map<string, Body>()
  forms.set(profile, known)
  const form = known.get(firmware) ?? (profile.updates.length ? bodyAt(profile, firmware) : profile)
  known.set(firmware, form)
  return form
}

/**
 * The walk to what a standard asks of a body.
 *
 * @returns the plan as JSON text, to be kept as it is
 */
export const walk = ({
  known,
  assumed,
  ...of
}: Reckoned & {
  readonly known: State
  /** The same, with what it is taken to be at for the rest. */
  readonly assumed: State
}): string => {
  const form = formAt(documentOf(of.body), of.firmware)
  const found = resolve(documentOf(of.body), documentOf(of.standard), { ...of, known })
  const unseen = new Set(askedOf(form, found).filter(s => !(s in known)))
  return JSON.stringify(planSteps(form, assumed, found.state, { listed: listedBy(found), unseen }))
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
    formAt(profile, firmware),
    now,
    asked.map(({ slot, standard }) => ({
      slot,
      to: (known: State) => resolve(profile, documentOf(standard), { firmware, context, known }).state,
    })),
    new Set(unseen),
  )
}

export interface JobWalksAsked {
  readonly body: Shared<Body>
  readonly firmware: string
  readonly setUps: readonly { readonly key: string; readonly standard: Shared<Standard>; readonly context: Context }[]
  /** Quickly, without looking for the best order. */
  readonly isRough: boolean
}

/** From every set-up of a job to every other one on a body. @returns as JSON text, to be kept as it is */
export const jobWalks = ({ body, firmware, setUps, isRough }: JobWalksAsked): string => {
  const profile = documentOf(body)
  const form = formAt(profile, firmware)
  const on = (key: string, known: State) => {
    const setUp = setUps.find(s => s.key === key)
    return setUp && resolve(profile, documentOf(setUp.standard), { firmware, context: setUp.context, known })
  }
  const all = setUps.flatMap((s): SetTo[] => {
    const found = on(s.key, {})
    return found ? [{ key: s.key, state: found.state, asked: askedOf(form, found) }] : []
  })
  const walks = walksBetween(form, all, (s, from) => on(s.key, from)?.state ?? s.state, isRough)
  return JSON.stringify({ ...walks, keys: recallKeysOf(form, all) } satisfies Walks)
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
    ways: explained.outcome.missing ? nearestWays(formAt(profile, firmware), dimension) : [],
  }
}
