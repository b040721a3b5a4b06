import 'server-only'
import { clockAt, momentOf } from '@/core/jobs/clock'
import type { Debrief } from '@/core/jobs/debrief'
import type { JobFacts } from '@/core/jobs/facts'
import { type Job, JOB_FORMAT, idFor, parseJob } from '@/core/jobs/job'
import { packFacts } from '@/core/jobs/packed'
import type { ReadList } from '@/core/jobs/list-words'
import type { Scope } from '@/core/jobs/needed'
import type { Happened, Happening } from '@/core/jobs/standing'
import { eventWords } from '@/core/kit/event-words'
import { doneAt } from '@/core/kit/late'
import { addHappened, listHappened, takeBack } from '@/db/jobs'
import { findNamed, listNamed, removeNamed, saveNamed } from '@/db/named'
import { listUnitEvents } from '@/db/unit-events'
import type { Actor } from './actor'
import { listAudits } from './audits'
import { listStandards, readBody, units } from './catalogue'
import { database } from './database'
import { readExactFacts, readJobFacts } from './job-facts'
import type { Late } from './late'
import { listPeople } from './people'
import { changedMeanwhile, invalid, notFound, RequestError } from './problems'
import { listTrials } from './trials'
import { work } from './working'

/** Jobs: days with scenes, how they are planned, and what happened. */

export interface JobHeading {
  readonly id: string
  readonly name: string
  readonly revision: number
  readonly day: string
  readonly scenes: number
}

/** The newest day first. */
export const listJobs = async (): Promise<readonly JobHeading[]> =>
  (await listNamed(await database(), 'jobs'))
    .map(({ id, name, revision, document }) => {
      const job = JSON.parse(document) as Job
      return { id, name, revision, day: job.day, scenes: job.scenes.length }
    })
    .toSorted((a, b) => b.day.localeCompare(a.day) || a.name.localeCompare(b.name))

export const readJobOrNone = async (id: string): Promise<Job | undefined> => {
  const row = await findNamed(await database(), 'jobs', id)
  return row && (JSON.parse(row.document) as Job)
}

/** @throws RequestError 404 */
export const readJob = async (id: string): Promise<{ readonly document: Job; readonly revision: number }> => {
  const row = await findNamed(await database(), 'jobs', id)
  if (!row) throw notFound('job', id)
  return { document: JSON.parse(row.document) as Job, revision: row.revision }
}

/** @throws RequestError 422 for what cannot be read, 409 where somebody else was quicker */
export const saveJob = async (
  sent: { readonly document: unknown; readonly revision: number },
  actor: Actor,
): Promise<{ readonly id: string; readonly revision: number }> => {
  const parsed = parseJob(sent.document, 'job')
  if (!parsed.ok) throw invalid(parsed.problems)
  const result = await saveNamed(await database(), 'jobs', parsed.value, { ...actor, expected: sent.revision })
  if (!result.stored) {
    const now = await readJob(parsed.value.id)
    const { status, title, detail } = changedMeanwhile('job')
    throw new RequestError(status, title, detail, [], { document: now.document, revision: now.revision })
  }
  return { id: parsed.value.id, revision: result.revision }
}

/** A job that comes as a file: a new one, or in place of the one with its id. */
export const importJob = async (document: unknown, actor: Actor) => {
  const parsed = parseJob(document, 'job')
  if (!parsed.ok) throw invalid(parsed.problems)
  const there = await findNamed(await database(), 'jobs', parsed.value.id)
  return saveJob({ document, revision: there?.revision ?? 0 }, actor)
}

/** @throws RequestError 422 */
export const beginJob = async (
  sent: { readonly name: string; readonly day: string; readonly timeZone: string },
  actor: Actor,
): Promise<{ readonly id: string; readonly revision: number }> => {
  const taken = (await listNamed(await database(), 'jobs')).map(j => j.id)
  const document = { format: JOB_FORMAT, id: idFor(sent.name, taken), ...sent, scenes: [] }
  return saveJob({ document, revision: 0 }, actor)
}

