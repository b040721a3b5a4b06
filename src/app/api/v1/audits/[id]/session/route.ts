import { writeSession } from '@/server/audits'
import { answer, readChange } from '@/server/http'
import { writeSessionSchema } from '@/server/queries'

/** How long a camera followed goes into the thumb load of a standard. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'edit-standards',
      schema: writeSessionSchema,
      what: 'session',
    })
    return Response.json(await writeSession((await params).id, sent, actor))
  })
