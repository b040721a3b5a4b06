import { propose, tipsFor } from '@/core/guide/guide'
import { QUESTIONS } from '@/core/guide/questions'
import { readKnowledge } from '@/server/guide'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { answersSchema } from '@/server/queries'

export const GET = () => answer(() => Promise.resolve(Response.json({ questions: QUESTIONS })))

export const POST = (request: Request) =>
  answer(async () => {
    const answers = expectShape(answersSchema, await readJson(request, 'answers', MOST_BODY_BYTES), 'answers')
    const knowledge = await readKnowledge()
    return Response.json({ topics: propose(answers, { knowledge }), ...tipsFor(answers, { knowledge }) })
  })
