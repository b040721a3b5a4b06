import type { Beside } from './argument'
import { type Facts, holds, type When } from './facts'
import type { TopicId } from './schools'

/** What no setting does: how to shoot, and what to do when it goes wrong. */

interface Said {
  readonly id: string
  /** It is said where any of these holds. */
  readonly when: readonly When[]
  /** And where any of these schools was taken. */
  readonly beside?: Beside
  /** Only where none of these holds. */
  readonly unless?: When
  readonly source: string
}

export const ADVICE_TOPICS = ['exposure', 'distance', 'stance', 'timing', 'light', 'care'] as const
export type AdviceTopic = (typeof ADVICE_TOPICS)[number]

export interface Advice extends Said {
  readonly topic: AdviceTopic
  readonly title: string
  readonly text: string
}

export interface Remedy {
  readonly text: string
  /** What the bodies in hand call the thing it is done with. */
  readonly dimension?: string
}

export interface Rescue extends Said {
  readonly symptom: string
  readonly remedies: readonly Remedy[]
}

const spoken = ({ when, beside, unless }: Said, facts: Facts, decided: Partial<Record<TopicId, string>>): boolean =>
  when.some(w => holds(w, facts)) &&
  !(unless && holds(unless, facts)) &&
  Object.entries(beside ?? {}).every(([topic, schools]) =>
    (schools as readonly string[]).includes(decided[topic as TopicId] ?? ''),
  )

export const saidFor = <T extends Said>(all: readonly T[], facts: Facts, decided: Partial<Record<TopicId, string>>) =>
  all.filter(t => spoken(t, facts, decided))
