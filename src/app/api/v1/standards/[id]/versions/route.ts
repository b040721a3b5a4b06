import { answer, readChange } from '@/server/http'
import { nothingMoreSchema } from '@/server/queries'
import { openDraft, readStandardView } from '@/server/standards'

interface Params {
  params: Promise<{ id: string }>
}

export const GET = (_: Request, { params }: Params) =>
  answer(async () => {
    const { versions } = await readStandardView((await params).id)
    return Response.json({ versions })
  })

export const POST = (request: Request, { params }: Params) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'edit-standards', schema: nothingMoreSchema, what: 'request' })
    return Response.json(await openDraft((await params).id, actor), { status: 201 })
  })
