import { keepRun } from '@/server/bench'
import { answer, readChange } from '@/server/http'
import { keepRunSchema } from '@/server/queries'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-bodies', schema: keepRunSchema, what: 'request' })
    return Response.json(await keepRun((await params).id, sent.revision, actor))
  })
