import { Beginning } from '@/app/Beginning'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { readInHand } from '@/server/concordance'
import { readReadiness, readReadinessByStandard } from '@/server/readiness'
import { ByStandard } from './ByStandard'
import { ReadinessList } from './ReadinessList'

export const metadata = { title: 'Readiness' }

export default async function ReadinessPage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, ref, context, chosen, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard || !ref || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={Boolean(standard)} />
  const ids = chosen.map(b => b.id)
  const by = await param(searchParams, 'by')
  if (by === 'standard') return <ByStandard standards={await readReadinessByStandard(context, ids)} />
  return <ReadinessList view={await readReadiness(ref, context, ids)} by={by === 'person' ? 'person' : 'unit'} />
}
