import { saveCarried } from '@/server/carriers'
import { answer, readChange } from '@/server/http'
import { carriedSchema } from '@/server/queries'

/** Says which units a person usually carries together. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-kit', schema: carriedSchema, what: 'units' })
    await saveCarried((await params).id, sent, actor)
    return Response.json({ units: sent.units })
  })
