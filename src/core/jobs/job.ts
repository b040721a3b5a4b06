import * as v from 'valibot'
import { uniqueSlug } from '../language/language'
import { type Parsed, parseDocument, type Problem } from '../reading/problem'
import { isDay, isTime, isZone } from './clock'

/** The exchange format of a job, `coherion.job/1`: a day or several, place by place and scene by scene. */
export const JOB_FORMAT = 'coherion.job/1'

/** More scenes than anybody covers in a week, and more people at all of them together than any team sends. */
export const MOST_SCENES = 400
export const MOST_COVERS = 2000

const text = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1, 'expected some words'), v.maxLength(most))
const id = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected lower-case letters, digits and hyphens'),
  v.maxLength(60),
)
const day = v.pipe(v.string(), v.check(isDay, 'expected a day such as 2026-11-28'))
const clock = v.pipe(v.string(), v.check(isTime, 'expected a time such as 19:30'))
const metres = v.pipe(v.number(), v.gtValue(0, 'expected a distance above 0'), v.maxValue(10_000))
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))

export const placeSchema = v.strictObject({
  id,
  name: text(80),
  latitude: v.optional(v.pipe(v.number(), v.minValue(-90), v.maxValue(90))),
  longitude: v.optional(v.pipe(v.number(), v.minValue(-180), v.maxValue(180))),
  /** Under a roof: the sun has no say. */
  indoors: v.optional(v.boolean(), false),
  /** What to be careful about there, by the place’s own rules. */
  cautions: v.optional(v.pipe(v.array(text(300)), v.maxLength(12)), []),
})
export type Place = v.InferOutput<typeof placeSchema>

/** Somebody covers a scene: who, and with which unit and lens where that is settled. Names and ids as the house has them. */
const coverSchema = v.strictObject({
  person: text(120),
  unit: v.optional(text(120)),
  lens: v.optional(text(120)),
  /** The camera hangs or stands where nobody holds it. */
  remote: v.optional(v.boolean(), false),
})
export type Cover = v.InferOutput<typeof coverSchema>

export const LIGHTS = ['day', 'back-lit', 'low', 'dark', 'stage'] as const
export type SceneLight = (typeof LIGHTS)[number]

export const sceneSchema = v.strictObject({
  id,
  name: text(120),
  /** The day of the job where not given. */
  day: v.optional(day),
  /** By the clock of the place. */
  at: clock,
  minutes: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1440)),
  place: v.optional(id),
  /** What moves, in words; the guide reads them where no standard is named. */
  moves: v.optional(text(300)),
  light: v.optional(v.picklist(LIGHTS)),
  /** Which way the camera looks, in degrees from north. */
  facing: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(360))),
  near: v.optional(metres),
  far: v.optional(metres),
  /** The standard, or one version of it: `ring-action` or `ring-action@3`. */
  standard: v.optional(text(80)),
  /** How much of the scene is followed, where it is not as the standard’s session says. */
  following: v.optional(share),
  covers: v.optional(v.pipe(v.array(coverSchema), v.maxLength(40)), []),
  notes: v.optional(text(400)),
})
export type Scene = v.InferOutput<typeof sceneSchema>

/** A scene as a sentence, for the guide to read. */
export const sentenceFor = (scene: Pick<Scene, 'name' | 'moves'>): string =>
  [scene.name, scene.moves].filter(Boolean).join(', ')

const onlyOnce = (all: readonly { readonly id: string }[]) => new Set(all.map(x => x.id)).size === all.length

export const jobSchema = v.strictObject({
  format: v.literal(JOB_FORMAT),
  id,
  name: text(80),
  about: v.optional(text(400)),
  /** The first day. */
  day,
  /** Of the place, as the tz database names it. */
  timeZone: v.pipe(v.string(), v.check(isZone, 'expected a time zone such as Europe/Lisbon')),
  places: v.optional(
    v.pipe(
      v.array(placeSchema),
      v.maxLength(60),
      v.check(all => onlyOnce(all), 'expected every place to have an id of its own'),
    ),
    [],
  ),
  /** Everybody who is there, whether or not they cover a scene. */
  people: v.optional(v.pipe(v.array(text(120)), v.maxLength(200)), []),
  /** Units at hand; all of the house where there are none. */
  units: v.optional(v.pipe(v.array(text(120)), v.maxLength(500)), []),
  scenes: v.optional(
    v.pipe(
      v.array(sceneSchema),
      v.maxLength(MOST_SCENES, `expected at most ${MOST_SCENES} scenes`),
      v.check(all => onlyOnce(all), 'expected every scene to have an id of its own'),
    ),
    [],
  ),
})
export type Job = v.InferOutput<typeof jobSchema>

const covering = (job: Job): number => job.scenes.reduce((n, s) => n + s.covers.length, 0)

const check = (job: Job, file: string): readonly Problem[] => [
  ...(covering(job) <= MOST_COVERS
    ? []
    : [
        {
          file,
          path: 'scenes',
          value: `${covering(job)} people at scenes`,
          expected: `expected at most ${MOST_COVERS} of them together`,
        },
      ]),
  ...job.scenes.flatMap((s, i) => [
    ...(s.place === undefined || job.places.some(p => p.id === s.place)
      ? []
      : [
          {
            file,
            path: `scenes.${i}.place`,
            value: s.place,
            expected: `expected one of the job’s places: ${job.places.map(p => p.id).join(', ') || 'it has none'}`,
          },
        ]),
    ...(s.near !== undefined && s.far !== undefined && s.near > s.far
      ? [
          {
            file,
            path: `scenes.${i}.near`,
            value: String(s.near),
            expected: 'expected the near end before the far end',
          },
        ]
      : []),
  ]),
]

/** Reads a job, strictly. */
export const parseJob = (value: unknown, file: string): Parsed<Job> => {
  const parsed = parseDocument(jobSchema, JOB_FORMAT, value, file)
  if (!parsed.ok) return parsed
  const problems = check(parsed.value, file)
  return problems.length ? { ok: false, problems } : parsed
}

/** An id made of a name, unlike those that are taken. @example idFor('Ring parade', ['ring-parade']) // 'ring-parade-2' */
export const idFor = (name: string, taken: readonly string[]): string => uniqueSlug(name, new Set(taken), 'scene')
