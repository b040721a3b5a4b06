import { markHandedOver } from '@/server/carriers'
import { answer, readChange } from '@/server/http'
import { handedOverSchema } from '@/server/queries'

/** Marks a unit as set for a stranger, or as set back. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'tell-units',
      schema: handedOverSchema,
      what: 'handover',
    })
    await markHandedOver((await params).id, sent.handedOver, actor)
    return Response.json({ handedOver: sent.handedOver })
  })
