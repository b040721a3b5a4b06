import 'server-only'
import { findingOf } from '@/core/evidence/finding'
import { sentencesOf } from '@/core/evidence/sentence'
import {
  blocksOf,
  type BlockNote,
  byTime,
  type Count,
  minutesOf,
  MOST_COUNTS,
  parseTrial,
  passesOfEach,
  type Trial,
  TRIAL_FORMAT,
  type TrialPlan,
} from '@/core/evidence/trial'
import { type Verdict, verdictOf } from '@/core/evidence/verdict'
import { ownLayers } from '@/core/standards'
import { withTarget } from '@/core/standards/edit'
import { withAdvice } from '@/core/standards/guidance'
import * as db from '@/db/trials'
import type { Actor } from './actor'
import { units } from './catalogue'
import { database } from './database'
import { invalid, notFound, RequestError } from './problems'
import { remember } from './remember'
import { draftToWrite, saveStandardDraft } from './standards'
import { type SetUpChange, setUpChanges } from './trial-changes'

/** As long as the reason of a target may be. */
const MOST_REASON = 400

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
  /** The dimension that it speaks about, where it is one. */
  readonly about: string | undefined
}

/** A trial with everything that was counted, in the order in which it was. */
const withCounts = async (row: db.TrialRow): Promise<Trial> => {
  const at = await database()
  const [counts, notes] = await Promise.all([db.listCounts(at, row.id), db.listNotes(at, row.id)])
  const plan = JSON.parse(row.document) as TrialPlan
  return { format: TRIAL_FORMAT, ...plan, counts: counts.toSorted(byTime), notes: [...notes] }
}

/** What a trial says goes by what was counted and noted; a list of many does not reckon all of them each time. */
const said = remember<Pick<TrialHeading, 'counted' | 'planned' | 'says'>>('trials', 500)

const saidOf = async (row: db.TrialRow, key: string): Promise<Pick<TrialHeading, 'counted' | 'planned' | 'says'>> => {
  const known = said.get(key)
  if (known) return known
  const trial = await withCounts(row)
  const verdict = verdictOf(trial)
  // Others have their turn between two of them.
  await new Promise(done => setImmediate(done))
  return said.getOr(key, () => ({
    counted: verdict.ways.reduce((n, w) => n + w.tally.share.of, 0),
    planned: passesOfEach(trial) * trial.ways.length,
    says: sentencesOf(trial, verdict)[0] ?? '',
  }))
}

/** All trials, newest first. */
export const listTrials = async (): Promise<readonly TrialHeading[]> => {
  const at = await database()
  const [rows, counts] = await Promise.all([db.listTrials(at), db.countCounts(at)])
  const found: TrialHeading[] = []
  for (const row of rows) {
    const { stored = 0, takenBack = 0 } = counts.get(row.id) ?? {}
    const key = [row.id, row.created_at, stored, takenBack, JSON.stringify(await db.listNotes(at, row.id))].join(' ')
    const { id, name, person, created_at } = row
    const { about } = JSON.parse(row.document) as TrialPlan
    found.push({ id, name, person, at: created_at, about, ...(await saidOf(row, key)) })
  }
  return found
}

/** @throws RequestError 404 */
const rowWith = async (id: string): Promise<db.TrialRow> => {
  const row = /^\d{1,9}$/.test(id) ? await db.findTrial(await database(), Number(id)) : undefined
  if (!row) throw notFound('trial', id)
  return row
}

/** A trial in its exchange format, with everything that was counted. @throws RequestError 404 */
export const readTrialDocument = async (id: string): Promise<Trial> => withCounts(await rowWith(id))

interface BlockView {
  readonly way: string
  readonly situation: string
}

/** What a trial says; without its passes, which may be many. */
export interface TrialView {
  readonly id: number
  readonly plan: TrialPlan
  readonly blocks: readonly (BlockView & { readonly counted: number; readonly note: string | undefined })[]
  readonly minutes: number
  readonly verdict: Verdict
  readonly sentences: readonly string[]
}

/** What whoever counts needs: the plan, and what is counted already. */
export interface CountingView {
  readonly id: number
  readonly trial: Trial
  readonly blocks: readonly BlockView[]
  /** The camera that it is shot with, where it is still there. */
  readonly camera: { readonly unit: string; readonly body: string } | undefined
  /** What is set otherwise from one way to the next. */
  readonly changes: readonly SetUpChange[]
}

const blockViews = (plan: TrialPlan): readonly BlockView[] =>
  blocksOf(plan).map(b => ({ way: b.way.id, situation: b.situation.id }))

/** @throws RequestError 404 */
export const readTrial = async (id: string): Promise<TrialView> => {
  const trial = await readTrialDocument(id)
  const verdict = verdictOf(trial)
  const { format: _, counts: __, notes, ...plan } = trial
  return {
    id: Number(id),
    plan,
    blocks: blockViews(plan).map((b, i) => ({
      ...b,
      counted: verdict.perBlock.get(i) ?? 0,
      note: notes.find(n => n.block === i)?.words,
    })),
    minutes: minutesOf(plan),
    verdict,
    sentences: sentencesOf(trial, verdict),
  }
}

/** @throws RequestError 404 */
export const readCounting = async (id: string): Promise<CountingView> => {
  const trial = await readTrialDocument(id)
  const unit = (await units()).find(u => u.tag === trial.unit)
  return {
    id: Number(id),
    trial,
    blocks: blockViews(trial),
    camera: unit?.body_id ? { unit: unit.id, body: unit.body_id } : undefined,
    changes: unit ? await setUpChanges(trial, unit) : [],
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
  if (((await db.countCounts(at, row.id)).get(row.id)?.stored ?? 0) >= MOST_COUNTS)
    throw new RequestError(422, 'Full', `A trial holds ${MOST_COUNTS} passes; begin another one.`)
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

export interface FindingView {
  readonly standard: string
  readonly name: string
  readonly version: number
}

/**
 * Writes what a trial says into the draft of a standard, as advice that names it; and as the reason of the target that
 * it is about, where the standard has one of its own. The draft is begun where none is open.
 *
 * @throws RequestError 404, 422 where nothing was counted or the draft is in review
 */
export const writeFinding = async (id: string, standardId: string, actor: Actor): Promise<FindingView> => {
  const trial = await readTrialDocument(id)
  const finding = findingOf(Number(id), trial)
  if (!finding) throw new RequestError(422, 'Nothing to write', 'Nothing has been counted in this trial yet.')
  const { id: standard, version, document, revision } = await draftToWrite(standardId, actor)
  const own = ownLayers(document)
  const layer = own.find(l => l.targets.some(t => t.dimension === trial.about)) ?? own[0]
  if (!layer) throw new RequestError(422, 'No such layer', `${document.name} has no layer of its own to write into.`)
  const target = layer.targets.find(t => t.dimension === trial.about)
  const reason = target && [target.reason, `${finding.source}: ${finding.text}`].filter(Boolean).join(' ')
  const advised = withAdvice(document, layer.id, finding)
  const written =
    target && reason !== undefined && reason.length <= MOST_REASON && !target.reason?.includes(finding.text)
      ? withTarget(advised, layer.id, { ...target, reason })
      : advised
  await saveStandardDraft(
    standard,
    version,
    { document: written, revision, what: `trial: ${finding.title}`.slice(0, 400) },
    actor,
  )
  return { standard, name: document.name, version }
}

/** @throws RequestError 404 */
export const removeTrial = async (id: string, actor: Actor): Promise<void> => {
  const row = await rowWith(id)
  await db.removeTrial(await database(), row.id, actor)
}
