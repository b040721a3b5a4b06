import 'server-only'
import { type Body, factoryState, type State } from '@/core/bodies'
import { type Known, knownState, NOTHING_KNOWN } from '@/core/kit/known'
import { askedOf, type Resolution } from '@/core/resolve'
import { type Context, relevantContext, type Standard } from '@/core/standards'
import type { StepPlan } from '@/core/steps/plan'
import type { Step } from '@/core/steps/walk'
import { type CardKey, type OpenWalk, readWalks } from '@/db/cards'
import type { UnitRow } from '@/db/units'
import {
  firmwareOf,
  formOf,
  listBodies,
  readBody,
  readStandard,
  type Revised,
  type RevisedStandard,
  units,
} from './catalogue'
import { type OnBody, stateText, type WalkFrom, walkStored } from './concordance'
import { database } from './database'
import { type Lives, readLives } from './lives'
import { notFound } from './problems'
import { eachReckoned, type NotReckoned } from './worked-out'

/** The walk of a card: from what a unit is known to be set to, to what a standard asks of it. */

export interface PreparedCard {
  /** At the firmware that runs; `profile` has all of them. */
  readonly body: Body
  readonly profile: Body
  /** Changes whenever the profile does. */
  readonly stamp: string
  /** What it is resolved from. */
  readonly on: OnBody
  readonly standard: Standard
  readonly state: string
  readonly context: Context
  readonly unit: UnitRow | undefined
  readonly siblings: readonly UnitRow[]
  readonly plan: StepPlan
  /** Those of the plan. */
  readonly steps: readonly Step[]
  readonly resolution: Resolution
  readonly key: CardKey
  /** What was known when the walk began; what is missing in it was not. */
  readonly from: State
  /** The same, with factory defaults for the rest. */
  readonly assumed: State
  /** Settings that the standard turns on and that nobody has seen: they are looked at, whatever they may be at. */
  readonly unseen: ReadonlySet<string>
  readonly known: Known
  readonly isBegun: boolean
}

/** What is known of units, and the walks that are underway. */
interface Underway {
  readonly lives: Lives
  readonly walkOf: (key: Omit<CardKey, 'walk'>) => OpenWalk
}

/** What a walk begins from, whether or not the profile still offers all of it. */
interface Start extends WalkFrom {
  readonly from: State
}

const startOf = (form: Body, from: State): Start => {
  const options = new Map(form.settings.map(s => [s.id, s.options]))
  // What a walk began from may have had settings and options that the profile has no more.
  const isOffered = ([s, o]: readonly [string, string]) => options.get(s)?.some(x => x.id === o)
  const kept = Object.fromEntries(Object.entries(from).filter(isOffered))
  return { from, kept, assumed: { ...factoryState(form), ...kept }, text: stateText(form, kept) }
}

const starts = new WeakMap<Known, { readonly form: Body; readonly start: Start }>()

/** The same from what is known, worked out again only where that or the body is another. */
const startKnown = (form: Body, known: Known): Start => {
  const last = starts.get(known)
  if (last?.form === form) return last.start
  const start = startOf(form, knownState(known))
  starts.set(known, { form, start })
  return start
}

/** The steps of a card from what the unit is known to be set to; a unit's own firmware counts where there is a unit. */
const prepareWith = async (
  standard: RevisedStandard,
  body: Revised<Body>,
  siblings: readonly UnitRow[],
  unit: UnitRow | undefined,
  asked: Context,
  { lives, walkOf }: Underway,
): Promise<PreparedCard> => {
  const context = relevantContext(standard.document, unit ? { ...asked, units: [unit.id] } : asked)
  const firmware = unit?.firmware ?? firmwareOf(body.document, siblings)
  const form = formOf(body, firmware)
  const [bodyId, standardId, standardVersion] = [form.id, standard.document.id, standard.document.version]
  const card = { bodyId, unitId: unit?.id ?? null, standardId, standardVersion }
  const { walk, from: begunFrom, isBegun } = walkOf(card)
  const known = unit ? await lives.knownOf(unit, body, firmware) : NOTHING_KNOWN
  const start = isBegun || !unit ? startOf(form, (isBegun && begunFrom) || factoryState(form)) : startKnown(form, known)
  const { from, assumed, kept } = start
  const on = { body, standard, firmware, context }
  // Where several answers are as good, the one that changes least of what this unit is set to.
  const { resolution, plan } = await walkStored(on, start)
  const unseen = new Set(askedOf(form, resolution).filter(s => !(s in kept)))
  return {
    body: form,
    profile: body.document,
    stamp: body.stamp,
    on,
    standard: standard.document,
    state: standard.state,
    context,
    unit,
    siblings,
    resolution,
    plan,
    steps: plan.steps,
    key: { ...card, walk },
    from,
    assumed,
    unseen,
    known,
    isBegun,
  }
}

export const prepare = async (
  standardId: string,
  bodyId: string,
  unitId: string | undefined,
  context: Context,
): Promise<PreparedCard> => {
  const db = await database()
  const [standard, body, all] = await Promise.all([readStandard(standardId), readBody(bodyId), units()])
  const siblings = all.filter(u => u.body_id === bodyId)
  const unit = unitId === undefined ? siblings[0] : siblings.find(u => u.id === unitId)
  if (unitId !== undefined && !unit) throw notFound('unit', unitId)
  const { id, version } = standard.document
  const [lives, walkOf] = await Promise.all([
    readLives(db, unit ? [unit.id] : []),
    readWalks(db, { standardId: id, standardVersion: version, bodyId }),
  ])
  return prepareWith(standard, body, siblings, unit, context, { lives, walkOf })
}

/**
 * Every card of a standard: one for each unit, or for the body where the team has no unit of it. Bodies that cannot be
 * reckoned stand beside them.
 *
 * @param known what happened to all units, where it was read before
 */
export const prepareAll = async (
  standardId: string,
  chosen: readonly string[] | undefined,
  context: Context,
  known?: Lives,
): Promise<{ readonly cards: readonly PreparedCard[]; readonly failed: readonly NotReckoned[] }> => {
  const db = await database()
  const [standard, bodies, all, lives, walkOf] = await Promise.all([
    readStandard(standardId),
    listBodies(),
    units(),
    known ?? readLives(db),
    readWalks(db),
  ])
  const asked = await Promise.all(
    bodies
      .filter(b => !chosen || chosen.includes(b.id))
      .map(async b => {
        const body = await readBody(b.id, b.revision)
        const siblings = all.filter(u => u.body_id === b.id)
        return (siblings.length ? siblings : [undefined]).map(unit => ({ body, siblings, unit }))
      }),
  )
  const { done, failed } = await eachReckoned(
    asked.flat(),
    a => a.body.document.model,
    ({ body, siblings, unit }) => prepareWith(standard, body, siblings, unit, context, { lives, walkOf }),
  )
  return { cards: done, failed }
}

/** A step by what it asks for. */
export const stepKey = (s: Step): string => `${s.setting}=${s.to}${s.nth ? `#${s.nth + 1}` : ''}`
