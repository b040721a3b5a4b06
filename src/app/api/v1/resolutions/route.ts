import { contextFrom } from '@/core/standards'
import { readStoredResolutions } from '@/server/concordance'
import { answer, parseQuery } from '@/server/http'
import { resolutionsQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => {
    const { standard, bodies, for: forWhom } = parseQuery(resolutionsQuerySchema, request)
    const resolutions = await readStoredResolutions(standard, bodies?.split(','), contextFrom(forWhom))
    return Response.json({ resolutions })
  })
