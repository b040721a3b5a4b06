import 'server-only'
import type { Deed } from '@/core/may/may'

/** After changes of what answers are made from, the house works out what is likely to be asked next; see warm.ts. */

/** What makes answers be worked out anew. Drafts are edited all the time: they count once they are approved. */
const CHANGES_ANSWERS: readonly Deed[] = ['edit-bodies', 'edit-kit', 'approve-standards', 'plan-jobs']

/** Whoever changes something goes on changing: only what stood for so long is worked with. */
const REST_MS = 3000

const shared = globalThis as { coherionAhead?: NodeJS.Timeout; coherionWarming?: Promise<void> }

const warmOnce = async (): Promise<void> => {
  const { warmUp } = await import('./warm')
  await warmUp()
}

/** Begins in a moment, if nothing else is done until then; one at a time, since what goes on sees what it began with. */
export const lookAheadAfter = (deed: Deed): void => {
  if (!CHANGES_ANSWERS.includes(deed) || process.env['COHERION_WARM'] === 'no') return
  clearTimeout(shared.coherionAhead)
  shared.coherionAhead = setTimeout(() => {
    shared.coherionWarming = (shared.coherionWarming ?? Promise.resolve())
      .then(warmOnce)
      .catch((error: unknown) => console.error('looking ahead stopped:', error))
  }, REST_MS).unref()
}
