import { answer } from '@/server/http'
import { takeHouseBaseline } from '@/server/standards'

/** Takes the standard that comes with the house. */
export const POST = () =>
  answer(async () => {
    const { id } = await takeHouseBaseline()
    return Response.json({ id }, { status: 201 })
  })
