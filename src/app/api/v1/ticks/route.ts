import { tickStep } from '@/server/card-actions'
import { answer, readChange } from '@/server/http'
import { tickSchema } from '@/server/queries'

const MOST_TICK_BYTES = 16 * 1024

export const PUT = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'tell-units',
      schema: tickSchema,
      what: 'tick',
      most: MOST_TICK_BYTES,
    })
    return Response.json(await tickStep(sent, actor))
  })
