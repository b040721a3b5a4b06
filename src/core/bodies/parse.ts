import { type Parsed, parseWith } from '../formats/problem'
import { checkBody } from './check'
import { type Body, bodySchema } from './schema'

/**
 * Reads a body profile, strictly: the shape, the references, and whether it contradicts itself.
 *
 * @param file a name for messages
 */
export const parseBody = (value: unknown, file: string): Parsed<Body> => {
  const parsed = parseWith(bodySchema, value, file)
  if (!parsed.ok) return parsed
  const problems = checkBody(parsed.value, file)
  return problems.length ? { ok: false, problems } : parsed
}
