import { answerQuestion } from '@/server/drills'
import { answer, readChange } from '@/server/http'
import { answerQuestionSchema } from '@/server/queries'

/** An answer to a question of a drill: when it is asked again follows from it. */
export const PUT = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, {
      deed: 'practise',
      schema: answerQuestionSchema,
      what: 'answer',
    })
    return Response.json({ outcome: 'done', received: actor.at, ...(await answerQuestion(sent, actor)) })
  })
