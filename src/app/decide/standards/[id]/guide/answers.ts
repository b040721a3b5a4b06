import { type Answers, answersTo } from '@/core/guide/questions'
import type { Standard } from '@/core/standards'

/** What was answered, as it is kept with a draft. */

/** Where the refused topics are kept among the answers. */
const REFUSED = 'refused'

/** A draft with one answer changed; nothing takes it out. */
export const withAnswer = (standard: Standard, id: string, answer: Answers[string] | undefined): Standard => {
  const { [id]: _, ...rest } = standard.answers ?? {}
  const said = answersTo(answer)
  if (said.length === 0) return { ...standard, answers: rest }
  return {
    ...standard,
    answers: { ...rest, [id]: Array.isArray(answer) ? [...said] : (answer as string | number) },
  }
}

export const refusedIn = (standard: Standard): readonly string[] => answersTo(standard.answers?.[REFUSED])

export const withRefusal = (standard: Standard, topic: string): Standard =>
  withAnswer(standard, REFUSED, [...new Set([...refusedIn(standard), topic])])

export const withoutRefusal = (standard: Standard, topic: string): Standard =>
  withAnswer(
    standard,
    REFUSED,
    refusedIn(standard).filter(t => t !== topic),
  )
