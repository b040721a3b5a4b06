import { readStoredResolutions } from '@/server/concordance'
import { answer, expectShape, queryOf } from '@/server/http'
import { resolutionsQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => {
    const { standard, bodies } = expectShape(resolutionsQuerySchema, queryOf(request), 'query')
    return Response.json({ resolutions: await readStoredResolutions(standard, bodies?.split(',')) })
  })
