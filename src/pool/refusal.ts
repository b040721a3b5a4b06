import type { Problem } from '@/core/reading/problem'

/** Why a task ended without an answer, in words for whoever asked. */
export type Why =
  /** What was sent cannot be used. */
  | 'invalid'
  | 'no-json'
  | 'too-large'
  /** The rules of a body cannot be searched, or contradict themselves; it stays so until the body is changed. */
  | 'unresolvable'
  /** It took longer, or more memory, than one task may. */
  | 'too-long'
  | 'too-much-memory'
  /** Too much is waiting already. */
  | 'busy'
  /** Whoever asked has gone. */
  | 'gone'

export class Refusal extends Error {
  constructor(
    readonly why: Why,
    message: string,
    readonly problems: readonly Problem[] = [],
  ) {
    super(message)
    this.name = 'Refusal'
  }
}
