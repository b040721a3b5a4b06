import { answer, fileNameOf, readFileChange } from '@/server/http'
import { importUnits } from '@/server/kit'
import { unitImportQuerySchema } from '@/server/queries'
import { readSheetBytes } from '@/server/spreadsheets'

export const POST = (request: Request) =>
  answer(async () => {
    const { query, actor } = await readFileChange(request, 'edit-kit', unitImportQuerySchema)
    const file = fileNameOf(request, 'spreadsheet')
    return Response.json(await importUnits(await readSheetBytes(request), file, query.preview === '1', actor))
  })
