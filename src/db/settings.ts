import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** What holds for the whole house. */

const RECHECK = 'recheck-weeks'
/** @source common practice, no published source */
const USUAL_WEEKS = 4

/** After how many weeks a unit is looked at again. */
export const readRecheckWeeks = async (db: Db): Promise<number> => {
  const row = await withRetry(() => db<{ key: string; value: string }>('meta').where({ key: RECHECK }).first())
  return row ? Number(row.value) : USUAL_WEEKS
}

export const saveRecheckWeeks = (db: Db, weeks: number, at: string, personId: string | null): Promise<void> =>
  recordChange(db, at, async trx => {
    const before = await trx<{ key: string; value: string }>('meta').where({ key: RECHECK }).first()
    if (before?.value === String(weeks)) return undefined
    await trx('meta')
      .insert({ key: RECHECK, value: String(weeks) })
      .onConflict('key')
      .merge()
    return {
      personId,
      kind: 'house',
      subject: RECHECK,
      what: 'recheck interval',
      before: before?.value ?? String(USUAL_WEEKS),
      after: String(weeks),
    }
  })
