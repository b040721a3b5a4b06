import { readAudit, removeAudit } from '@/server/audits'
import { answer, readChange } from '@/server/http'
import { throwAwaySchema } from '@/server/queries'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json(await readAudit((await params).id)))

export const PATCH = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'prove', schema: throwAwaySchema, what: 'request' })
    await removeAudit((await params).id, actor)
    return Response.json({})
  })
