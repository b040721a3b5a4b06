import { byTime, type Count } from '@/core/evidence/trial'
import type { Entry } from '@/offline/outbox'

/** Passes as this device counted them, and those it took back; whatever the server knows comes on top. */
export interface Kept {
  readonly counts: readonly Count[]
  readonly takenBack: readonly string[]
}

export const NOTHING: Kept = { counts: [], takenBack: [] }

export const keptIn = (text: string | null): Kept => {
  try {
    return { ...NOTHING, ...(JSON.parse(text ?? '{}') as Partial<Kept>) }
  } catch {
    return NOTHING
  }
}

/** Everything that is counted, in the order in which it was made. */
export const together = (known: readonly Count[], { counts, takenBack }: Kept): readonly Count[] => {
  const all = new Map([...known, ...counts].map(c => [c.id, c]))
  for (const id of takenBack) all.delete(id)
  return [...all.values()].toSorted(byTime)
}

/** Two taps within this are one: a thumb that trembles. Milliseconds. @source common practice, from memory */
export const TREMBLE_MS = 250

/** One change as it waits on this device until the server has it. */
export const entryOf = (
  trial: number,
  count: Count,
  id: string,
  { isTakenBack, person }: { readonly isTakenBack: boolean; readonly person: string | undefined },
): Entry => ({
  id,
  card: `trial ${trial}`,
  deed: { kind: 'counted' },
  words: isTakenBack ? 'took a pass back' : `counted a pass as ${count.judgement}`,
  by: person ?? null,
  made: count.made,
  method: 'PUT',
  address: `/api/v1/trials/${trial}/counts`,
  content: { count, ...(isTakenBack ? { isTakenBack: true } : {}), ...(person ? { person } : {}) },
})
