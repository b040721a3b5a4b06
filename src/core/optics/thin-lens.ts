import { positive } from './check'

/**
 * The image's size over the subject's, from where the subject is.
 *
 * @param sensorDistanceMetres from the sensor plane to the subject, at least four focal lengths
 * @param focalMm focal length in millimetres, > 0
 * @returns 0 to 1
 * @throws RangeError nearer than four focal lengths: a thin lens cannot focus there
 * @source thin lens: D = f (2 + m + 1/m), solved for the smaller m
 * @example magnificationAt(2, 50) // 0.0263
 */
export const magnificationAt = (sensorDistanceMetres: number, focalMm: number): number => {
  const b = (positive('sensorDistanceMetres', sensorDistanceMetres) * 1000) / positive('focalMm', focalMm) - 2
  if (b < 2 - 1e-9)
    throw new RangeError(`invalid sensorDistanceMetres: ${sensorDistanceMetres}, expected four focal lengths or more`)
  // The product of both solutions is 1; this form of the smaller one does not cancel.
  return 2 / (b + Math.sqrt(Math.max(0, b * b - 4)))
}

/**
 * From the sensor plane to the subject.
 *
 * @param magnification > 0
 * @source thin lens: D = f (2 + m + 1/m)
 * @example sensorDistance(100, 1) // 0.4
 */
export const sensorDistance = (focalMm: number, magnification: number): number => {
  const m = positive('magnification', magnification)
  return (positive('focalMm', focalMm) * (2 + m + 1 / m)) / 1000
}

/**
 * From the lens to the subject.
 *
 * @returns metres
 * @source thin lens: s = f (1 + 1/m)
 * @example subjectDistance(50, 0.0256) // 2.003
 */
export const subjectDistance = (focalMm: number, magnification: number): number =>
  (positive('focalMm', focalMm) * (1 + 1 / positive('magnification', magnification))) / 1000

/**
 * From the lens to the sensor.
 *
 * @returns millimetres
 * @source thin lens: s' = f (1 + m)
 * @example imageDistanceMm(50, 0.1) // 55
 */
export const imageDistanceMm = (focalMm: number, magnification: number): number => focalMm * (1 + magnification)

/**
 * The whole angle that a side of the frame takes in.
 *
 * @param sideMm width, height or diagonal of the frame
 * @returns radians
 * @source rectilinear projection
 * @example angleOfView(36, 50) // 0.6911, 39.6 degrees
 */
export const angleOfView = (sideMm: number, imageMm: number): number =>
  2 * Math.atan(positive('sideMm', sideMm) / (2 * positive('imageMm', imageMm)))
