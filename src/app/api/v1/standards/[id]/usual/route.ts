import { answer, readChange } from '@/server/http'
import { usualSchema } from '@/server/queries'
import { makeUsual } from '@/server/standards'

/** The standard that is in hand where nobody chose another. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    const { sent, actor } = await readChange(request, { deed: 'edit-house', schema: usualSchema, what: 'usual' })
    await makeUsual(id, sent.seen, actor)
    return Response.json({ standard: id })
  })
