import { answer, readChange } from '@/server/http'
import { noteBlockSchema } from '@/server/queries'
import { noteBlock } from '@/server/trials'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'prove', schema: noteBlockSchema, what: 'note' })
    await noteBlock((await params).id, sent.note, actor)
    return Response.json({ outcome: 'done', received: actor.at })
  })
