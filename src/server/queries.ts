import * as v from 'valibot'
import { auditPlanSchema } from '@/core/audit/plan'
import { trySchema } from '@/core/drills/drills'
import { countSchema, noteSchema } from '@/core/evidence/trial'
import { QUESTIONS } from '@/core/optics/answers/answer'
import { partialSceneSchema } from '@/core/optics/scene'
import { KEPT_AS, WEIGHTS } from '@/core/standards'
import { happeningSchema } from '@/core/jobs/standing'
import { HAPPENINGS } from '@/core/kit/known'
import { levelSchema } from '@/core/standards'

/** The shapes of what the HTTP interface takes besides the exchange formats. */

const id = v.pipe(v.string('expected an id'), v.minLength(1, 'expected an id'), v.maxLength(120))

const forWhom = v.optional(v.pipe(v.string(), v.maxLength(2000)))

export const resolutionsQuerySchema = v.object({
  standard: id,
  for: forWhom,
  bodies: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(20_000))),
})
export const explanationQuerySchema = v.object({ standard: id, body: id, dimension: id, for: forWhom })
/** What goes into which memory slot: `Keep 1:ring-action,Keep 2:high-rope`. */
const slots = v.optional(v.pipe(v.string(), v.maxLength(2000)))
export const cardQuerySchema = v.object({
  standard: id,
  body: id,
  unit: v.optional(id),
  for: forWhom,
  slots,
})
const time = v.pipe(v.string(), v.isoTimestamp('expected a time such as 2026-03-01T09:30:00.000Z'))
/** For requests that may have waited on a device: the same id each time, done and sent when, by the device's clock. */
const late = {
  id: v.optional(v.pipe(v.string(), v.regex(/^[\w-]{8,64}$/, 'expected 8 to 64 letters, digits, _ or -'))),
  made: v.optional(time),
  sent: v.optional(time),
}
export const tickSchema = v.strictObject({
  ...late,
  standard: id,
  body: id,
  unit: v.optional(id),
  /** For whom and what the card was made. */
  for: forWhom,
  step: v.pipe(v.string(), v.minLength(3), v.maxLength(200)),
  ticked: v.boolean(),
})
export const personSchema = v.strictObject({
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'expected a name'), v.maxLength(80)),
})

const name = v.pipe(v.string('expected a name'), v.trim(), v.minLength(1, 'expected a name'), v.maxLength(60))
const revision = v.pipe(v.number(), v.integer(), v.minValue(0))

export const importQuerySchema = v.object({
  /** What to do where something of that name is here with other contents. */
  conflict: v.optional(v.picklist(['ask', 'replace', 'keep-both']), 'ask'),
})

const archetype = v.optional(v.picklist(['mirrorless', 'optical', 'compact', 'video']))
export const newBodySchema = v.strictObject({
  maker: name,
  model: name,
  archetype,
  copyOf: v.optional(id),
  menu: v.optional(v.pipe(v.string(), v.maxLength(200_000))),
})
export const newBodyQuerySchema = v.object({ maker: name, model: name, archetype })

export const saveBodySchema = v.strictObject({
  document: v.unknown(),
  /** The revision it was edited from. */
  revision,
  /** What was done, for the history. */
  what: v.pipe(v.string(), v.minLength(1), v.maxLength(400)),
})
/** Takes a change back; the revision is what somebody looked at. */
export const restoreSchema = v.strictObject({ event: v.pipe(v.number(), v.integer()), revision })
export const takenBackSchema = v.strictObject({ revision })
/** Nothing but who does it. */
export const nothingMoreSchema = v.strictObject({})
export const archivedSchema = v.strictObject({ archived: v.boolean(), revision })
const unitIds = v.pipe(v.array(id), v.maxLength(200))
/** Units by id, and those that were there when somebody looked. */
export const carriedSchema = v.strictObject({ units: unitIds, seen: unitIds })
export const handedOverSchema = v.strictObject({ handedOver: v.boolean() })

