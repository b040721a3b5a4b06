import { answer, readChange } from '@/server/http'
import { readJob, removeJob, saveJob } from '@/server/jobs'
import { notFound } from '@/server/problems'
import { saveJobSchema, throwAwaySchema } from '@/server/queries'

interface Asked {
  params: Promise<{ id: string }>
}

export const GET = (_request: Request, { params }: Asked) =>
  answer(async () => Response.json((await readJob((await params).id)).document))

export const PUT = (request: Request, { params }: Asked) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'plan-jobs', schema: saveJobSchema, what: 'job' })
    const { id } = await params
    if (sent.document['id'] !== id) throw notFound('job', id)
    return Response.json(await saveJob(sent, actor))
  })

export const PATCH = (request: Request, { params }: Asked) =>
  answer(async () => {
    const { actor } = await readChange(request, { deed: 'plan-jobs', schema: throwAwaySchema, what: 'job' })
    await removeJob((await params).id, actor)
    return Response.json({ outcome: 'done' })
  })
