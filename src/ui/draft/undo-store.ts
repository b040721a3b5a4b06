import { asJson, sameJson } from '@/core/changes/changes'

/** What was undone and can be, kept for the tab while a page is left or loaded again. */

export interface History<T> {
  readonly past: readonly T[]
  readonly present: T
  readonly future: readonly T[]
}

/** With the revision the server has given it. */
export interface KeptHistory<T> extends History<T> {
  readonly revision: number
}

/** Letters kept for one document at most: a tab's store is small, and the last steps matter most. */
const MOST_LETTERS = 1_500_000

const keyOf = (address: string) => `coherion-undo-${address}`

/** The latest steps that fit, nearest to the present first to stay. */
const fitting = <T>(steps: readonly T[], most: number): readonly T[] => {
  const kept: T[] = []
  let left = most
  for (const step of steps) {
    left -= JSON.stringify(step).length
    if (left < 0) break
    kept.push(step)
  }
  return kept
}

export const writeUndo = <T>(
  store: Storage,
  address: string,
  { past, present, future }: History<T>,
  revision: number,
): void => {
  try {
    const kept: KeptHistory<T> = {
      past: [...fitting([...past].reverse(), MOST_LETTERS)].reverse(),
      present,
      future: fitting(future, MOST_LETTERS / 4),
      revision,
    }
    store.setItem(keyOf(address), JSON.stringify(kept))
  } catch {
    // A full store costs the way back, and nothing else.
  }
}

/**
 * What was kept, if the document is still what it was then; somebody else's change is not undone by accident. A page
 * that is come back to may hold an older document than was stored from it: then what was kept is the newer one.
 */
export const readUndo = <T>(
  store: Storage,
  address: string,
  present: T,
  revision: number,
): KeptHistory<T> | undefined => {
  try {
    const text = store.getItem(keyOf(address))
    if (!text) return undefined
    const kept = JSON.parse(text) as KeptHistory<T>
    if (kept.revision > revision) return kept
    return kept.revision === revision && sameJson(asJson(kept.present), asJson(present))
      ? { ...kept, present }
      : undefined
  } catch {
    return undefined
  }
}
