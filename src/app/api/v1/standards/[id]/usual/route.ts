import { answer, readChange } from '@/server/http'
import { nothingMoreSchema } from '@/server/queries'
import { makeUsual } from '@/server/standards'

/** The standard that is in hand where nobody chose another. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params
    const { actor } = await readChange(request, { deed: 'edit-house', schema: nothingMoreSchema, what: 'usual' })
    await makeUsual(id, actor)
    return Response.json({ standard: id })
  })
