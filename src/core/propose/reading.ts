import type { Control, CountsIn } from '../bodies'
import type { Meaning } from '../vocabulary/schema'

/** How far a reading is to be trusted; what is unsure is never the first thing under a key. */
export const CERTAINTIES = ['sure', 'likely', 'unsure'] as const
export type Certainty = (typeof CERTAINTIES)[number]

/** One way to read a whole setting. */
export interface Reading {
  /** The dimensions its options speak about; none where there is nothing for the vocabulary in it. */
  readonly dimensions: readonly string[]
  /** Where there are none: it has nothing to do with focus, or it has and no dimension says it. */
  readonly about?: 'elsewhere' | 'unnamed' | undefined
  /** One meaning for each option, in their order. */
  readonly means: readonly Meaning[]
  /** 0 to 1; only the order of readings and their distances matter. */
  readonly score: number
  readonly certainty: Certainty
  readonly because: readonly string[]
  /** Amounts are guessed from where the options stand, until somebody measures them. */
  readonly isGuess?: boolean | undefined
  /** Nothing says which end of the scale is which: it has to be asked. */
  readonly isEitherWay?: boolean | undefined
  /** Options like one of these mostly say something else: nobody is sure of it. */
  readonly isDoubted?: boolean | undefined
  /** Where the row says that it counts, when that is not everywhere. */
  readonly counts?: CountsIn | undefined
  /** A control the body does not have yet and the reading needs. */
  readonly control?: Control | undefined
}

/** A reading before it is weighed against the others. */
export type Candidate = Omit<Reading, 'certainty'>
