import { inRange, positive } from './check'

/** A place in the frame, as shares of its width and height from the upper left. */
export interface FramePlace {
  readonly x: number
  readonly y: number
}

interface Frame {
  readonly widthMm: number
  readonly heightMm: number
  readonly imageMm: number
}

const onSensor = (place: FramePlace, { widthMm, heightMm }: Frame): readonly [number, number] => [
  (place.x - 0.5) * widthMm,
  (place.y - 0.5) * heightMm,
]

/**
 * How far a place in the frame is off the axis.
 *
 * @returns radians
 * @source rectilinear projection
 * @example offAxis({ x: 2 / 3, y: 0.5 }, { widthMm: 36, heightMm: 24, imageMm: 50 }) // 0.1194: atan(w / (6 f))
 */
export const offAxis = (place: FramePlace, frame: Frame): number =>
  Math.atan(Math.hypot(...onSensor(place, frame)) / positive('imageMm', frame.imageMm))

/**
 * The rotation that brings what is at one place of the frame to another.
 *
 * @returns radians
 * @example angleBetween({ x: 0.5, y: 0.5 }, { x: 2 / 3, y: 0.5 }, { widthMm: 36, heightMm: 24, imageMm: 50 }) // 0.1194
 */
export const angleBetween = (from: FramePlace, to: FramePlace, frame: Frame): number => {
  const [[a, b], [c, d], f] = [onSensor(from, frame), onSensor(to, frame), frame.imageMm]
  // The angle by its tangent: exact for small angles, where an arc cosine is not.
  const across = Math.hypot(a * d - b * c, f * (b - d), f * (c - a))
  return Math.atan2(across, a * c + b * d + f * f)
}

/**
 * How far the plane of focus lies behind a subject after focusing on it in the middle of the frame and rotating.
 *
 * @param subjectMetres distance from the entrance pupil to the subject, > 0
 * @param angleRadians rotation between focusing and releasing, 0 to pi/2
 * @returns metres along the new optical axis from subject to plane, >= 0
 * @throws RangeError when a value is outside its range
 * @source plane geometry: the subject's depth along the new axis is d cos t, the plane stays at d
 * @example recomposeShift(2, 0.3) // 0.0893
 */
export const recomposeShift = (subjectMetres: number, angleRadians: number): number =>
  positive('subjectMetres', subjectMetres) *
  2 *
  Math.sin(inRange('angleRadians', angleRadians, 0, Math.PI / 2) / 2) ** 2

/**
 * The same from any place in the frame: focusing off the axis already leaves part of the shift behind. Negative where
 * the plane comes to lie in front of the subject.
 *
 * @param focusedOffAxis angle off the axis at which it was focused on
 * @param releasedOffAxis angle off the axis at which it is when the shutter opens
 * @source plane geometry: d (cos a - cos b)
 * @example planeShift(2, 0, 0.3) // 0.0893
 */
export const planeShift = (subjectMetres: number, focusedOffAxis: number, releasedOffAxis: number): number =>
  recomposeShift(subjectMetres, releasedOffAxis) - recomposeShift(subjectMetres, focusedOffAxis)

/**
 * The largest angle off the axis at which the subject may be released so that the plane moves no more than is sharp in
 * front of it.
 *
 * @param mayMove metres that the plane may move behind the subject; nought or less leaves no angle
 * @returns radians, 0 to pi/2
 * @example largestSafeAngle(2, 0.0893) // 0.3
 */
export const largestSafeAngle = (subjectMetres: number, mayMove: number, focusedOffAxis = 0): number => {
  const shift = mayMove + recomposeShift(subjectMetres, focusedOffAxis)
  if (shift <= 0) return 0
  return shift >= subjectMetres ? Math.PI / 2 : 2 * Math.asin(Math.sqrt(shift / (2 * subjectMetres)))
}
