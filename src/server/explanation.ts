import 'server-only'
import type { Body } from '@/core/bodies'
import { planWords } from '@/core/controls/words'
import type { Way } from '@/core/phrasebook/nearest'
import {
  alternativeWords,
  conflictWords,
  deliveredBy,
  whyLostWords,
  type Outcome,
  outcomeWords,
  partWords,
  type PartWords,
  type PlacedChoice,
  whyWords,
} from '@/core/resolve'
import { type Context, effectiveTargets, type Level, type Standard, type Weight } from '@/core/standards'
import { type Lens, lensNameIn } from '@/core/lenses/schema'
import { FURTHEST_METRES } from '@/core/optics/focusing-lens'
import { isShare, MEASURABLE } from '@/core/scales/run'
import { dimension } from '@/core/vocabulary/dimensions'
import type { FocusRange, Size } from '@/core/vocabulary/values'
import { type Grade } from '@/core/vocabulary/grade'
import { toleranceWords, valueWords } from '@/core/vocabulary/words'
import { share } from '@/pool/documents'
import { firmwareOf, formOf, listLenses, readBody, readStandard, units } from './catalogue'
import { type FriendView, readFalseFriends } from './phrasebook'
import { notFound } from './problems'
import { work } from './working'

/** Why one body gets what it gets for one target, in words. */
export interface ExplanationView {
  readonly body: { readonly id: string; readonly maker: string; readonly model: string; readonly firmware: string }
  readonly label: string
  readonly about: string
  readonly wanted: string
  readonly tolerance: string | undefined
  readonly weight: Weight
  readonly reason: string
  readonly from: string
  /** The targets of lower layers that it replaced, in words, nearest first. */
  readonly over: readonly string[]
  /** The common level it is held to, where the bodies are levelled. */
  readonly level: string | undefined
  readonly gets: string
  readonly grade: Grade
  readonly distance: number
  readonly held: boolean
  readonly why: string
  readonly delivered: readonly PlacedChoice[]
  readonly parts: readonly PartWords[]
  readonly alternatives: readonly AlternativeView[]
  readonly conflicts: readonly string[]
  /** Words of what it gets that mean something else on another body of the house. */
  readonly friends: readonly FriendView[]
  /** Whether the time it gets was measured or only declared; for what is timed. */
  readonly evidence: string | undefined
  /** What the Optics desk can say about what it gets: the question, and what of the scene it is about. */
  readonly optics: OpticsOf | undefined
  /** Where the body has nothing: the nearest ways to get it. */
  readonly ways: readonly Way[]
}

export interface OpticsOf {
  readonly question: 'area' | 'limiter'
  readonly scene: Readonly<Record<string, number>>
}

/** With another lens a step may last otherwise. */
const lensWords = (id: string | undefined, lenses: readonly Lens[]): string =>
  id === undefined ? '' : ` with ${lensNameIn(lenses)(id)}`

/** How the amount behind a step is known. */
const evidenceOf = (
  body: Body,
  { target: { dimension: id }, parts }: Outcome,
  lenses: readonly Lens[],
): string | undefined => {
  if (!(MEASURABLE as readonly string[]).includes(id)) return undefined
  const options = parts.flatMap(p =>
    p.deliveries.flatMap(d => body.settings.find(s => s.id === d.setting)?.options.find(o => o.id === d.option) ?? []),
  )
  const measured = options.flatMap(o => o.measured?.[id] ?? [])[0]
  if (measured)
    return `measured ${measured.trials} times${measured.on ? ` on ${measured.on}` : ''}${lensWords(measured.lens, lenses)}, ${measured.low} to ${measured.high} ${isShare(id) ? 'of its full speed' : 's'}`
  return options.length > 0 ? 'declared, nobody has measured it' : undefined
}

