import ical from 'ical-generator'
import { readCalendar } from '@/core/jobs/calendar'
import { type Debrief, debriefOf } from '@/core/jobs/debrief'
import type { JobFacts } from '@/core/jobs/facts'
import { type Job, MOST_SCENES } from '@/core/jobs/job'
import { readSceneList } from '@/core/jobs/list'
import { readSceneTable } from '@/core/jobs/list-table'
import type { ListKnows, ReadList } from '@/core/jobs/list-words'
import { lightWords } from '@/core/jobs/light'
import { type Needed, neededWalks, type Scope } from '@/core/jobs/needed'
import { type Planned, planThrough } from '@/core/jobs/replan'
import { changedWords, type Sheet, sheetFor, sheetsFor, whereIn } from '@/core/jobs/sheet'
import type { Happened } from '@/core/jobs/standing'
import { warningsOf } from '@/core/jobs/warnings'
import { decodeText } from '@/core/reading/csv'
import { readSheet } from './sheets'

/** Scenes from what somebody pasted or sent: a list, a spreadsheet, a calendar. */
export const scenesSent = async ({
  sent,
  file,
  job,
  knows,
}: {
  readonly sent: string | Uint8Array
  readonly file: string
  readonly job: Job
  readonly knows: ListKnows
}): Promise<ReadList> => {
  const most = MOST_SCENES - job.scenes.length
  const text = typeof sent === 'string' ? sent : textOf(sent, file)
  if (text?.trimStart().startsWith('BEGIN:VCALENDAR')) return readCalendar(text, job, knows.people, most)
  if (typeof sent === 'string') return readSceneList(sent, job, knows, most)
  return readSceneTable(await readSheet({ bytes: sent, file }), job, knows, file, most)
}

const textOf = (bytes: Uint8Array, file: string): string | undefined => {
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return undefined
  const text = decodeText(bytes, file)
  return text.ok ? text.value : undefined
}

/** A job with what is known and what happened: all that a plan follows from. */
export interface JobAsked {
  readonly job: Job
  readonly facts: JobFacts
  readonly happened: readonly Happened[]
}

const plan = ({ job, facts, happened }: JobAsked): Planned => planThrough(job, facts, happened)

/** The walks that the plan of a job needs. */
export const jobNeeds = (asked: JobAsked & { readonly scope: Scope }): readonly Needed[] =>
  neededWalks(plan(asked).plan, asked.facts, asked.scope)

/** Who a sheet is for: somebody, each of them, or everybody on one. */
export type SheetsFor = { readonly person: string } | 'each' | 'all'

/** @returns undefined where the job has no such person */
export const sheetsOf = (
  asked: JobAsked,
  who: SheetsFor,
): { readonly sheets: readonly Sheet[]; readonly warnings: readonly string[] } | undefined => {
  const planned = plan(asked)
  const { job, facts, happened } = asked
  const one = (person?: string) => sheetFor(job, facts, planned, happened, person)
  const sheets =
    who === 'each' ? sheetsFor(job, facts, planned, happened) : [one(who === 'all' ? undefined : who.person)]
  if (typeof who === 'object' && !sheets[0]?.who) return undefined
  return { sheets, warnings: warningsOf(job, planned.standing, facts, planned.plan).map(w => w.words) }
}

/**
 * A job as a calendar, for everybody or for one.
 *
 * @source RFC 5545
 * @returns undefined where the job has no such person
 */
export const jobCalendar = ({
  person,
  address,
  stamp,
  ...asked
}: JobAsked & {
  readonly person: string | undefined
  readonly address: string
  /** When it is written, ISO 8601. */
  readonly stamp: string
}): string | undefined => {
  const { job } = asked
  const [sheet] = sheetsOf(asked, person === undefined ? 'all' : { person })?.sheets ?? []
  if (!sheet) return undefined
  const calendar = ical({
    prodId: { company: 'Coherion', product: 'Jobs' },
    name: sheet.who ? `${job.name}: ${sheet.who.name}` : job.name,
  })
  for (const line of sheet.lines) {
    const words = [
      line.printed === undefined ? '' : changedWords(line.printed),
      [line.unit?.tag, line.lens, whereIn(line)].filter(Boolean).join(', '),
      line.standard?.name ?? '',
      ...line.change,
      line.thumb,
      line.limiter,
      line.light?.advice ? lightWords(line.light) : '',
      ...line.troubles.map(t => `${t.label}? ${t.now}`),
      ...line.cautions.map(c => `${c.title}: ${c.words}`),
    ]
    calendar.createEvent({
      id: `${job.id}.${line.scene}.${line.key.split('/').at(-1) ?? ''}@coherion`,
      stamp,
      start: new Date(line.begins),
      end: new Date(line.ends),
      summary: person === undefined ? `${line.name} (${line.who})` : line.name,
      location: line.place,
      description: words.filter(Boolean).join('\n'),
      url: `${address}/work/now?job=${job.id}${line.person ? `&person=${line.person}` : ''}`,
    })
  }
  return calendar.toString()
}

/** What a job taught, the units it used, and when its last scene ends. */
export const jobDebrief = (
  asked: JobAsked,
): { readonly debrief: Debrief; readonly units: readonly string[]; readonly until: number } => {
  const planned = plan(asked)
  return {
    debrief: debriefOf(asked.facts, planned, asked.happened),
    units: [...new Set(planned.plan.stations.flatMap(s => s.unit?.id ?? []))],
    until: Math.max(0, ...planned.standing.scenes.map(s => s.until)),
  }
}
