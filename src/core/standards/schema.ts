import * as v from 'valibot'
import { planSchema } from '../functions/plan'
import { type Parsed, parseDocument } from '../reading/problem'
import { DIMENSIONS, type Dimension } from '../vocabulary/dimensions'
import { targetSchema } from '../vocabulary/schema'
import type { NeutralValue } from '../vocabulary/values'

/** The exchange format of a standard, `coherion.standard/1`: what is wanted, how much, and why, in layers. */
export const STANDARD_FORMAT = 'coherion.standard/1'

export const WEIGHTS = ['must', 'should', 'nice'] as const
export type Weight = (typeof WEIGHTS)[number]

/** How much a distance counts. A must that is broken counts before everything else. */
export const WEIGHT_FACTORS: Readonly<Record<Weight, number>> = { must: 9, should: 3, nice: 1 }

/** From the ground up: each kind of layer stands on those before it. */
export const LAYER_KINDS = ['house', 'work', 'scene', 'exception'] as const
export type LayerKind = (typeof LAYER_KINDS)[number]

const text = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(most))
const id = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected lower-case letters, digits and hyphens'),
  v.maxLength(60),
)
const version = v.pipe(v.number(), v.integer(), v.minValue(1))

/**
 * How far off still counts as held. For amounts a share: 0.3 means within 30 % up or down, less than 3 so that it
 * stays inside the factor of four that is another behaviour. For amounts that are compared by difference (response to
 * speed, exposure bias, AF fine adjustment) so much of their unit either way. For everything else the largest distance,
 * 0 to 1.
 */
const toleranceSchema = (d: Dimension) => {
  if (d.kind !== 'physical') return v.pipe(v.number(), v.minValue(0), v.maxValue(1))
  return d.measure === 'ratio'
    ? v.pipe(v.number(), v.minValue(0), v.ltValue(3))
    : v.pipe(v.number(), v.minValue(0), v.maxValue(d.measure.fullDifference))
}

const targetFields = (d: Dimension) =>
  v.strictObject({
    dimension: v.literal(d.id),
    value: targetSchema(d),
    weight: v.picklist(WEIGHTS),
    tolerance: v.optional(toleranceSchema(d)),
    /** Why this is wanted, for the person who has to set it. */
    reason: text(400),
    /** Why a must of a layer below may give way to this. */
    relaxes: v.optional(text(400)),
    /** The school of practice it follows, where a proposal brought it. */
    school: v.optional(text(80)),
  })

export interface Target {
  readonly dimension: string
  readonly value: NeutralValue
  readonly weight: Weight
  readonly tolerance?: number | undefined
  readonly reason: string
  readonly relaxes?: string | undefined
  readonly school?: string | undefined
}

export const targetsSchema = v.pipe(
  v.array(v.variant('dimension', DIMENSIONS.map(targetFields) as never) as v.GenericSchema<unknown, Target>),
  v.check(
    targets => new Set(targets.map(t => t.dimension)).size === targets.length,
    'expected every dimension only once in a layer',
  ),
)

const named = v.pipe(v.array(text(80)), v.minLength(1, 'expected at least one name'), v.maxLength(200))

const appliesSchema = v.strictObject({
  people: v.optional(named),
  units: v.optional(named),
  lenses: v.optional(named),
  scenes: v.optional(named),
})

/** Whom or what a layer is for; of every kind that is named, one has to be there. */
export type Applies = v.InferOutput<typeof appliesSchema>

/** On one body, an option that no target can ask for, since no dimension speaks of it. */
const pinSchema = v.strictObject({ body: id, setting: id, option: id, reason: text(300) })
export type StandardPin = v.InferOutput<typeof pinSchema>

const remedySchema = v.strictObject({
  text: text(300),
  /** What the bodies in hand call the thing it is done with. */
  dimension: v.optional(text(40)),
})

/** How to shoot: what no setting does. Kept as it was read, so that an approved version stays what it is. */
const adviceSchema = v.strictObject({ id: text(80), title: text(120), text: text(600), source: text(120) })
export type KeptAdvice = v.InferOutput<typeof adviceSchema>

/** What to do when it goes wrong. */
const rescueSchema = v.strictObject({
  id: text(80),
  symptom: text(120),
  remedies: v.pipe(v.array(remedySchema), v.minLength(1), v.maxLength(8)),
  source: text(120),
})
export type KeptRescue = v.InferOutput<typeof rescueSchema>

