import 'server-only'
import { doneAt } from '@/core/kit/late'
import { readAnswer, type Receipt } from '@/db/received'
import { database } from './database'

/** What a device says of a request that may have waited for the network. */
export interface Late {
  /** The same each time it is sent. */
  readonly id?: string | undefined
  /** When it was done and when it was sent, by the clock of the device. */
  readonly made?: string | undefined
  readonly sent?: string | undefined
}

/** Every answer says when it came in, so that a device knows how far its own clock is off. */
export interface Received {
  readonly at: string
  readonly received: string
}

/** How something that was asked for came in. */
export interface Landing<T> {
  readonly received: string
  /** What is stored with the change: when it came in, and the receipt of its answer. */
  readonly storedWith: (answer: T) => { readonly received: string; readonly receipt: Receipt | undefined }
}

/**
 * Does what is asked exactly once, at the time at which it was done on the device.
 *
 * @param work is given that time, and what is stored with the change
 */
export const once = async <T extends object>(
  late: Late,
  work: (at: string, landing: Landing<T>) => Promise<T>,
): Promise<T & Received> => {
  const received = new Date().toISOString()
  const { id } = late
  const before = id === undefined ? undefined : await readAnswer(await database(), id)
  // A receipt was written by this function.
  if (before !== undefined) return { ...(before as T & { at: string }), received }
  const at = doneAt(received, late.made, late.sent)
  const answer = await work(at, {
    received,
    storedWith: a => ({ received, receipt: id === undefined ? undefined : { id, at: received, answer: { ...a, at } } }),
  })
  return { ...answer, at, received }
}
