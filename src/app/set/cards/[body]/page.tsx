import { Beginning } from '@/app/Beginning'
import { headers } from 'next/headers'
import QRCode from 'qrcode'
import { orNotFound } from '@/app/or-not-found'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { refText } from '@/core/standards'
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
  const asked = await headers()
  const address = `${asked.get('x-forwarded-proto') ?? 'http'}://${asked.get('host') ?? 'localhost'}`
  const query = new URLSearchParams({
    standard: refText(card.standard),
    ...(card.unit ? { unit: card.unit.id } : {}),
    ...(card.for ? { for: card.for } : {}),
  })
  // From paper back to the card as it is then.
  const code = await QRCode.toDataURL(`${address}/set/cards/${body}?${query}`, { margin: 1, width: 240 })
  return (
    <CardPage
      key={`${card.standard.id} ${card.standard.version} ${body} ${card.unit?.id ?? ''} ${card.walk}`}
      card={card}
      code={code}
    />
  )
}
