import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { commentSchema } from '@/server/queries'
import { readComments, writeComment } from '@/server/standards'

interface Params {
  params: Promise<{ id: string }>
}

export const GET = (_: Request, { params }: Params) =>
  answer(async () => Response.json({ comments: await readComments((await params).id) }))

export const POST = (request: Request, { params }: Params) =>
  answer(async () => {
    const { id } = await params
    await writeComment(id, expectShape(commentSchema, await readJson(request, 'comment', MOST_BODY_BYTES), 'comment'))
    return Response.json({ comments: await readComments(id) }, { status: 201 })
  })
