import type { Happened, Happening } from '@/core/jobs/standing'
import type { Entry } from '@/offline/outbox'

/** What happened on this device, and what it took back; whatever the server knows comes on top. */
export interface Kept {
  readonly happened: readonly Happened[]
  readonly takenBack: readonly string[]
}

const NOTHING: Kept = { happened: [], takenBack: [] }

export const keptIn = (text: string | null): Kept => {
  try {
    return { ...NOTHING, ...(JSON.parse(text ?? '{}') as Partial<Kept>) }
  } catch {
    return NOTHING
  }
}

/** Of what both know, the server’s word counts: it has the time by its own clock. */
export const together = (known: readonly Happened[], { happened, takenBack }: Kept): readonly Happened[] => {
  const all = new Map([...happened, ...known].map(h => [h.id, h]))
  for (const id of takenBack) all.delete(id)
  return [...all.values()]
}

const WORDS: Readonly<Record<Happening['kind'], string>> = {
  moved: 'moved a scene',
  dropped: 'dropped a scene',
  restored: 'took a scene in again',
  done: 'finished a scene',
  failed: 'said that a camera failed',
  mended: 'said that a camera is back',
  rescued: 'used a rescue',
  missed: 'said what was missing',
  noted: 'wrote a note',
  printed: 'printed call sheets',
}

export const cardOf = (job: string): string => `job ${job}`

/** One thing as it waits on this device until the server has it. */
export const entryOf = (
  job: string,
  { id, at, what }: Pick<Happened, 'id' | 'at' | 'what'>,
  { isTakenBack, person }: { readonly isTakenBack: boolean; readonly person: string | undefined },
): Entry => ({
  id,
  card: cardOf(job),
  deed: { kind: 'happened' },
  words: isTakenBack ? 'took something back' : WORDS[what.kind],
  by: person ?? null,
  made: at,
  method: 'PUT',
  address: `/api/v1/jobs/${job}/happenings`,
  content: { ...(isTakenBack ? { isTakenBack: true } : { what }), ...(person ? { person } : {}) },
})
