import type { Argument } from './argument'
import { conditionsOf, factsOf, optionLabel } from './facts'
import { type Answers, answersTo, type Question, questionsFor } from './questions'
import { schoolsIn, TOPIC_IDS, type TopicId } from './schools'
import { decide, KNOWLEDGE, type Setting } from './weigh'

/** What would change the guide's mind: found by answering each question differently, not written down. */

/** One answer that would lead to another proposal. */
export interface MindChange {
  readonly question: string
  readonly answer: string
  readonly then: string
}

/** The answers that could have been given instead, one at a time. */
const otherAnswers = (question: Question, answers: Answers, limits: ReadonlyMap<string, readonly number[]>) => {
  const { id } = question
  const with_ = (answer: Answers[string]): Answers => ({ ...answers, [id]: answer })
  switch (question.kind) {
    case 'one':
      return question.options.filter(o => o.id !== answers[id]).map(o => with_(o.id))
    case 'many':
      return question.options.filter(o => !answersTo(answers[id]).includes(o.id)).map(o => with_([o.id]))
    case 'amount':
      return (limits.get(id) ?? []).map(with_)
  }
}

/** The amounts at which an argument begins or ceases to hold. */
const limitsOf = (all: readonly Argument[]): ReadonlyMap<string, readonly number[]> => {
  const limits = new Map<string, number[]>()
  for (const a of all)
    for (const [id, condition] of conditionsOf(a.when))
      if ('min' in condition || 'max' in condition) {
        const { min, max } = condition as { min?: number; max?: number }
        limits.set(id, [...new Set([...(limits.get(id) ?? []), ...[min, max].filter(n => n !== undefined)])])
      }
  return limits
}

/** Most changes of mind that are told for one topic. */
const MOST_CHANGES = 4

/** By topic, a few of the single answers that would lead to another school. */
export const changesOfMind = (answers: Answers, setting: Setting): ReadonlyMap<string, MindChange[]> => {
  const { knowledge = KNOWLEDGE, taken = {} } = setting
  const decided = decide(factsOf(answers), knowledge, taken)
  const limits = limitsOf(knowledge.arguments)
  const changes = new Map<string, MindChange[]>()
  for (const question of questionsFor(answers))
    for (const other of otherAnswers(question, answers, limits)) {
      const then = decide(factsOf(other), knowledge, taken)
      for (const topic of TOPIC_IDS) {
        const id = then[topic]
        const title = id === undefined ? undefined : schoolsIn(topic)[id]?.title
        const told = changes.get(topic) ?? []
        if (id === decided[topic] || title === undefined || told.length >= MOST_CHANGES) continue
        if (told.some(c => c.question === question.text && c.then === title)) continue
        const answer = answersTo(other[question.id])
          .map(a => optionLabel(question, a))
          .join(', ')
        changes.set(topic, [...told, { question: question.text, answer, then: title }])
      }
    }
  return changes
}

/** The single answers that would lead to another proposal on a topic, a few of them. */
export const mindChangesOn = (topic: TopicId, answers: Answers, setting: Setting = {}): readonly MindChange[] =>
  changesOfMind(answers, setting).get(topic) ?? []
