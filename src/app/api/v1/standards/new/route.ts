import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { newStandardSchema } from '@/server/queries'
import { createStandard } from '@/server/standards'

export const POST = (request: Request) =>
  answer(async () => {
    const wanted = expectShape(newStandardSchema, await readJson(request, 'standard', MOST_BODY_BYTES), 'standard')
    return Response.json(await createStandard(wanted), { status: 201 })
  })
