import * as v from 'valibot'
import { type Parsed, parseDocument } from '../reading/problem'

/** The exchange format of a lens on a body, tested with pictures: `coherion.lens-test/1`. */
export const LENS_TEST_FORMAT = 'coherion.lens-test/1'

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(120))
const positive = v.pipe(v.number(), v.gtValue(0), v.maxValue(1e6))
const name = v.pipe(v.string(), v.maxLength(120))

const onWhat = {
  format: v.literal(LENS_TEST_FORMAT),
  lens: id,
  body: id,
  firmware: v.pipe(v.string(), v.maxLength(40)),
  /** The tag of the camera, where it was one of the house. */
  unit: v.optional(id),
  focalMm: v.optional(positive),
  on: v.pipe(v.string(), v.isoDate('expected a day such as 2026-03-01')),
}

/** Cycles a pixel; a field that could not be measured is left out. */
const field = v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(2)))

export const FIELDS = ['centre', 'upper-left', 'upper-right', 'lower-left', 'lower-right'] as const
export type Field = (typeof FIELDS)[number]

export const focusTestSchema = v.strictObject({
  ...onWhat,
  kind: v.literal('focus'),
  fNumber: positive,
  /** Metres from the sensor to the field that was focused on. */
  distance: positive,
  pictures: v.pipe(
    v.array(
      v.strictObject({
        name,
        /** What the body's adjustment was set to. */
        setting: v.pipe(v.number(), v.minValue(-100), v.maxValue(100)),
        /** Millimetres by which focus lay behind the field; negative in front of it. */
        offset: v.pipe(v.number(), v.minValue(-1000), v.maxValue(1000)),
      }),
    ),
    v.minLength(1, 'expected at least one picture'),
    v.maxLength(500),
  ),
})

export const sharpnessTestSchema = v.strictObject({
  ...onWhat,
  kind: v.literal('sharpness'),
  pictures: v.pipe(
    v.array(
      v.strictObject({
        name,
        fNumber: positive,
        width: positive,
        height: positive,
        /** Frequency at which half of the contrast is left, by field. */
        mtf50: v.strictObject({
          centre: field,
          'upper-left': field,
          'upper-right': field,
          'lower-left': field,
          'lower-right': field,
        }),
      }),
    ),
    v.minLength(1, 'expected at least one picture'),
    v.maxLength(500),
  ),
})

export const lensTestSchema = v.variant('kind', [focusTestSchema, sharpnessTestSchema])
export type FocusTest = v.InferOutput<typeof focusTestSchema>
export type SharpnessTest = v.InferOutput<typeof sharpnessTestSchema>
export type LensTest = v.InferOutput<typeof lensTestSchema>

export const parseLensTest = (value: unknown, file: string): Parsed<LensTest> =>
  parseDocument(lensTestSchema, LENS_TEST_FORMAT, value, file)
