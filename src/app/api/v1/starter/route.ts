import { answer, readChange } from '@/server/http'
import { nothingMoreSchema } from '@/server/queries'
import { takeHouseBaseline } from '@/server/standard-import'

/** Takes the standard that comes with the house. */
export const POST = (request: Request) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'edit-standards', schema: nothingMoreSchema, what: 'request' })
    const { id } = await takeHouseBaseline(actor)
    return Response.json({ id }, { status: 201 })
  })
