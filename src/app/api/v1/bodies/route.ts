import { importDocuments } from '@/server/authoring'
import { listBodies } from '@/server/catalogue'
import { answer, fileNameOf, MOST_REQUEST_BYTES, readFileChange, readJsonBytes } from '@/server/http'
import { importQuerySchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ bodies: await listBodies() }))

export const POST = (request: Request) =>
  answer(async () => {
    const file = fileNameOf(request, 'body')
    const { query, actor } = await readFileChange(request, 'edit-bodies', importQuerySchema)
    const content = await readJsonBytes(request, MOST_REQUEST_BYTES)
    const { bodies, lenses, notes } = await importDocuments(content, file, query.conflict, actor)
    return Response.json({ id: bodies[0]?.id ?? lenses[0]?.id, bodies, lenses, notes }, { status: 201 })
  })
