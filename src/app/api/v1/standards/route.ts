import { importStandard, listStandards } from '@/server/catalogue'
import { answer, MOST_BODY_BYTES, readJson } from '@/server/http'

export const GET = () => answer(async () => Response.json({ standards: await listStandards() }))

export const POST = (request: Request) =>
  answer(async () => {
    const standard = await importStandard(await readJson(request, 'standard', MOST_BODY_BYTES), 'standard', null)
    return Response.json({ id: standard.id }, { status: 201 })
  })
