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

const person = v.optional(id)
const name = v.pipe(v.string('expected a name'), v.trim(), v.minLength(1, 'expected a name'), v.maxLength(60))
const revision = v.pipe(v.number(), v.integer(), v.minValue(0))

export const importQuerySchema = v.object({
  /** What to do where something of that name is here with other contents. */
  conflict: v.optional(v.picklist(['ask', 'replace', 'keep-both']), 'ask'),
  person,
})

const archetype = v.optional(v.picklist(['mirrorless', 'optical', 'compact', 'video']))
export const newBodySchema = v.strictObject({
  maker: name,
  model: name,
  archetype,
  copyOf: v.optional(id),
  menu: v.optional(v.pipe(v.string(), v.maxLength(200_000))),
  person,
})
export const newBodyQuerySchema = v.object({ maker: name, model: name, archetype, person })

export const saveBodySchema = v.strictObject({
  document: v.unknown(),
  /** The revision it was edited from. */
  revision,
  /** What was done, for the history. */
  what: v.pipe(v.string(), v.minLength(1), v.maxLength(400)),
  person,
})
export const restoreSchema = v.strictObject({ event: v.pipe(v.number(), v.integer()), person })
export const signedSchema = v.strictObject({ person })
export const archivedSchema = v.strictObject({ archived: v.boolean(), person })
export const menuQuerySchema = v.object({ as: v.optional(v.picklist(['csv', 'xlsx', 'text']), 'csv') })
export const bundleQuerySchema = v.object({ bodies: v.optional(v.string()), lenses: v.optional(v.string()) })

export const saveLensSchema = v.strictObject({ document: v.record(v.string(), v.unknown()), revision, person })

export const saveUnitSchema = v.strictObject({ unit: v.unknown(), revision: v.optional(revision), person })
export const unitsQuerySchema = v.object({ as: v.optional(v.picklist(['json', 'csv', 'xlsx']), 'json') })
export const unitImportQuerySchema = v.object({
  /** 1: only say what would change. */
  preview: v.optional(v.picklist(['0', '1']), '0'),
  file: v.optional(v.string()),
  person,
})
