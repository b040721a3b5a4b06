import { listStandards } from '@/server/catalogue'
import { answer, fileNameOf, MOST_BODY_BYTES, readFileChange, readJson } from '@/server/http'
import { standardImportQuerySchema } from '@/server/queries'
import { importStandard } from '@/server/standard-import'

export const GET = () => answer(async () => Response.json({ standards: await listStandards() }))

export const POST = (request: Request) =>
  answer(async () => {
    const file = fileNameOf(request, 'standard')
    const { query, actor } = await readFileChange(request, 'edit-standards', standardImportQuerySchema)
    const content = await readJson(request, file, MOST_BODY_BYTES)
    const taken = await importStandard(content, file, actor, { preview: query.preview === '1' })
    return Response.json(taken, { status: query.preview === '1' ? 200 : 201 })
  })
