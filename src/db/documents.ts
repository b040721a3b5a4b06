import type { Knex } from 'knex'
import { type Json, sameJson } from '../core/changes/changes'
import { type Db, withRetry } from './connection'
import { recordChange, writeEvent } from './history'

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

/** Every id and name there is, put away or not. */
export const listNames = (db: Db, table: Table): Promise<readonly { id: string; maker: string; model: string }[]> =>
  withRetry(() => db<BodyRow>(table).select('id', 'maker', 'model'))

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

/** A document with the columns that are searched. */
export interface NewDocument {
  readonly table: Table
  readonly document: Saved
  readonly columns: Readonly<Record<string, string | number | null>>
  readonly expected?: number | undefined
}

export const bodyDocument = (
  body: Saved & { maker: string; model: string },
  { draft = false, expected }: { readonly draft?: boolean; readonly expected?: number | undefined } = {},
): NewDocument => ({
  table: 'bodies',
  document: body,
  columns: { maker: body.maker, model: body.model, draft: draft ? 1 : 0, archived_at: null },
  expected,
})

export const lensDocument = (
  lens: Saved & { maker: string; model: string },
  { expected }: { readonly expected?: number | undefined } = {},
): NewDocument => ({
  table: 'lenses',
  document: lens,
  columns: { maker: lens.maker, model: lens.model, archived_at: null },
  expected,
})

/** Ends a transaction without a trace: something has moved on since it was looked at. */
class MovedOn extends Error {
  constructor(
    readonly id: string,
    readonly revision: number,
  ) {
    super()
  }
}

const storeOne = async (
  trx: Knex.Transaction,
  { table, document, columns, expected }: NewDocument,
  { at, personId, what }: Pick<SaveOptions, 'at' | 'personId' | 'what'>,
): Promise<number> => {
  const text = JSON.stringify(document)
  const before = await trx<BodyRow>(table).where({ id: document.id }).first()
  if (expected !== undefined && (before?.revision ?? 0) !== expected)
    throw new MovedOn(document.id, before?.revision ?? 0)
  const isSame = before && sameJson(JSON.parse(before.document) as Json, JSON.parse(text) as Json)
  if (isSame && !before.archived_at) return before.revision
  const revision = (before?.revision ?? 0) + 1
  const row = { ...columns, format: document.format, document: text, updated_at: at, revision }
  if (before) await trx(table).where({ id: document.id }).update(row)
  else await trx(table).insert({ ...row, id: document.id, created_at: at })
  await writeEvent(trx, at, {
    personId,
    kind: KIND[table],
    subject: document.id,
    what: what ?? (before ? 'replaced from a file' : 'added from a file'),
    before: before ? (JSON.parse(before.document) as unknown) : undefined,
    after: document,
  })
  return revision
}

/**
 * Stores documents, new or in place of those with the same id; the same document again changes nothing. All of them in
 * one transaction, or none.
 *
 * @returns the id of one that has moved on since it was looked at, and its revision now; nothing is stored then
 */
export const saveDocuments = async (
  db: Db,
  documents: readonly NewDocument[],
  options: Pick<SaveOptions, 'at' | 'personId' | 'what'>,
): Promise<
  | { readonly stored: true; readonly revisions: readonly number[] }
  | { readonly stored: false; readonly id: string; readonly revision: number }
> => {
  try {
    const revisions = await withRetry(() =>
      db.transaction(async trx => {
        const made: number[] = []
        for (const d of documents) made.push(await storeOne(trx, d, options))
        return made
      }),
    )
    return { stored: true, revisions }
  } catch (error) {
    if (error instanceof MovedOn) return { stored: false, id: error.id, revision: error.revision }
    throw error
  }
}

const saveOne = async (db: Db, document: NewDocument, options: SaveOptions): Promise<SaveResult> => {
  const result = await saveDocuments(db, [document], options)
  return { stored: result.stored, revision: result.stored ? (result.revisions[0] ?? 1) : result.revision }
}

export const saveBody = (
  db: Db,
  body: Saved & { maker: string; model: string },
  options: SaveOptions & { readonly draft?: boolean },
): Promise<SaveResult> => saveOne(db, bodyDocument(body, options), options)

export const saveLens = (
  db: Db,
  lens: Saved & { maker: string; model: string },
  options: SaveOptions,
): Promise<SaveResult> => saveOne(db, lensDocument(lens, options), options)

/**
 * Puts a body or a lens away, or brings it back; history goes on referring to it.
 *
 * @returns false where it has moved on since; nothing is changed then
 */
export const setArchived = async (
  db: Db,
  table: Table,
  id: string,
  archived: boolean,
  { at, personId, expected }: SaveOptions,
): Promise<boolean> => {
  let isHere = true
  await recordChange(db, at, async trx => {
    const before = await trx<BodyRow>(table).where({ id }).first()
    isHere = expected === undefined || before?.revision === expected
    if (!before || !isHere || Boolean(before.archived_at) === archived) return undefined
    await trx(table)
      .where({ id })
      .update({ archived_at: archived ? at : null })
    return { personId, kind: KIND[table], subject: id, what: archived ? 'put away' : 'brought back' }
  })
  return isHere
}
