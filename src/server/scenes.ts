import 'server-only'
import { uniqueSlug } from '@/core/language/language'
import { parseWith } from '@/core/reading/problem'
import { PASSAGES } from '@/core/rehearsal/passages'
import { type Passage, passageSchema } from '@/core/rehearsal/scene'
import { findNamed, listNamed, removeNamed, saveNamed } from '@/db/named'
import type { Actor } from './actor'
import { database } from './database'
import { changedMeanwhile, invalid, notFound } from './problems'

/** Scenes of the house, beside those that are always there. */

export interface HouseScene {
  readonly passage: Passage
  readonly revision: number
}

export const listScenes = async (): Promise<readonly HouseScene[]> =>
  (await listNamed(await database(), 'scenes')).map(r => ({
    passage: JSON.parse(r.document) as Passage,
    revision: r.revision,
  }))

const passageIn = (value: unknown): Passage => {
  const parsed = parseWith(passageSchema, value, 'scene')
  if (!parsed.ok) throw invalid(parsed.problems)
  return parsed.value
}

/** A new scene, under an id that nothing else has. @throws RequestError 422 for what cannot be */
export const addScene = async (document: unknown, actor: Actor): Promise<{ readonly id: string }> => {
  const passage = passageIn(document)
  const at = await database()
  const taken = new Set([...PASSAGES.map(p => p.id), ...(await listNamed(at, 'scenes')).map(s => s.id)])
  const id = uniqueSlug(passage.name, taken, 'scene')
  await saveNamed(at, 'scenes', { ...passage, id }, { ...actor, expected: 0 })
  return { id }
}

/** @throws RequestError 404, 409 where somebody was quicker, 422 for what cannot be */
export const saveScene = async (
  id: string,
  sent: { readonly document: unknown; readonly revision: number },
  actor: Actor,
): Promise<{ readonly revision: number }> => {
  const passage = { ...passageIn(sent.document), id }
  const at = await database()
  if (!(await findNamed(at, 'scenes', id))) throw notFound('scene', id)
  const result = await saveNamed(at, 'scenes', passage, { ...actor, expected: sent.revision })
  if (!result.stored) throw changedMeanwhile('scene')
  return { revision: result.revision }
}

/** @throws RequestError 404 */
export const removeScene = async (id: string, actor: Actor): Promise<void> => {
  const at = await database()
  if (!(await findNamed(at, 'scenes', id))) throw notFound('scene', id)
  await removeNamed(at, 'scenes', id, actor)
}
