import * as v from 'valibot'
import { type Parsed, parseDocument } from '../formats/problem'
import { DIMENSIONS, type Dimension } from '../vocabulary/dimensions'
import { targetSchema } from '../vocabulary/schema'
import type { NeutralValue } from '../vocabulary/values'

/** The exchange format of a standard, `coherion.standard/1`: what is wanted, how much, and why. */
export const STANDARD_FORMAT = 'coherion.standard/1'

export const WEIGHTS = ['must', 'should', 'nice'] as const
export type Weight = (typeof WEIGHTS)[number]

/** How much a distance counts. A must that is broken counts before everything else. */
export const WEIGHT_FACTORS: Readonly<Record<Weight, number>> = { must: 9, should: 3, nice: 1 }

const text = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(most))
const id = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected lower-case letters, digits and hyphens'),
  v.maxLength(60),
)

/**
 * How far off still counts as held. For amounts a share: 0.3 means within 30 % up or down, less than 3 so that it
 * stays inside the factor of four that is another behaviour. For everything else the largest distance, 0 to 1.
 */
const toleranceSchema = (d: Dimension) =>
  d.kind === 'physical' && d.measure === 'ratio'
    ? v.pipe(v.number(), v.minValue(0), v.ltValue(3))
    : v.pipe(v.number(), v.minValue(0), v.maxValue(1))

const targetFields = (d: Dimension) =>
  v.strictObject({
    dimension: v.literal(d.id),
    value: targetSchema(d),
    weight: v.picklist(WEIGHTS),
    tolerance: v.optional(toleranceSchema(d)),
    /** Why this is wanted, for the person who has to set it. */
    reason: text(400),
  })

export interface Target {
  readonly dimension: string
  readonly value: NeutralValue
  readonly weight: Weight
  readonly tolerance?: number | undefined
  readonly reason: string
}

const targetsSchema = v.pipe(
  v.array(v.variant('dimension', DIMENSIONS.map(targetFields) as never) as v.GenericSchema<unknown, Target>),
  v.minLength(1, 'expected at least one target'),
  v.check(
    targets => new Set(targets.map(t => t.dimension)).size === targets.length,
    'expected every dimension only once in a layer',
  ),
)

export const standardSchema = v.strictObject({
  format: v.literal(STANDARD_FORMAT),
  id,
  name: text(80),
  about: text(400),
  version: v.pipe(v.number(), v.integer(), v.minValue(1)),
  /** Lowest layer first. Files of this format version carry one. */
  layers: v.pipe(
    v.array(v.strictObject({ id, name: text(80), targets: targetsSchema })),
    v.length(1, 'expected exactly one layer'),
  ),
})
export type Standard = v.InferOutput<typeof standardSchema>

export const parseStandard = (value: unknown, file: string): Parsed<Standard> =>
  parseDocument(standardSchema, STANDARD_FORMAT, value, file)

/** A target together with the layer it comes from. */
export interface EffectiveTarget extends Target {
  readonly from: { readonly standard: string; readonly layer: string }
}

const VOCABULARY_ORDER = new Map(DIMENSIONS.map((d, i) => [d.id, i]))

/** What a standard asks for once its layers are laid over each other, in the order of the vocabulary. */
export const effectiveTargets = (standard: Standard): readonly EffectiveTarget[] => {
  const byDimension = new Map<string, EffectiveTarget>()
  for (const layer of standard.layers)
    for (const target of layer.targets)
      byDimension.set(target.dimension, { ...target, from: { standard: standard.name, layer: layer.name } })
  return [...byDimension.values()].sort(
    (a, b) => (VOCABULARY_ORDER.get(a.dimension) ?? 0) - (VOCABULARY_ORDER.get(b.dimension) ?? 0),
  )
}
