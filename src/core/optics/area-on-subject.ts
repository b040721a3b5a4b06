import { inRange, positive } from './check'

/**
 * What a share of the frame covers at the subject.
 *
 * @param share of the frame's side, 0 to 1
 * @param sideMm that side of the frame
 * @returns metres
 * @source p w / m; with m = f / (s - f) it is p w (s - f) / f
 * @example sizeOnSubject(0.05, 36, 0.02) // 0.09
 */
export const sizeOnSubject = (share: number, sideMm: number, magnification: number): number =>
  (inRange('share', share, 0, 1) * positive('sideMm', sideMm)) / positive('magnification', magnification) / 1000

/** The other way round. @example shareOfFrame(0.09, 36, 0.02) // 0.05 */
export const shareOfFrame = (metres: number, sideMm: number, magnification: number): number =>
  (metres * 1000 * positive('magnification', magnification)) / positive('sideMm', sideMm)

/**
 * How far the aim may wander before less than half of area or target, whichever is smaller, is on the other.
 *
 * @param areaMetres size of the area at the subject
 * @param targetMetres size of what it should stay on
 * @param subjectMetres from the lens to the subject
 * @returns radians
 * @source plane geometry: half of the larger one, seen from the lens
 * @example aimingSlack(0.02, 0.024, 5) // 0.0024
 */
export const aimingSlack = (areaMetres: number, targetMetres: number, subjectMetres: number): number =>
  Math.atan(Math.max(areaMetres, targetMetres) / 2 / positive('subjectMetres', subjectMetres))
