import 'server-only'
import type { Context } from '@/core/standards'
import { MessageChannel } from 'node:worker_threads'
import type { PaperId } from '@/pool/paper/card-paper'
import { type CardView, readCard } from './cards'
import { units } from './catalogue'
import { notFound, RequestError } from './problems'
import { work } from './working'

/** The cards of several units in one PDF, made one after the other so that others are served in between. */

export interface PdfRequest {
  readonly standard: string
  /** Units, or bodies of which the team has none. */
  readonly units: readonly string[]
  readonly bodies: readonly string[]
  readonly paper: PaperId
  readonly context: Context
  /** What goes into which memory slot, as an address says it. */
  readonly slots?: string | undefined
}

export type PdfProgress =
  | { readonly kind: 'made'; readonly done: number; readonly of: number; readonly name: string }
  | { readonly kind: 'pdf'; readonly bytes: Uint8Array; readonly name: string }

const MOST_CARDS = 300

/** Where a card is found: by the version in force, unless it is made for another one. */
export const cardAddress = (address: string, card: CardView): string => {
  const { id, version, state, newer } = card.standard
  const isInForce = newer === undefined && state === 'approved'
  const query = new URLSearchParams({
    standard: isInForce ? id : `${id}@${version}`,
    ...(card.unit ? { unit: card.unit.id } : {}),
    ...(card.for ? { for: card.for } : {}),
  })
  return `${address}/set/cards/${card.body.id}?${query}`
}

/** Which cards are asked for. @throws RequestError 404 for a unit that is not there, 422 for none or too many */
export const cardsAsked = async ({ units: ids, bodies }: Pick<PdfRequest, 'units' | 'bodies'>) => {
  const all = await units()
  const asked: readonly { readonly body: string; readonly unit?: string }[] = [
    ...ids.map(id => {
      const unit = all.find(u => u.id === id)
      if (!unit?.body_id) throw notFound('unit', id)
      return { body: unit.body_id, unit: id }
    }),
    ...bodies.map(body => ({ body })),
  ]
  if (asked.length === 0 || asked.length > MOST_CARDS)
    throw new RequestError(
      422,
      'Which cards?',
      `Name 1 to ${MOST_CARDS} units, with commas between their ids; these are ${asked.length}.`,
    )
  return asked
}

/**
 * Makes the PDF, and tells of each card when it is drawn.
 *
 * @param address of this server, for the codes
 */
export const makePdf = async function* (
  request: PdfRequest,
  asked: Awaited<ReturnType<typeof cardsAsked>>,
  address: string,
): AsyncGenerator<PdfProgress> {
  const cards: { readonly card: CardView; readonly address: string }[] = []
  for (const { body, unit } of asked) {
    const card = await readCard(request.standard, body, unit, request.context, request.slots)
    cards.push({ card, address: cardAddress(address, card) })
    // Others wait for their answers meanwhile.
    await new Promise(resume => setImmediate(resume))
  }
  const { port1, port2 } = new MessageChannel()
  const told: string[] = []
  let wake = () => {}
  port1.on('message', (name: string) => {
    told.push(name)
    wake()
  })
  const [at, title] = [new Date().toISOString(), `Cards for ${request.standard}`]
  let bytes: Uint8Array | undefined
  const drawn = work('cardSheets', { paper: request.paper, at, title, cards, made: port2 }, { transfer: [port2] })
    .then(done => (bytes = done))
    .finally(() => wake())
  let done = 0
  while (bytes === undefined) {
    await Promise.race([drawn, new Promise<void>(go => (wake = go))])
    while (done < told.length) yield { kind: 'made', of: cards.length, name: told[done] ?? '', done: ++done }
  }
  port1.close()
  for (; done < cards.length; done++) {
    const { card } = cards[done] ?? {}
    yield { kind: 'made', of: cards.length, name: card?.unit?.tag ?? card?.body.model ?? '', done: done + 1 }
  }
  yield { kind: 'pdf', bytes, name: `cards-${request.standard.replace('@', '-')}.pdf` }
}
