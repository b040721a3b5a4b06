import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** What holds for the whole house. */

interface Row {
  readonly key: string
  readonly value: string
}

const read = async (db: Db, key: string): Promise<string | undefined> =>
  (await withRetry(() => db<Row>('meta').where({ key }).first()))?.value

const RECHECK = 'recheck-weeks'
/** @source common practice, no published source */
const USUAL_WEEKS = 4

/** After how many weeks a unit is looked at again. */
export const readRecheckWeeks = async (db: Db): Promise<number> => Number((await read(db, RECHECK)) ?? USUAL_WEEKS)

/** @returns false where it is another one by now than was seen; nothing is changed then */
export const saveRecheckWeeks = async (
  db: Db,
  { weeks, seen }: { readonly weeks: number; readonly seen: number },
  at: string,
  personId: string | null,
): Promise<boolean> => {
  let isHere = true
  await recordChange(db, at, async trx => {
    const before = await trx<Row>('meta').where({ key: RECHECK }).first()
    isHere = Number(before?.value ?? USUAL_WEEKS) === seen
    if (!isHere || weeks === seen) return undefined
    const value = String(weeks)
    await trx('meta').insert({ key: RECHECK, value }).onConflict('key').merge()
    return { personId, kind: 'house', subject: RECHECK, what: 'recheck interval', before: before?.value, after: value }
  })
  return isHere
}

const USUAL = 'usual-standard'

/** The standard that is in hand where nobody chose another; undefined where nobody has said which. */
export const readUsualStandard = (db: Db): Promise<string | undefined> => read(db, USUAL)

/** @returns false where it is another one by now than was seen; nothing is changed then */
export const saveUsualStandard = async (
  db: Db,
  { id, seen }: { readonly id: string; readonly seen: string | null },
  at: string,
  personId: string | null,
): Promise<boolean> => {
  let isHere = true
  await recordChange(db, at, async trx => {
    const before = await trx<Row>('meta').where({ key: USUAL }).first()
    // Where nobody has chosen yet, one is shown all the same.
    isHere = before === undefined || before.value === seen || before.value === id
    if (!isHere || before?.value === id) return undefined
    await trx('meta').insert({ key: USUAL, value: id }).onConflict('key').merge()
    const what = 'standard in hand at first'
    return { personId, kind: 'house', subject: USUAL, what, before: before?.value, after: id }
  })
  return isHere
}

const GUIDE = 'guide'

/** What a house makes of the guide, as JSON text, and how often it was changed. */
export interface StoredGuide {
  readonly revision: number
  readonly document: string | undefined
}

const asGuide = (value: string | undefined): StoredGuide =>
  value === undefined ? { revision: 0, document: undefined } : (JSON.parse(value) as StoredGuide)

export const readGuide = async (db: Db): Promise<StoredGuide> => asGuide(await read(db, GUIDE))

/** @returns the new revision; undefined where somebody else was faster, and nothing was stored */
export const saveGuide = async (
  db: Db,
  { document, revision, what }: { readonly document: string; readonly revision: number; readonly what: string },
  at: string,
  personId: string | null,
): Promise<number | undefined> => {
  let stored: number | undefined
  await recordChange(db, at, async trx => {
    const before = await trx<Row>('meta').where({ key: GUIDE }).first()
    if (asGuide(before?.value).revision !== revision) return undefined
    stored = revision + 1
    const value = JSON.stringify({ revision: stored, document } satisfies StoredGuide)
    await trx('meta').insert({ key: GUIDE, value }).onConflict('key').merge()
    return { personId, kind: 'house', subject: GUIDE, what, before: before?.value, after: value }
  })
  return stored
}
