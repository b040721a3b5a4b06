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
  const { ref, context, bodies } = await readInHand(await inHandOf(searchParams))
  if (!ref) return <Beginning hasBodies={bodies.length > 0} hasStandards={false} />
  const { body } = await params
  const card = await orNotFound(readCard(ref, body, await param(searchParams, 'unit'), context))
  return (
    <CardPage
      key={`${card.standard.id} ${card.standard.version} ${body} ${card.unit?.id ?? ''} ${card.walk}`}
      card={card}
    />
  )
}
