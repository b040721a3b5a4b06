import { type Card, createEmptyCard, fsrs, Rating } from 'ts-fsrs'
import * as v from 'valibot'

/** What somebody remembers of one question: as it is kept. */
export const memorySchema = v.strictObject({
  due: v.pipe(v.string(), v.isoTimestamp()),
  stability: v.number(),
  difficulty: v.number(),
  elapsed: v.number(),
  scheduled: v.number(),
  step: v.number(),
  times: v.number(),
  lapses: v.number(),
  state: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(3)),
  last: v.optional(v.pipe(v.string(), v.isoTimestamp())),
})
export type Memory = v.InferOutput<typeof memorySchema>

/** Quicker than this it was known; slower, it had to be thought of. Seconds. @source from memory */
const AT_ONCE = 4
const SLOW = 10

const ratingOf = (isRight: boolean, seconds: number) =>
  !isRight ? Rating.Again : seconds <= AT_ONCE ? Rating.Easy : seconds <= SLOW ? Rating.Good : Rating.Hard

const asCard = (m: Memory): Card => ({
  due: new Date(m.due),
  stability: m.stability,
  difficulty: m.difficulty,
  elapsed_days: m.elapsed,
  scheduled_days: m.scheduled,
  learning_steps: m.step,
  reps: m.times,
  lapses: m.lapses,
  state: m.state,
  ...(m.last === undefined ? {} : { last_review: new Date(m.last) }),
})

const asMemory = (c: Card): Memory => ({
  due: c.due.toISOString(),
  stability: c.stability,
  difficulty: c.difficulty,
  elapsed: c.elapsed_days,
  scheduled: c.scheduled_days,
  step: c.learning_steps,
  times: c.reps,
  lapses: c.lapses,
  state: c.state,
  ...(c.last_review ? { last: c.last_review.toISOString() } : {}),
})

/** Without chance, so that the same answers lead to the same days. */
const scheduler = fsrs({ enable_fuzz: false })

/**
 * What is remembered after an answer, and when it should be asked again.
 *
 * @param at ISO 8601
 * @source the free spaced repetition scheduler, as its library has it
 */
export const afterAnswer = (
  memory: Memory | undefined,
  { isRight, seconds, at }: { readonly isRight: boolean; readonly seconds: number; readonly at: string },
): Memory => {
  const card = memory ? asCard(memory) : createEmptyCard(new Date(at))
  return asMemory(scheduler.next(card, new Date(at), ratingOf(isRight, seconds)).card)
}

/** What is forgotten within a day: its last answer was wrong, or nearly. */
const SHAKY_DAYS = 1

export interface Askable {
  readonly key: string
  /** More of it comes first among what was never asked. */
  readonly surprise: number
}

/**
 * What to ask now: what is due, the longest due first, then what was never asked, the most surprising first.
 *
 * @param isBeforeJob asks everything, due or not: first what does not hold for a day, then what was never asked, then
 *   what is known; in each the most surprising first
 */
export const toAsk = <Q extends Askable>(
  questions: readonly Q[],
  memories: ReadonlyMap<string, Memory>,
  { at, most, isBeforeJob = false }: { readonly at: string; readonly most: number; readonly isBeforeJob?: boolean },
): readonly Q[] => {
  const known = questions.map(q => ({ q, m: memories.get(q.key) }))
  if (isBeforeJob) {
    const rank = (m: Memory | undefined) => (m === undefined ? 1 : m.stability < SHAKY_DAYS ? 0 : 2)
    return known
      .toSorted((a, b) => rank(a.m) - rank(b.m) || b.q.surprise - a.q.surprise)
      .slice(0, most)
      .map(k => k.q)
  }
  const due = known
    .filter(k => k.m !== undefined && k.m.due <= at)
    .toSorted((a, b) => (a.m?.due ?? '').localeCompare(b.m?.due ?? ''))
  const fresh = known.filter(k => k.m === undefined).toSorted((a, b) => b.q.surprise - a.q.surprise)
  return [...due, ...fresh].slice(0, most).map(k => k.q)
}
