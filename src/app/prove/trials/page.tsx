import { listTrials } from '@/server/trials'
import { TrialList } from './TrialList'

export const metadata = { title: 'Trials' }

export default async function TrialsPage() {
  return <TrialList trials={await listTrials()} />
}
