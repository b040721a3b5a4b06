import type { Dimension } from './dimensions'
import { kindOf } from './kinds'
import type { NeutralValue } from './values'

/**
 * The plain distance of two values of one dimension, from 0 (same) to 1 (opposite or absent). Areas are compared whole
 * here; see `partsOf` for bodies that split them.
 *
 * @example distance(dimension('track.hold'), 1.2, 2.4) // 0.5
 */
export const distance = (d: Dimension, target: NeutralValue, got: NeutralValue): number =>
  kindOf(d).distance(d, target as never, got as never)

/** How the distance between two values of a dimension comes about, in words a person can check. */
export const distanceReason = (d: Dimension, wanted: NeutralValue, got: NeutralValue): string =>
  JSON.stringify(wanted) === JSON.stringify(got)
    ? 'exactly what is wanted'
    : kindOf(d).reason(d, wanted as never, got as never)

/**
 * Whether two values of one dimension mean the same, however they are written: 0.50 and 0.5, an area called block and
 * one called group of the same size, with the chooser said or left as usual.
 */
export const sameValue = (d: Dimension, a: NeutralValue, b: NeutralValue): boolean => {
  const kind = kindOf(d)
  return kind.isSame ? kind.isSame(a as never, b as never) : distance(d, a, b) === 0 && distance(d, b, a) === 0
}
