import { undoHappened } from '@/server/card-actions'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { undoneSchema } from '@/server/queries'

/** Takes something that happened to a unit back, or has it count again. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string; event: string }> }) =>
  answer(async () => {
    const { id, event } = await params
    const { undone, person } = expectShape(undoneSchema, await readJson(request, 'undone', MOST_BODY_BYTES), 'undone')
    await undoHappened(id, Number(event), undone, person)
    return Response.json({ undone })
  })
