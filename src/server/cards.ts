import 'server-only'
import { type Body, choiceWordsById, menuPath } from '@/core/bodies'
import { bodyCautions, type Caution, standardCautions } from '@/core/cautions/cautions'
import { likeliestToDrift } from '@/core/kit/known'
import { type Block, blockedBy, neighboursOf, type Proof, proofsOf } from '@/core/kit/proof'
import { wordsIn } from '@/core/language/language'
import { symptomOfRescue, type SymptomId } from '@/core/rescues/symptoms'
import { conflictWords, outcomeWords, type Resolution } from '@/core/resolve'
import { problemOf, type ResolveProblem } from '@/core/resolve/problem'
import { purposeOf } from '@/core/resolve/purpose'
import { rowsAbout } from '@/core/phrasebook/terms'
import {
  type Context,
  contextText,
  effectiveTargets,
  layerApplies,
  type Standard,
  WEIGHT_FACTORS,
} from '@/core/standards'
import { calculationsOf, guidanceOf } from '@/core/standards/guidance'
import type { StepPlan } from '@/core/steps/plan'
import type { Step } from '@/core/steps/walk'
import { dimension } from '@/core/vocabulary/dimensions'
import type { Grade } from '@/core/vocabulary/grade'
import { cardId, countTicks, readTicks } from '@/db/cards'
import { type UsualTime, usualTimes } from '@/db/unit-events'
import { prepare, prepareAll, type PreparedCard, stepKey } from './card-walk'
import { slotsOf, type SlotsView } from './card-slots'
import { type CalculationView, viewCalculations } from './optics'
import { listStandards } from './catalogue'
import { database } from './database'
import { modelsBeside } from './carriers'
import { friendsBeside, friendWords, readFalseFriends } from './phrasebook'
import { type LensOnCard, lensesOnCard } from './lens-tests'
import type { NotReckoned } from './worked-out'

export interface StepView {
  /** Stays the same as long as the step asks for the same thing. */
  readonly key: string
  readonly settingId: string
  readonly path: readonly [tab: string, page: string, row: number]
  readonly setting: string
  /** Undefined where nobody has seen what it says: it is looked at. */
  readonly from: string | undefined
  readonly to: string
  /** What its tick says the unit is set to. */
  readonly option: string
  readonly why: string
  readonly notes: readonly string[]
  /** Cautions that belong to what this step sets. */
  readonly cautions: readonly Caution[]
  readonly tick: { readonly by: string | null; readonly at: string } | undefined
  /** What it may say instead, the target among it. */
  readonly options: readonly { readonly id: string; readonly label: string }[]
  /** The rows around it on its menu page. */
  readonly neighbours: readonly { readonly label: string; readonly row: number; readonly isIt: boolean }[]
  /** What keeps it from being changed as things are now, and the steps of this card that free it. */
  readonly blocked: readonly {
    readonly rule: string
    readonly first: readonly string[]
    readonly steps: readonly string[]
  }[]
}

/** A setting to look at, and what it has to say. */
export interface CheckView {
  readonly settingId: string
  readonly path: readonly [tab: string, page: string, row: number]
  readonly setting: string
  readonly option: string
  readonly says: string
  readonly options: readonly { readonly id: string; readonly label: string }[]
}

