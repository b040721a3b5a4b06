import 'server-only'
import type { Deed } from '@/core/may/may'

/** After changes of what answers are made from, the house works out what is likely to be asked next; see warm.ts. */

/** What makes answers be worked out anew. Drafts are edited all the time: they count once they are approved. */
const CHANGES_ANSWERS: readonly Deed[] = ['edit-bodies', 'edit-kit', 'approve-standards', 'plan-jobs']

/** Whoever changes something goes on changing: only what stood for so long is worked with. */
const REST_MS = 3000

/** Survives being bundled several times. */
const shared = globalThis as {
  coherionAhead?: { readonly work: () => Promise<void>; waits?: NodeJS.Timeout; working: Promise<void> }
}

/**
 * From now on, what is worked out ahead: once at the start, then after changes; one at a time, since what goes on sees
 * what it began with.
 */
export const keepAhead = (work: () => Promise<void>): void => {
  shared.coherionAhead = { work, working: Promise.resolve() }
  begin()
}

const begin = (): void => {
  const ahead = shared.coherionAhead
  if (!ahead) return
  ahead.working = ahead.working
    .then(ahead.work)
    .catch((error: unknown) => console.error('working out ahead stopped:', error))
}

/** Resolves once nothing is being worked out ahead. */
export const aheadSettled = async (): Promise<void> => shared.coherionAhead?.working

/** Begins in a moment, if nothing else is done until then. */
export const lookAheadAfter = (deed: Deed): void => {
  const ahead = shared.coherionAhead
  if (!ahead || !CHANGES_ANSWERS.includes(deed)) return
  clearTimeout(ahead.waits)
  ahead.waits = setTimeout(begin, REST_MS).unref()
}
