import { type Parsed, type Problem, parseDocument } from '../reading/problem'
import { checkBody, newEffort } from './check'
import { BODY_FORMAT, type Body, bodySchema } from './schema'

const withNotes = <T>(parsed: { readonly ok: true; readonly value: T }, notes: readonly Problem[]): Parsed<T> =>
  notes.length ? { ...parsed, notes } : parsed

/**
 * Reads a body profile, strictly: the shape, the references, and whether it contradicts itself.
 *
 * @param file a name for messages
 */
export const parseBody = (value: unknown, file: string): Parsed<Body> => {
  const parsed = parseDocument(bodySchema, BODY_FORMAT, value, file)
  if (!parsed.ok) return parsed
  const effort = newEffort()
  const problems = checkBody(parsed.value, file, { effort })
  return problems.length ? { ok: false, problems } : withNotes(parsed, effort.unproven)
}

/**
 * Reads a profile that may still contradict itself, as it is while somebody writes it.
 *
 * @returns the profile with what is wrong in it, or the problems of its shape
 */
export const parseDraft = (
  value: unknown,
  file: string,
): Parsed<{ readonly body: Body; readonly problems: readonly Problem[] }> => {
  const parsed = parseDocument(bodySchema, BODY_FORMAT, value, file)
  if (!parsed.ok) return parsed
  const effort = newEffort()
  const problems = checkBody(parsed.value, file, { effort })
  return withNotes({ ok: true, value: { body: parsed.value, problems } }, effort.unproven)
}
