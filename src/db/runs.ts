import type { Run } from '@/core/scales/run'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'

export interface RunRow {
  readonly id: number
  readonly body_id: string
  readonly firmware: string
  readonly dimension: string
  readonly setting: string
  readonly measured_on: string
  readonly person_id: string | null
  readonly created_at: string
  readonly kept_at: string | null
  readonly document: string
}

interface By {
  readonly at: string
  readonly personId: string | null
}

/** Runs, newest first, with the name of whoever measured. */
export const listRuns = (db: Db): Promise<readonly (RunRow & { readonly person: string | null })[]> =>
  withRetry(() =>
    db('runs')
      .leftJoin('people', 'people.id', 'runs.person_id')
      .orderBy('runs.id', 'desc')
      .select('runs.*', 'people.name as person'),
  )

export const findRun = (db: Db, id: number): Promise<RunRow | undefined> =>
  withRetry(async () => db<RunRow>('runs').where({ id }).first())

export const addRun = async (db: Db, run: Run, { at, personId }: By): Promise<number> => {
  let id = 0
  await recordChange(db, at, async trx => {
    const added: readonly Pick<RunRow, 'id'>[] = await trx('runs')
      .insert({
        body_id: run.body,
        firmware: run.firmware,
        dimension: run.dimension,
        setting: run.setting,
        measured_on: run.on,
        person_id: personId,
        created_at: at,
        document: JSON.stringify(run),
      })
      .returning('id')
    id = added[0]?.id ?? 0
    return { personId, kind: 'run', subject: String(id), what: `measured ${run.dimension} on ${run.body}`, after: run }
  })
  return id
}

export const markKept = (db: Db, id: number, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    await trx('runs').where({ id }).update({ kept_at: at })
    return { personId, kind: 'run', subject: String(id), what: 'taken up into the profile' }
  })

/** Takes away one that nothing stands on; what it was stays in the history. */
export const removeRun = (db: Db, id: number, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const row = await trx<{ readonly id: number; readonly kept_at: string | null; readonly document: string }>('runs')
      .where({ id, kept_at: null })
      .first('document')
    if (!row) return undefined
    await trx('runs').where({ id }).delete()
    return {
      personId,
      kind: 'run',
      subject: String(id),
      what: 'thrown away',
      before: JSON.parse(row.document) as unknown,
    }
  })
