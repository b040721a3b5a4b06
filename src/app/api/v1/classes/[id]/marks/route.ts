import { markLesson } from '@/server/classes'
import { answer, readChange } from '@/server/http'
import { classMarkSchema } from '@/server/queries'

/** A count outdoors, or the teacher's word, sent until it is answered. */
export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: ({ mark }) => (mark?.kind === 'word' ? 'teach' : 'practise'),
      schema: classMarkSchema,
      what: 'mark',
    })
    await markLesson((await params).id, sent, actor)
    return Response.json({ outcome: 'done', received: actor.at })
  })
