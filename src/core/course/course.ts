import * as v from 'valibot'
import { DRILL_IDS } from '../drills/drills'
import { SCHOOL_IDS } from '../functions/schools'
import { type Parsed, parseDocument } from '../reading/problem'
import { targetsSchema } from '../standards/schema'
import { findDimension } from '../vocabulary/dimensions'

/** The exchange format of a course, `coherion.course/1`: lessons in an order, each with something to read, see, set and do. */
export const COURSE_FORMAT = 'coherion.course/1'

const text = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1, 'expected some words'), v.maxLength(most))
const id = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected lower-case letters, digits and hyphens'),
  v.maxLength(60),
)
const share = v.pipe(
  v.number(),
  v.gtValue(0, 'expected a share above 0, up to 1'),
  v.maxValue(1, 'expected a share above 0, up to 1'),
)
const concept = v.pipe(
  v.string(),
  v.check(d => findDimension(d) !== undefined, 'expected a dimension of the vocabulary'),
)

export const lessonSchema = v.strictObject({
  id,
  title: text(80),
  /** In Coherion's words, and where to read on: dimensions of the vocabulary. */
  read: v.strictObject({ words: text(1200), concepts: v.optional(v.pipe(v.array(concept), v.maxLength(6)), []) }),
  /** A scene of the rehearsal, and the schools that are compared in it. */
  see: v.optional(
    v.strictObject({
      passage: text(60),
      words: v.optional(text(400)),
      school: v.optional(v.picklist(SCHOOL_IDS)),
      against: v.optional(v.picklist(SCHOOL_IDS)),
    }),
  ),
  /** What to set on the body in hand. */
  set: v.optional(targetsSchema, []),
  /** What has to be passed to go on. */
  drill: v.optional(
    v.strictObject({
      drill: v.picklist(DRILL_IDS),
      share,
      /** In the unit of the drill. */
      most: v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(60_000))),
    }),
  ),
  /** Outdoors, with a count: so many passes, and what share of them should be sharp. */
  outdoors: v.optional(
    v.strictObject({
      words: text(400),
      passes: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(200)),
      share,
    }),
  ),
})
export type Lesson = v.InferOutput<typeof lessonSchema>

export const courseSchema = v.strictObject({
  format: v.literal(COURSE_FORMAT),
  id,
  name: text(80),
  about: text(400),
  lessons: v.pipe(
    v.array(lessonSchema),
    v.minLength(1, 'expected one to forty lessons'),
    v.maxLength(40, 'expected one to forty lessons'),
    v.check(all => new Set(all.map(l => l.id)).size === all.length, 'expected every lesson to have an id of its own'),
  ),
})
export type Course = v.InferOutput<typeof courseSchema>

export const parseCourse = (value: unknown, file: string): Parsed<Course> =>
  parseDocument(courseSchema, COURSE_FORMAT, value, file)
