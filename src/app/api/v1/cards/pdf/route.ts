import { contextFrom } from '@/core/standards'
import { cardsAsked, makePdf } from '@/server/card-pdf'
import { addressOf, answer, parseQuery } from '@/server/http'
import { cardPdfQuerySchema } from '@/server/queries'
import { pdfResponse } from '@/server/pdf'

const listed = (text: string | undefined): readonly string[] => text?.split(',').filter(Boolean) ?? []

/** The cards of several units in one PDF; or, as it is made, a line of JSON for each and the PDF in the last one. */
export const GET = (request: Request) =>
  answer(async () => {
    const query = parseQuery(cardPdfQuerySchema, request)
    const { standard, paper, slots } = query
    const asked = {
      standard,
      paper,
      slots,
      units: listed(query.units),
      bodies: listed(query.bodies),
      context: contextFrom(query.for),
    }
    const cards = await cardsAsked(asked)
    const making = makePdf(asked, cards, addressOf(request))
    if (query.as === 'progress')
      return new Response(lines(making), { headers: { 'content-type': 'application/x-ndjson' } })
    for await (const made of making) if (made.kind === 'pdf') return pdfResponse(made)
    throw new Error('no PDF was made')
  })

const lines = (making: ReturnType<typeof makePdf>): ReadableStream<Uint8Array> => {
  const encoder = new TextEncoder()
  return new ReadableStream({
    pull: async out => {
      try {
        const next = await making.next()
        if (next.done) {
          out.close()
          return
        }
        const { value } = next
        const line = value.kind === 'pdf' ? { ...value, bytes: Buffer.from(value.bytes).toString('base64') } : value
        out.enqueue(encoder.encode(`${JSON.stringify(line)}\n`))
      } catch (error) {
        const detail = error instanceof Error ? error.message : 'Something went wrong here.'
        out.enqueue(encoder.encode(`${JSON.stringify({ kind: 'failed', detail })}\n`))
        out.close()
      }
    },
    cancel: async () => {
      await making.return(undefined)
    },
  })
}
