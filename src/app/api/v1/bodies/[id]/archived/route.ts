import { setBodyArchived } from '@/server/authoring'
import { answer, readChange } from '@/server/http'
import { archivedSchema } from '@/server/queries'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-bodies', schema: archivedSchema, what: 'body' })
    await setBodyArchived((await params).id, sent.archived, sent.revision, actor)
    return Response.json({ archived: sent.archived })
  })
