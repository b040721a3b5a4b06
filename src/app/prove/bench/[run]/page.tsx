import { orNotFound } from '@/server/or-not-found'
import { readRun } from '@/server/bench'
import { RunResult } from './RunResult'

export const metadata = { title: 'A run' }

export default async function OneRunPage({ params }: { params: Promise<{ run: string }> }) {
  const { run } = await params
  const view = await orNotFound(readRun(run))
  return <RunResult key={`${view.id} ${view.keptAt ?? ''}`} run={view} />
}
