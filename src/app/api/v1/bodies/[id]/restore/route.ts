import { restoreBody } from '@/server/authoring'
import { answer, readChange } from '@/server/http'
import { restoreSchema } from '@/server/queries'

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-bodies', schema: restoreSchema, what: 'event' })
    return Response.json(await restoreBody((await params).id, sent.event, sent.revision, actor))
  })
