import { createBody, createBodyFromSheet } from '@/server/authoring'
import { answer, fileNameOf, isJsonRequest, readChange, readFileChange } from '@/server/http'
import { newBodyQuerySchema, newBodySchema } from '@/server/queries'
import { readSheetBytes } from '@/server/spreadsheets'

/** JSON begins a profile from an archetype, a copy or a pasted menu; anything else is a spreadsheet of the menu. */
export const POST = (request: Request) =>
  answer(async () => {
    const begin = async () => {
      if (isJsonRequest(request)) {
        const { sent, actor } = await readChange(request, { deed: 'edit-bodies', schema: newBodySchema, what: 'body' })
        return createBody(sent, actor)
      }
      const { query, actor } = await readFileChange(request, 'edit-bodies', newBodyQuerySchema)
      return createBodyFromSheet(query, await readSheetBytes(request), fileNameOf(request, 'spreadsheet'), actor)
    }
    return Response.json(await begin(), { status: 201 })
  })
