import { importBody, listBodies } from '@/server/catalogue'
import { answer, MOST_BODY_BYTES, readJson } from '@/server/http'

export const GET = () => answer(async () => Response.json({ bodies: await listBodies() }))

export const POST = (request: Request) =>
  answer(async () => {
    const body = await importBody(await readJson(request, 'body', MOST_BODY_BYTES), 'body', null)
    return Response.json({ id: body.id }, { status: 201 })
  })
