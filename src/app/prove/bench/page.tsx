import { listRuns, readMeasurable } from '@/server/bench'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { BenchView } from './BenchView'

export const metadata = { title: 'Bench' }

export default async function BenchPage({ searchParams }: { searchParams: SearchParams }) {
  const [measurable, runs, { bodies }] = await Promise.all([readMeasurable(), listRuns(), inHandOf(searchParams)])
  return <BenchView measurable={measurable} runs={runs} first={bodies?.[0]} />
}