/** What happens to a unit: what cannot be seen from its card, what it says, and that somebody signs for it. */
/** The memory slot that is stored in as well. */
const slot = v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(40)))
export const unitEventSchema = v.variant('kind', [
  v.strictObject({ ...late, kind: v.picklist(HAPPENINGS) }),
  v.strictObject({ ...late, kind: v.literal('told'), standard: id, for: forWhom, setting: id, option: id }),
  v.strictObject({ ...late, kind: v.literal('signed'), standard: id, for: forWhom, timed: v.boolean(), slot }),
])
export const stateQuerySchema = v.object({ file: v.optional(v.string()) })
export const undoneSchema = v.strictObject({ undone: v.boolean() })
export const readinessQuerySchema = v.object({
  standard: id,
  for: forWhom,
  bodies: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(20_000))),
})
const ids = v.optional(v.pipe(v.string(), v.maxLength(20_000)))
export const cardPdfQuerySchema = v.object({
  standard: id,
  for: forWhom,
  /** Units, with commas between; or bodies of which the team has none. */
  units: ids,
  bodies: ids,
  slots,
  paper: v.optional(v.picklist(['a4', 'letter', 'pocket'], 'expected a4, letter or pocket'), 'a4'),
  /** progress: a line of JSON for each card that is made, and the PDF as base64 in the last one. */
  as: v.optional(v.picklist(['pdf', 'progress']), 'pdf'),
})
export const intervalSchema = v.strictObject({
  weeks: v.pipe(
    v.number(),
    v.integer(),
    v.minValue(1, 'expected at least 1 week'),
    v.maxValue(52, 'expected at most 52 weeks'),
  ),
  /** What it was when somebody looked. */
  seen: v.pipe(v.number(), v.integer()),
})
export const menuQuerySchema = v.object({ as: v.optional(v.picklist(['csv', 'xlsx', 'text']), 'csv') })
export const bundleQuerySchema = v.object({ bodies: v.optional(v.string()), lenses: v.optional(v.string()) })

export const saveLensSchema = v.strictObject({ document: v.record(v.string(), v.unknown()), revision })

export const newUnitSchema = v.strictObject({ unit: v.unknown() })
export const saveUnitSchema = v.strictObject({ unit: v.unknown(), revision })
export const unitsQuerySchema = v.object({ as: v.optional(v.picklist(['json', 'csv', 'xlsx']), 'json') })
export const unitImportQuerySchema = v.object({
  /** 1: only say what would change. */
  preview: v.optional(v.picklist(['0', '1']), '0'),
  file: v.optional(v.string()),
})

const bodies = v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(20_000)))
const LAYER_KIND = v.picklist(['house', 'work', 'scene', 'exception'])

