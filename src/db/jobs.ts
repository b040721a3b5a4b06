import type { Happened, Happening } from '@/core/jobs/standing'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** What happened on the days of jobs; jobs themselves are named documents. */

interface By {
  readonly at: string
  readonly personId: string | null
}

export const listHappened = async (db: Db, jobId: string): Promise<readonly Happened[]> => {
  const rows = await withRetry(() =>
    db<{
      id: string
      job_id: string
      person_id: string | null
      at: string
      taken_back_at: string | null
      document: string
    }>('job_happenings')
      .where({ job_id: jobId, taken_back_at: null })
      .orderBy([{ column: 'at' }, { column: 'id' }])
      .select('id', 'person_id', 'at', 'document'),
  )
  return rows.map(r => ({
    id: r.id,
    at: r.at,
    by: r.person_id ?? undefined,
    what: JSON.parse(r.document) as Happening,
  }))
}

/** Stores what happened; what is there already stays as it is. */
export const addHappened = (
  db: Db,
  jobId: string,
  { id, what }: { readonly id: string; readonly what: Happening },
  { at, personId }: By,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const rows = await trx('job_happenings')
      .insert({ id, job_id: jobId, person_id: personId, at, taken_back_at: null, document: JSON.stringify(what) })
      .onConflict(['job_id', 'id'])
      .ignore()
      .returning('id')
    if (rows.length === 0) return undefined
    return { personId, kind: 'job', subject: jobId, what: what.kind, after: what }
  })

export const takeBack = (db: Db, jobId: string, id: string, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const changed = await trx('job_happenings')
      .where({ id, job_id: jobId, taken_back_at: null })
      .update({ taken_back_at: at })
    return changed ? { personId, kind: 'job', subject: jobId, what: 'taken back', before: { id } } : undefined
  })

export const findHappened = async (db: Db, jobId: string, id: string): Promise<Happened | undefined> =>
  (await listHappened(db, jobId)).find(h => h.id === id)
