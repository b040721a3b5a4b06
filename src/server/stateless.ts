import 'server-only'
import * as v from 'valibot'
import { parseBody } from '@/core/bodies'
import { resolve, type Resolution } from '@/core/resolve'
import { parseStandard } from '@/core/standards'
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

/** Resolves without touching the database. */
export const resolveStateless = async (input: unknown): Promise<readonly Resolution[]> => {
  const request = expectShape(resolveRequestSchema, input, 'request')
  const standard = parseStandard(request.standard, 'standard')
  if (!standard.ok) throw invalid(standard.problems)
  const resolutions: Resolution[] = []
  for (const [i, value] of request.bodies.entries()) {
    const file = `bodies.${i}`
    if (JSON.stringify(value).length > MOST_BODY_BYTES)
      throw invalid([{ file, path: '', value: '', expected: 'expected a body profile of at most 1 MB' }])
    const body = parseBody(value, file)
    if (!body.ok) throw invalid(body.problems)
    const { id } = body.value
    resolutions.push(resolve(body.value, standard.value, { known: request.known[id], firmware: request.firmware[id] }))
    // Other requests are answered between two bodies.
    await new Promise(setImmediate)
  }
  return resolutions
}
