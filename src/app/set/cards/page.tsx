import { Beginning } from '@/app/Beginning'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { listCards } from '@/server/cards'
import { readInHand } from '@/server/concordance'
import { refFrom } from '@/core/standards'
import { CardList } from './CardList'

export const metadata = { title: 'Cards' }

export default async function CardsPage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, ref, context, chosen, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard || !ref || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={Boolean(standard)} />
  const { cards, failed } = await listCards(
    ref,
    chosen.map(b => b.id),
    context,
  )
  return (
    <CardList
      cards={cards}
      failed={failed}
      standard={{ ref, name: standard.name, version: refFrom(ref).version ?? standard.version }}
    />
  )
}