/** What a calculation may be kept as: the reason of a target, a note about a scene, a figure at the head of a card. */
export const KEPT_AS = ['target', 'note', 'figure'] as const

/**
 * A calculation of the Optics desk, kept with what it was asked and what it was worked out from, so that it can be
 * asked again and says when a body or a lens has changed under it.
 */
const calculationSchema = v.strictObject({
  id: text(80),
  question: text(40),
  as: v.picklist(KEPT_AS),
  /** The target it is the reason of. */
  dimension: v.optional(text(40)),
  /** The verdict in a line, and short enough for a card. */
  words: text(600),
  short: text(160),
  /** The scene; what is not named is as a desk begins. */
  scene: v.record(text(40), v.union([v.number(), v.boolean(), v.pipe(v.string(), v.maxLength(80))])),
  /** The figures of body and lens it was worked out from, by name. */
  from: v.record(text(120), text(120)),
})
export type KeptCalculation = v.InferOutput<typeof calculationSchema>

const layerSchema = v.strictObject({
  id,
  name: text(80),
  /** A kind of work where not given. */
  kind: v.optional(v.picklist(LAYER_KINDS)),
  /** For everybody and everything where not given. */
  applies: v.optional(appliesSchema),
  /** The standard and version it is taken from, where it was not written here. */
  from: v.optional(v.strictObject({ standard: id, version })),
  targets: targetsSchema,
  /** Set on single bodies anyway. */
  pins: v.optional(v.pipe(v.array(pinSchema), v.maxLength(200))),
  /** How to shoot, and what to do when it goes wrong. */
  advice: v.optional(v.pipe(v.array(adviceSchema), v.maxLength(60))),
  rescues: v.optional(v.pipe(v.array(rescueSchema), v.maxLength(40))),
  /** What was worked out for it. */
  calculations: v.optional(v.pipe(v.array(calculationSchema), v.maxLength(40))),
})
export type Layer = v.InferOutput<typeof layerSchema>

export const layerKind = (layer: Pick<Layer, 'kind'>): LayerKind => layer.kind ?? 'work'

const layersSchema = v.pipe(
  v.array(layerSchema),
  v.minLength(1, 'expected at least one layer'),
  v.maxLength(20, 'expected at most 20 layers'),
  v.check(layers => new Set(layers.map(l => l.id)).size === layers.length, 'expected every layer id only once'),
  v.check(
    layers => layers.every((l, i) => i === 0 || rank(layers[i - 1] ?? l) <= rank(l)),
    'expected the layers from the ground up: house, work, scene, exception',
  ),
)
const rank = (layer: Pick<Layer, 'kind'>): number => LAYER_KINDS.indexOf(layerKind(layer))

const levelValue = (d: Dimension) => v.strictObject({ dimension: v.literal(d.id), value: targetSchema(d) })

export interface LevelValue {
  readonly dimension: string
  readonly value: NeutralValue
}

/** How much being alike counts against being right, and the common level of each dimension found for that. */
export const levelSchema = v.strictObject({
  /** Weight of being alike for each 1 of being right; 0 is best on each body. In hundredths, so that it stays exact. */
  lambdaHundredths: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(9900)),
  values: v.pipe(
    v.array(v.variant('dimension', DIMENSIONS.map(levelValue) as never) as v.GenericSchema<unknown, LevelValue>),
    v.check(
      values => new Set(values.map(x => x.dimension)).size === values.length,
      'expected every dimension only once',
    ),
  ),
})
export type Level = v.InferOutput<typeof levelSchema>

export const standardSchema = v.strictObject({
  format: v.literal(STANDARD_FORMAT),
  id,
  name: text(80),
  about: text(400),
  version,
  /** Lowest layer first; each states only what it changes. */
  layers: layersSchema,
  /** How the bodies were made alike; absent where each does its best. */
  level: v.optional(levelSchema),
  /** What the fingers should do, and where each function is on each body. */
  controls: v.optional(planSchema),
  /** What was answered in the guide: question to answer. */
  answers: v.optional(v.record(v.string(), v.union([text(60), v.number(), v.array(text(60))]))),
})
export type Standard = v.InferOutput<typeof standardSchema>

export const parseStandard = (value: unknown, file: string): Parsed<Standard> =>
  parseDocument(standardSchema, STANDARD_FORMAT, value, file)
