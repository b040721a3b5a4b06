import * as v from 'valibot'

/** The shapes of what the HTTP interface takes besides the exchange formats. */

const id = v.pipe(v.string('expected an id'), v.minLength(1, 'expected an id'), v.maxLength(120))

export const resolutionsQuerySchema = v.object({
  standard: id,
  bodies: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(20_000))),
})
export const explanationQuerySchema = v.object({ standard: id, body: id, dimension: id })
export const cardQuerySchema = v.object({ standard: id, body: id, unit: v.optional(id) })
export const tickSchema = v.strictObject({
  standard: id,
  body: id,
  unit: v.optional(id),
  step: v.pipe(v.string(), v.minLength(3), v.maxLength(200)),
  ticked: v.boolean(),
  person: v.optional(id),
})
export const personSchema = v.strictObject({
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'expected a name'), v.maxLength(80)),
})
