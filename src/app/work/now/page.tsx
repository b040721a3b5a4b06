import { param, type SearchParams } from '@/app/search-params'
import { listJobs, readExactJob, sent } from '@/server/jobs'
import { orNotFound } from '@/server/or-not-found'
import { NowLoader } from './NowLoader'
import { NoJobYet } from './NoJobYet'

export const metadata = { title: 'Now' }

/** The job that is on, or comes next; else the last one. */
const jobOfToday = async (today: string): Promise<string | undefined> => {
  const jobs = await listJobs()
  const near = (day: string) => Math.abs(Date.parse(day) - Date.parse(today))
  return jobs.toSorted((a, b) => near(a.day) - near(b.day))[0]?.id
}

export default async function NowPage({ searchParams }: { searchParams: SearchParams }) {
  const [asked, person] = await Promise.all([param(searchParams, 'job'), param(searchParams, 'person')])
  const job = asked ?? (await jobOfToday(new Date().toISOString().slice(0, 10)))
  if (job === undefined) return <NoJobYet />
  return <NowLoader key={job} view={await orNotFound(sent(readExactJob(job)))} asked={person} />
}
