import { readJobView, sent } from '@/server/jobs'
import { orNotFound } from '@/server/or-not-found'
import { JobBoard } from './JobBoard'

export const metadata = { title: 'Job' }

export default async function JobPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params
  return <JobBoard key={job} view={await orNotFound(sent(readJobView(job)))} />
}
