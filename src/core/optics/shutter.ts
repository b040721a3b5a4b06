import { inRange, positive } from './check'

/**
 * How far the subject's picture moves on the sensor while the shutter is open.
 *
 * @param speed metres per second, relative to where the camera is panned
 * @param angleRadians of its way against the line of sight: pi/2 crosses the frame, 0 comes straight at the camera
 * @param halfSizeMetres what comes at the camera grows; its rim moves with this much of it
 * @returns millimetres
 * @source v t m for the part across; v t m r / s for the growth, thin lens with s much longer than f
 * @example motionBlurMm({ speed: 5, angleRadians: Math.PI / 2, seconds: 0.001, magnification: 0.02, halfSizeMetres: 0, subjectMetres: 5 }) // 0.1
 */
export const motionBlurMm = ({
  speed,
  angleRadians,
  seconds,
  magnification,
  halfSizeMetres,
  subjectMetres,
}: {
  readonly speed: number
  readonly angleRadians: number
  readonly seconds: number
  readonly magnification: number
  readonly halfSizeMetres: number
  readonly subjectMetres: number
}): number => {
  const perMetre = inRange('speed', speed, 0) * positive('seconds', seconds) * magnification * 1000
  const growth = (halfSizeMetres / positive('subjectMetres', subjectMetres)) * Math.abs(Math.cos(angleRadians))
  return perMetre * (Math.abs(Math.sin(angleRadians)) + growth)
}

/**
 * The longest time that a hand holds still for, by the old rule.
 *
 * @param stops of stabilisation, each doubling the time
 * @returns seconds
 * @source 1 / (focal length x crop factor); common practice, no published source
 * @example handHeldSeconds(200, 1, 0) // 0.005
 */
export const handHeldSeconds = (focalMm: number, crop: number, stops: number): number =>
  2 ** inRange('stops', stops, 0, 10) / (positive('focalMm', focalMm) * positive('crop', crop))

/** Stops of light between two times or two sensitivities. @example stopsBetween(1 / 250, 1 / 1000) // 2 */
export const stopsBetween = (from: number, to: number): number => Math.log2(positive('from', from) / positive('to', to))

/** Stops of light between two f-numbers. @example stopsOfFNumber(2.8, 5.6) // 2 */
export const stopsOfFNumber = (from: number, to: number): number =>
  2 * Math.log2(positive('to', to) / positive('from', from))
