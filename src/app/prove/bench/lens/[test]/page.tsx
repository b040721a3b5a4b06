import { readLensTest } from '@/server/lens-tests'
import { orNotFound } from '@/server/or-not-found'
import { LensTestResult } from './LensTestResult'

export const metadata = { title: 'A lens tested' }

export default async function OneLensTestPage({ params }: { params: Promise<{ test: string }> }) {
  const { test } = await params
  const view = await orNotFound(readLensTest(test))
  return <LensTestResult key={`${view.id} ${view.keptAt ?? ''}`} view={view} />
}
