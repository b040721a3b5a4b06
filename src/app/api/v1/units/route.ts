import { answer, expectShape, MOST_BODY_BYTES, parseQuery, readJson } from '@/server/http'
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
    const { unit, person } = expectShape(newUnitSchema, await readJson(request, 'unit', MOST_BODY_BYTES), 'unit')
    return Response.json(await saveUnit(unit, undefined, 0, person), { status: 201 })
  })
