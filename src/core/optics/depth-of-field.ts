import { inRange, positive } from './check'

/**
 * The nearest focus at which everything to infinity is sharp.
 *
 * @returns metres from the lens
 * @source H = f^2 / (N c) + f, thin lens
 * @example hyperfocalMetres(50, 8, 0.03) // 10.467
 */
export const hyperfocalMetres = (focalMm: number, fNumber: number, circleMm: number): number => {
  const f = positive('focalMm', focalMm)
  return (f * f) / (positive('fNumber', fNumber) * positive('circleMm', circleMm) * 1000) + f / 1000
}

export interface Depth {
  /** Metres that are sharp in front of the subject. */
  readonly front: number
  /** And behind it; infinite from the hyperfocal distance on. */
  readonly behind: number
}

/**
 * Depth of field in front of and behind the plane that is focused on. One formula for far and close: with a pupil
 * magnification of 1 it is the thin lens's s (H - f) / (H + s - 2 f) and s (H - f) / (H - s), close up its sum nears
 * 2 N c (1 + m/P) / m^2.
 *
 * @param magnification of the plane focused on, > 0
 * @param pupilMagnification exit pupil over entrance pupil, > 0; 1 where the lens is symmetric or it is not known
 * @source N c (1 + m/P) / (m^2 (1 +- N c / (f m))), the depth formula for unsymmetric lenses of photographic handbooks (from memory)
 * @example depthOfField({ focalMm: 50, fNumber: 8, circleMm: 0.03, magnification: 0.01 }) // { front: 1.62, behind: 4.70 }
 */
export const depthOfField = ({
  focalMm,
  fNumber,
  circleMm,
  magnification: m,
  pupilMagnification = 1,
}: {
  readonly focalMm: number
  readonly fNumber: number
  readonly circleMm: number
  readonly magnification: number
  readonly pupilMagnification?: number
}): Depth => {
  positive('magnification', m)
  const spread = positive('fNumber', fNumber) * positive('circleMm', circleMm)
  const share = spread / (positive('focalMm', focalMm) * m)
  const one = (spread * (1 + m / positive('pupilMagnification', pupilMagnification))) / (m * m) / 1000
  return { front: one / (1 + share), behind: share >= 1 ? Infinity : one / (1 - share) }
}

/**
 * The depth that a flat subject needs when it is turned from the sensor.
 *
 * @param angleRadians 0 parallel to the sensor, pi/2 end-on
 * @source plane geometry: L sin a
 * @example tiltedDepth(0.06, Math.PI / 6) // 0.03
 */
export const tiltedDepth = (lengthMetres: number, angleRadians: number): number =>
  lengthMetres * Math.sin(inRange('angleRadians', angleRadians, 0, Math.PI / 2))

/**
 * How many pictures a stack needs.
 *
 * @param overlap share of each picture's depth that the next one repeats
 * @example stackCount(0.03, 0.004, 0.25) // 10
 */
export const stackCount = (subjectDepth: number, depthEach: number, overlap: number): number => {
  inRange('overlap', overlap, 0, 0.9)
  if (subjectDepth <= depthEach) return 1
  return 1 + Math.ceil((subjectDepth - depthEach) / (positive('depthEach', depthEach) * (1 - overlap)) - 1e-9)
}