/** An area is as large as it is on a subject; a search range is worth what a lens travels less. */
const opticsOf = (body: Body, { target: { dimension: dimensionId, value }, parts }: Outcome): OpticsOf | undefined => {
  if (dimensionId === 'range.limit') {
    const { nearMetres, farMetres } = value as FocusRange
    return {
      question: 'limiter',
      scene: { planNear: nearMetres, planFar: farMetres === 'infinity' ? FURTHEST_METRES : farMetres, margin: 0 },
    }
  }
  if (dimensionId !== 'area.pattern' && dimensionId !== 'area.size') return undefined
  const sizes = parts
    .flatMap(p => p.deliveries)
    .flatMap(d => {
      const option = body.settings.find(s => s.id === d.setting)?.options.find(o => o.id === d.option)
      const size = (option?.means['area.size'] ?? option?.means['area.pattern']) as Size | undefined
      return size ? [size] : []
    })
  return sizes[0] && { question: 'area', scene: { areaWidth: sizes[0].width, areaHeight: sizes[0].height } }
}

export interface AlternativeView {
  readonly words: string
  readonly value: string
  readonly grade: Grade
  readonly distance: number
  readonly lost: string
  /** Nearer to the target than what the body gets, and yet not chosen. */
  readonly better: boolean
}

const levelWords = (level: Level | null | undefined, dimensionId: string): string | undefined => {
  const common = level?.values.find(x => x.dimension === dimensionId)
  return common && valueWords(dimension(dimensionId), common.value)
}

/** Where a plan for the fingers settled it, that is the reason, and not what the body would do by itself. */
const whyWithPlan = (body: Body, standard: Standard, outcome: Outcome): string => {
  const plan = planWords(body, standard, outcome.target.dimension)
  const isChosen = !outcome.missing || outcome.missing.why === 'not-chosen'
  if (plan && outcome.distance > 0 && isChosen) return plan
  return [whyWords(body, outcome), plan].filter(Boolean).join(' ')
}

export const readExplanation = async (
  standardId: string,
  bodyId: string,
  dimensionId: string,
  { context = {}, level }: { readonly context?: Context; readonly level?: Level | null } = {},
): Promise<ExplanationView> => {
  const [{ document: standard }, profile, allUnits, lenses] = await Promise.all([
    readStandard(standardId),
    readBody(bodyId),
    units(),
    listLenses(),
  ])
  const firmware = firmwareOf(profile.document, allUnits)
  const body = formOf(profile, firmware)
  if (!effectiveTargets(standard, context).some(t => t.dimension === dimensionId)) throw notFound('target', dimensionId)
  const { outcome, alternatives, conflicts, ways } = await work('explanation', {
    body: share(profile.document),
    standard: share(standard),
    firmware,
    context,
    level,
    dimension: dimensionId,
  })
  const d = dimension(dimensionId)
  const { target } = outcome
  const delivered = deliveredBy(body, outcome)
  const control = (id: string) => body.controls.find(c => c.id === id)?.label ?? id
  return {
    body: { id: body.id, maker: body.maker, model: body.model, firmware },
    label: d.label,
    about: d.about,
    wanted: valueWords(d, target.value),
    tolerance: target.tolerance === undefined ? undefined : toleranceWords(d, target.tolerance),
    weight: target.weight,
    reason: target.reason,
    from: target.from.layer,
    over: (target.over ?? []).map(o => `${o.layer}: ${valueWords(d, o.target.value)}, a ${o.target.weight}`),
    level: levelWords(level === undefined ? standard.level : level, dimensionId),
    gets: outcomeWords(body, outcome),
    grade: outcome.grade,
    distance: outcome.distance,
    held: outcome.held,
    why: whyWithPlan(body, standard, outcome),
    delivered,
    parts: partWords(outcome),
    alternatives: alternatives.map(a => ({
      words: alternativeWords(body, a),
      value: valueWords(dimension(a.dimension), a.value, control),
      grade: a.grade,
      distance: a.distance,
      lost: whyLostWords(a.lost),
      better: a.distance < outcome.distance,
    })),
    friends: (await readFalseFriends(body.id)).filter(f =>
      f.senses.some(s => s.uses.some(u => u.body === body.id && delivered.some(x => x.setting === u.setting))),
    ),
    evidence: evidenceOf(body, outcome, lenses),
    optics: opticsOf(body, outcome),
    ways,
    conflicts: conflicts.filter(c => c.must === dimensionId || c.against.includes(dimensionId)).map(conflictWords),
  }
}
