import { saveBody } from '@/server/authoring'
import { readBody } from '@/server/catalogue'
import { answer, expectShape, MOST_REQUEST_BYTES, readJson } from '@/server/http'
import { saveBodySchema } from '@/server/queries'

type Context = { params: Promise<{ id: string }> }

export const GET = (_: Request, { params }: Context) =>
  answer(async () => Response.json((await readBody((await params).id)).document))

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { document, ...rest } = expectShape(
      saveBodySchema,
      await readJson(request, 'profile', MOST_REQUEST_BYTES),
      'profile',
    )
    return Response.json(await saveBody((await params).id, { document, ...rest }))
  })
