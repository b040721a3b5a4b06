import { positive, whereReaches } from './check'
import { magnificationAt, sensorDistance } from './thin-lens'

/** A lens at one focal length, with what is on the body side of it. */
export interface FocusingLens {
  /** At infinity, extender included. */
  readonly focalMm: number
  readonly closestMetres: number
  /** The largest magnification, at closest focus, where the maker states it; extender included. */
  readonly magnification?: number | undefined
}

/** A thin lens is at life size when it is as near as it can be. Nothing beyond that is reckoned here. */
const LIFE_SIZE = 1

/**
 * Magnification at closest focus: as stated, else what a thin lens of this focal length has there, life size at most.
 *
 * @example closestMagnification({ focalMm: 100, closestMetres: 0.28 }) // 1
 */
export const closestMagnification = ({ focalMm, closestMetres, magnification }: FocusingLens): number =>
  magnification !== undefined
    ? Math.min(LIFE_SIZE, positive('magnification', magnification))
    : closestMetres * 1000 <= 4 * focalMm
      ? LIFE_SIZE
      : magnificationAt(closestMetres, focalMm)

/**
 * The focal length that a lens really has when it is focused at a distance. Most lenses get shorter as they focus
 * near; what is known are the two ends, infinity and closest focus, and between them it is taken to change evenly with
 * dioptres.
 *
 * @returns millimetres
 * @source thin lens at both ends; even in between: a model, no published source
 * @example focalAt({ focalMm: 100, closestMetres: 0.28, magnification: 1 }, 0.28) // 70
 */
export const focalAt = (lens: FocusingLens, sensorDistanceMetres: number): number => {
  const closest = closestMagnification(lens)
  const there = (lens.closestMetres * 1000) / (2 + closest + 1 / closest)
  const share = Math.min(1, lens.closestMetres / positive('sensorDistanceMetres', sensorDistanceMetres))
  return lens.focalMm + (there - lens.focalMm) * share
}

/** Magnification at a distance not nearer than closest focus. @example magnificationOf({ focalMm: 50, closestMetres: 0.45 }, 2) */
export const magnificationOf = (lens: FocusingLens, sensorDistanceMetres: number): number => {
  const f = focalAt(lens, sensorDistanceMetres)
  // Rounding, and lenses whose stated figures do not fit a thin lens, must not throw in between.
  return magnificationAt(Math.max(sensorDistanceMetres, (4 * f) / 1000), f)
}

/** Nothing that is photographed is further away. */
export const FURTHEST_METRES = 100_000

/**
 * The distance at which a magnification is had; undefined where the lens does not focus near enough for it.
 *
 * @returns metres from the sensor plane
 */
export const distanceForMagnification = (lens: FocusingLens, magnification: number): number | undefined => {
  positive('magnification', magnification)
  if (magnification > magnificationOf(lens, lens.closestMetres) * (1 + 1e-9)) return undefined
  // Begins near where a lens that does not change would be, so that halving is fast and exact.
  const guess = sensorDistance(lens.focalMm, magnification)
  const most = Math.min(FURTHEST_METRES, Math.max(guess * 2, lens.closestMetres))
  return whereReaches(d => -magnificationOf(lens, d), -magnification, lens.closestMetres, most) ?? most
}
