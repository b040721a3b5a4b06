import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { takeBackLens } from '@/server/lenses'
import { signedSchema } from '@/server/queries'

/** Takes the newest change of a lens back. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { person } = expectShape(signedSchema, await readJson(request, 'lens', MOST_BODY_BYTES), 'lens')
    await takeBackLens((await params).id, person)
    return Response.json({ taken: true })
  })
