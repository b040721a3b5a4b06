import { inRange, positive } from './check'

/** Green light, to which the eye and the sensor are most sensitive. @source common practice */
export const GREEN_MM = 550e-6

/**
 * Diameter of the Airy disc: what diffraction alone makes of a point.
 *
 * @param fNumber as marked on the lens
 * @param magnification with its pupil magnification it makes the working f-number N (1 + m/P)
 * @returns millimetres
 * @source first dark ring, 2.44 lambda N
 * @example airyDiscMm(16) // 0.02147
 */
export const airyDiscMm = (fNumber: number, magnification = 0, pupilMagnification = 1): number =>
  2.44 *
  GREEN_MM *
  positive('fNumber', fNumber) *
  (1 + magnification / positive('pupilMagnification', pupilMagnification))

/** The f-number at which the Airy disc is as large as the circle. @example diffractionFNumber(0.0288) // 21.5 */
export const diffractionFNumber = (circleMm: number, magnification = 0, pupilMagnification = 1): number =>
  positive('circleMm', circleMm) / airyDiscMm(1, magnification, pupilMagnification)

/**
 * Contrast that a perfect round opening leaves, incoherent light.
 *
 * @param v spatial frequency as a share of the cut-off 1 / (lambda N)
 * @returns 0 to 1
 * @source 2/pi (acos v - v sqrt(1 - v^2)), any optics textbook
 * @example diffractionMtf(0.404) // 0.5
 */
export const diffractionMtf = (v: number): number => {
  if (inRange('v', v, 0) >= 1) return 0
  return (2 / Math.PI) * (Math.acos(v) - v * Math.sqrt(1 - v * v))
}
