import type { Knex } from 'knex'
import { type Db, withRetry } from './connection'

/** A request from a device that sends it again until it is answered, and the answer. */
export interface Receipt {
  readonly id: string
  readonly at: string
  readonly answer: object
}

/** What a request was answered when it first came in; undefined where it is new. */
export const readAnswer = async (db: Db, id: string): Promise<unknown> => {
  const row = await withRetry(() => db<{ id: string; answer: string }>('received').where({ id }).first())
  return row && (JSON.parse(row.answer) as unknown)
}

/** More than come in while anything waits on a device. They go by their number: a clock may be wrong. */
const MOST_KEPT = 200_000

/** Writes a receipt down; false where there is one already. Those that nobody can ask for any more go. */
export const putReceipt = async (trx: Knex.Transaction, { id, at, answer }: Receipt): Promise<boolean> => {
  if (await trx('received').where({ id }).first()) return false
  await trx('received').insert({ id, at, answer: JSON.stringify(answer) })
  await trx.raw('delete from received where rowid <= (select max(rowid) from received) - ?', [MOST_KEPT])
  return true
}
