import { listRuns, saveRun } from '@/server/bench'
import { answer, readChange } from '@/server/http'
import { saveRunSchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ runs: await listRuns() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-bodies', schema: saveRunSchema, what: 'run' })
    return Response.json(await saveRun(sent.document, actor), { status: 201 })
  })
