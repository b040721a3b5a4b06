import { answer, readChange } from '@/server/http'
import { happen } from '@/server/jobs'
import { happenedSchema } from '@/server/queries'

/** What happened on the day, sent by a device until it is answered. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'plan-jobs', schema: happenedSchema, what: 'happening' })
    await happen((await params).id, sent, actor)
    return Response.json({ outcome: 'done', received: actor.at })
  })
