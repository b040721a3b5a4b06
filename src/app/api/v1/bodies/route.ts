import { importBody, listBodies } from '@/server/catalogue'
import { answer, fileNameOf, MOST_BODY_BYTES, readJson } from '@/server/http'

export const GET = () => answer(async () => Response.json({ bodies: await listBodies() }))

export const POST = (request: Request) =>
  answer(async () => {
    const file = fileNameOf(request, 'body')
    const body = await importBody(await readJson(request, file, MOST_BODY_BYTES), file, null)
    return Response.json({ id: body.id }, { status: 201 })
  })
