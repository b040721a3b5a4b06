import type { BlockNote, Count, TrialPlan } from '@/core/evidence/trial'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'

export interface TrialRow {
  readonly id: number
  readonly name: string
  readonly person: string | null
  readonly created_at: string
  readonly document: string
}

interface By {
  readonly at: string
  readonly personId: string | null
}

/** Trials, newest first, with the name of whoever planned them. */
export const listTrials = (db: Db): Promise<readonly TrialRow[]> =>
  withRetry(() =>
    db('trials')
      .leftJoin('people', 'people.id', 'trials.person_id')
      .orderBy('trials.id', 'desc')
      .select('trials.id', 'trials.name', 'trials.created_at', 'trials.document', 'people.name as person'),
  )

export const findTrial = async (db: Db, id: number): Promise<TrialRow | undefined> =>
  (await listTrials(db)).find(t => t.id === id)

/** Everything that was counted in a trial, without what was taken back. */
export const listCounts = async (db: Db, trial: number): Promise<readonly Count[]> =>
  (
    await withRetry(() =>
      db<{ readonly trial_id: number; readonly taken_back_at: string | null; readonly document: string }>(
        'trial_counts',
      )
        .where({ trial_id: trial, taken_back_at: null })
        .select('document'),
    )
  ).map(r => JSON.parse(r.document) as Count)

/** How many passes of each trial, or of one, are stored, and how many of those were taken back. */
export const countCounts = async (
  db: Db,
  trial?: number,
): Promise<ReadonlyMap<number, { readonly stored: number; readonly takenBack: number }>> => {
  const rows: readonly { readonly trial_id: number; readonly stored: number; readonly takenBack: number }[] =
    await withRetry(() =>
      db('trial_counts')
        .where(trial === undefined ? {} : { trial_id: trial })
        .groupBy('trial_id')
        .select('trial_id')
        .count({ stored: '*', takenBack: 'taken_back_at' }),
    )
  return new Map(rows.map(({ trial_id, ...counts }) => [trial_id, counts]))
}

export const listNotes = async (db: Db, trial: number): Promise<readonly BlockNote[]> =>
  (
    await withRetry(() =>
      db<{ readonly trial_id: number; readonly block: number; readonly document: string }>('trial_notes')
        .where({ trial_id: trial })
        .orderBy('block')
        .select('document'),
    )
  ).map(r => JSON.parse(r.document) as BlockNote)

const rowOf = (trial: number, count: Count, at: string) => ({
  id: count.id,
  trial_id: trial,
  received_at: at,
  taken_back_at: null,
  document: JSON.stringify(count),
})

/** Stores a plan, and what was counted where it comes from a file. */
export const addTrial = async (
  db: Db,
  plan: TrialPlan,
  counted: { readonly counts: readonly Count[]; readonly notes: readonly BlockNote[] },
  { at, personId }: By,
): Promise<number> => {
  let id = 0
  await recordChange(db, at, async trx => {
    const added: readonly { readonly id: number }[] = await trx('trials')
      .insert({ name: plan.name, person_id: personId, created_at: at, document: JSON.stringify(plan) })
      .returning('id')
    id = added[0]?.id ?? 0
    const rows = counted.counts.map(c => rowOf(id, c, at))
    for (let i = 0; i < rows.length; i += 200)
      await trx('trial_counts')
        .insert(rows.slice(i, i + 200))
        .onConflict(['trial_id', 'id'])
        .ignore()
    for (const note of counted.notes)
      await trx('trial_notes').insert({ trial_id: id, block: note.block, document: JSON.stringify(note) })
    return { personId, kind: 'trial', subject: String(id), what: `planned “${plan.name}”`, after: plan }
  })
  return id
}

/** Stores a pass; one that is there already stays as it is, also where it was taken back. */
export const addCount = (db: Db, trial: number, count: Count, at: string): Promise<void> =>
  withRetry(async () => {
    await db('trial_counts')
      .insert(rowOf(trial, count, at))
      .onConflict(['trial_id', 'id'])
      .ignore()
  })

export const takeCountBack = (db: Db, trial: number, id: string, at: string): Promise<void> =>
  withRetry(async () => {
    await db('trial_counts').where({ id, trial_id: trial }).update({ taken_back_at: at })
  })

/** Says what is to be known of a block; what was said before is replaced, and stays in the history. */
export const setNote = (db: Db, trial: number, note: BlockNote, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const key = { trial_id: trial, block: note.block }
    const before: { readonly document: string } | undefined = await trx('trial_notes').where(key).first('document')
    await trx('trial_notes')
      .insert({ ...key, document: JSON.stringify(note) })
      .onConflict(['trial_id', 'block'])
      .merge()
    return {
      personId,
      kind: 'trial',
      subject: String(trial),
      what: `noted on block ${note.block + 1}`,
      before: before && (JSON.parse(before.document) as unknown),
      after: note,
    }
  })

/** Takes a trial away with everything that was counted; what it was stays in the history. */
export const removeTrial = (db: Db, id: number, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const row: { readonly document: string } | undefined = await trx('trials').where({ id }).first('document')
    if (!row) return undefined
    const counts: readonly { readonly document: string }[] = await trx('trial_counts')
      .where({ trial_id: id, taken_back_at: null })
      .select('document')
    await trx('trial_counts').where({ trial_id: id }).delete()
    await trx('trial_notes').where({ trial_id: id }).delete()
    await trx('trials').where({ id }).delete()
    return {
      personId,
      kind: 'trial',
      subject: String(id),
      what: 'thrown away',
      before: { ...(JSON.parse(row.document) as object), counts: counts.map(c => JSON.parse(c.document) as unknown) },
    }
  })
