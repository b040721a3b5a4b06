import { contextFrom } from '@/core/standards'
import { answer, parseQuery } from '@/server/http'
import { comparisonQuerySchema } from '@/server/queries'
import { compareVersions } from '@/server/standards'

export const GET = (request: Request) =>
  answer(async () => {
    const { before, after, for: forWhom } = parseQuery(comparisonQuerySchema, request)
    return Response.json(await compareVersions(before, after, contextFrom(forWhom)))
  })
