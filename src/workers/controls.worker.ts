import type { BodyInHands } from '../core/controls/cells'
import { bestMaps, storedMaps } from '../core/controls/fleet'
import type { FunctionId } from '../core/controls/functions'
import type { Plan, StoredMap } from '../core/controls/plan'
import type { Place } from '../core/vocabulary/places'

/** Finds the best maps around the pins, away from the page. */

export interface MapsAsk {
  readonly plan: Plan
  readonly bodies: readonly BodyInHands[]
}

export type MapsAnswer =
  | {
      readonly kind: 'found'
      /** The plan it is the answer to. */
      readonly plan: Plan
      readonly maps: readonly StoredMap[]
      readonly house: Readonly<Record<FunctionId, Place>>
      readonly cost: number
      /** How far that may be above the best possible, as a share. */
      readonly gap: number
    }
  | { readonly kind: 'failed'; readonly why: string }

const answerTo = ({ plan, bodies }: MapsAsk): MapsAnswer => {
  try {
    const fleet = bestMaps(plan, bodies)
    return { kind: 'found', plan, maps: storedMaps(fleet), house: fleet.house, cost: fleet.cost, gap: fleet.gap ?? 0 }
  } catch (error) {
    return { kind: 'failed', why: error instanceof Error ? error.message : String(error) }
  }
}

self.onmessage = (event: MessageEvent<MapsAsk & { id: number }>) => {
  self.postMessage({ id: event.data.id, found: answerTo(event.data) })
}
