import 'server-only'
import { AsyncLocalStorage } from 'node:async_hooks'
import type { Deed } from '@/core/may/may'
import { isWorking } from '@/pool/pool'

/** After changes of what answers are made from, the house works out what is likely to be asked next; see warm.ts. */

/** What makes answers be worked out anew. Drafts are edited all the time: they count once they are approved. */
const CHANGES_ANSWERS: readonly Deed[] = ['edit-bodies', 'edit-kit', 'approve-standards', 'plan-jobs']

/** Whoever changes something goes on changing: only what stood for so long is worked with. */
const REST_MS = 3000

/** Survives being bundled several times. */
const shared = globalThis as {
  coherionAhead?: {
    readonly work: () => Promise<void>
    waits?: NodeJS.Timeout
    /** One is to begin after the one that goes on; more would find nothing to do. */
    isNext: boolean
    working: Promise<void>
  }
}

/**
 * From now on, what is worked out ahead: once at the start, then after changes; one at a time, since what goes on sees
 * what it began with.
 */
export const keepAhead = (work: () => Promise<void>): void => {
  // In the name of the house, not of whoever changed something: they would wait behind it for what they ask next.
  const asHouse = AsyncLocalStorage.snapshot()
  shared.coherionAhead = { work: () => asHouse(work), isNext: false, working: Promise.resolve() }
  begin()
}

const begin = (): void => {
  const ahead = shared.coherionAhead
  if (!ahead || ahead.isNext) return
  ahead.isNext = true
  ahead.working = ahead.working
    .then(() => {
      ahead.isNext = false
      return ahead.work()
    })
    .catch((error: unknown) => console.error('working out ahead stopped:', error))
}

/** Resolves once nothing is being worked out ahead. */
export const aheadSettled = async (): Promise<void> => shared.coherionAhead?.working

/** Begins in a moment, if nothing else is changed until then and nobody waits for an answer by then. */
export const lookAheadAfter = (deed: Deed): void => {
  if (CHANGES_ANSWERS.includes(deed)) beginLater()
}

const beginLater = (): void => {
  const ahead = shared.coherionAhead
  if (!ahead) return
  clearTimeout(ahead.waits)
  // Whoever changed something is the first who asks what it comes to; they would share the threads with the house.
  ahead.waits = setTimeout(() => (isWorking() ? beginLater() : begin()), REST_MS).unref()
}
