import 'server-only'
import * as v from 'valibot'
import { parseBody } from '@/core/bodies'
import { resolve, type Resolution } from '@/core/resolve'
import { asLevel, fleetProblem, levelFleet, levelReport } from '@/core/level'
import { parseStandard, type Standard } from '@/core/standards'
import { expectShape, MOST_BODY_BYTES } from './http'
import { invalid } from './problems'

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

/** Parses and checks the documents of a request; a wrong one is named. */
const readDocuments = function* (request: { readonly standard: unknown; readonly bodies: readonly unknown[] }) {
  for (const [i, value] of request.bodies.entries()) {
    const file = `bodies.${i}`
    if (JSON.stringify(value).length > MOST_BODY_BYTES)
      throw invalid([{ file, path: '', value: '', expected: 'expected a body profile of at most 1 MB' }])
    const body = parseBody(value, file)
    if (!body.ok) throw invalid(body.problems)
    yield body.value
  }
}

const expectStandard = (value: unknown): Standard => {
  const standard = parseStandard(value, 'standard')
  if (!standard.ok) throw invalid(standard.problems)
  return standard.value
}

/** Resolves without touching the database. */
export const resolveStateless = async (input: unknown): Promise<readonly Resolution[]> => {
  const request = expectShape(resolveRequestSchema, input, 'request')
  const standard = expectStandard(request.standard)
  const resolutions: Resolution[] = []
  for (const body of readDocuments(request)) {
    const { id } = body
    resolutions.push(resolve(body, standard, { known: request.known[id], firmware: request.firmware[id] }))
    // Other requests are answered between two bodies.
    await new Promise(setImmediate)
  }
  return resolutions
}

/** What POST /api/v1/level takes: as for resolving, and how much being alike counts. */
export const levelRequestSchema = v.strictObject({
  ...resolveRequestSchema.entries,
  bodies: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(60)),
  lambdaHundredths: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(9900)),
})

/** Levels bodies without touching the database: the common level, how good it is proven to be, and what it costs whom. */
export const levelStateless = async (input: unknown) => {
  const request = expectShape(levelRequestSchema, input, 'request')
  const standard = expectStandard(request.standard)
  const fleet = [...readDocuments(request)].map(body => ({
    body,
    firmware: request.firmware[body.id] ?? body.firmware.to,
    known: request.known[body.id],
  }))
  await new Promise(setImmediate)
  const problem = fleetProblem(fleet, standard)
  const levelled = levelFleet(problem, request.lambdaHundredths)
  return {
    level: asLevel(problem, levelled) ?? null,
    report: levelReport(problem, levelFleet(problem, 0), levelled),
  }
}
