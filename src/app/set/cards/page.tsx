import { Beginning } from '@/app/Beginning'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { listCards } from '@/server/cards'
import { readInHand } from '@/server/concordance'
import { CardList } from './CardList'

export const metadata = { title: 'Cards' }

export default async function CardsPage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, chosen, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={Boolean(standard)} />
  const cards = await listCards(
    standard.id,
    chosen.map(b => b.id),
  )
  return <CardList cards={cards} standard={standard} />
}