export const fleetQuerySchema = v.object({ bodies })
export const concordanceQuerySchema = v.object({
  standard: id,
  bodies,
  for: forWhom,
  as: v.optional(v.picklist(['json', 'csv']), 'json'),
})
export const standardImportQuerySchema = v.object({
  /** 1: only say what would change. */
  preview: v.optional(v.picklist(['0', '1']), '0'),
  file: v.optional(v.string()),
})
export const newStandardSchema = v.strictObject({
  name,
  about: v.optional(v.pipe(v.string(), v.maxLength(400))),
  kind: LAYER_KIND,
  /** The standard it stands on. */
  below: v.optional(id),
})
export const saveStandardSchema = v.strictObject({
  document: v.unknown(),
  revision,
  what: v.pipe(v.string(), v.minLength(1), v.maxLength(400)),
})
/** A measuring run, as its exchange format has it. */
export const saveRunSchema = v.strictObject({ document: v.unknown() })
/** Takes a run up into the profile; the revision is the profile's, as somebody looked at it. */
export const keepRunSchema = v.strictObject({ revision })
/** Throws away a measurement that nothing stands on. */
export const throwAwaySchema = v.strictObject({ thrownAway: v.literal(true) })
/** A lens tested on a body, as its exchange format has it. */
export const saveLensTestSchema = v.strictObject({ document: v.unknown() })
/** A trial, as its exchange format has it. */
export const saveTrialSchema = v.strictObject({ document: v.unknown() })
/** What an audit is held against, and the revision it was changed from. */
export const saveAuditPlanSchema = v.strictObject({
  plan: auditPlanSchema,
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
})
/** What pictures showed is written into the lives of the units. */
export const takeOverSchema = v.strictObject({ takenOver: v.literal(true) })
/** The standard in whose draft a session is written, and the unit that it is of. */
export const writeSessionSchema = v.strictObject({ standard: id, unit: id })
export const auditQuerySchema = v.object({})
export const auditReportQuerySchema = v.object({ paper: v.optional(v.picklist(['a4', 'letter']), 'a4') })
/** A pass that was counted on a device, or is taken back. */
export const countPassSchema = v.strictObject({ ...late, count: countSchema, isTakenBack: v.optional(v.literal(true)) })
/** The standard in whose draft a finding is written. */
export const writeFindingSchema = v.strictObject({ standard: id })
export const noteBlockSchema = v.strictObject({ ...late, note: noteSchema })
/** A try of a drill, kept under the name of whoever sends it. */
export const saveTrySchema = v.strictObject({ ...late, tried: trySchema })
export const triesQuerySchema = v.object({ person: id })
/** What to ask somebody now: about a body, by what a standard makes of its keys. */
export const questionsQuerySchema = v.object({
  about: v.picklist(['which-key', 'called']),
  body: id,
  standard: v.optional(id),
  person: v.optional(id),
  before: v.optional(v.picklist(['', 'job']), ''),
})
/** An answer to a question of a drill. */
export const answerQuestionSchema = v.strictObject({
  ...late,
  question: v.pipe(v.string(), v.minLength(1), v.maxLength(200)),
  isRight: v.boolean(),
  seconds: v.pipe(v.number(), v.minValue(0), v.maxValue(3600)),
  answered: v.pipe(v.string(), v.isoTimestamp()),
})
/** A course as its exchange format has it, and the revision it was edited from; 0 for a new one. */
export const saveCourseSchema = v.strictObject({
  document: v.unknown(),
  revision: v.pipe(v.number(), v.integer(), v.minValue(0)),
})
/** A scene of the rehearsal, new or edited from a revision. */
export const newSceneSchema = v.strictObject({ document: v.unknown() })
export const saveSceneSchema = v.strictObject({
  document: v.unknown(),
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
})
/** A course from a file. */
export const importCourseSchema = v.strictObject({ document: v.unknown() })
export const newClassSchema = v.strictObject({
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'expected a name'), v.maxLength(80)),
  course: id,
  teacher: v.optional(id),
})
/** Somebody joins a class, comes with another body, or leaves. */
export const classStudentSchema = v.strictObject({
  student: id,
  body: v.optional(id),
  isLeaving: v.optional(v.literal(true)),
})
const markId = v.pipe(v.string(), v.regex(/^[\w-]{4,40}$/, 'expected letters, digits, - and _'))
/** What passes a lesson besides its drill, or is taken back. */
export const classMarkSchema = v.strictObject({
  ...late,
  id: markId,
  student: id,
  mark: v.optional(
    v.variant('kind', [
      v.strictObject({ kind: v.literal('word'), lesson: id }),
      v.pipe(
        v.strictObject({
          kind: v.literal('count'),
          lesson: id,
          sharp: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1000)),
          of: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000)),
        }),
        v.check(m => m.sharp <= m.of, 'expected no more sharp ones than passes'),
      ),
    ]),
  ),
  isTakenBack: v.optional(v.literal(true)),
})
/** Which camera something goes wrong with, and what it is set by. */
export const rescuesQuerySchema = v.object({
  body: v.optional(id),
  unit: v.optional(id),
  standard: v.optional(id),
  for: forWhom,
  job: v.optional(id),
  scene: v.optional(id),
})
export const lessonQuerySchema = v.object({ student: id, lesson: v.optional(id) })
export const handoutQuerySchema = v.object({ body: id, paper: v.optional(v.picklist(['a4', 'letter']), 'a4') })
/** A sheet to print: on which paper, and for which focal length its distance is told. */
export const printSheetSchema = v.object({
  paper: v.optional(v.picklist(['a4', 'letter']), 'a4'),
  focal: v.optional(v.pipe(v.string(), v.transform(Number), v.number(), v.gtValue(0), v.maxValue(3000)), '85'),
})
/** A scene for the Optics desk as far as it differs from where a desk begins, and in which units the answer speaks. */
export const opticsSchema = v.strictObject({
  scene: v.optional(partialSceneSchema, {}),
  units: v.optional(v.picklist(['metric', 'imperial']), 'metric'),
  /** Another body to ask it of, framed the same. */
  on: v.optional(id),
})
/** An answer of the Optics desk that is kept in the draft of a standard. */
export const keepCalculationSchema = v.strictObject({
  question: v.picklist(QUESTIONS),
  scene: v.optional(partialSceneSchema, {}),
  as: v.picklist(KEPT_AS),
  weight: v.optional(v.picklist(WEIGHTS), 'should'),
  /** A layer of the standard's own; its topmost where not given. */
  layer: v.optional(id),
  /** The layer of one scene, made where there is none. */
  forScene: v.optional(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(80))),
})
export const stateSchema = v.strictObject({
  state: v.picklist(['draft', 'in-review', 'approved', 'retired']),
  /** The revision somebody looked at; refused with 409 where it is another by now. */
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
  /** Why; needed for an approval. */
  why: v.optional(v.pipe(v.string(), v.maxLength(400)), ''),
})
export const commentSchema = v.strictObject({
  version: v.pipe(v.number(), v.integer(), v.minValue(1)),
  /** The target it is about; the version as a whole where left out. */
  dimension: v.optional(id),
  text: v.pipe(v.string(), v.trim(), v.minLength(1, 'expected some words'), v.maxLength(2000)),
})
/** The usual standard as it was seen; null where there was none. */
export const usualSchema = v.strictObject({ seen: v.nullable(id) })
export const settledSchema = v.strictObject({ settled: v.boolean() })
export const comparisonQuerySchema = v.object({ before: id, after: id, for: forWhom })
/** A cell to explain at a common level that is not stored. */
export const levelledExplanationSchema = v.strictObject({
  ...explanationQuerySchema.entries,
  level: v.nullable(levelSchema),
})
export const keepLevelSchema = v.strictObject({ level: v.nullable(levelSchema) })