/** @throws RequestError 404, 409 where something happened on it */
export const removeJob = async (id: string, actor: Actor): Promise<void> => {
  const at = await database()
  await readJob(id)
  if ((await listHappened(at, id)).length > 0)
    throw new RequestError(
      409,
      'It has a history',
      'Something happened on this job already; it stays with what it taught.',
    )
  await removeNamed(at, 'jobs', id, actor)
}

/** Everything a page needs to plan a job by itself. */
export interface JobView {
  readonly job: Job
  readonly revision: number
  readonly happened: readonly Happened[]
  readonly facts: JobFacts
  /** Standards that a scene can be linked to. */
  readonly standards: readonly { readonly id: string; readonly name: string }[]
}

/** The same as a page carries it. */
export type SentView = Omit<JobView, 'facts'> & { readonly facts: string }

const view = async (
  id: string,
  factsOf: (job: Job, happened: readonly Happened[]) => Promise<JobFacts>,
): Promise<JobView> => {
  const { document: job, revision } = await readJob(id)
  const happened = await listHappened(await database(), id)
  const [facts, standards] = await Promise.all([factsOf(job, happened), listStandards()])
  return { job, revision, happened, facts, standards: standards.map(s => ({ id: s.id, name: s.name })) }
}

/** With rough walks, which is quick. @throws RequestError 404 */
export const readJobView = (id: string): Promise<JobView> => view(id, job => readJobFacts(job))

/** With the best walks of what the plan uses, or may come to use where nobody can ask. @throws RequestError 404 */
export const readExactJob = (id: string, scope: Scope = 'whatever comes'): Promise<JobView> =>
  view(id, (job, happened) => readExactFacts(job, happened, scope))

/** As little to send as can be. @throws RequestError 404 */
export const sent = async (asked: Promise<JobView>): Promise<SentView> => {
  const { facts, ...rest } = await asked
  return { ...rest, facts: packFacts(facts) }
}

/** Scenes from what was pasted or sent; nothing is stored. @throws RequestError 404 */
export const readScenes = async (id: string, sent: string | Uint8Array, file: string): Promise<ReadList> => {
  const [{ document: job }, people, all, standards] = await Promise.all([
    readJob(id),
    listPeople(),
    units(),
    listStandards(),
  ])
  return work('scenesSent', {
    sent,
    file,
    job,
    knows: {
      people: people.map(({ id: person, name }) => ({ id: person, name })),
      units: all.map(u => u.tag),
      standards: standards.map(s => ({ id: s.id, name: s.name })),
    },
  })
}

/** More than happens on any job. */
const MOST_HAPPENED = 5000

/** Something happened, by whoever says so, when it did; sent again, it changes nothing. @throws RequestError 404, 422 */
export const happen = async (
  jobId: string,
  sent: Late & { readonly id: string; readonly what?: Happening | undefined; readonly isTakenBack?: true | undefined },
  actor: Actor,
): Promise<void> => {
  await readJob(jobId)
  const at = await database()
  if (sent.isTakenBack) return takeBack(at, jobId, sent.id, actor)
  if (!sent.what) throw new RequestError(422, 'Nothing happened', 'Send what happened, or take something back.')
  if ((await listHappened(at, jobId)).length >= MOST_HAPPENED)
    throw new RequestError(422, 'Full', `A job remembers ${MOST_HAPPENED} things; begin another one.`)
  await addHappened(
    at,
    jobId,
    { id: sent.id, what: sent.what },
    { ...actor, at: doneAt(actor.at, sent.made, sent.sent) },
  )
}

/** A job with the best walks, as the pool plans it. */
const askedOf = async (id: string) => {
  const { job, happened, facts } = await readExactJob(id, 'as planned')
  return { job, happened, facts }
}

/** Call sheets on paper, of everybody or of one. @throws RequestError 404 */
export const printSheets = async (
  id: string,
  {
    person,
    paper,
    each,
  }: {
    readonly person?: string | undefined
    readonly paper: 'a4' | 'letter' | 'pocket'
    readonly each?: string | undefined
  },
  now = new Date(),
): Promise<{ readonly bytes: Uint8Array; readonly name: string }> => {
  const asked = await askedOf(id)
  const clock = clockAt(now.getTime(), asked.job.timeZone)
  const who = person !== undefined ? { person } : each !== undefined ? 'each' : 'all'
  const bytes = await work('callSheets', { ...asked, paper, who, printed: `${clock.day} ${clock.time}` })
  if (!bytes) throw notFound('person of this job', person ?? '')
  return { bytes, name: `${id}-${person ?? (each !== undefined ? 'each' : 'all')}-${paper}.pdf` }
}

