import { answer, readChange } from '@/server/http'
import { keepLensTest } from '@/server/lens-tests'
import { keepRunSchema } from '@/server/queries'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-bodies', schema: keepRunSchema, what: 'request' })
    return Response.json(await keepLensTest((await params).id, sent.revision, actor))
  })
