import type { NeutralValue } from '../../vocabulary/values'
import type { Reckoned } from '../reckon'

export const QUESTIONS = [
  'depth',
  'recompose',
  'area',
  'limiter',
  'framing',
  'crop',
  'shutter',
  'miss',
  'light',
  'air',
] as const
export type QuestionId = (typeof QUESTIONS)[number]

/** A number with how it came about. */
export interface Figure {
  readonly label: string
  /** In SI units, or a pure number. */
  readonly value: number
  readonly words: string
  /** The formula with what went into it. */
  readonly how: string
}

/** What a kept answer may become in a standard. */
export interface KeepTarget {
  readonly dimension: string
  readonly value: NeutralValue
}

export interface Answer {
  readonly question: QuestionId
  /** It holds, it holds with care, it does not; or nothing can be said. */
  readonly tone: 'fine' | 'mind' | 'no' | 'open'
  /** One line. */
  readonly verdict: string
  readonly figures: readonly Figure[]
  /** What would change it. */
  readonly changes: readonly string[]
  readonly cautions: readonly string[]
  /** What stands on a card: short enough to read at a glance. */
  readonly short: string
  readonly target: KeepTarget | undefined
}

export type Question = (r: Reckoned) => Answer

export const figure = (label: string, value: number, words: string, how: string): Figure => ({
  label,
  value,
  words,
  how,
})
