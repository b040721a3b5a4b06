import { random, type Random } from '../../src/core/numeric/random'

/**
 * Requests that nobody should send, made from the description of the HTTP interface: for every route and method, values
 * that are nearly right, of another kind, too long, or names that every object has by itself.
 */

export interface Generated {
  readonly method: string
  readonly address: string
  readonly headers: Readonly<Record<string, string>>
  readonly body: string | undefined
}

type Schema = Readonly<Record<string, unknown>>

interface Operation {
  readonly parameters?: readonly { readonly name: string; readonly in: string; readonly schema?: Schema }[]
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema?: Schema }>> }
}

export interface Description {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>
  readonly components: { readonly schemas: Readonly<Record<string, Schema>> }
}

/** Names that inherited properties and prototypes go by, and other words that mean something to a machine. */
const NAMES = [
  '__proto__',
  'constructor',
  'toString',
  'hasOwnProperty',
  'valueOf',
  'null',
  'undefined',
  'NaN',
  '-1',
  '1e309',
  '../..',
  "x' or '1'='1",
  '<script>alert(1)</script>',
  '\u0000',
  '\ud800',
  '😀'.repeat(40),
  ' ',
  'x'.repeat(3000),
]

/** What a value may be that is of no use here. */
const ODD: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e21,
  1.5,
  '',
  [],
  {},
  [[]],
  [null],
  { __proto__: null, constructor: 1 },
  ...NAMES,
]

const text = (r: Random, known: readonly string[]): string => (r.chance(0.9) ? r.pick(known) : r.pick(NAMES))

/** What values are made with. */
interface Making {
  readonly r: Random
  readonly all: Description['components']['schemas']
  readonly known: readonly string[]
  /** How often a value is one that does not fit. */
  readonly oddness: number
}

/** A value for a schema; now and then one that is not. */
const valueFor = (making: Making, schema: Schema, depth = 0): unknown => {
  const { r, all, known, oddness } = making
  if (r.chance(oddness) || depth > 7) return r.pick(ODD)
  const reference = schema['$ref']
  if (typeof reference === 'string') return valueFor(making, all[reference.split('/').at(-1) ?? ''] ?? {}, depth + 1)
  const either = schema['oneOf'] ?? schema['anyOf']
  if (Array.isArray(either)) return valueFor(making, r.pick(either as Schema[]), depth + 1)
  if (Array.isArray(schema['allOf'])) return valueFor(making, (schema['allOf'] as Schema[])[0] ?? {}, depth + 1)
  if ('const' in schema) return schema['const']
  if (Array.isArray(schema['enum'])) return r.pick(schema['enum'] as unknown[])
  switch (schema['type']) {
    case 'object': {
      const properties = (schema['properties'] ?? {}) as Record<string, Schema>
      const required = (schema['required'] ?? []) as string[]
      const made: Record<string, unknown> = {}
      for (const [name, of] of Object.entries(properties))
        if (r.chance(required.includes(name) ? 0.93 : 0.4)) made[name] = valueFor(making, of, depth + 1)
      const additional = schema['additionalProperties']
      if (typeof additional === 'object' && additional !== null)
        for (let i = 0; i < 2; i++) made[text(r, known)] = valueFor(making, additional as Schema, depth + 1)
      if (r.chance(0.08)) made[r.pick(NAMES)] = r.pick(ODD)
      return made
    }
    case 'array':
      return Array.from({ length: r.int(0, 3) }, () => valueFor(making, (schema['items'] ?? {}) as Schema, depth + 1))
    case 'integer':
      return r.pick([0, 1, 2, 3, -1, 99, 2 ** 53, -(2 ** 31)])
    case 'number':
      return r.pick([0, 0.5, 1, -2, 1e-9, 1e300])
    case 'boolean':
      return r.chance(0.5)
    case 'string':
      return text(r, oddness === 0 ? known : [...known, ...NAMES])
    default:
      return r.chance(0.5) ? r.pick(ODD) : text(r, known)
  }
}

const TYPES = [
  'application/json',
  'application/json; charset=utf-8',
  'text/plain',
  'application/octet-stream',
  'text/json',
  '',
]

/** Ids that are there, by what they are ids of, so that not all of it ends at the first door. */
export type KnownIds = Readonly<Record<string, readonly string[]>>

