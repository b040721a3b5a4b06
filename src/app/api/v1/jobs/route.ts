import { answer, MOST_REQUEST_BYTES, readChange } from '@/server/http'
import { beginJob, importJob, listJobs } from '@/server/jobs'
import { newJobSchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ jobs: await listJobs() }))

/** Begins a job, or stores one from a file. */
export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'plan-jobs',
      schema: newJobSchema,
      what: 'job',
      most: MOST_REQUEST_BYTES,
    })
    const made = 'document' in sent ? await importJob(sent.document, actor) : await beginJob(sent, actor)
    return Response.json(made, { status: 201 })
  })
