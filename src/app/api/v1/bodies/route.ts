import { importDocuments } from '@/server/authoring'
import { listBodies } from '@/server/catalogue'
import { answer, fileNameOf, MOST_REQUEST_BYTES, parseQuery, readJsonBytes } from '@/server/http'
import { importQuerySchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ bodies: await listBodies() }))

export const POST = (request: Request) =>
  answer(async () => {
    const file = fileNameOf(request, 'body')
    const { conflict, person } = parseQuery(importQuerySchema, request)
    const content = await readJsonBytes(request, MOST_REQUEST_BYTES)
    const { bodies, lenses, notes } = await importDocuments(content, file, conflict, person ?? null)
    return Response.json({ id: bodies[0]?.id ?? lenses[0]?.id, bodies, lenses, notes }, { status: 201 })
  })
