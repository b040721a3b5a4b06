import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { signedSchema } from '@/server/queries'
import { takeHouseBaseline } from '@/server/standards'

/** Takes the standard that comes with the house. */
export const POST = (request: Request) =>
  answer(async () => {
    const { person } = expectShape(signedSchema, await readJson(request, 'request', MOST_BODY_BYTES), 'request')
    const { id } = await takeHouseBaseline(person)
    return Response.json({ id }, { status: 201 })
  })
