import { exportBundle } from '@/server/authoring'
import { answer, parseQuery } from '@/server/http'
import { bundleQuerySchema } from '@/server/queries'
import { fileResponse } from '@/server/spreadsheets'

export const GET = (request: Request) =>
  answer(async () => {
    const { bodies, lenses } = parseQuery(bundleQuerySchema, request)
    const bundle = await exportBundle(bodies?.split(','), lenses?.split(','))
    const [only] = bundle.bodies
    const single = only && bundle.bodies.length + bundle.lenses.length === 1
    return fileResponse(
      JSON.stringify(single ? only : bundle, null, 2),
      single ? `${only.id}.json` : 'coherion-bundle.json',
      'json',
    )
  })
