import 'server-only'
import { type Body, factoryState, type State } from '@/core/bodies'
import { type Known, knownState, NOTHING_KNOWN } from '@/core/kit/known'
import type { Resolution } from '@/core/resolve'
import { type Context, contextText, relevantContext, type Standard } from '@/core/standards'
import { planWalk, type WalkPlan } from '@/core/steps/plan'
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
import { resolveStored, stateText } from './concordance'
import { database } from './database'
import { type Lives, readLives } from './lives'
import { notFound } from './problems'
import { remember } from './remember'

/** The walk of a card: from what a unit is known to be set to, to what a standard asks of it. */

export interface Prepared {
  /** At the firmware that runs; `profile` has all of them. */
  readonly body: Body
  readonly profile: Body
  /** Changes whenever the profile does. */
  readonly stamp: string
  readonly standard: Standard
  readonly state: string
  readonly context: Context
  readonly unit: UnitRow | undefined
  readonly siblings: readonly UnitRow[]
  readonly plan: WalkPlan
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

const plans = remember<WalkPlan>('plans', 4000)

const listed = new WeakMap<Resolution, readonly string[]>()

/** Settings that a standard turns on, in the order in which it asks for what they bring about; pinned ones come last. */
export const listedBy = (resolution: Resolution): readonly string[] => {
  const known = listed.get(resolution)
  if (known) return known
  const delivering = resolution.outcomes.flatMap(o => o.parts.flatMap(p => p.deliveries.map(d => d.setting)))
  const pinned = resolution.pins.flatMap(p => (p.holds ? [p.setting] : []))
  const all = [...new Set([...delivering, ...pinned])]
  listed.set(resolution, all)
  return all
}

/** Those of them that can be at more than one thing: of the others nobody has to say what they are at. */
export const askedOf = (form: Body, resolution: Resolution): readonly string[] => {
  const fixed = new Set(form.settings.filter(s => s.options.length < 2).map(s => s.id))
  return listedBy(resolution).filter(id => !fixed.has(id))
}

/** What is known of units, and the walks that are underway. */
interface Underway {
  readonly lives: Lives
  readonly walkOf: (key: Omit<CardKey, 'walk'>) => OpenWalk
}

/** What a walk begins from. */
interface Start extends Pick<Prepared, 'from' | 'assumed'> {
  /** What of it the profile still offers. */
  readonly kept: State
  /** All of it as text, to remember answers by. */
  readonly text: string
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
const prepareWith = (
  standard: RevisedStandard,
  body: Revised<Body>,
  siblings: readonly UnitRow[],
  unit: UnitRow | undefined,
  asked: Context,
  { lives, walkOf }: Underway,
): Prepared => {
  const context = relevantContext(standard.document, unit ? { ...asked, units: [unit.id] } : asked)
  const firmware = unit?.firmware ?? firmwareOf(body.document, siblings)
  const form = formOf(body, firmware)
  const [bodyId, standardId, standardVersion] = [form.id, standard.document.id, standard.document.version]
  const card = { bodyId, unitId: unit?.id ?? null, standardId, standardVersion }
  const { walk, from: begunFrom, isBegun } = walkOf(card)
  const known = unit ? lives.knownOf(unit, body, firmware) : NOTHING_KNOWN
  const start = isBegun || !unit ? startOf(form, (isBegun && begunFrom) || factoryState(form)) : startKnown(form, known)
  const { from, assumed, kept, text } = start
  // Where several answers are as good, the one that changes least of what this unit is set to.
  const resolution = resolveStored(body, standard, firmware, context, kept)
  const unseen = new Set(askedOf(form, resolution).filter(s => !(s in kept)))
  const stamp = [body.stamp, standard.stamp, firmware, contextText(context), text, [...unseen].sort().join()].join('|')
  const plan = plans.getOr(stamp, () =>
    planWalk(form, assumed, resolution.state, { listed: listedBy(resolution), unseen }),
  )
  return {
    body: form,
    profile: body.document,
    stamp: body.stamp,
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
): Promise<Prepared> => {
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
 * Every card of a standard: one for each unit, or for the body where the team has no unit of it.
 *
 * @param known what happened to all units, where it was read before
 */
export const prepareAll = async (
  standardId: string,
  chosen: readonly string[] | undefined,
  context: Context,
  known?: Lives,
): Promise<readonly Prepared[]> => {
  const db = await database()
  const [standard, bodies, all, lives, walkOf] = await Promise.all([
    readStandard(standardId),
    listBodies(),
    units(),
    known ?? readLives(db),
    readWalks(db),
  ])
  const cards = await Promise.all(
    bodies
      .filter(b => !chosen || chosen.includes(b.id))
      .map(async b => {
        const body = await readBody(b.id, b.revision)
        const siblings = all.filter(u => u.body_id === b.id)
        const each = siblings.length ? siblings : [undefined]
        return each.map(unit => prepareWith(standard, body, siblings, unit, context, { lives, walkOf }))
      }),
  )
  return cards.flat()
}

/** A step by what it asks for. */
export const stepKey = (s: Step): string => `${s.setting}=${s.to}${s.nth ? `#${s.nth + 1}` : ''}`
