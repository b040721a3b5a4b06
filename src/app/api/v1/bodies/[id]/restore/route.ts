import { restoreBody } from '@/server/authoring'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { restoreSchema } from '@/server/queries'

export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { event, revision, person } = expectShape(
      restoreSchema,
      await readJson(request, 'event', MOST_BODY_BYTES),
      'event',
    )
    return Response.json(await restoreBody((await params).id, event, revision, person))
  })
