import * as v from 'valibot'

/** The shapes of what is read in a worker. */

/** What POST /api/v1/resolve takes: a standard and bodies in the exchange formats, with what is known of each body. */
export const resolveRequestSchema = v.strictObject({
  standard: v.unknown(),
  bodies: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(200)),
  /** Body id to its state now, setting id to option id; factory defaults where left out. */
  known: v.optional(v.record(v.string(), v.record(v.string(), v.string())), {}),
  /** Body id to the firmware it runs; the newest of the profile where left out. */
  firmware: v.optional(
    v.record(v.string(), v.pipe(v.string(), v.regex(/^\d+(\.\d+){0,3}$/, 'expected a version such as 2.10'))),
    {},
  ),
})

/** What POST /api/v1/level takes: as for resolving, and how much being alike counts. */
export const levelRequestSchema = v.strictObject({
  ...resolveRequestSchema.entries,
  bodies: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(60)),
  lambdaHundredths: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(9900)),
})
