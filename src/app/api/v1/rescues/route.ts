import { answer, parseQuery } from '@/server/http'
import { RequestError } from '@/server/problems'
import { rescuesQuerySchema } from '@/server/queries'
import { readRescueHand } from '@/server/rescues'

/** What a camera is set to, as far as it matters when something goes wrong. */
export const GET = (request: Request) =>
  answer(async () => {
    const hand = await readRescueHand(parseQuery(rescuesQuerySchema, request))
    if (!hand) throw new RequestError(404, 'No body yet', 'There is no body here yet.')
    return Response.json(hand)
  })
