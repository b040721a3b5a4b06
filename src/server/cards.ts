import 'server-only'
import { type Body, choiceWordsById, factoryState, menuPath } from '@/core/bodies'
import { bodyCautions, type Caution, standardCautions } from '@/core/cautions/cautions'
import { conflictWords, outcomeWords } from '@/core/resolve'
import { wordsIn } from '@/core/language/language'
import {
  type Context,
  contextFrom,
  contextText,
  effectiveTargets,
  layerApplies,
  relevantContext,
  type Standard,
} from '@/core/standards'
import { type Step, stepsBetween } from '@/core/steps/walk'
import { dimension } from '@/core/vocabulary/dimensions'
import type { Grade } from '@/core/vocabulary/grade'
import { cardId, type CardKey, countTicks, readTicks, setTick } from '@/db/cards'
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
import { resolveStored } from './concordance'
import { database } from './database'
import { listPeople } from './people'
import { friendWords, readFalseFriends } from './phrasebook'
import { notFound, RequestError } from './problems'
import { remember } from './remember'

export interface StepView {
  /** Stays the same as long as the step asks for the same thing. */
  readonly key: string
  readonly path: readonly [tab: string, page: string, row: number]
  readonly setting: string
  readonly from: string
  readonly to: string
  readonly why: string
  readonly notes: readonly string[]
  /** Cautions that belong to what this step sets. */
  readonly cautions: readonly Caution[]
  readonly tick: { readonly by: string | null; readonly at: string } | undefined
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
    /** What being alike counts against 1 for being right, in hundredths; 0 where the body does its best. */
    readonly lambdaHundredths: number
  }
  /** For whom and what it was asked for, as an address says it. */
  readonly for: string
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
}

interface Prepared {
  readonly body: Body
  readonly standard: Standard
  readonly state: string
  readonly context: Context
  readonly unit: UnitRow | undefined
  readonly siblings: readonly UnitRow[]
  readonly steps: readonly Step[]
  readonly resolution: ReturnType<typeof resolveStored>
  readonly key: CardKey
}

const walks = remember<readonly Step[]>('walks', 2000)

/** The steps of a card, from factory defaults; a unit's own firmware counts where there is a unit. */
const prepareWith = (
  standard: RevisedStandard,
  body: Revised<Body>,
  siblings: readonly UnitRow[],
  unit: UnitRow | undefined,
  asked: Context,
): Prepared => {
  const context = relevantContext(standard.document, unit ? { ...asked, units: [unit.id] } : asked)
  const firmware = unit?.firmware ?? firmwareOf(body.document, siblings)
  const resolution = resolveStored(body, standard, firmware, context)
  const form = formOf(body, firmware)
  const steps = walks.getOr(`${body.stamp}|${standard.stamp}|${firmware}|${contextText(context)}`, () =>
    stepsBetween(form, factoryState(form), resolution.state),
  )
  const [bodyId, standardId, standardVersion] = [form.id, standard.document.id, standard.document.version]
  const key = { bodyId, unitId: unit?.id ?? null, standardId, standardVersion }
  return {
    body: form,
    standard: standard.document,
    state: standard.state,
    context,
    unit,
    siblings,
    resolution,
    steps,
    key,
  }
}

const prepare = async (
  standardId: string,
  bodyId: string,
  unitId: string | undefined,
  context: Context,
): Promise<Prepared> => {
  const [standard, body, all] = await Promise.all([readStandard(standardId), readBody(bodyId), units()])
  const siblings = all.filter(u => u.body_id === bodyId)
  const unit = unitId === undefined ? siblings[0] : siblings.find(u => u.id === unitId)
  if (unitId !== undefined && !unit) throw notFound('unit', unitId)
  return prepareWith(standard, body, siblings, unit, context)
}

const stepKey = (s: Step): string => `${s.setting}=${s.to}`

/** What a step is good for: the targets it serves, or what it opens up. */
const whyOf = ({ body, resolution }: Prepared, step: Step): string => {
  const serves = resolution.outcomes.filter(o =>
    o.parts.some(p => p.deliveries.some(d => d.setting === step.setting && d.option === step.to)),
  )
  const label = (id: string) => body.settings.find(s => s.id === id)?.label ?? id
  if (serves.length)
    return serves
      .map(o => o.target.reason)
      .slice(0, 2)
      .join(' ')
  if (step.unlocks.length) return `Opens ${step.unlocks.map(label).join(' and ')}.`
  return 'Gives way to something that weighs more.'
}

