import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** What holds for the whole house. */

interface Row {
  readonly key: string
  readonly value: string
}

const read = async (db: Db, key: string): Promise<string | undefined> =>
  (await withRetry(() => db<Row>('meta').where({ key }).first()))?.value

const save = (db: Db, row: Row, what: string, at: string, personId: string | null): Promise<void> =>
  recordChange(db, at, async trx => {
    const before = await trx<Row>('meta').where({ key: row.key }).first()
    if (before?.value === row.value) return undefined
    await trx('meta').insert(row).onConflict('key').merge()
    return { personId, kind: 'house', subject: row.key, what, before: before?.value, after: row.value }
  })

const RECHECK = 'recheck-weeks'
/** @source common practice, no published source */
const USUAL_WEEKS = 4

/** After how many weeks a unit is looked at again. */
export const readRecheckWeeks = async (db: Db): Promise<number> => Number((await read(db, RECHECK)) ?? USUAL_WEEKS)

export const saveRecheckWeeks = (db: Db, weeks: number, at: string, personId: string | null): Promise<void> =>
  save(db, { key: RECHECK, value: String(weeks) }, 'recheck interval', at, personId)

const USUAL = 'usual-standard'

/** The standard that is in hand where nobody chose another; undefined where nobody has said which. */
export const readUsualStandard = (db: Db): Promise<string | undefined> => read(db, USUAL)

export const saveUsualStandard = (db: Db, id: string, at: string, personId: string | null): Promise<void> =>
  save(db, { key: USUAL, value: id }, 'standard in hand at first', at, personId)
