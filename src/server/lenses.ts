import type { Actor } from './actor'
import 'server-only'
import { type Lens, parseLens } from '@/core/lenses/schema'
import { uniqueSlug } from '@/core/language/language'
import * as documents from '@/db/documents'
import { listHistory, readEvent } from '@/db/history'
import type { PutAwayThing } from './bodies'
import { database } from './database'
import { changedMeanwhile, invalid, notFound, RequestError } from './problems'

export const readLens = async (id: string): Promise<{ readonly document: Lens; readonly revision: number }> => {
  const row = await documents.findLens(await database(), id)
  if (!row || row.archived_at) throw notFound('lens', id)
  return { document: JSON.parse(row.document) as Lens, revision: row.revision }
}

/**
 * Stores a lens.
 *
 * @param revision the one it was edited from; 0 for a new lens
 * @throws RequestError 409 with the lens as it is now where somebody else has stored it since
 */
export const saveLens = async (
  value: unknown,
  revision: number,
  actor: Actor,
): Promise<{ readonly id: string; readonly revision: number }> => {
  const parsed = parseLens(value, 'lens')
  if (!parsed.ok) throw invalid(parsed.problems)
  const db = await database()
  const options = { ...actor, what: revision === 0 ? 'written down' : 'edited' }
  const result = await documents.saveLens(db, parsed.value, { ...options, expected: revision })
  if (result.stored) return { id: parsed.value.id, revision: result.revision }
  const current = await documents.findLens(db, parsed.value.id)
  throw new RequestError(
    409,
    'Somebody else changed this lens',
    'It was changed while you edited it. What you typed is still in the form; see what is there now, then save again.',
    [],
    { document: current ? (JSON.parse(current.document) as unknown) : null, revision: result.revision },
  )
}

export interface LastChange {
  readonly what: string
  readonly at: string
  readonly person: string | null
}

/** The newest change of a lens that can be taken back; undefined where it is as it was first written down. */
export const lastLensChange = async (id: string): Promise<LastChange | undefined> => {
  const db = await database()
  const [newest] = await listHistory(db, 'lens', id)
  const event = newest && (await readEvent(db, newest.id))
  return newest && event?.before ? { what: newest.what, at: newest.at, person: newest.person } : undefined
}

/**
 * Makes a lens as it was before its newest change; doing it again takes that back.
 *
 * @param revision what somebody looked at
 * @throws RequestError 409 where it was changed since
 */
export const takeBackLens = async (id: string, revision: number, actor: Actor): Promise<void> => {
  const db = await database()
  const [newest] = await listHistory(db, 'lens', id)
  const event = newest && (await readEvent(db, newest.id))
  const parsed = event?.before ? parseLens(JSON.parse(event.before), 'history') : undefined
  if (!parsed?.ok) throw new RequestError(422, 'Nothing before it', 'This is how the lens was first written down.')
  const result = await documents.saveLens(db, parsed.value, {
    ...actor,
    what: `taken back: ${newest?.what}`,
    expected: revision,
  })
  if (!result.stored) throw changedMeanwhile('lens')
}

/** Lenses that were put away. */
export const listPutAwayLenses = async (): Promise<readonly PutAwayThing[]> =>
  (await documents.listArchivedLenses(await database())).map(({ id, maker, model, revision }) => ({
    id,
    name: `${maker} ${model}`,
    revision,
  }))

/** An id for a new lens, from its maker and model. */
export const freeLensId = async (name: string): Promise<string> => {
  const taken = new Set((await (await database())<{ id: string }>('lenses').select('id')).map(r => r.id))
  return uniqueSlug(name, taken, 'lens')
}

/** @throws RequestError 404 where there is no such lens, 409 where it was changed since it was looked at */
export const setLensArchived = async (id: string, archived: boolean, revision: number, actor: Actor): Promise<void> => {
  const db = await database()
  if (!(await documents.findLens(db, id))) throw notFound('lens', id)
  if (!(await documents.setArchived(db, 'lenses', id, archived, { ...actor, expected: revision })))
    throw changedMeanwhile('lens')
}
