import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** Bodies and standards: documents in an exchange format, beside the columns that are searched. */

export interface BodyRow {
  readonly id: string
  readonly maker: string
  readonly model: string
  readonly revision: number
  readonly document: string
}

export interface StandardRow {
  readonly id: string
  readonly name: string
  readonly version: number
  readonly revision: number
  readonly document: string
}

type Heading<T> = Omit<T, 'document'>

export const listBodies = (db: Db): Promise<readonly Heading<BodyRow>[]> =>
  withRetry(() => db<BodyRow>('bodies').select('id', 'maker', 'model', 'revision').orderBy(['maker', 'model']))

export const listStandards = (db: Db): Promise<readonly Heading<StandardRow>[]> =>
  withRetry(() => db<StandardRow>('standards').select('id', 'name', 'version', 'revision').orderBy('name'))

export const findBody = (db: Db, id: string): Promise<BodyRow | undefined> =>
  withRetry(async () => db<BodyRow>('bodies').where({ id }).first())

export const findStandard = (db: Db, id: string): Promise<StandardRow | undefined> =>
  withRetry(async () => db<StandardRow>('standards').where({ id }).first())

interface Saved {
  readonly id: string
  readonly format: string
}

/** Stores a document, new or in place of the one with the same id; the same document again changes nothing. */
const save = <T extends Saved>(
  db: Db,
  table: 'bodies' | 'standards',
  document: T,
  columns: Readonly<Record<string, string | number>>,
  at: string,
  personId: string | null,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const text = JSON.stringify(document)
    const before = await trx<BodyRow>(table).where({ id: document.id }).first()
    if (before?.document === text) return undefined
    const row = { ...columns, format: document.format, document: text, updated_at: at }
    if (before)
      await trx(table)
        .where({ id: document.id })
        .update({ ...row, revision: before.revision + 1 })
    else await trx(table).insert({ ...row, id: document.id, revision: 1, created_at: at })
    return {
      personId,
      kind: table === 'bodies' ? 'body' : 'standard',
      subject: document.id,
      what: before ? 'replaced from a file' : 'added from a file',
      before: before ? JSON.parse(before.document) : undefined,
      after: document,
    }
  })

export const saveBody = (db: Db, body: Saved & { maker: string; model: string }, at: string, personId: string | null) =>
  save(db, 'bodies', body, { maker: body.maker, model: body.model }, at, personId)

export const saveStandard = (
  db: Db,
  standard: Saved & { name: string; version: number },
  at: string,
  personId: string | null,
) => save(db, 'standards', standard, { name: standard.name, version: standard.version }, at, personId)
