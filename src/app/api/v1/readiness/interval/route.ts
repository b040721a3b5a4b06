import { answer, readChange } from '@/server/http'
import { intervalSchema } from '@/server/queries'
import { setRecheckWeeks } from '@/server/readiness'

/** After how many weeks a unit is looked at again. */
export const PUT = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'edit-house', schema: intervalSchema, what: 'interval' })
    await setRecheckWeeks(sent, actor)
    return Response.json({ weeks: sent.weeks })
  })
