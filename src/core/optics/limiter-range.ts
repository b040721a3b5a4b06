import { inRange, positive } from './check'

/** Distances from the sensor plane in metres; far may be Infinity. */
export interface Reach {
  readonly near: number
  readonly far: number
}

const dioptresOf = ({ near, far }: Reach): number => 1 / near - 1 / far

/**
 * A plan with room at both ends.
 *
 * @param margin share of each distance
 * @example withMargin({ near: 5, far: 5 }, 0.2) // { near: 4, far: 6 }: common practice, no published source
 */
export const withMargin = ({ near, far }: Reach, margin: number): Reach => ({
  near: positive('near', near) * (1 - inRange('margin', margin, 0, 0.9)),
  far: far * (1 + margin),
})

export const contains = (outer: Reach, inner: Reach): boolean =>
  outer.near <= inner.near * (1 + 1e-9) && outer.far >= inner.far * (1 - 1e-9)

/** The share of the whole travel, in dioptres, that a position spares. @example travelSaved({ near: 3, far: Infinity }, { near: 0.96, far: Infinity }) // 0.68 */
export const travelSaved = (position: Reach, whole: Reach): number =>
  Math.min(1, Math.max(0, 1 - dioptresOf(position) / dioptresOf(whole)))

/**
 * Of several positions the narrowest that contains a plan; of equals the first.
 *
 * @returns undefined where none contains it
 */
export const narrowest = <P extends Reach>(positions: readonly P[], plan: Reach): P | undefined =>
  positions
    .filter(p => contains(p, plan))
    .reduce<P | undefined>((best, p) => (!best || dioptresOf(p) < dioptresOf(best) - 1e-12 ? p : best), undefined)
