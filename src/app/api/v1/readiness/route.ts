import { contextFrom } from '@/core/standards'
import { answer, expectShape, queryOf } from '@/server/http'
import { readinessQuerySchema } from '@/server/queries'
import { readReadiness } from '@/server/readiness'

export const GET = (request: Request) =>
  answer(async () => {
    const { standard, bodies, for: forWhom } = expectShape(readinessQuerySchema, queryOf(request), 'query')
    return Response.json(await readReadiness(standard, contextFrom(forWhom), bodies?.split(',')))
  })
