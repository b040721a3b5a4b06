import { importStandard, listStandards } from '@/server/catalogue'
import { answer, fileNameOf, MOST_BODY_BYTES, readJson } from '@/server/http'

export const GET = () => answer(async () => Response.json({ standards: await listStandards() }))

export const POST = (request: Request) =>
  answer(async () => {
    const file = fileNameOf(request, 'standard')
    const standard = await importStandard(await readJson(request, file, MOST_BODY_BYTES), file, null)
    return Response.json({ id: standard.id }, { status: 201 })
  })
