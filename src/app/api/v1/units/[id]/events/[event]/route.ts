import { undoHappened } from '@/server/card-actions'
import { answer, readChange } from '@/server/http'
import { undoneSchema } from '@/server/queries'

/** Takes something that happened to a unit back, or has it count again. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string; event: string }> }) =>
  answer(async () => {
    const { id, event } = await params
    const { sent, actor } = await readChange(request, { deed: 'tell-units', schema: undoneSchema, what: 'undone' })
    await undoHappened(id, Number(event), sent.undone, actor)
    return Response.json({ undone: sent.undone })
  })
