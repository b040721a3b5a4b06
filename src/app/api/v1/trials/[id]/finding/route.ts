import { answer, readChange } from '@/server/http'
import { writeFindingSchema } from '@/server/queries'
import { writeFinding } from '@/server/trials'

/** Writes what a trial says into the draft of a standard. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'edit-standards',
      schema: writeFindingSchema,
      what: 'request',
    })
    return Response.json(await writeFinding((await params).id, sent.standard, actor))
  })
