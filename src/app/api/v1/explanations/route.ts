import { readExplanation } from '@/server/explanation'
import { answer, expectShape, queryOf } from '@/server/http'
import { explanationQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => {
    const { standard, body, dimension } = expectShape(explanationQuerySchema, queryOf(request), 'query')
    return Response.json(await readExplanation(standard, body, dimension))
  })
