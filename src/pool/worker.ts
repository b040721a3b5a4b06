import { SearchTooLargeError } from '@/core/bodies/search'
import { ContradictoryBodyError } from '@/core/resolve'
import type { Problem } from '@/core/reading/problem'
import { Refusal, type Why } from './refusal'
import { TASKS, type TaskName } from './tasks'

/** What a worker sends back; errors of our own do not survive being cloned. */
export type Answer =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly why: Why; readonly message: string; readonly problems: readonly Problem[] }

const refused = (error: unknown): Answer => {
  if (error instanceof Refusal) return { ok: false, why: error.why, message: error.message, problems: error.problems }
  if (error instanceof SearchTooLargeError || error instanceof ContradictoryBodyError)
    return { ok: false, why: 'unresolvable', message: error.message, problems: [] }
  throw error
}

/** Does one task. */
const work = async ({ name, input }: { readonly name: TaskName; readonly input: never }): Promise<Answer> => {
  try {
    return { ok: true, value: await TASKS[name](input) }
  } catch (error) {
    return refused(error)
  }
}

// The pool calls what a worker's file exports by default.
export default work
