import 'server-only'
import { sentencesOf } from '@/core/evidence/sentence'
import {
  blocksOf,
  type BlockNote,
  type Count,
  minutesOf,
  parseTrial,
  passesOfEach,
  type Trial,
  TRIAL_FORMAT,
  type TrialPlan,
} from '@/core/evidence/trial'
import { type Verdict, verdictOf } from '@/core/evidence/verdict'
import * as db from '@/db/trials'
import type { Actor } from './actor'
import { units } from './catalogue'
import { database } from './database'
import { invalid, notFound, RequestError } from './problems'

/** Field trials: planned, counted, and what they say. */

export interface TrialHeading {
  readonly id: number
  readonly name: string
  readonly person: string | null
  readonly at: string
  readonly counted: number
  readonly planned: number
  /** What it says so far, in a sentence. */
  readonly says: string
}

const trialOf = (row: db.TrialRow, counts: readonly Count[], notes: readonly BlockNote[]): Trial => ({
  format: TRIAL_FORMAT,
  ...(JSON.parse(row.document) as TrialPlan),
  counts: counts.toSorted((a, b) => a.made.localeCompare(b.made)),
  notes: [...notes],
})

/** All trials, newest first. */
export const listTrials = async (): Promise<readonly TrialHeading[]> => {
  const at = await database()
  const [rows, counts] = await Promise.all([db.listTrials(at), db.listCounts(at)])
  return Promise.all(
    rows.map(async row => {
      const trial = trialOf(row, counts.get(row.id) ?? [], await db.listNotes(at, row.id))
      return {
        id: row.id,
        name: row.name,
        person: row.person,
        at: row.created_at,
        counted: trial.counts.length,
        planned: passesOfEach(trial) * trial.ways.length,
        says: sentencesOf(trial, verdictOf(trial))[0] ?? '',
      }
    }),
  )
}

/** @throws RequestError 404 */
const rowWith = async (id: string): Promise<db.TrialRow> => {
  const row = /^\d{1,9}$/.test(id) ? await db.findTrial(await database(), Number(id)) : undefined
  if (!row) throw notFound('trial', id)
  return row
}

/** A trial in its exchange format, with everything that was counted. @throws RequestError 404 */
export const readTrialDocument = async (id: string): Promise<Trial> => {
  const row = await rowWith(id)
  const at = await database()
  const [counts, notes] = await Promise.all([db.listCounts(at), db.listNotes(at, row.id)])
  return trialOf(row, counts.get(row.id) ?? [], notes)
}

export interface TrialView {
  readonly id: number
  readonly trial: Trial
  readonly blocks: readonly { readonly way: string; readonly situation: string; readonly round: number }[]
  readonly minutes: number
  readonly verdict: Verdict
  readonly sentences: readonly string[]
}

/** @throws RequestError 404 */
export const readTrial = async (id: string): Promise<TrialView> => {
  const trial = await readTrialDocument(id)
  const verdict = verdictOf(trial)
  return {
    id: Number(id),
    trial,
    blocks: blocksOf(trial).map(b => ({ way: b.way.id, situation: b.situation.id, round: b.round })),
    minutes: minutesOf(trial),
    verdict,
    sentences: sentencesOf(trial, verdict),
  }
}

/**
 * Stores a trial: a plan, or one with everything that was counted elsewhere.
 *
 * @throws RequestError 422 for what cannot be read, or a camera that is not there
 */
export const saveTrial = async (value: unknown, actor: Actor): Promise<{ readonly id: number }> => {
  const parsed = parseTrial(value, 'trial')
  if (!parsed.ok) throw invalid(parsed.problems)
  const { format: _, counts, notes, ...plan } = parsed.value
  if (plan.unit !== undefined && !(await units()).some(u => u.tag === plan.unit))
    throw new RequestError(422, 'No such camera', `“${plan.unit}” is no camera of this house.`)
  return { id: await db.addTrial(await database(), plan, { counts, notes }, actor) }
}

/** @throws RequestError 422 where the plan has no such block */
const expectBlock = (row: db.TrialRow, block: number): void => {
  if (block >= blocksOf(JSON.parse(row.document) as TrialPlan).length)
    throw new RequestError(422, 'No such block', `The plan has no block ${block + 1}.`)
}

/** A pass comes in, or is taken back; sent again, it changes nothing. @throws RequestError 404, 422 */
export const countPass = async (
  id: string,
  sent: { readonly count: Count; readonly isTakenBack?: true | undefined },
  actor: Actor,
): Promise<void> => {
  const row = await rowWith(id)
  expectBlock(row, sent.count.block)
  const at = await database()
  // Taken back before it came in, it comes in as one that was.
  await db.addCount(at, row.id, sent.count, actor.at)
  if (sent.isTakenBack) await db.takeCountBack(at, row.id, sent.count.id, actor.at)
}

/** @throws RequestError 404, 422 */
export const noteBlock = async (id: string, note: BlockNote, actor: Actor): Promise<void> => {
  const row = await rowWith(id)
  expectBlock(row, note.block)
  await db.setNote(await database(), row.id, note, actor)
}

/** @throws RequestError 404 */
export const removeTrial = async (id: string, actor: Actor): Promise<void> => {
  const row = await rowWith(id)
  await db.removeTrial(await database(), row.id, actor)
}
