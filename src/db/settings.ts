import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** What holds for the whole house. */

interface Row {
  readonly key: string
  readonly value: string
}

const read = async (db: Db, key: string): Promise<string | undefined> =>
  (await withRetry(() => db<Row>('meta').where({ key }).first()))?.value

/** @returns false where what is there is not what was seen; nothing is changed then */
const save = async (
  db: Db,
  { key, value, what }: Row & { readonly what: string },
  isSeen: (before: string | undefined) => boolean,
  { at, personId }: { readonly at: string; readonly personId: string | null },
): Promise<boolean> => {
  let isHere = true
  await recordChange(db, at, async trx => {
    const before = (await trx<Row>('meta').where({ key }).first())?.value
    isHere = isSeen(before)
    if (!isHere || before === value) return undefined
    await trx('meta').insert({ key, value }).onConflict('key').merge()
    return { personId, kind: 'house', subject: key, what, before, after: value }
  })
  return isHere
}

const RECHECK = 'recheck-weeks'
/** @source common practice, no published source */
const USUAL_WEEKS = 4

/** After how many weeks a unit is looked at again. */
export const readRecheckWeeks = async (db: Db): Promise<number> => Number((await read(db, RECHECK)) ?? USUAL_WEEKS)

/** @returns false where it is another one by now than was seen; nothing is changed then */
export const saveRecheckWeeks = (
  db: Db,
  { weeks, seen }: { readonly weeks: number; readonly seen: number },
  at: string,
  personId: string | null,
): Promise<boolean> =>
  save(
    db,
    { key: RECHECK, value: String(weeks), what: 'recheck interval' },
    before => Number(before ?? USUAL_WEEKS) === seen,
    { at, personId },
  )

const USUAL = 'usual-standard'

/** The standard that is in hand where nobody chose another; undefined where nobody has said which. */
export const readUsualStandard = (db: Db): Promise<string | undefined> => read(db, USUAL)

/** @returns false where it is another one by now than was seen; nothing is changed then */
export const saveUsualStandard = (
  db: Db,
  { id, seen }: { readonly id: string; readonly seen: string | null },
  at: string,
  personId: string | null,
): Promise<boolean> =>
  save(
    db,
    { key: USUAL, value: id, what: 'standard in hand at first' },
    // Where nobody has chosen yet, one is shown all the same; the same choice twice is no quarrel.
    before => before === undefined || before === seen || before === id,
    { at, personId },
  )

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
