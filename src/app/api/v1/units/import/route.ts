import { answer, fileNameOf, parseQuery } from '@/server/http'
import { importUnits } from '@/server/kit'
import { unitImportQuerySchema } from '@/server/queries'
import { readSheetBytes } from '@/server/spreadsheets'

export const POST = (request: Request) =>
  answer(async () => {
    const { preview, person } = parseQuery(unitImportQuerySchema, request)
    const file = fileNameOf(request, 'spreadsheet')
    return Response.json(await importUnits(await readSheetBytes(request), file, preview === '1', person))
  })
