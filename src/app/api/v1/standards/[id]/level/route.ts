import { answer, readChange } from '@/server/http'
import { keepLevelSchema } from '@/server/queries'
import { keepLevel } from '@/server/standards'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'edit-standards',
      schema: keepLevelSchema,
      what: 'level',
    })
    return Response.json(await keepLevel((await params).id, sent.level, actor))
  })
