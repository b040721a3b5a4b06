import { diagonalMm } from './circle-of-confusion'
import { positive } from './check'

/** The diagonal of a 36 x 24 mm frame, which crop factors are told against. */
const FULL_FRAME_DIAGONAL_MM = Math.hypot(36, 24)

/**
 * How much smaller a frame is than 36 x 24 mm, by its diagonal.
 *
 * @example cropFactor({ widthMm: 23.6, heightMm: 15.7 }) // 1.527
 */
export const cropFactor = (sensor: { readonly widthMm: number; readonly heightMm: number }): number =>
  FULL_FRAME_DIAGONAL_MM / diagonalMm(sensor)

/**
 * The focal length on 36 x 24 mm that takes in the same angle, and the f-number there that gives the same depth and the
 * same blur as a share of the frame.
 *
 * @param extender 1 for none
 * @source both scale with the crop factor: angle of view and entrance pupil stay the same
 * @example equivalentOf({ focalMm: 600, fNumber: 4, extender: 1.4, crop: 1.6 }) // { focalMm: 1344, fNumber: 8.96 }
 */
export const equivalentOf = ({
  focalMm,
  fNumber,
  extender,
  crop,
}: {
  readonly focalMm: number
  readonly fNumber: number
  readonly extender: number
  readonly crop: number
}): { readonly focalMm: number; readonly fNumber: number } => {
  const factor = positive('extender', extender) * positive('crop', crop)
  return { focalMm: positive('focalMm', focalMm) * factor, fNumber: positive('fNumber', fNumber) * factor }
}
