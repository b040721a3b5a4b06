import { orNotFound } from '@/server/or-not-found'
import { readTrial } from '@/server/trials'
import { TrialResult } from './TrialResult'

export const metadata = { title: 'Trial' }

export default async function TrialPage({ params }: { params: Promise<{ trial: string }> }) {
  return <TrialResult view={await orNotFound(readTrial((await params).trial))} />
}
