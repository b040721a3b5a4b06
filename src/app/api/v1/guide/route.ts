import { propose } from '@/core/guide/guide'
import { QUESTIONS } from '@/core/guide/questions'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { answersSchema } from '@/server/queries'

export const GET = () => answer(() => Promise.resolve(Response.json({ questions: QUESTIONS })))

export const POST = (request: Request) =>
  answer(async () => {
    const answers = expectShape(answersSchema, await readJson(request, 'answers', MOST_BODY_BYTES), 'answers')
    return Response.json({ topics: propose(answers) })
  })
