import { readQuestions } from '@/server/drills'
import { answer, parseQuery } from '@/server/http'
import { questionsQuerySchema } from '@/server/queries'

export const GET = (request: Request) =>
  answer(async () => {
    const { before, ...asked } = parseQuery(questionsQuerySchema, request)
    return Response.json({ questions: await readQuestions({ ...asked, isBeforeJob: before === 'job' }) })
  })
