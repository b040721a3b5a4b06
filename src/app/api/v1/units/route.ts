import { answer, parseQuery, readChange } from '@/server/http'
import { exportUnits, readKit, saveUnit } from '@/server/kit'
import { newUnitSchema, unitsQuerySchema } from '@/server/queries'
import { fileResponse } from '@/server/spreadsheets'

export const GET = (request: Request) =>
  answer(async () => {
    const { as } = parseQuery(unitsQuerySchema, request)
    return as === 'json' ? Response.json(await readKit()) : fileResponse(await exportUnits(as), `units.${as}`, as)
  })

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-kit', schema: newUnitSchema, what: 'unit' })
    return Response.json(await saveUnit(sent.unit, undefined, 0, actor), { status: 201 })
  })
