import { answer, readChange } from '@/server/http'
import { stateSchema } from '@/server/queries'
import { moveVersion } from '@/server/standards'

export const POST = (request: Request, { params }: { params: Promise<{ id: string; version: string }> }) =>
  answer(async () => {
    const { id, version } = await params
    const { sent, actor } = await readChange(request, {
      deed: wanted => (wanted.state === 'approved' ? 'approve-standards' : 'edit-standards'),
      schema: stateSchema,
      what: 'state',
    })
    await moveVersion(id, Number(version), sent, actor)
    return Response.json({ state: sent.state })
  })
