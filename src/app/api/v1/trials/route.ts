import { answer, readChange } from '@/server/http'
import { saveTrialSchema } from '@/server/queries'
import { listTrials, saveTrial } from '@/server/trials'

/** As many passes as a trial holds, each with its words. */
const MOST_TRIAL_BYTES = 4 * 1024 * 1024

export const GET = () => answer(async () => Response.json({ trials: await listTrials() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'prove',
      schema: saveTrialSchema,
      what: 'trial',
      most: MOST_TRIAL_BYTES,
    })
    return Response.json(await saveTrial(sent.document, actor), { status: 201 })
  })
