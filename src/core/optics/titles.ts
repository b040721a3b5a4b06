import type { QuestionId } from './answers/answer'

/** What each question is called: apart from the answers, for pages that only ask the server. */
const TITLES: Readonly<Record<QuestionId, string>> = {
  depth: 'How deep is it sharp?',
  recompose: 'Recompose, or move the point?',
  area: 'Which area fits?',
  limiter: 'Which limiter position?',
  framing: 'What does it frame like?',
  crop: 'Step back and crop?',
  shutter: 'Is the time short enough?',
  miss: 'What does a miss look like?',
  light: 'Where is the sun?',
  air: 'Does the air hold still?',
}

export const questionTitle = (id: QuestionId): string => TITLES[id]
