import { answer, readChange } from '@/server/http'
import { saveTrialSchema } from '@/server/queries'
import { listTrials, saveTrial } from '@/server/trials'

export const GET = () => answer(async () => Response.json({ trials: await listTrials() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'prove', schema: saveTrialSchema, what: 'trial' })
    return Response.json(await saveTrial(sent.document, actor), { status: 201 })
  })
