import { orNotFound } from '@/server/or-not-found'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { readInHand } from '@/server/concordance'
import { readHandover } from '@/server/controls'
import { HandoverCard } from './HandoverCard'

export const metadata = { title: 'For a stranger' }

export default async function HandoverPage({
  params,
  searchParams,
}: {
  params: Promise<{ body: string }>
  searchParams: SearchParams
}) {
  const [{ body }, { ref, context }] = await Promise.all([params, inHandOf(searchParams).then(readInHand)])
  return <HandoverCard handover={await orNotFound(readHandover(ref ?? '', body, context))} />
}
