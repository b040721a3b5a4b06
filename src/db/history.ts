import type { Knex } from 'knex'
import type { Db } from './connection'
import { withRetry } from './connection'
import { putReceipt, type Receipt } from './received'

/** One change: who, what, and how it was before and after. */
export interface HistoryEntry {
  readonly personId: string | null
  readonly kind:
    | 'person'
    | 'body'
    | 'lens'
    | 'unit'
    | 'standard'
    | 'card'
    | 'run'
    | 'lens test'
    | 'trial'
    | 'audit'
    | 'course'
    | 'class'
    | 'scene'
    | 'job'
    | 'house'
  readonly subject: string
  readonly what: string
  readonly before?: unknown
  readonly after?: unknown
}

export interface HistoryRow {
  readonly id: number
  readonly at: string
  readonly person_id: string | null
  readonly kind: string
  readonly subject: string
  readonly what: string
  readonly before: string | null
  readonly after: string | null
}

const asText = (value: unknown): string | null => (value === undefined || value === null ? null : JSON.stringify(value))

/** Writes the event of a change, within the transaction that makes it. */
export const writeEvent = async (trx: Knex.Transaction, at: string, change: HistoryEntry): Promise<void> => {
  const { personId, kind, subject, what, before, after } = change
  await trx('history').insert({
    at,
    person_id: personId,
    kind,
    subject,
    what,
    before: asText(before),
    after: asText(after),
  })
}

/**
 * Makes a change and writes its event in the same transaction; a busy database is tried again.
 *
 * @param work returns the change it made, or undefined where there was nothing to change
 * @param receipt of the request that asks for it; one that was received already changes nothing
 */
export const recordChange = (
  db: Db,
  at: string,
  work: (trx: Knex.Transaction) => Promise<HistoryEntry | undefined>,
  receipt?: Receipt,
): Promise<void> =>
  withRetry(() =>
    db.transaction(async trx => {
      if (receipt && !(await putReceipt(trx, receipt))) return
      const change = await work(trx)
      if (change) await writeEvent(trx, at, change)
    }),
  )

export type HistoryHeading = Pick<HistoryRow, 'id' | 'at' | 'what'> & { readonly person: string | null }

/** The events of one subject, newest first, without what changed. */
export const listHistory = (db: Db, kind: HistoryEntry['kind'], subject: string): Promise<readonly HistoryHeading[]> =>
  withRetry(() =>
    db('history')
      .leftJoin('people', 'people.id', 'history.person_id')
      .where({ kind, subject })
      .orderBy('history.id', 'desc')
      .limit(500)
      .select({ id: 'history.id', at: 'history.at', what: 'history.what', person: 'people.name' }),
  )

/** One event whole, or undefined where there is none. */
export const readEvent = (db: Db, id: number): Promise<HistoryRow | undefined> =>
  withRetry(async () => db<HistoryRow>('history').where({ id }).first())

/** The events of one subject, newest first. */
export const readHistory = (db: Db, kind: HistoryEntry['kind'], subject: string): Promise<readonly HistoryRow[]> =>
  withRetry(() => db<HistoryRow>('history').where({ kind, subject }).orderBy('id', 'desc').limit(500))
