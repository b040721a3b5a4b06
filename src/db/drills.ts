import type { Try } from '@/core/drills/drills'
import type { Memory } from '@/core/drills/memory'
import { type Db, withRetry } from './connection'

/** Tries of drills, and what somebody remembers. */

/** What somebody tried, oldest first. */
export const listTries = async (
  db: Db,
  person: string,
  { since = '', drill }: { readonly since?: string; readonly drill?: string | undefined } = {},
): Promise<readonly Try[]> =>
  (
    await withRetry(() =>
      db<{ person_id: string; drill: string; made: string; document: string }>('drill_tries')
        .where({ person_id: person, ...(drill === undefined ? {} : { drill }) })
        .andWhere('made', '>=', since)
        .orderBy('made')
        .select('document'),
    )
  ).map(r => JSON.parse(r.document) as Try)

export const countTries = async (db: Db, person: string): Promise<number> => {
  const row: { n?: number | string } | undefined = await withRetry(async () =>
    db('drill_tries').where({ person_id: person }).count({ n: '*' }).first(),
  )
  return Number(row?.n ?? 0)
}

/** The newest tries of somebody, oldest first. */
export const listNewestTries = async (db: Db, person: string, most: number): Promise<readonly Try[]> =>
  (
    await withRetry(() =>
      db<{ person_id: string; made: string; document: string }>('drill_tries')
        .where({ person_id: person })
        .orderBy('made', 'desc')
        .limit(most)
        .select('document'),
    )
  )
    .map(r => JSON.parse(r.document) as Try)
    .toReversed()

/** Everybody's tries of a day, `2026-05-01`. */
export const listTriesOn = async (
  db: Db,
  day: string,
): Promise<readonly { readonly person: string; readonly tried: Try }[]> =>
  (
    await withRetry(() =>
      db<{ person_id: string; made: string; document: string }>('drill_tries')
        // Every time of the day begins with it, and `~` comes after all that a time is written with.
        .whereBetween('made', [day, `${day}~`])
        .select('person_id', 'document'),
    )
  ).map(r => ({ person: r.person_id, tried: JSON.parse(r.document) as Try }))

/** Stores a try; one that is there already stays as it is. */
export const addTry = (db: Db, person: string, tried: Try): Promise<void> =>
  withRetry(async () => {
    await db('drill_tries')
      .insert({
        id: tried.id,
        person_id: person,
        drill: tried.drill,
        made: tried.made,
        document: JSON.stringify(tried),
      })
      .onConflict(['person_id', 'id'])
      .ignore()
  })

export const listMemories = async (db: Db, person: string): Promise<ReadonlyMap<string, Memory>> => {
  const rows = await withRetry(() =>
    db<{ person_id: string; question: string; document: string }>('drill_memories')
      .where({ person_id: person })
      .select('question', 'document'),
  )
  return new Map(rows.map(r => [r.question, JSON.parse(r.document) as Memory]))
}

/** Takes an answer in; the same answer again changes nothing. */
export const remember = (
  db: Db,
  key: { readonly person: string; readonly question: string; readonly answer: string },
  next: (before: Memory | undefined) => Memory,
): Promise<Memory> =>
  withRetry(() =>
    db.transaction(async trx => {
      const at = { person_id: key.person, question: key.question }
      const row: { answer: string; document: string } | undefined = await trx('drill_memories')
        .where(at)
        .first('answer', 'document')
      const before = row && (JSON.parse(row.document) as Memory)
      if (before && row.answer === key.answer) return before
      const after = next(before)
      await trx('drill_memories')
        .insert({ ...at, answer: key.answer, document: JSON.stringify(after) })
        .onConflict(['person_id', 'question'])
        .merge()
      return after
    }),
  )
