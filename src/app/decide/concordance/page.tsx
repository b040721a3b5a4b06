import { inHandOf, type SearchParams } from '@/app/search-params'
import { Beginning } from '@/app/Beginning'
import { readConcordance, readInHand } from '@/server/concordance'
import { ConcordanceView } from './ConcordanceView'

export const metadata = { title: 'Concordance' }

export default async function ConcordancePage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, chosen, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={Boolean(standard)} />
  const concordance = await readConcordance(standard.id, chosen)
  // As one text: thousands of cells are written and read several times faster than as thousands of objects.
  return <ConcordanceView text={JSON.stringify(concordance)} />
}