const notesOf = ({ body, resolution }: Prepared, step: Step): readonly string[] => {
  const label = (id: string) => body.settings.find(s => s.id === id)?.label ?? id
  const option = body.settings.find(s => s.id === step.setting)?.options.find(o => o.id === step.to)
  const servesSomething = resolution.outcomes.some(o =>
    o.parts.some(p => p.deliveries.some(d => d.setting === step.setting)),
  )
  return [
    ...(option?.note ? [option.note] : []),
    ...(servesSomething && step.unlocks.length ? [`Opens ${step.unlocks.map(label).join(' and ')}.`] : []),
    ...step.follows.map(f => `The body then changes by itself: ${choiceWordsById(body, f.setting, f.to)}.`),
    ...step.against,
  ]
}

/** Puts each caution with the first step that sets what it is about. */
const placeCautions = ({ body, standard, context, resolution, steps }: Prepared) => {
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
): Promise<CardView> => {
  const prepared = await prepare(standardId, bodyId, unitId, context)
  const { body, standard, state, unit, siblings, resolution, steps, key } = prepared
  const ticks = new Map((await readTicks(await database(), key)).map(t => [t.step, t]))
  const cautions = placeCautions(prepared)
  const friends = await readFalseFriends(bodyId)
  const misleading = (settingId: string, words: string) =>
    friends
      .filter(f => wordsIn(words).includes(f.word) && new Set(f.senses.flatMap(s => s.concepts)).size > 1)
      .filter(f => f.senses.some(s => s.uses.some(u => u.body === bodyId && u.setting === settingId)))
      .map(f => friendWords(f, bodyId))
  const optionLabel = (settingId: string, optionId: string) =>
    body.settings.find(s => s.id === settingId)?.options.find(o => o.id === optionId)?.label ?? optionId
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
      lambdaHundredths: standard.level?.lambdaHundredths ?? 0,
    },
    for: contextText(context),
    special: standard.layers.filter(l => l.applies && layerApplies(l, prepared.context)).map(l => l.name),
    steps: steps.flatMap(step => {
      const setting = body.settings.find(s => s.id === step.setting)
      const tick = ticks.get(stepKey(step))
      if (!setting) return []
      return [
        {
          key: stepKey(step),
          path: menuPath(body, setting),
          setting: setting.label,
          from: optionLabel(step.setting, step.from),
          to: optionLabel(step.setting, step.to),
          why: whyOf(prepared, step),
          notes: [
            ...notesOf(prepared, step),
            ...misleading(step.setting, `${setting.label} ${optionLabel(step.setting, step.to)}`),
          ],
          cautions: cautions.atStep.get(step) ?? [],
          tick: tick && { by: tick.personName, at: tick.tickedAt },
        },
      ]
    }),
    cautions: cautions.general,
    agreement: resolution.agreement,
    lacking: resolution.outcomes
      .filter(o => o.grade === 'missing' || o.grade === 'different')
      .map(o => ({
        label: dimension(o.target.dimension).label,
        words: outcomeWords(body, o),
        grade: o.grade,
        distance: o.distance,
      })),
    conflicts: resolution.conflicts.map(conflictWords),
  }
}

export interface TickRequest {
  readonly standard: string
  readonly body: string
  readonly unit?: string | undefined
  readonly for?: string | undefined
  readonly step: string
  readonly ticked: boolean
  readonly person?: string | undefined
}

/**
 * Ticks a step or takes the tick back; returns once it is on disk.
 *
 * @throws RequestError 422 when the card has no such step (any more)
 */
export const tickStep = async (request: TickRequest): Promise<{ readonly at: string }> => {
  const { steps, key, body, standard } = await prepare(
    request.standard,
    request.body,
    request.unit,
    contextFrom(request.for),
  )
  if (!steps.some(s => stepKey(s) === request.step))
    throw new RequestError(
      422,
      'No such step',
      `The card of ${body.model} for ${standard.name} has no step “${request.step}”; it may have changed since it was opened. Reload the card.`,
    )
  if (request.person !== undefined && !(await listPeople()).some(p => p.id === request.person))
    throw new RequestError(
      422,
      'No such person',
      'The name that signs is not known here any more. Choose it again at the top of the page.',
    )
  const at = new Date().toISOString()
  await setTick(await database(), key, request.step, request.ticked, at, request.person ?? null)
  return { at }
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
): Promise<readonly CardSummary[]> => {
  const [standard, bodies, all, ticks] = await Promise.all([
    readStandard(standardId),
    listBodies(),
    units(),
    countTicks(await database()),
  ])
  const cards = await Promise.all(
    bodies
      .filter(b => !chosen || chosen.includes(b.id))
      .map(async b => {
        const body = await readBody(b.id, b.revision)
        const siblings = all.filter(u => u.body_id === b.id)
        const each = siblings.length ? siblings : [undefined]
        return each.map(unit => prepareWith(standard, body, siblings, unit, context))
      }),
  )
  return cards.flat().map(({ body, unit, steps, key, resolution }) => {
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
}
