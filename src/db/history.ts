import type { Knex } from 'knex'
import type { Db } from './connection'
import { withRetry } from './connection'

/** One change: who, what, and how it was before and after. */
export interface Change {
  readonly personId: string | null
  readonly kind: 'person' | 'body' | 'unit' | 'standard' | 'card'
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

/**
 * Makes a change and writes its event in the same transaction; a busy database is tried again.
 *
 * @param work returns the change it made, or undefined where there was nothing to change
 */
export const recordChange = (
  db: Db,
  at: string,
  work: (trx: Knex.Transaction) => Promise<Change | undefined>,
): Promise<void> =>
  withRetry(() =>
    db.transaction(async trx => {
      const change = await work(trx)
      if (!change) return
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
    }),
  )

/** The events of one subject, newest first. */
export const readHistory = (db: Db, kind: Change['kind'], subject: string): Promise<readonly HistoryRow[]> =>
  withRetry(() => db<HistoryRow>('history').where({ kind, subject }).orderBy('id', 'desc').limit(500))
