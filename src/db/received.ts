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

/** Longer than anything waits on a device. */
const KEPT_DAYS = 100
const DAY_MS = 24 * 3600 * 1000

/** Writes a receipt down; false where there is one already. Those that nobody can ask for any more go. */
export const putReceipt = async (trx: Knex.Transaction, { id, at, answer }: Receipt): Promise<boolean> => {
  const oldest = new Date(Date.parse(at) - KEPT_DAYS * DAY_MS).toISOString()
  await trx('received').where('at', '<', oldest).delete()
  if (await trx('received').where({ id }).first()) return false
  await trx('received').insert({ id, at, answer: JSON.stringify(answer) })
  return true
}