/** Which ids fit a place of a path: those of the part before it. */
const idsAt = (path: string, place: string, known: KnownIds): readonly string[] => {
  const parts = path.split('/')
  return known[place] ?? known[parts[parts.indexOf(`{${place}}`) - 1] ?? ''] ?? ['1']
}

export const generateRequests = (
  description: Description,
  known: KnownIds,
  count: number,
  seed: number,
): readonly Generated[] => {
  const r = random(seed)
  const words = Object.values(known).flat()
  const operations = Object.entries(description.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method, operation })),
  )
  return Array.from({ length: count }, (_, i): Generated => {
    const at = operations[i % operations.length]
    if (!at) throw new Error('the description has no operation')
    const { path, method, operation } = at
    const making: Making = { r, all: description.components.schemas, known: words, oddness: r.pick([0, 0.02, 0.12]) }
    const filled = path.replaceAll(/\{(\w+)\}/g, (_all, place: string) => {
      const id = r.chance(0.85) ? r.pick(idsAt(path, place, known)) : r.pick(NAMES)
      return encodeURIComponent(wellFormed(id))
    })
    const query = new URLSearchParams()
    for (const p of operation.parameters ?? [])
      if (p.in === 'query' && r.chance(0.75)) {
        const fitting = known[p.name]
        const value = fitting && r.chance(0.8) ? r.pick(fitting) : valueFor(making, p.schema ?? {})
        query.set(p.name, typeof value === 'string' ? wellFormed(value) : JSON.stringify(value))
      }
    if (r.chance(0.05)) query.set(r.pick(NAMES), 'x')
    const content = operation.requestBody?.content
    const [type, media] = Object.entries(content ?? {})[0] ?? []
    const value = media && valueFor(making, media.schema ?? {})
    const written = value === undefined ? text(r, words) : JSON.stringify(value)
    const sent = r.chance(0.04) ? written.slice(0, Math.floor(written.length / 2)) : written
    return {
      method: method.toUpperCase(),
      address: `${filled}${query.size ? `?${query.toString()}` : ''}`,
      headers: content ? { 'content-type': r.chance(0.9) ? (type ?? '') : r.pick(TYPES) } : {},
      body: content ? sent : undefined,
    }
  })
}

/** What an address can carry: a lone half of a letter cannot be written down. */
const wellFormed = (words: string): string => words.slice(0, 3000).replaceAll(/\p{Surrogate}/gu, 'x')

/** What is wrong with an answer; undefined where it is as it should be. */
export const faultOf = async (response: Response): Promise<string | undefined> => {
  const said = await response.text()
  if (response.status >= 500 && response.status !== 503) return `${response.status}: ${said.slice(0, 200)}`
  if (response.status < 400) return undefined
  const type = response.headers.get('content-type') ?? ''
  if (!type.startsWith('application/problem+json')) return `${response.status} without a problem document (${type})`
  const { detail } = JSON.parse(said) as { detail?: unknown }
  return typeof detail === 'string' && detail.length > 10 ? undefined : `${response.status} without a sentence: ${said}`
}

/** Ids of the demo. */
export const DEMO_IDS: KnownIds = {
  bodies: ['linnet', 'sorrel', 'wicket'],
  body: ['linnet', 'sorrel', 'wicket'],
  standards: ['ring-action', 'house-baseline', 'high-rope'],
  standard: ['ring-action', 'ring-action@3', 'house-baseline', 'high-rope@1'],
  before: ['ring-action@1', 'ring-action@3'],
  after: ['ring-action', 'high-rope'],
  below: ['house-baseline'],
  version: ['1', '2', '3', '77'],
  units: ['tsp-l1', 'tsp-s1', 'quay-1'],
  unit: ['tsp-l1', 'tsp-s1'],
  lenses: ['rook-70-200', 'ghost'],
  people: ['imelda-frost', 'rufus-quill'],
  person: ['imelda-frost', 'nobody-here'],
  concepts: ['track.hold', 'see.tone', 'area.pattern'],
  dimension: ['track.hold', 'see.tone'],
  event: ['1', '2', '9', '1e3'],
  comment: ['1', '2'],
  for: ['scene:ring', 'unit:tsp-l1', 'person:imelda-frost'],
  step: ['kin=kin-off', 'way=perch', 'store:Keep 1'],
  setting: ['kin', 'way'],
  option: ['kin-off', 'perch'],
}
