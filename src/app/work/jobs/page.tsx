import { listJobs } from '@/server/jobs'
import { JobList } from './JobList'

export const metadata = { title: 'Jobs' }

export default async function JobsPage() {
  return <JobList jobs={await listJobs()} />
}
