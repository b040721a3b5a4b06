import { planTroubles } from './limiter'
import { lightTroubles } from './light'
import type { Reckoned, Trouble } from '../reckon'
import { airAnswer } from './air'
import { type Answer, type Question, type QuestionId, QUESTIONS } from './answer'
import { areaAnswer } from './area'
import { cropAnswer } from './crop'
import { depthAnswer } from './depth'
import { framingAnswer } from './framing'
import { lightAnswer } from './light'
import { limiterAnswer } from './limiter'
import { missAnswer } from './miss'
import { recomposeAnswer } from './recompose'
import { shutterAnswer } from './shutter'

/** The ten questions, in the order in which they are asked. */
const ANSWERS: Readonly<Record<QuestionId, Question>> = {
  depth: depthAnswer,
  recompose: recomposeAnswer,
  area: areaAnswer,
  limiter: limiterAnswer,
  framing: framingAnswer,
  crop: cropAnswer,
  shutter: shutterAnswer,
  miss: missAnswer,
  light: lightAnswer,
  air: airAnswer,
}

/** @example isQuestion('depth') // true */
export const isQuestion = (id: string): id is QuestionId => (QUESTIONS as readonly string[]).includes(id)

export const answerTo = (id: QuestionId, r: Reckoned): Answer => ANSWERS[id](r)

/** All ten, in their order. */
export const allAnswers = (r: Reckoned): readonly Answer[] => QUESTIONS.map(id => answerTo(id, r))

/** Everything about a scene that cannot be, with the nearest that can. */
export const allTroubles = (r: Reckoned): readonly Trouble[] => [...r.troubles, ...planTroubles(r), ...lightTroubles(r)]
