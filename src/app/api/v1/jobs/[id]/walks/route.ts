import { readWalks } from '@/server/job-facts'
import { answer, parseQuery } from '@/server/http'
import { readJob } from '@/server/jobs'
import { notFound } from '@/server/problems'
import { walksQuerySchema } from '@/server/queries'

/** The best walks of one model between the set-ups of a job. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { model, setUps } = parseQuery(walksQuerySchema, request)
    const walks = await readWalks((await readJob((await params).id)).document, model, setUps.split(' '))
    if (!walks) throw notFound('model', model)
    return Response.json(walks)
  })
