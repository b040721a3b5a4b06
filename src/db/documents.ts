import { type Json, sameJson } from '../core/changes/changes'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** Bodies and lenses: documents in an exchange format, beside the columns that are searched. */

export interface BodyRow {
  readonly id: string
  readonly maker: string
  readonly model: string
  readonly revision: number
  /** 1 while it contradicts itself; it is not resolved then. */
  readonly draft: number
  readonly archived_at: string | null
  readonly document: string
}

export interface LensRow {
  readonly id: string
  readonly maker: string
  readonly model: string
  readonly revision: number
  readonly archived_at: string | null
  readonly document: string
}

type Heading<T> = Omit<T, 'document'>
type Table = 'bodies' | 'lenses'
const KIND = { bodies: 'body', lenses: 'lens' } as const

/** Every body in use, drafts included. */
export const listBodies = (db: Db): Promise<readonly Heading<BodyRow>[]> =>
  withRetry(() =>
    db<BodyRow>('bodies')
      .select('id', 'maker', 'model', 'revision', 'draft', 'archived_at')
      .whereNull('archived_at')
      .orderBy(['maker', 'model']),
  )

export const listArchivedBodies = (db: Db): Promise<readonly Heading<BodyRow>[]> =>
  withRetry(() =>
    db<BodyRow>('bodies')
      .select('id', 'maker', 'model', 'revision', 'draft', 'archived_at')
      .whereNotNull('archived_at')
      .orderBy(['maker', 'model']),
  )

export const listLenses = (db: Db): Promise<readonly LensRow[]> =>
  withRetry(() => db<LensRow>('lenses').whereNull('archived_at').orderBy(['maker', 'model']))

export const listArchivedLenses = (db: Db): Promise<readonly Heading<LensRow>[]> =>
  withRetry(() =>
    db<LensRow>('lenses')
      .select('id', 'maker', 'model', 'revision', 'archived_at')
      .whereNotNull('archived_at')
      .orderBy(['maker', 'model']),
  )

export const findBody = (db: Db, id: string): Promise<BodyRow | undefined> =>
  withRetry(async () => db<BodyRow>('bodies').where({ id }).first())

export const findLens = (db: Db, id: string): Promise<LensRow | undefined> =>
  withRetry(async () => db<LensRow>('lenses').where({ id }).first())

interface Saved {
  readonly id: string
  readonly format: string
}

export interface SaveOptions {
  readonly at: string
  readonly personId: string | null
  /** What was done, for the history; "added from a file" or "replaced from a file" where not given. */
  readonly what?: string | undefined
  /** The revision it was made from; a document that has moved on since is left alone. 0: nothing may be there yet. */
  readonly expected?: number | undefined
}

/** What became of a save: the revision there is now, and whether it is this one. */
export interface SaveResult {
  readonly stored: boolean
  readonly revision: number
}

/** Stores a document, new or in place of the one with the same id; the same document again changes nothing. */
const save = async <T extends Saved>(
  db: Db,
  table: Table,
  document: T,
  columns: Readonly<Record<string, string | number | null>>,
  { at, personId, what, expected }: SaveOptions,
): Promise<SaveResult> => {
  let result: SaveResult = { stored: true, revision: 1 }
  await recordChange(db, at, async trx => {
    const text = JSON.stringify(document)
    const before = await trx<BodyRow>(table).where({ id: document.id }).first()
    if (expected !== undefined && (before?.revision ?? 0) !== expected) {
      result = { stored: false, revision: before?.revision ?? 0 }
      return undefined
    }
    const isSame = before && sameJson(JSON.parse(before.document) as Json, JSON.parse(text) as Json)
    if (isSame && !before.archived_at) {
      result = { stored: true, revision: before.revision }
      return undefined
    }
    const revision = (before?.revision ?? 0) + 1
    const row = { ...columns, format: document.format, document: text, updated_at: at, revision }
    if (before) await trx(table).where({ id: document.id }).update(row)
    else await trx(table).insert({ ...row, id: document.id, created_at: at })
    result = { stored: true, revision }
    return {
      personId,
      kind: KIND[table],
      subject: document.id,
      what: what ?? (before ? 'replaced from a file' : 'added from a file'),
      before: before ? (JSON.parse(before.document) as unknown) : undefined,
      after: document,
    }
  })
  return result
}

export const saveBody = (
  db: Db,
  body: Saved & { maker: string; model: string },
  options: SaveOptions & { readonly draft?: boolean },
): Promise<SaveResult> =>
  save(
    db,
    'bodies',
    body,
    { maker: body.maker, model: body.model, draft: options.draft ? 1 : 0, archived_at: null },
    options,
  )

export const saveLens = (
  db: Db,
  lens: Saved & { maker: string; model: string },
  options: SaveOptions,
): Promise<SaveResult> => save(db, 'lenses', lens, { maker: lens.maker, model: lens.model, archived_at: null }, options)

/** Puts a body or a lens away, or brings it back; history goes on referring to it. */
export const setArchived = (
  db: Db,
  table: 'bodies' | 'lenses',
  id: string,
  archived: boolean,
  { at, personId }: SaveOptions,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const before = await trx<BodyRow>(table).where({ id }).first()
    if (!before || Boolean(before.archived_at) === archived) return undefined
    await trx(table)
      .where({ id })
      .update({ archived_at: archived ? at : null })
    return { personId, kind: KIND[table], subject: id, what: archived ? 'put away' : 'brought back' }
  })
