import {
  UNKNOWN,
  type Answers,
  answersTo,
  isKnown,
  QUESTIONS,
  type Question,
  type AmountId,
  type ChoiceId,
  type OptionOf,
} from './questions'

/** What follows from the answers, and how conditions on them are written, checked and put into words. */

export const PACES = ['still', 'slow', 'stop-start', 'steady', 'sudden'] as const
export type Pace = (typeof PACES)[number]

/** What comes home: pictures, film, or both in turn. */
export type Work = 'stills' | 'film' | 'both'

export interface Range {
  readonly min?: number
  readonly max?: number
}

/** All of these hold; of several options any one is enough. What was not answered holds for nothing. */
export type When = { readonly [Q in ChoiceId]?: readonly OptionOf<Q>[] } & {
  readonly [Q in AmountId | 'following']?: Range
} & { readonly pace?: readonly Pace[]; readonly work?: readonly Work[] }

/** What was answered, with what follows from it. */
export type Facts = Answers

/**
 * About what share of the time goes into following, from how it moves: the figure that decides between the schools of
 * the thumb.
 *
 * @returns 0 to 1; undefined where nothing was said about movement
 * @source common practice, no published source
 * @example followingShare(['still', 'sudden']) // 0.6
 */
export const followingShare = (motion: readonly string[]): number | undefined => {
  if (motion.length === 0) return undefined
  const moves = motion.filter(m => m !== 'still')
  if (moves.length === 0) return 0.1
  if (moves.every(m => m === 'stop-start')) return 0.5
  return motion.includes('still') || moves.includes('stop-start') ? 0.6 : 0.9
}

/** The most demanding pace of those that were said. */
const paceOf = (motion: readonly string[]): Pace | undefined => {
  if (motion.length === 0) return undefined
  if (motion.every(m => m === 'still')) return 'still'
  if (motion.includes('sudden')) return 'sudden'
  if (motion.includes('still') || motion.includes('stop-start')) return 'stop-start'
  return motion.includes('slow') && !motion.includes('steady') ? 'slow' : 'steady'
}

const workOf = (output: readonly string[]): Work | undefined => {
  const films = output.some(o => o !== 'stills')
  return output.length === 0 ? undefined : !films ? 'stills' : output.includes('stills') ? 'both' : 'film'
}

/** Metres up to which a distance is called so. */
const CALLED: readonly (readonly [number, OptionOf<'distance'>])[] = [
  [0.6, 'close'],
  [4, 'near'],
  [40, 'middle'],
  [Infinity, 'far'],
]

/** Earlier drafts asked about sounds and lamp in one breath; what was said of one says nothing of the other. */
const allowedBefore = (allowed: readonly string[]): Answers => ({
  ...(allowed.includes('sound') ? { sound: 'yes' } : allowed.includes('neither') ? { sound: 'no' } : {}),
  ...(allowed.includes('lamp') ? { lamp: 'yes' } : allowed.includes('neither') ? { lamp: 'no' } : {}),
})

/** What can be answered of what was: a draft may hold the answers of another version, or anything at all. */
const asked = (answers: Answers): Answers =>
  Object.fromEntries(
    QUESTIONS.flatMap((q): [string, Answers[string]][] => {
      const answer = answers[q.id]
      if (answer === undefined || !isKnown(answer)) return []
      if (q.kind === 'amount') return [[q.id, answer]]
      const said = answersTo(answer).filter(a => q.options.some(o => o.id === a))
      return said.length ? [[q.id, Array.isArray(answer) ? [...new Set(said)] : (said[0] ?? '')]] : []
    }),
  )

export const factsOf = (answers: Answers): Facts => {
  const known = asked(answers)
  const motion = answersTo(known['motion'])
  const nearest = Number(known['nearest'])
  const following = followingShare(motion)
  const pace = paceOf(motion)
  const work = workOf(answersTo(known['output']))
  const distance = nearest > 0 ? CALLED.find(([metres]) => nearest <= metres)?.[1] : undefined
  return {
    ...allowedBefore(answersTo(answers['allowed'])),
    ...(distance ? { distance } : {}),
    ...known,
    ...(following === undefined ? {} : { following }),
    ...(pace === undefined ? {} : { pace }),
    ...(work === undefined ? {} : { work }),
  }
}

