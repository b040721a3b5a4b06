import { saveBody } from '@/server/authoring'
import { readBody } from '@/server/catalogue'
import { answer, MOST_REQUEST_BYTES, readChange } from '@/server/http'
import { saveBodySchema } from '@/server/queries'

type Context = { params: Promise<{ id: string }> }

export const GET = (_: Request, { params }: Context) =>
  answer(async () => Response.json((await readBody((await params).id)).document))

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'edit-bodies',
      schema: saveBodySchema,
      what: 'profile',
      most: MOST_REQUEST_BYTES,
    })
    return Response.json(await saveBody((await params).id, { ...sent, document: sent.document }, actor))
  })