/** A job as a calendar, for everybody or for one. @throws RequestError 404 */
export const jobCalendar = async (id: string, person: string | undefined, address: string): Promise<string> => {
  const text = await work('jobCalendar', { ...(await askedOf(id)), person, address, stamp: new Date().toISOString() })
  if (text === undefined) throw notFound('person of this job', person ?? '')
  return text
}

export interface DebriefView {
  readonly job: Job
  readonly debrief: Debrief
  /** Cards that were signed on the days of the job. */
  readonly signed: readonly {
    readonly tag: string
    readonly standard: string
    readonly version: number
    readonly at: string
    readonly by: string | null
  }[]
  /** What was set, reset or told of a unit meanwhile, beside its card. */
  readonly touched: readonly {
    readonly tag: string
    readonly words: string
    readonly at: string
    readonly by: string | null
  }[]
  readonly audits: readonly { readonly id: number; readonly name: string; readonly words: string }[]
  readonly trials: readonly { readonly id: number; readonly name: string; readonly words: string }[]
  readonly people: readonly { readonly id: string; readonly name: string }[]
}

const DAY_MS = 24 * 3600_000

/** From the day before, on which cameras are prepared, to the end of the last scene. */
const daysOf = (job: Job, until: number): readonly [from: string, until: string] => {
  const first = momentOf(job.day, '00:00', job.timeZone).at - DAY_MS
  const last = Math.max(first + 2 * DAY_MS, until)
  return [new Date(first).toISOString(), new Date(last).toISOString()]
}

/** @throws RequestError 404 */
export const readDebrief = async (id: string): Promise<DebriefView> => {
  const { job, happened, facts } = await readJobView(id)
  const { debrief, units: usedUnits, until: ends } = await work('jobDebrief', { job, facts, happened })
  const [from, until] = daysOf(job, ends)
  const [events, all, audits, trials, standards, people] = await Promise.all([
    database().then(db => listUnitEvents(db)),
    units(),
    listAudits(),
    listTrials(),
    listStandards(),
    listPeople(),
  ])
  const used = new Set(usedUnits)
  const mine = all
    .filter(u => used.has(u.id))
    .flatMap(u =>
      (events.get(u.id) ?? [])
        .filter(e => e.at >= from && e.at <= until)
        .map(e => ({ tag: u.tag, body: u.body_id, e })),
    )
  const bodies = new Map(
    await Promise.all(
      [...new Set(mine.flatMap(m => m.body ?? []))].map(async b => [b, (await readBody(b)).document] as const),
    ),
  )
  const standardName = (of: string) => standards.find(s => s.id === of)?.name ?? of
  // Pictures are looked through in the week after; a trial may be made on any of the days.
  const week = new Date(Date.parse(until) + 7 * DAY_MS).toISOString()
  const overlaps = (begin: string | undefined, end: string | undefined) =>
    begin !== undefined && end !== undefined && begin <= until && end >= from
  return {
    job,
    debrief,
    signed: mine.flatMap(({ tag, e }) =>
      e.kind === 'signed' ? [{ tag, standard: standardName(e.standard), version: e.version, at: e.at, by: e.by }] : [],
    ),
    touched: mine.flatMap(({ tag, body, e }) =>
      e.kind === 'signed' || (e.kind === 'set' && e.how === 'card')
        ? []
        : [{ tag, words: eventWords(e, bodies.get(body ?? ''), standardName), at: e.at, by: e.by }],
    ),
    audits: audits
      .filter(a => overlaps(a.from, a.until) || (a.at >= from && a.at <= week))
      .map(a => ({ id: a.id, name: a.name, words: `${a.pictures} pictures of ${a.cameras} cameras` })),
    trials: trials.filter(t => t.at >= from && t.at <= week).map(t => ({ id: t.id, name: t.name, words: t.says })),
    people: people.map(({ id: person, name }) => ({ id: person, name })),
  }
}
