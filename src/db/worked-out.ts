import { join } from 'node:path'
import knex, { type Knex } from 'knex'
import { withRetry } from './connection'

/**
 * Answers that can be worked out again, kept beside the data: after a start nothing is worked out twice. The file is
 * named by what it was made from, never by when, may be deleted at any time, and is in no backup.
 */
export const WORKED_OUT = 'worked-out.db'

/** What was worked out, or why it cannot be. */
export type KeptAnswer =
  | { readonly text: string }
  | {
      readonly failed: string
      /** From then on it is tried again, in milliseconds since 1970; never where undefined. */
      readonly until?: number | undefined
    }

interface Row {
  readonly key: string
  readonly failed: 0 | 1
  readonly text: string
  readonly until: number | null
}

const MOST_ROWS = 30_000
const SPARE_ROWS = 2000

export const openWorkedOut = async (folder: string): Promise<Knex> => {
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: join(folder, WORKED_OUT) },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (raw: { pragma: (text: string) => void }, done: (error: Error | null, raw: unknown) => void) => {
        raw.pragma('busy_timeout = 50')
        raw.pragma('journal_mode = WAL')
        // A power cut may cost what can be worked out again.
        raw.pragma('synchronous = OFF')
        done(null, raw)
      },
    },
  })
  await withRetry(() =>
    db.raw(
      'create table if not exists worked_out (key text primary key, failed integer not null, text text not null, until integer)',
    ),
  )
  return db
}

/** As many as one question may name. */
const MOST_ASKED = 500

/** What is kept under each of several keys, as far as something is. */
export const readKept = async (db: Knex, keys: readonly string[]): Promise<ReadonlyMap<string, KeptAnswer>> => {
  const kept = new Map<string, KeptAnswer>()
  for (let at = 0; at < keys.length; at += MOST_ASKED) {
    const some = keys.slice(at, at + MOST_ASKED)
    for (const { key, failed, text, until } of await withRetry(() => db<Row>('worked_out').whereIn('key', some)))
      if (!failed) kept.set(key, { text })
      else if (until === null || until >= Date.now()) kept.set(key, { failed: text, until: until ?? undefined })
  }
  return kept
}

/** Writes several answers down at once; the oldest go where there are too many. */
export const writeKept = (db: Knex, kept: ReadonlyMap<string, KeptAnswer>): Promise<void> =>
  withRetry(() =>
    db.transaction(async trx => {
      for (const [key, answer] of kept)
        await trx<Row>('worked_out')
          .insert({
            key,
            failed: 'failed' in answer ? 1 : 0,
            text: 'failed' in answer ? answer.failed : answer.text,
            until: ('failed' in answer ? answer.until : undefined) ?? null,
          })
          .onConflict('key')
          .merge()
      const count = (await trx('worked_out').count({ n: '*' }).first()) as { n: number } | undefined
      if ((count?.n ?? 0) > MOST_ROWS)
        await trx('worked_out')
          .whereIn(
            'key',
            trx('worked_out')
              .orderBy('rowid')
              .limit((count?.n ?? 0) - MOST_ROWS + SPARE_ROWS)
              .select('key'),
          )
          .delete()
    }),
  )