export interface CardView {
  readonly body: { readonly id: string; readonly maker: string; readonly model: string }
  readonly unit: { readonly id: string; readonly tag: string } | undefined
  readonly units: readonly { readonly id: string; readonly tag: string; readonly firmware: string }[]
  readonly firmware: string
  readonly standard: {
    readonly id: string
    readonly name: string
    readonly version: number
    readonly state: string
    /** The version in force, where it is a later one. */
    readonly newer: number | undefined
    /** What being alike counts against 1 for being right, in hundredths; 0 where the body does its best. */
    readonly lambdaHundredths: number
  }
  /** For whom and what it was asked for, as an address says it. */
  readonly for: string
  /** Which walk through this card it is, counted from 1. */
  readonly walk: number
  /** Changes whenever the profile of the body does. */
  readonly profile: string
  /** What it begins from: what the unit is known to be set to, or factory defaults. */
  readonly begins: 'factory' | 'unknown' | 'known'
  /** The last signature for this standard; `holds` while nothing may have touched the unit since. */
  readonly signed:
    | { readonly by: string | null; readonly at: string; readonly version: number; readonly holds: boolean }
    | undefined
  /** A few presses, looks and sounds that prove it, once everything is set. */
  readonly proofs: readonly Proof[]
  /** The settings likeliest to have drifted, for a unit that has nothing else to set. */
  readonly checks: readonly CheckView[]
  readonly presses: {
    readonly here: number
    readonly fewest: number
    readonly inMenuOrder: number
    readonly asListed: number
  }
  /** From the team's own walks where there are some, else reckoned from presses. */
  readonly minutes: { readonly about: number; readonly walks: number }
  /** Undefined where there are none, or no unit. */
  readonly slots: SlotsView | undefined
  /** Layers that count because of the unit, the person or the scene. */
  readonly special: readonly string[]
  readonly steps: readonly StepView[]
  /** Cautions that belong to no step in particular. */
  readonly cautions: readonly Caution[]
  readonly agreement: number
  /** Targets this body cannot meet, so that nobody looks for them in its menus. */
  readonly lacking: readonly {
    readonly label: string
    readonly words: string
    readonly grade: Grade
    readonly distance: number
  }[]
  readonly conflicts: readonly string[]
  /** How to shoot, and what to do when it goes wrong, as it is kept with the standard. */
  readonly guidance: {
    readonly advice: readonly { readonly title: string; readonly text: string }[]
    readonly rescues: readonly {
      readonly symptom: string
      /** Under what it is asked for with the camera in hand. */
      readonly asked: SymptomId | undefined
      /** `here` is what this body calls the thing it is done with. */
      readonly remedies: readonly { readonly text: string; readonly here: string | undefined }[]
    }[]
  }
  /** What the Optics desk worked out for this body, or for any. */
  readonly worked: readonly CalculationView[]
  /** What to set for the lenses that go with it, and where each is sharpest. */
  readonly lenses: readonly LensOnCard[]
  /** Settings that no order of changes brings about. */
  readonly stuck: readonly string[]
}

/** Reasons told at one step. */
const MOST_REASONS = 2

/** What a step is for: the targets it serves, what it opens up, or what it lets be as it is. */
const whyOf = (prepared: PreparedCard, problem: ResolveProblem, step: Step): string => {
  const { body, resolution } = prepared
  const label = (id: string) => body.settings.find(s => s.id === id)?.label ?? id
  const pin = resolution.pins.find(p => p.setting === step.setting && p.option === step.to)
  if (pin) return `${pin.reason} (Set on this body anyway: ${pin.from}.)`
  const reasonOf = (id: string) => resolution.outcomes.find(o => o.target.dimension === id)?.target.reason
  const opens = `Opens ${step.unlocks.map(label).join(' and ')}.`
  if (step.isPassing) return step.unlocks.length ? opens : 'On the way to what comes after; it is set otherwise again.'
  // Where nobody has seen it, any other option is what it may be at.
  const others = body.settings.find(s => s.id === step.setting)?.options.filter(o => o.id !== step.to) ?? []
  const before = step.from === step.to ? others.map(o => o.id) : [step.from]
  const purposes = before.map(b => purposeOf(problem, resolution, step.setting, b))
  const missed = purposes.flatMap(p => p.targets)
  // Where it makes no difference here, it is still what brings a target about.
  const brought = resolution.outcomes
    .filter(o => o.parts.some(p => p.deliveries.some(d => d.setting === step.setting)))
    .map(o => o.target.dimension)
  const reasons = (ids: readonly string[]) =>
    [...new Set(ids.flatMap(id => reasonOf(id) ?? []))].slice(0, MOST_REASONS).join(' ')
  if (missed.length) return reasons(missed)
  if (step.unlocks.length) return opens
  const [frees] = purposes.flatMap(p => p.frees)
  if (frees)
    return `So that ${choiceWordsById(body, frees.setting, resolution.state[frees.setting] ?? '')} can stand: ${frees.rule}`
  if (brought.length) return reasons(brought)
  return 'What the bodies or the control map agreed on; no target of its own.'
}

