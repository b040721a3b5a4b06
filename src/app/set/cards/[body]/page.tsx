import { Beginning } from '@/app/Beginning'
import { headers } from 'next/headers'
import { cache } from 'react'
import { orNotFound } from '@/server/or-not-found'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { cardAddress } from '@/server/card-pdf'
import { refFrom } from '@/core/standards'
import { addressOf } from '@/server/http'
import { notFound } from '@/server/problems'
import { codeOf } from '@/server/code'
import { readCard } from '@/server/cards'
import { readInHand } from '@/server/concordance'
import { whyNot } from '@/server/worked-out'
import { NotReckoned } from '@/ui/NotReckoned'
import { CardPage } from './CardPage'

interface Props {
  readonly params: Promise<{ body: string }>
  readonly searchParams: SearchParams
}

/** Read once for the page and its title. */
const cardOf = cache(async (props: Props) => {
  const asked = await inHandOf(props.searchParams)
  const { ref, context, bodies } = await readInHand(asked)
  // Another standard than the one on the paper in somebody's hand would be worse than none.
  if (asked.standard !== undefined && ref !== undefined && refFrom(ref).id !== refFrom(asked.standard).id)
    throw notFound('standard', asked.standard)
  const { body } = await props.params
  const [unit, slots] = [await param(props.searchParams, 'unit'), await param(props.searchParams, 'slots')]
  try {
    return { bodies, body, card: ref === undefined ? undefined : await readCard(ref, body, unit, context, slots) }
  } catch (error) {
    const why = whyNot(error)
    if (why === undefined) throw error
    return { bodies, body, card: undefined, failed: { body: bodies.find(b => b.id === body)?.model ?? body, why } }
  }
})

/** By this a card that is kept on a device is found again. */
export const generateMetadata = async (props: Props) => {
  const found = await cardOf(props).catch(() => undefined)
  const card = found?.card
  return { title: card ? `${card.unit?.tag ?? card.body.model} for ${card.standard.name}` : 'Card' }
}

export default async function OneCardPage(props: Props) {
  const { bodies, body, card, failed } = await orNotFound(cardOf(props))
  if (failed) return <NotReckoned failed={[failed]} sx={{ m: 2.5 }} />
  if (!card) return <Beginning hasBodies={bodies.length > 0} hasStandards={false} />
  // From paper back to the card as it is then.
  const address = cardAddress(addressOf({ headers: await headers() }), card)
  return (
    <CardPage
      key={`${card.standard.id} ${card.standard.version} ${body} ${card.unit?.id ?? ''}`}
      card={card}
      code={await codeOf(address)}
    />
  )
}
