import { answer, readChange } from '@/server/http'
import { newStandardSchema } from '@/server/queries'
import { createStandard } from '@/server/standards'

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'edit-standards',
      schema: newStandardSchema,
      what: 'standard',
    })
    return Response.json(await createStandard(sent, actor), { status: 201 })
  })
