import { answer, readChange } from '@/server/http'
import { commentSchema } from '@/server/queries'
import { readComments, writeComment } from '@/server/standard-comments'

interface Params {
  params: Promise<{ id: string }>
}

export const GET = (_: Request, { params }: Params) =>
  answer(async () => Response.json({ comments: await readComments((await params).id) }))

export const POST = (request: Request, { params }: Params) =>
  answer(async () => {
    const { id } = await params
    const { sent, actor } = await readChange(request, { deed: 'comment', schema: commentSchema, what: 'comment' })
    await writeComment(id, sent, actor)
    return Response.json({ comments: await readComments(id) }, { status: 201 })
  })
