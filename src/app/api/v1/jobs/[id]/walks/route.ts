import { pairsFrom } from '@/core/jobs/needed'
import { readWalks } from '@/server/job-facts'
import { answer, parseQuery } from '@/server/http'
import { readJob } from '@/server/jobs'
import { notFound } from '@/server/problems'
import { walksQuerySchema } from '@/server/queries'

/** The best walks of one model between the set-ups of a job. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { model, setUps, pairs } = parseQuery(walksQuerySchema, request)
    const { document } = await readJob((await params).id)
    const walks = await readWalks(document, {
      model,
      setUps: setUps.split(' '),
      ...(pairs === undefined ? {} : { pairs: pairsFrom(pairs) }),
    })
    if (!walks) throw notFound('model', model)
    return Response.json(walks)
  })
