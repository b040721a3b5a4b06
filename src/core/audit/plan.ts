import * as v from 'valibot'
import { type Parsed, parseWith } from '../reading/problem'
import { type Picture, pictureSchema } from './picture'
import { MOST_PICTURES } from './table'

/** What an audit is told besides the pictures: the scenes of the job, whose cameras they were, how wrong their clocks. */

const words = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(most))
const instant = v.pipe(v.string(), v.isoTimestamp())
const cameraKey = v.pipe(v.string(), v.maxLength(640))
const DAY_SECONDS = 86400

const sceneSchema = v.strictObject({
  name: words(80),
  from: v.optional(instant),
  until: v.optional(instant),
  /** What it was shot by: `ring-action`, or one version of it. */
  standard: words(120),
  /** For whom and what the standard is read, as an address has it. */
  for: v.optional(v.pipe(v.string(), v.maxLength(400)), ''),
  /** How the subject moves, where it is to be held against shutter times. */
  moves: v.optional(
    v.strictObject({
      metresPerSecond: v.pipe(v.number(), v.gtValue(0), v.maxValue(200)),
      distanceMetres: v.pipe(v.number(), v.gtValue(0.05), v.maxValue(5000)),
    }),
  ),
})

export const auditPlanSchema = v.strictObject({
  name: words(120),
  scenes: v.pipe(
    v.array(sceneSchema),
    v.minLength(1, 'expected at least one scene'),
    v.maxLength(40, 'expected at most 40 scenes'),
  ),
  /** By camera: seconds to add to what its clock said. */
  clocks: v.record(
    cameraKey,
    v.pipe(v.number(), v.integer(), v.minValue(-400 * DAY_SECONDS), v.maxValue(400 * DAY_SECONDS)),
  ),
  /** By camera: which unit it is, where its serial number does not say. */
  whose: v.record(cameraKey, words(120)),
  /** Pictures from before a unit was entered in the kit are somebody else's. */
  isOnlySinceEntered: v.optional(v.literal(true)),
  /** Minutes east of UTC in which times are told. */
  minutesEast: v.pipe(v.number(), v.integer(), v.minValue(-14 * 60), v.maxValue(14 * 60)),
})
export type AuditPlan = v.InferOutput<typeof auditPlanSchema>

export const auditSchema = v.strictObject({
  ...auditPlanSchema.entries,
  pictures: v.pipe(
    v.array(pictureSchema),
    v.minLength(1, 'expected at least one picture'),
    v.maxLength(MOST_PICTURES, `expected at most ${MOST_PICTURES} pictures`),
  ),
})

/** @param file name for error messages */
export const parseAudit = (
  value: unknown,
  file: string,
): Parsed<{ readonly plan: AuditPlan; readonly pictures: readonly Picture[] }> => {
  const parsed = parseWith(auditSchema, value, file)
  if (!parsed.ok) return parsed
  const { pictures, ...plan } = parsed.value
  return { ok: true, value: { plan, pictures } }
}
