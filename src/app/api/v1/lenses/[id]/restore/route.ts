import { answer, readChange } from '@/server/http'
import { takeBackLens } from '@/server/lenses'
import { takenBackSchema } from '@/server/queries'

/** Takes the newest change of a lens back. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-lenses', schema: takenBackSchema, what: 'lens' })
    await takeBackLens((await params).id, sent.revision, actor)
    return Response.json({ taken: true })
  })
