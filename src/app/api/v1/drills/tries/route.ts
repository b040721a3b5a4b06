import { readTries, saveTry } from '@/server/drills'
import { answer, parseQuery, readChange } from '@/server/http'
import { saveTrySchema, triesQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => Response.json({ tries: await readTries(parseQuery(triesQuerySchema, request).person) }))

/** A try that a device sends until it is answered. */
export const PUT = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'practise', schema: saveTrySchema, what: 'try' })
    await saveTry(sent.tried, actor)
    return Response.json({ outcome: 'done', received: actor.at })
  })
