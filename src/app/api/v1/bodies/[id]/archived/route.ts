import { setBodyArchived } from '@/server/authoring'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { archivedSchema } from '@/server/queries'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { archived, revision, person } = expectShape(
      archivedSchema,
      await readJson(request, 'body', MOST_BODY_BYTES),
      'body',
    )
    await setBodyArchived((await params).id, archived, revision, person)
    return Response.json({ archived })
  })
