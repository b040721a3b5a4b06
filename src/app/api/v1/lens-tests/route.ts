import { answer, readChange } from '@/server/http'
import { listLensTests, saveLensTest } from '@/server/lens-tests'
import { saveLensTestSchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ tests: await listLensTests() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-bodies', schema: saveLensTestSchema, what: 'test' })
    return Response.json(await saveLensTest(sent.document, actor), { status: 201 })
  })
