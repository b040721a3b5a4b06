import type { Control } from '../bodies'
import type { Meaning } from '../vocabulary/schema'

/** One way to read a whole setting. */
export interface Reading {
  /** The dimensions its options speak about; none where it has nothing to do with focus. */
  readonly dimensions: readonly string[]
  /** One meaning for each option, in their order. */
  readonly means: readonly Meaning[]
  /** Only the order of readings matters. */
  readonly score: number
  readonly because: readonly string[]
  /** A control the body does not have yet and the reading needs. */
  readonly control?: Control | undefined
}
