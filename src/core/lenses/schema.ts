import * as v from 'valibot'
import { type Parsed, parseDocument, type Problem } from '../reading/problem'
import { distancesDisagree, distanceWords, type Metres } from './distance'

/** The exchange format of a lens, `coherion.lens/1`. Distances count from the sensor plane mark on the body. */
export const LENS_FORMAT = 'coherion.lens/1'

const text = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(most))
const id = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected lower-case letters, digits and hyphens'),
  v.maxLength(60),
)
const positive = v.pipe(v.number(), v.gtValue(0))
const distanceSchema = v.strictObject({
  metres: v.union([positive, v.literal('infinity')], 'expected metres or "infinity"'),
  /** The imperial figure beside it, where the barrel or the manual has one. */
  feet: v.optional(positive),
})

export const lensSchema = v.strictObject({
  format: v.literal(LENS_FORMAT),
  id,
  maker: text(60),
  model: text(80),
  about: v.optional(text(400)),
  mount: v.optional(text(40)),
  focalMm: v.pipe(
    v.strictObject({ from: positive, to: positive }),
    v.check(f => f.from <= f.to, 'expected the short end before the long end'),
  ),
  /** Largest f-number's opening at the short and at the long end: 2.8 is wider than 4. */
  maxAperture: v.strictObject({ from: positive, to: positive }),
  closest: distanceSchema,
  /** Image over subject at closest focus and the long end, as the maker states it; beyond life size nothing is reckoned. */
  magnification: v.optional(v.pipe(positive, v.maxValue(1))),
  /** Diameter of the exit pupil over that of the entrance pupil, where somebody measured it. */
  pupilMagnification: v.optional(v.pipe(positive, v.maxValue(10))),
  /** From the sensor plane to the front of the lens at its longest: what a distance from the front is short by. */
  frontMetres: v.optional(v.pipe(positive, v.maxValue(3))),
  limiter: v.optional(
    v.pipe(v.array(v.strictObject({ id, label: text(40), near: distanceSchema, far: distanceSchema })), v.maxLength(8)),
    [],
  ),
  /** Which way the ring turns toward infinity, seen from behind the camera. */
  infinityTurn: v.picklist(['clockwise', 'anticlockwise']),
  focusing: v.picklist(['by-wire', 'mechanical']),
  /** The lens can be sent back to a stored distance. */
  recall: v.boolean(),
  stabiliser: v.optional(v.strictObject({ modes: v.array(text(40)), panning: v.optional(text(40)) })),
  /** Where it is sharpest, once somebody has tested it. */
  bestAperture: v.optional(v.strictObject({ fNumber: positive, on: v.optional(text(40)) })),
  /** Correction found for a body, once tested: positive moves focus away from the camera. */
  offsets: v.optional(
    v.array(
      v.strictObject({
        id,
        steps: v.number(),
        on: v.optional(text(40)),
        /** The one camera it was measured on, where it was one of the house, and what that ran. */
        unit: v.optional(text(120)),
        firmware: v.optional(text(40)),
        /** Where focus lay with it, in millimetres behind the subject, and over how many pictures. */
        millimetres: v.optional(v.number()),
        pictures: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1))),
      }),
    ),
    [],
  ),
})

export type Lens = v.InferOutput<typeof lensSchema>

/** What a lens is called; its id where it is not there any more. */
export const lensNameIn =
  (lenses: readonly Pick<Lens, 'id' | 'maker' | 'model'>[]) =>
  (id: string): string => {
    const lens = lenses.find(l => l.id === id)
    return lens ? `${lens.maker} ${lens.model}` : id
  }
export type LimiterPosition = Lens['limiter'][number]
export type LensDistance = Lens['closest']

/** Something that does not fit together and that a person should look at; the lens can be used all the same. */
export interface LensWarning {
  readonly where: string
  readonly words: string
}

const both = (where: string, d: LensDistance): readonly LensWarning[] => {
  if (d.metres === 'infinity' || d.feet === undefined || !distancesDisagree(d.metres, d.feet)) return []
  const feet = distanceWords(d.metres, 'imperial')
  return [{ where, words: `${d.metres} m is ${feet}, but ${d.feet} ft stands beside it. One of them is wrong.` }]
}

const metresOf = (m: Metres): number => (m === 'infinity' ? Infinity : m)

export const lensWarnings = (lens: Lens): readonly LensWarning[] => [
  ...both('closest focus', lens.closest),
  ...lens.limiter.flatMap(p => [
    ...both(`limiter “${p.label}”, near end`, p.near),
    ...both(`limiter “${p.label}”, far end`, p.far),
    ...(metresOf(p.near.metres) < metresOf(lens.closest.metres) * 0.98
      ? [
          {
            where: `limiter “${p.label}”`,
            words: `It begins nearer than the closest focus of the lens. Were these distances taken from the front of the lens? They count from the sensor plane.`,
          },
        ]
      : []),
  ]),
]

const check = (lens: Lens, file: string): readonly Problem[] => [
  ...lens.limiter.flatMap((p, i) =>
    metresOf(p.near.metres) < metresOf(p.far.metres)
      ? []
      : [
          {
            file,
            path: `limiter.${i}`,
            value: `${distanceWords(p.near.metres, 'metric')} to ${distanceWords(p.far.metres, 'metric')}`,
            expected: 'expected the near end before the far end',
          },
        ],
  ),
  ...lens.limiter
    .filter((p, i) => lens.limiter.findIndex(q => q.id === p.id) !== i)
    .map(p => ({ file, path: 'limiter', value: p.id, expected: 'expected every id only once' })),
]

/** Reads a lens, strictly. */
export const parseLens = (value: unknown, file: string): Parsed<Lens> => {
  const parsed = parseDocument(lensSchema, LENS_FORMAT, value, file)
  if (!parsed.ok) return parsed
  const problems = check(parsed.value, file)
  return problems.length ? { ok: false, problems } : parsed
}

/** The whole range of a lens as the first position, then what its limiter offers. */
export const focusRangesOf = (lens: Lens): readonly Omit<LimiterPosition, 'id'>[] => [
  { label: 'whole range', near: lens.closest, far: { metres: 'infinity' } },
  ...lens.limiter,
]

/** Lenses whose rings turn against most of the others, by id. */
export const turnsAgainst = (lenses: readonly Lens[]): ReadonlySet<string> => {
  const clockwise = lenses.filter(l => l.infinityTurn === 'clockwise').length
  const usual = clockwise * 2 >= lenses.length ? 'clockwise' : 'anticlockwise'
  return new Set(lenses.filter(l => l.infinityTurn !== usual).map(l => l.id))
}