const notesOf = ({ body, resolution }: PreparedCard, step: Step): readonly string[] => {
  const label = (id: string) => body.settings.find(s => s.id === id)?.label ?? id
  const option = body.settings.find(s => s.id === step.setting)?.options.find(o => o.id === step.to)
  const servesSomething = resolution.outcomes.some(o =>
    o.parts.some(p => p.deliveries.some(d => d.setting === step.setting)),
  )
  return [
    ...(option?.note ? [option.note] : []),
    ...(option?.guessed?.length
      ? ['What this step amounts to is a guess until somebody measures or confirms it.']
      : []),
    ...(servesSomething && step.unlocks.length ? [`Opens ${step.unlocks.map(label).join(' and ')}.`] : []),
    ...step.follows.map(f => `The body then changes by itself: ${choiceWordsById(body, f.setting, f.to)}.`),
    ...step.against,
  ]
}

/** Puts each caution with the first step that sets what it is about. */
const placeCautions = ({ body, standard, context, resolution, steps }: PreparedCard) => {
  const atStep = new Map<Step, Caution[]>()
  const general: Caution[] = []
  for (const caution of [...bodyCautions(body), ...standardCautions(effectiveTargets(standard, context))]) {
    const delivering = resolution.outcomes
      .filter(o => caution.dimensions.includes(o.target.dimension))
      .flatMap(o => o.parts.flatMap(p => p.deliveries.map(d => d.setting)))
    const step = steps.find(s => delivering.includes(s.setting))
    if (step) atStep.set(step, [...(atStep.get(step) ?? []), caution])
    else general.push(caution)
  }
  return { atStep, general }
}

