import type { Dimension } from './dimensions'
import { areaDistance, completeArea, distance } from './distance'
import type { Area, NeutralValue } from './values'

/**
 * Whether two values of one dimension mean the same, however they are written: 0.50 and 0.5, an area called block and
 * one called group of the same size, with the chooser said or left as usual.
 */
export const sameValue = (d: Dimension, a: NeutralValue, b: NeutralValue): boolean => {
  if (d.kind === 'areas') {
    const [x, y] = [a as readonly Area[], b as readonly Area[]]
    const within = (one: readonly Area[], other: readonly Area[]) =>
      one.every(m => other.some(n => areaDistance(completeArea(m), completeArea(n)) === 0))
    return x.length === y.length && within(x, y) && within(y, x)
  }
  return distance(d, a, b) === 0 && distance(d, b, a) === 0
}
