import * as v from 'valibot'
import { type Body, parseBody } from '../bodies'
import { asJson, sameJson } from '../changes/changes'
import { type Lens, LENS_FORMAT, parseLens } from '../lenses/schema'
import { type Parsed, parseDocument, type Problem } from '../reading/problem'

/** Several bodies and lenses in one file, `coherion.bundle/1`; each is what a file of its own would hold. */
export const BUNDLE_FORMAT = 'coherion.bundle/1'

const MOST_DOCUMENTS = 500
const list = v.optional(v.pipe(v.array(v.unknown()), v.maxLength(MOST_DOCUMENTS)), [])
export const bundleSchema = v.strictObject({ format: v.literal(BUNDLE_FORMAT), bodies: list, lenses: list })

export interface Bundle {
  readonly bodies: readonly Body[]
  readonly lenses: readonly Lens[]
}

const all = <T>(
  values: readonly unknown[],
  name: string,
  parse: (value: unknown, file: string) => Parsed<T>,
  file: string,
  { problems, notes }: { readonly problems: Problem[]; readonly notes: Problem[] },
): readonly T[] =>
  values.flatMap((value, i) => {
    const parsed = parse(value, file)
    if (parsed.ok) {
      notes.push(...(parsed.notes ?? []))
      return [parsed.value]
    }
    problems.push(...parsed.problems.map(p => ({ ...p, path: `${name}.${i}${p.path ? `.${p.path}` : ''}` })))
    return []
  })

/** A format without its version: a later one is known, and told as such. */
const kindOf = (format: string): string => format.slice(0, format.indexOf('/') + 1)

/** Reads a file that holds a body, a lens, or many of both. One wrong document spoils the file. */
export const parseBundle = (value: unknown, file: string): Parsed<Bundle> => {
  const said = (value as { format?: unknown } | null)?.format
  const format = typeof said === 'string' ? said : ''
  if (format.startsWith(kindOf(LENS_FORMAT))) {
    const lens = parseLens(value, file)
    return lens.ok ? { ok: true, value: { bodies: [], lenses: [lens.value] } } : lens
  }
  if (!format.startsWith(kindOf(BUNDLE_FORMAT))) {
    const body = parseBody(value, file)
    return body.ok ? { ...body, value: { bodies: [body.value], lenses: [] } } : body
  }
  const parsed = parseDocument(bundleSchema, BUNDLE_FORMAT, value, file)
  if (!parsed.ok) return parsed
  const problems: Problem[] = []
  const notes: Problem[] = []
  const told = { problems, notes }
  const bodies = all(parsed.value.bodies, 'bodies', parseBody, file, told)
  const lenses = all(parsed.value.lenses, 'lenses', parseLens, file, told)
  const once = <T extends { readonly id: string }>(documents: readonly T[], name: string): readonly T[] =>
    documents.filter((d, i) => {
      const first = documents.findIndex(other => other.id === d.id)
      if (first === i) return true
      // The same twice is the same; two that differ are not one.
      if (!sameJson(asJson(documents[first]), asJson(d)))
        problems.push({
          file,
          path: `${name}.${i}.id`,
          value: d.id,
          expected: `expected every id once; ${name}.${first} has it with other contents`,
        })
      return false
    })
  const found = { bodies: once(bodies, 'bodies'), lenses: once(lenses, 'lenses') }
  return problems.length ? { ok: false, problems } : { ok: true, value: found, ...(notes.length ? { notes } : {}) }
}

export const bundleOf = (bodies: readonly Body[], lenses: readonly Lens[]) => ({
  format: BUNDLE_FORMAT,
  bodies,
  lenses,
})
