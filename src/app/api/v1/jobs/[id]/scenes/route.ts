import { answer, fileNameOf, isJsonRequest, readChange, readFileChange } from '@/server/http'
import { readScenes } from '@/server/jobs'
import { jobFileQuerySchema, jobListSchema } from '@/server/queries'
import { readSheetBytes } from '@/server/spreadsheets'

/** Scenes from a list, a spreadsheet or a calendar; they are read and not stored. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    if (isJsonRequest(request)) {
      const { sent } = await readChange(request, { deed: 'plan-jobs', schema: jobListSchema, what: 'list' })
      return Response.json(await readScenes(id, sent.text, 'list'))
    }
    await readFileChange(request, 'plan-jobs', jobFileQuerySchema)
    return Response.json(await readScenes(id, await readSheetBytes(request), fileNameOf(request, 'list')))
  })
