import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** Documents with an id, a name and a revision, and nothing else that is searched: courses, scenes and jobs. */

export interface NamedRow {
  readonly id: string
  readonly name: string
  readonly revision: number
  readonly document: string
}

const KIND = { courses: 'course', scenes: 'scene', jobs: 'job' } as const
export type NamedTable = keyof typeof KIND

interface By {
  readonly at: string
  readonly personId: string | null
}

export const listNamed = (db: Db, table: NamedTable): Promise<readonly NamedRow[]> =>
  withRetry(() => db<NamedRow>(table).select('id', 'name', 'revision', 'document').orderBy('name'))

export const findNamed = (db: Db, table: NamedTable, id: string): Promise<NamedRow | undefined> =>
  withRetry(async () => db<NamedRow>(table).where({ id }).first())

/**
 * Stores a document.
 *
 * @param expected the revision it was made from, 0 for a new one
 * @returns the revision there is now, and whether it is this one
 */
export const saveNamed = async (
  db: Db,
  table: NamedTable,
  document: { readonly id: string; readonly name: string },
  { at, personId, expected }: By & { readonly expected: number },
): Promise<{ readonly stored: boolean; readonly revision: number }> => {
  let result = { stored: false, revision: 0 }
  await recordChange(db, at, async trx => {
    const before: NamedRow | undefined = await trx<NamedRow>(table).where({ id: document.id }).first()
    if ((before?.revision ?? 0) !== expected) {
      result = { stored: false, revision: before?.revision ?? 0 }
      return undefined
    }
    const revision = expected + 1
    await trx(table)
      .insert({ id: document.id, name: document.name, revision, document: JSON.stringify(document) })
      .onConflict('id')
      .merge()
    result = { stored: true, revision }
    return {
      personId,
      kind: KIND[table],
      subject: document.id,
      what: before ? 'edited' : 'written down',
      ...(before ? { before: JSON.parse(before.document) as unknown } : {}),
      after: document,
    }
  })
  return result
}

/** Takes a document away; what it was stays in the history. */
export const removeNamed = (db: Db, table: NamedTable, id: string, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const before: NamedRow | undefined = await trx<NamedRow>(table).where({ id }).first()
    if (!before) return undefined
    await trx(table).where({ id }).delete()
    return {
      personId,
      kind: KIND[table],
      subject: id,
      what: 'thrown away',
      before: JSON.parse(before.document) as unknown,
    }
  })
