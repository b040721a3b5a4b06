import { readFleet } from '@/server/concordance'
import { answer, parseQuery } from '@/server/http'
import { fleetQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => Response.json(await readFleet(parseQuery(fleetQuerySchema, request).bodies?.split(','))))