/** The card of one body or unit: its steps in the body's own words, with the ticks so far. */
export const readCard = async (
  standardId: string,
  bodyId: string,
  unitId: string | undefined,
  context: Context = {},
  slots?: string,
): Promise<CardView> => {
  const prepared = await prepare(standardId, bodyId, unitId, context)
  const { plan, steps } = prepared
  const { body, standard, state, unit, siblings, resolution, key, known } = prepared
  const ticks = new Map((await readTicks(await database(), key)).map(t => [t.step, t]))
  const ticked = steps.filter(s => ticks.has(stepKey(s)))
  const cautions = placeCautions(prepared)
  const problem = problemOf(prepared.profile, standard, { firmware: resolution.firmware, context: prepared.context })
  const [allFriends, beside] = await Promise.all([readFalseFriends(bodyId), modelsBeside(bodyId, unit?.id)])
  const friends = allFriends.map(f => friendsBeside(f, bodyId, beside))
  const misleading = (settingId: string, words: string) =>
    friends
      .filter(f => wordsIn(words).includes(f.word) && new Set(f.senses.flatMap(s => s.concepts)).size > 1)
      .filter(f => f.senses.some(s => s.uses.some(u => u.body === bodyId && u.setting === settingId)))
      .map(f => friendWords(f, bodyId))
  const optionLabel = (settingId: string, optionId: string) =>
    body.settings.find(s => s.id === settingId)?.options.find(o => o.id === optionId)?.label ?? optionId
  const optionsOf = (settingId: string) =>
    (body.settings.find(s => s.id === settingId)?.options ?? []).map(({ id, label }) => ({ id, label }))
  const usual = (await usualTimes(await database(), standard.id)).get(body.id)
  const { signed } = known
  const inForce = (await listStandards()).find(s => s.id === standard.id && s.state === 'approved')
  const stateNow = { ...prepared.assumed, ...Object.fromEntries(ticked.map(s => [s.setting, s.to])) }
  const unseenNow = new Set([...prepared.unseen].filter(id => !ticked.some(s => s.setting === id)))
  const freeing = (frees: Block['frees']) =>
    steps.filter(s => frees.some(f => f.setting === s.setting && f.options.includes(s.to))).map(stepKey)
  return {
    body: { id: body.id, maker: body.maker, model: body.model },
    unit: unit && { id: unit.id, tag: unit.tag },
    units: siblings.map(({ id, tag, firmware }) => ({ id, tag, firmware })),
    firmware: resolution.firmware,
    standard: {
      id: standard.id,
      name: standard.name,
      version: standard.version,
      state,
      newer: inForce && inForce.version > standard.version ? inForce.version : undefined,
      lambdaHundredths: standard.level?.lambdaHundredths ?? 0,
    },
    for: contextText(context),
    walk: key.walk,
    profile: prepared.stamp,
    begins: beginsFrom(prepared),
    signed:
      signed?.standard === standard.id
        ? { by: signed.by, at: signed.at, version: signed.version, holds: known.touched === undefined }
        : undefined,
    proofs: proofsOf(body, resolution.state),
    checks: unit && steps.length === 0 ? checksOf(prepared) : [],
    presses: {
      here: plan.presses,
      fewest: plan.fewest,
      inMenuOrder: plan.pressesInMenuOrder,
      asListed: plan.pressesAsListed,
    },
    minutes: usual
      ? { about: minutesOf(usual, steps.length), walks: usual.walks }
      : { about: minutesFor(plan), walks: 0 },
    slots: await slotsOf(prepared, slots, ticks),
    special: standard.layers.filter(l => l.applies && layerApplies(l, prepared.context)).map(l => l.name),
    steps: steps.flatMap(step => {
      const setting = body.settings.find(s => s.id === step.setting)
      const tick = ticks.get(stepKey(step))
      if (!setting) return []
      return [
        {
          key: stepKey(step),
          settingId: step.setting,
          path: menuPath(body, setting),
          setting: setting.label,
          from: prepared.from[step.setting] === undefined ? undefined : optionLabel(step.setting, step.from),
          to: optionLabel(step.setting, step.to),
          option: step.to,
          why: whyOf(prepared, problem, step),
          notes: [
            ...notesOf(prepared, step),
            ...misleading(step.setting, `${setting.label} ${optionLabel(step.setting, step.to)}`),
          ],
          cautions: cautions.atStep.get(step) ?? [],
          tick: tick && { by: tick.personName, at: tick.tickedAt },
          options: optionsOf(step.setting),
          neighbours: neighboursOf(body, step.setting),
          blocked: blockedBy(body, stateNow, step.setting, unseenNow).map(b => ({
            rule: b.rule,
            first: b.first,
            steps: freeing(b.frees),
          })),
        },
      ]
    }),
    cautions: cautions.general,
    agreement: resolution.agreement,
    guidance: guidanceOn(body, standard, prepared.context),
    worked: await viewCalculations(calculationsFor(body, standard, prepared.context)),
    lenses: await lensesOnCard(body, prepared.unit?.tag),
    lacking: resolution.outcomes
      .filter(o => o.grade === 'missing' || o.grade === 'different')
      .map(o => ({
        label: dimension(o.target.dimension).label,
        words: outcomeWords(body, o),
        grade: o.grade,
        distance: o.distance,
      })),
    conflicts: [...resolution.conflicts.map(conflictWords), ...resolution.pins.flatMap(p => unheldPin(body, p))],
    stuck: plan.stuck.map(s => choiceWordsById(body, s.setting, s.to)),
  }
}

/** Calculations that were made for this body, and those made by figures alone. */
const calculationsFor = (body: Body, standard: Standard, context: Context) =>
  calculationsOf(standard, context).filter(c => (c.scene['body'] ?? body.id) === body.id)

