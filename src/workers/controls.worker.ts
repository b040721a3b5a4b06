import type { FleetBody } from '../core/controls/cells'
import { bestMaps, storedMaps } from '../core/controls/fleet'
import type { FunctionId } from '../core/functions/functions'
import type { Plan, StoredMap } from '../core/functions/plan'
import type { Place } from '../core/vocabulary/places'
import { serve } from './serve'

/** Finds the best maps around the pins, away from the page. */

export interface MapsAsk {
  readonly plan: Plan
  readonly bodies: readonly FleetBody[]
}

export interface MapsAnswer {
  /** The plan it is the answer to. */
  readonly plan: Plan
  readonly maps: readonly StoredMap[]
  readonly house: Readonly<Record<FunctionId, Place>>
  readonly cost: number
  /** How far that may be above the best possible, as a share. */
  readonly gap: number
}

serve<MapsAsk, MapsAnswer>('controls', ({ plan, bodies }) => {
  const fleet = bestMaps(plan, bodies)
  return [{ plan, maps: storedMaps(fleet), house: fleet.house, cost: fleet.cost, gap: fleet.gap ?? 0 }]
})
