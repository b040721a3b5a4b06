import { isQuestion } from '@/core/optics/answers'
import { QUESTIONS } from '@/core/optics/answers/answer'
import { answer, expectShape, MOST_BODY_BYTES, readJson } from '@/server/http'
import { answerOptics } from '@/server/optics'
import { RequestError } from '@/server/problems'
import { opticsSchema } from '@/server/queries'

/** One question of the Optics desk: a scene in, the answer out, with what could not be as it was asked. */
export const POST = (request: Request, { params }: { params: Promise<{ question: string }> }) =>
  answer(async () => {
    const { question } = await params
    if (!isQuestion(question))
      throw new RequestError(404, 'No such question', `“${question.slice(0, 40)}” is none of ${QUESTIONS.join(', ')}.`)
    const { scene, units, on } = expectShape(opticsSchema, await readJson(request, 'scene', MOST_BODY_BYTES), 'scene')
    const { answer: found, troubles } = await answerOptics(question, scene, units, on)
    return Response.json({ ...found, troubles })
  })