export const saveGuideSchema = v.strictObject({
  /** The exchange format `coherion.guide/1`, read for itself. */
  document: v.record(v.string(), v.unknown()),
  revision: v.pipe(v.number(), v.integer(), v.minValue(0)),
  what: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200)),
})

/** Answers to the guide's questions: an option, several, or an amount. */
const answered = v.pipe(v.string(), v.maxLength(60))
export const answersSchema = v.pipe(
  v.record(answered, v.union([answered, v.number(), v.pipe(v.array(answered), v.maxLength(60))])),
  v.maxEntries(100, 'expected at most 100 answers'),
)

/** A job, in the exchange format `coherion.job/1`, read for itself. */
const jobDocument = v.record(v.string(), v.unknown())
export const newJobSchema = v.union([
  v.strictObject({
    name: v.pipe(v.string(), v.trim(), v.minLength(1, 'expected some words'), v.maxLength(80)),
    day: v.pipe(v.string(), v.isoDate('expected a day such as 2026-12-24')),
    timeZone: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
  }),
  v.strictObject({ document: jobDocument }),
])
export const saveJobSchema = v.strictObject({
  document: jobDocument,
  revision: v.pipe(v.number(), v.integer(), v.minValue(0)),
  /** What was changed, in words. */
  what: v.optional(v.pipe(v.string(), v.maxLength(400))),
})
export const happenedSchema = v.strictObject({
  ...late,
  id: v.pipe(v.string(), v.regex(/^[\w-]{8,64}$/, 'expected 8 to 64 letters, digits, _ or -')),
  what: v.optional(happeningSchema),
  isTakenBack: v.optional(v.literal(true)),
})
export const jobListSchema = v.strictObject({ text: v.pipe(v.string(), v.maxLength(200_000)) })
export const jobFileQuerySchema = v.object({ file: v.optional(v.pipe(v.string(), v.maxLength(120))) })
/** Keys of set-ups, with a space between them. */
export const walksQuerySchema = v.object({
  model: id,
  setUps: v.pipe(v.string(), v.minLength(1), v.maxLength(8000)),
  /** From which to which, by their places; all where not given. */
  pairs: v.optional(v.pipe(v.string(), v.maxLength(8000), v.regex(/^\d{1,2}-\d{1,2}(?: \d{1,2}-\d{1,2})*$/))),
})
export const callSheetsQuerySchema = v.object({
  person: v.optional(id),
  /** A sheet of its own for everybody. */
  each: v.optional(v.pipe(v.string(), v.maxLength(8))),
  paper: v.optional(v.picklist(['a4', 'letter', 'pocket']), 'a4'),
})
export const jobCalendarQuerySchema = v.object({ person: v.optional(id) })

const positive = v.pipe(v.number(), v.gtValue(0))
/** A ring and the marks of a take on it. */
export const ringStripSchema = v.strictObject({
  paper: v.optional(v.picklist(['a4', 'letter']), 'a4'),
  lens: v.pipe(v.string(), v.maxLength(120)),
  focalMm: v.pipe(positive, v.maxValue(3000)),
  throwDegrees: v.pipe(positive, v.maxValue(720)),
  diameterMm: v.pipe(positive, v.maxValue(200)),
  infinityTurn: v.picklist(['clockwise', 'anticlockwise']),
  closestMetres: v.pipe(positive, v.maxValue(100)),
  read: v.optional(
    v.pipe(
      v.array(v.strictObject({ metres: positive, degrees: v.pipe(v.number(), v.minValue(0), v.maxValue(720)) })),
      v.maxLength(20),
    ),
  ),
  fNumber: v.pipe(positive, v.maxValue(64)),
  circleMm: v.pipe(positive, v.maxValue(1)),
  marks: v.pipe(
    v.array(
      v.strictObject({
        name: v.pipe(v.string(), v.maxLength(60)),
        metres: v.pipe(positive, v.maxValue(10_000)),
        at: v.pipe(v.number(), v.minValue(0), v.maxValue(3600)),
      }),
    ),
    v.maxLength(60),
  ),
})
