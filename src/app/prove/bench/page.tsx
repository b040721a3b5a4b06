import { readInHand } from '@/server/concordance'
import { listRuns, readAlike, readMeasurable } from '@/server/bench'
import { listLensTests, readTestable } from '@/server/lens-tests'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { BenchView } from './BenchView'

export const metadata = { title: 'Bench' }

export default async function BenchPage({ searchParams }: { searchParams: SearchParams }) {
  const asked = await inHandOf(searchParams)
  const { ref, context, chosen } = await readInHand(asked)
  const [measurable, runs, tests, { lenses }, alike] = await Promise.all([
    readMeasurable(),
    listRuns(),
    listLensTests(),
    readTestable(),
    ref === undefined
      ? []
      : readAlike(
          ref,
          chosen.map(b => b.id),
          context,
        ),
  ])
  return (
    <BenchView
      measurable={measurable}
      runs={runs}
      alike={alike}
      tests={tests}
      lenses={lenses}
      first={asked.bodies?.[0]}
    />
  )
}
