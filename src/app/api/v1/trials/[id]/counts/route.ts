import { answer, readChange } from '@/server/http'
import { countPassSchema } from '@/server/queries'
import { countPass } from '@/server/trials'

/** A pass that was counted, or taken back, by a device that sends it until it is answered. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'prove', schema: countPassSchema, what: 'pass' })
    await countPass((await params).id, sent, actor)
    return Response.json({ outcome: 'done', received: actor.at })
  })