const holdsOne = (condition: readonly string[] | Range, answer: Answers[string] | undefined): boolean => {
  if (answer === undefined || answer === '' || answer === UNKNOWN) return false
  if (Array.isArray(condition))
    return Array.isArray(answer)
      ? answer.some(a => (condition as readonly string[]).includes(a as string))
      : (condition as readonly string[]).includes(String(answer))
  const { min = -Infinity, max = Infinity } = condition as Range
  const number = Number(answer)
  return Number.isFinite(number) && number >= min && number <= max
}

type Condition = readonly string[] | Range
const known = new WeakMap<When, readonly (readonly [string, Condition])[]>()
/** Read once for each rule: they are asked again with every click. */
export const conditionsOf = (when: When): readonly (readonly [string, Condition])[] => {
  const conditions = known.get(when) ?? Object.entries(when)
  known.set(when, conditions)
  return conditions
}

export const holds = (when: When, facts: Facts): boolean =>
  conditionsOf(when).every(([id, condition]) => holdsOne(condition, facts[id]))

/** The conditions that do not hold, each in words. */
export const lacking = (when: When, facts: Facts): readonly string[] =>
  conditionsOf(when)
    .filter(([id, condition]) => !holdsOne(condition, facts[id]))
    .map(([id, condition]) => conditionWords(id, condition))

const BY_ID: ReadonlyMap<string, Question> = new Map(QUESTIONS.map(q => [q.id, q]))

const PACE_WORDS: Readonly<Record<Pace, string>> = {
  still: 'it keeps still',
  slow: 'it moves slowly',
  'stop-start': 'it stops and starts',
  steady: 'it moves steadily',
  sudden: 'it moves suddenly',
}

const WORK_WORDS: Readonly<Record<Work, string>> = {
  stills: 'pictures are wanted, and no film',
  film: 'film is wanted, and no pictures',
  both: 'pictures and film are wanted',
}

export const optionLabel = (question: Question, answer: string): string =>
  question.kind === 'amount'
    ? `${answer} ${question.unit}`
    : (question.options.find(o => o.id === answer)?.label ?? answer)

const percent = (share: number) => `${Math.round(share * 100)} %`

const rangeWords = ({ min, max }: Range, words: (n: number) => string): string =>
  min !== undefined && max !== undefined
    ? `${words(min)} to ${words(max)}`
    : min !== undefined
      ? `at least ${words(min)}`
      : `at most ${words(max ?? 0)}`

/** A condition as a lead reads it. */
export const conditionWords = (id: string, condition: Condition): string => {
  if (id === 'following') return `it is followed ${rangeWords(condition as Range, percent)} of the time`
  if (id === 'work') return (condition as readonly Work[]).map(w => WORK_WORDS[w]).join(' or ')
  if (id === 'pace') return (condition as readonly Pace[]).map(p => PACE_WORDS[p]).join(' or ')
  const question = BY_ID.get(id)
  if (!question) return id
  return Array.isArray(condition)
    ? `${question.text} ${(condition as readonly string[]).map(a => optionLabel(question, a)).join(' or ')}`
    : `${question.text} ${rangeWords(condition as Range, n => (question.kind === 'amount' ? `${n} ${question.unit}` : String(n)))}`
}

/** What was said that a condition rests on, as question and answer. */
export const saidWords = (id: string, facts: Facts): string => {
  if (id === 'following' || id === 'pace') return saidWords('motion', facts)
  if (id === 'work') return saidWords('output', facts)
  const question = BY_ID.get(id)
  if (!question) return id
  return `${question.text} ${answersTo(facts[id])
    .map(a => optionLabel(question, a))
    .join(', ')}`
}
