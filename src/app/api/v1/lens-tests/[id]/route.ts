import { answer, readChange } from '@/server/http'
import { readLensTestRow, removeLensTest } from '@/server/lens-tests'
import { throwAwaySchema } from '@/server/queries'

/** A test in its exchange format. */
export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json((await readLensTestRow((await params).id)).test))

export const PATCH = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'edit-bodies', schema: throwAwaySchema, what: 'request' })
    await removeLensTest((await params).id, actor)
    return Response.json({})
  })
