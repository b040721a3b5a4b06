import * as v from 'valibot'
import { GRADE_LIMITS } from '../grade'
import { spaced } from '../plain-words'
import { typicalArea } from '../typical'
import type { Area } from '../values'
import { areaDistance, areaSchema, completeArea } from './area'
import type { ValueKind } from './kind'

/** Two members of area lists count as shared when they are at least near each other and both follow, or neither. */
const isSharedArea = (a: Area, b: Area): boolean =>
  areaDistance(a, b) <= GRADE_LIMITS.near && (completeArea(a).follow === 'off') === (completeArea(b).follow === 'off')

/** Which members of a wanted list an area can stand for, as bits; 0 for none. */
export const standsFor = (wanted: readonly Area[], area: Area): number =>
  wanted.reduce((bits, w, i) => (isSharedArea(w, area) ? bits | (1 << i) : bits), 0)

/**
 * Distance of two lists from what each member can stand for: 1 - shared / all members (Jaccard), as many members
 * matched as possible.
 *
 * @param wanted number of wanted members, at most 20
 * @param got what each member of the other list can stand for, see `standsFor`
 */
export const listDistance = (wanted: number, got: readonly number[]): number => {
  const partnerOf = new Int32Array(wanted).fill(-1)
  let tried = 0
  const place = (j: number): boolean => {
    for (let i = 0; i < wanted; i++) {
      const bit = 1 << i
      if (((got[j] ?? 0) & bit) === 0 || (tried & bit) !== 0) continue
      tried |= bit
      const holder = partnerOf[i] ?? -1
      if (holder >= 0 && !place(holder)) continue
      partnerOf[i] = j
      return true
    }
    return false
  }
  let shared = 0
  for (let j = 0; j < got.length; j++) {
    tried = 0
    if (got[j] !== 0 && place(j)) shared++
  }
  return 1 - shared / (wanted + got.length - shared)
}

/** Distance of two area lists; members are compared by geometry, not by name. */
export const areaSetDistance = (target: readonly Area[], got: readonly Area[]): number =>
  listDistance(
    target.length,
    got.map(a => standsFor(target, a)),
  )

/** Everything in one list is in the other, called block there and group here, with the chooser said or left as usual. */
const isWithin = (one: readonly Area[], other: readonly Area[]): boolean =>
  one.every(m => other.some(n => areaDistance(completeArea(m), completeArea(n)) === 0))

/** Which areas there are to choose from. */
export const areas: ValueKind<'areas'> = {
  schema: () => v.pipe(v.array(areaSchema), v.minLength(1), v.maxLength(20)),
  distance: (_, target, got) => areaSetDistance(target, got),
  isSame: (a, b) => a.length === b.length && isWithin(a, b) && isWithin(b, a),
  words: (_, list) => list.map(a => spaced(a.pattern)).join(', '),
  reason: () => '1 − shared ÷ all areas on either list, matched by what they cover',
  start: () => [typicalArea('point')],
}
