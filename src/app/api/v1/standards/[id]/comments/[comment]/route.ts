import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { settledSchema } from '@/server/queries'
import { readComments, settle } from '@/server/standards'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string; comment: string }> }) =>
  answer(async () => {
    const { id, comment } = await params
    const { settled, person } = expectShape(
      settledSchema,
      await readJson(request, 'comment', MOST_BODY_BYTES),
      'comment',
    )
    await settle(id, Number(comment), settled, person)
    return Response.json({ comments: await readComments(id) })
  })
