import { createBody, createBodyFromSheet } from '@/server/authoring'
import { answer, expectShape, fileNameOf, isJsonRequest, MOST_BODY_BYTES, parseQuery, readJson } from '@/server/http'
import { newBodyQuerySchema, newBodySchema } from '@/server/queries'
import { readSheetBytes } from '@/server/spreadsheets'

/** JSON begins a profile from an archetype, a copy or a pasted menu; anything else is a spreadsheet of the menu. */
export const POST = (request: Request) =>
  answer(async () => {
    const isJson = isJsonRequest(request)
    const made = isJson
      ? await createBody(expectShape(newBodySchema, await readJson(request, 'body', MOST_BODY_BYTES), 'body'))
      : await createBodyFromSheet(
          parseQuery(newBodyQuerySchema, request),
          await readSheetBytes(request),
          fileNameOf(request, 'spreadsheet'),
        )
    return Response.json(made, { status: 201 })
  })
