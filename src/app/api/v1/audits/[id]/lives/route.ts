import { takeOver } from '@/server/audits'
import { answer, readChange } from '@/server/http'
import { takeOverSchema } from '@/server/queries'

/** What was seen goes into the lives of the units. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'tell-units', schema: takeOverSchema, what: 'request' })
    return Response.json(await takeOver((await params).id, actor))
  })
