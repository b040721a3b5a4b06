import { markHandedOver } from '@/server/hands'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { handedOverSchema } from '@/server/queries'

/** Marks a unit as set for a stranger, or as set back. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { handedOver, person } = expectShape(
      handedOverSchema,
      await readJson(request, 'handover', MOST_BODY_BYTES),
      'handover',
    )
    await markHandedOver((await params).id, handedOver, person)
    return Response.json({ handedOver })
  })