/** What is kept about shooting and rescues, in the words of this body. */
const guidanceOn = (body: Body, standard: Standard, context: Context): CardView['guidance'] => {
  const { advice, rescues } = guidanceOf(standard, context)
  return {
    advice: advice.map(({ title, text }) => ({ title, text })),
    rescues: rescues.map(({ id, symptom, remedies }) => ({
      symptom,
      asked: symptomOfRescue(id),
      remedies: remedies.map(({ text, dimension: id }) => ({
        text,
        here: (id && rowsAbout(body, id).join(' or ')) || undefined,
      })),
    })),
  }
}

/** What was to be set anyway and the body does not let stand. */
const unheldPin = (body: Body, { setting, option, from, holds }: Resolution['pins'][number]): readonly string[] =>
  holds
    ? []
    : [`${choiceWordsById(body, setting, option)} was to be set anyway (${from}); the rules of the body do not let it.`]

/** Ticks of the walk itself do not change what it began from. */
const beginsFrom = ({ body, from }: PreparedCard): CardView['begins'] => {
  if (Object.keys(from).length === 0) return 'unknown'
  return body.settings.every(s => from[s.id] === s.default) ? 'factory' : 'known'
}

/** A press, and the reading of a step before it. @source common practice, no published source */
const SECONDS_EACH = { press: 0.8, step: 5 }

const minutesFor = ({ presses, steps }: StepPlan): number =>
  Math.max(1, Math.round((presses * SECONDS_EACH.press + steps.length * SECONDS_EACH.step) / 60))

/** A walk of so many steps, from how long the team's own took. */
export const minutesOf = ({ minutes, minutesPerStep }: UsualTime, steps: number): number =>
  Math.max(1, Math.round(minutesPerStep === undefined || steps === 0 ? minutes : minutesPerStep * steps))

/** What each setting counts for a standard: the weights of the targets it brings about. */
const weightsOf = ({ resolution }: PreparedCard): ReadonlyMap<string, number> => {
  const weights = new Map<string, number>()
  for (const o of resolution.outcomes)
    for (const d of o.parts.flatMap(p => p.deliveries))
      weights.set(d.setting, (weights.get(d.setting) ?? 0) + WEIGHT_FACTORS[o.target.weight])
  return weights
}

const checksOf = (prepared: PreparedCard): readonly CheckView[] => {
  const { body, known, resolution } = prepared
  return likeliestToDrift(known, weightsOf(prepared), new Date().toISOString()).flatMap(id => {
    const setting = body.settings.find(s => s.id === id)
    const option = setting?.options.find(o => o.id === resolution.state[id])
    if (!setting || !option) return []
    return [
      {
        settingId: id,
        path: menuPath(body, setting),
        setting: setting.label,
        option: option.id,
        says: option.label,
        options: setting.options.map(o => ({ id: o.id, label: o.label })),
      },
    ]
  })
}

export interface CardSummary {
  readonly body: string
  readonly unit: string | null
  readonly maker: string
  readonly model: string
  readonly tag: string | undefined
  readonly done: number
  readonly steps: number
  readonly agreement: number
}

/** Every card of a standard: one for each unit, or for the body where the team has no unit of it. */
export const listCards = async (
  standardId: string,
  chosen: readonly string[] | undefined,
  context: Context = {},
): Promise<{ readonly cards: readonly CardSummary[]; readonly failed: readonly NotReckoned[] }> => {
  const [{ cards, failed }, ticks] = await Promise.all([
    prepareAll(standardId, chosen, context),
    countTicks(await database()),
  ])
  const summaries = cards.map(({ body, unit, steps, key, resolution }) => {
    const ticked = new Set(ticks.get(cardId(key)))
    return {
      body: body.id,
      unit: unit?.id ?? null,
      maker: body.maker,
      model: body.model,
      tag: unit?.tag,
      done: steps.filter(s => ticked.has(stepKey(s))).length,
      steps: steps.length,
      agreement: resolution.agreement,
    }
  })
  return { cards: summaries, failed }
}
