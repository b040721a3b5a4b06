import { exportBundle } from '@/server/authoring'
import { answer, parseQuery } from '@/server/http'
import { bundleQuerySchema } from '@/server/queries'
import { fileResponse } from '@/server/spreadsheets'

export const GET = (request: Request) =>
  answer(async () => {
    const { bodies, lenses } = parseQuery(bundleQuerySchema, request)
    const { text, name } = await exportBundle(bodies?.split(','), lenses?.split(','))
    return fileResponse(text, name, 'json')
  })
