import { contextFrom } from '@/core/standards'
import { readExplanation } from '@/server/explanation'
import { answer, expectShape, MOST_BODY_BYTES, parseQuery, readJson } from '@/server/http'
import { explanationQuerySchema, levelledExplanationSchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => {
    const { standard, body, dimension, for: forWhom } = parseQuery(explanationQuerySchema, request)
    return Response.json(await readExplanation(standard, body, dimension, { context: contextFrom(forWhom) }))
  })

/** The same at a common level that is only being tried. */
export const POST = (request: Request) =>
  answer(async () => {
    const asked = expectShape(levelledExplanationSchema, await readJson(request, 'request', MOST_BODY_BYTES), 'request')
    const { standard, body, dimension, level } = asked
    return Response.json(await readExplanation(standard, body, dimension, { context: contextFrom(asked.for), level }))
  })
