import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { signedSchema } from '@/server/queries'
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
    const { person } = expectShape(signedSchema, await readJson(request, 'request', MOST_BODY_BYTES), 'request')
    return Response.json(await openDraft((await params).id, person), { status: 201 })
  })
