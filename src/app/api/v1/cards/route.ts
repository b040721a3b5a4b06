import { contextFrom } from '@/core/standards'
import { readCard } from '@/server/cards'
import { answer, expectShape, queryOf } from '@/server/http'
import { cardQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => {
    const { standard, body, unit, for: forWhom, slots } = expectShape(cardQuerySchema, queryOf(request), 'query')
    return Response.json(await readCard(standard, body, unit, contextFrom(forWhom), slots))
  })
