import type { When } from './facts'
import type { SchoolId, TopicId } from './schools'

/** What is known, as arguments: each speaks for or against schools of one topic where its conditions hold. */

export const PRACTICE = 'common practice, no published source'

/** Schools of topics decided before: any of them was taken there. */
export type Beside = { readonly [T in TopicId]?: readonly SchoolId<T>[] }

export interface Argument {
  /** Topic, what it is about: stable, since a house names it to switch it off. */
  readonly id: string
  readonly topic: TopicId
  readonly schools: readonly string[]
  readonly when: When
  readonly beside?: Beside
  /**
   * Above 0 for, below 0 against; a hint is 1, a reason 2, a strong one 3 or 4. `never` rules the schools out; with
   * `not first` they may stand beside another, since they would write over what was decided before.
   */
  readonly points: number | 'never' | 'not first'
  readonly because: string
  readonly source: string
}

interface More<T extends TopicId> {
  readonly points?: number
  readonly beside?: Beside
  readonly source?: string
  readonly topic?: T
}

/** Writes the arguments of one topic: `usual`, `pro`, `con` and `never`, the schools checked by the compiler. */
export const arguing = <T extends TopicId>(topic: T) => {
  const argument = (
    what: string,
    schools: SchoolId<T> | readonly SchoolId<T>[],
    when: When,
    points: Argument['points'],
    because: string,
    { beside, source = PRACTICE }: More<T> = {},
  ): Argument => ({
    id: `${topic}/${what}`,
    topic,
    schools: typeof schools === 'string' ? [schools] : schools,
    when,
    points,
    because,
    source,
    ...(beside ? { beside } : {}),
  })
  type Schools = SchoolId<T> | readonly SchoolId<T>[]
  return {
    /** What holds where nothing else does. */
    usual: (schools: Schools, because: string, points = 0.5) => argument('usual', schools, {}, points, because),
    pro: (what: string, schools: Schools, when: When, because: string, more: More<T> = {}) =>
      argument(what, schools, when, more.points ?? 2, because, more),
    con: (what: string, schools: Schools, when: When, because: string, more: More<T> = {}) =>
      argument(what, schools, when, -(more.points ?? 2), because, more),
    never: (what: string, schools: Schools, when: When, because: string, more: More<T> = {}) =>
      argument(what, schools, when, 'never', because, more),
    notFirst: (what: string, schools: Schools, because: string, beside: Beside) =>
      argument(what, schools, {}, 'not first', because, { beside }),
  }
}
