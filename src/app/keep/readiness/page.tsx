import { Beginning } from '@/app/Beginning'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { readInHand } from '@/server/concordance'
import { readReadiness } from '@/server/readiness'
import { ReadinessList } from './ReadinessList'

export const metadata = { title: 'Readiness' }

export default async function ReadinessPage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, ref, context, chosen, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard || !ref || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={Boolean(standard)} />
  const view = await readReadiness(
    ref,
    context,
    chosen.map(b => b.id),
  )
  return <ReadinessList view={view} />
}
