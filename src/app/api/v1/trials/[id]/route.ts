import { answer, readChange } from '@/server/http'
import { throwAwaySchema } from '@/server/queries'
import { readTrialDocument, removeTrial } from '@/server/trials'

/** A trial in its exchange format, with everything that was counted. */
export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json(await readTrialDocument((await params).id)))

export const PATCH = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'prove', schema: throwAwaySchema, what: 'request' })
    await removeTrial((await params).id, actor)
    return Response.json({})
  })
