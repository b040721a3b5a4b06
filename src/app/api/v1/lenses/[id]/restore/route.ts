import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { takeBackLens } from '@/server/lenses'
import { takenBackSchema } from '@/server/queries'

/** Takes the newest change of a lens back. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { revision, person } = expectShape(takenBackSchema, await readJson(request, 'lens', MOST_BODY_BYTES), 'lens')
    await takeBackLens((await params).id, revision, person)
    return Response.json({ taken: true })
  })
