import * as v from 'valibot'
import { percent } from '../plain-words'
import { PLACE_IDS, placeDistance, PLACES } from '../places'
import type { Position } from '../values'
import type { ValueKind } from './kind'

const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))

/** Distance of two resting places: half the frame away is another place. The recall control is averaged in where stated. */
export const positionDistance = (target: Position, got: Position): number => {
  const apart = Math.min(1, Math.hypot(target.x - got.x, target.y - got.y) / 0.5)
  if (!target.recall) return apart
  return (apart + (got.recall ? placeDistance(target.recall, got.recall) : 1)) / 2
}

/** Where the area rests, and the control that brings it back. */
export const position: ValueKind<'position'> = {
  schema: () => v.strictObject({ x: share, y: share, recall: v.optional(v.picklist(PLACE_IDS)) }),
  distance: (_, target, got) => positionDistance(target, got),
  words: (_, p) => {
    const where = `${percent(p.x)} from the left, ${percent(p.y)} from the top`
    return p.recall ? `${where}; back with ${PLACES[p.recall].label}` : where
  },
  reason: () => 'distance in the frame; half the frame counts as another place',
  start: () => ({ x: 0.5, y: 0.5 }),
}
