import { readDebrief } from '@/server/jobs'
import { orNotFound } from '@/server/or-not-found'
import { Debrief } from './Debrief'

export const metadata = { title: 'Debrief' }

export default async function DebriefPage({ params }: { params: Promise<{ job: string }> }) {
  return <Debrief view={await orNotFound(readDebrief((await params).job))} />
}
