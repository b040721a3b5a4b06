import { Beginning } from '@/app/Beginning'
import { orNotFound } from '@/app/or-not-found'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { readCard } from '@/server/cards'
import { readInHand } from '@/server/concordance'
import { CardPage } from './CardPage'

export const metadata = { title: 'Card' }

export default async function OneCardPage({
  params,
  searchParams,
}: {
  params: Promise<{ body: string }>
  searchParams: SearchParams
}) {
  const { standard, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard) return <Beginning hasBodies={bodies.length > 0} hasStandards={false} />
  const { body } = await params
  const card = await orNotFound(readCard(standard.id, body, await param(searchParams, 'unit')))
  return <CardPage key={`${card.standard.id} ${body} ${card.unit?.id ?? ''}`} card={card} />
}
