import { AsyncLocalStorage } from 'node:async_hooks'
import type { From } from './turns'

/** For whom something is done: those who ask take turns, and what nobody waits for any more is dropped. */
export interface Asker extends From {
  readonly gone: AbortSignal
}

/** Bundles of the server are several; all of them mean the same asker. */
const shared = globalThis as { coherionAsker?: AsyncLocalStorage<Asker> }

const store = (): AsyncLocalStorage<Asker> => (shared.coherionAsker ??= new AsyncLocalStorage<Asker>())

export const onBehalfOf = <T>(asker: Asker, work: () => T): T => store().run(asker, work)

/** Undefined where the house does something by itself. */
export const asker = (): Asker | undefined => store().getStore()
