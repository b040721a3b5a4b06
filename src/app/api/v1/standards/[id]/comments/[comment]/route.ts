import { answer, readChange } from '@/server/http'
import { settledSchema } from '@/server/queries'
import { readComments, settle } from '@/server/standard-comments'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string; comment: string }> }) =>
  answer(async () => {
    const { id, comment } = await params
    const { sent, actor } = await readChange(request, { deed: 'comment', schema: settledSchema, what: 'comment' })
    await settle(id, Number(comment), sent.settled, actor)
    return Response.json({ comments: await readComments(id) })
  })
