import { listStandards } from '@/server/catalogue'
import { orNotFound } from '@/server/or-not-found'
import { readTrial } from '@/server/trials'
import { TrialResult } from './TrialResult'

export const metadata = { title: 'Trial' }

export default async function TrialPage({ params }: { params: Promise<{ trial: string }> }) {
  const [view, standards] = await Promise.all([orNotFound(readTrial((await params).trial)), listStandards()])
  return <TrialResult view={view} standards={standards.map(s => ({ id: s.id, name: s.name }))} />
}
