import { readCalendar } from '@/core/jobs/calendar'
import { type Job, MOST_SCENES } from '@/core/jobs/job'
import { readSceneList } from '@/core/jobs/list'
import { readSceneTable } from '@/core/jobs/list-table'
import type { ListKnows, ReadList } from '@/core/jobs/list-words'
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
