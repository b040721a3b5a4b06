import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { intervalSchema } from '@/server/queries'
import { setRecheckWeeks } from '@/server/readiness'

/** After how many weeks a unit is looked at again. */
export const PUT = (request: Request) =>
  answer(async () => {
    const { weeks, seen, person } = expectShape(
      intervalSchema,
      await readJson(request, 'interval', MOST_BODY_BYTES),
      'interval',
    )
    await setRecheckWeeks({ weeks, seen }, person)
    return Response.json({ weeks })
  })
