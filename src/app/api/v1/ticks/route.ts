import { tickStep } from '@/server/card-actions'
import { answer, expectShape, readJson } from '@/server/http'
import { tickSchema } from '@/server/queries'

const MOST_TICK_BYTES = 16 * 1024

export const PUT = (request: Request) =>
  answer(async () => {
    const tick = expectShape(tickSchema, await readJson(request, 'tick', MOST_TICK_BYTES), 'tick')
    return Response.json(await tickStep(tick))
  })
