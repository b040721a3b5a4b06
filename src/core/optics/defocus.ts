import { positive } from './check'

/**
 * Diameter of the blur on the sensor of a point that is not where the lens is focused.
 *
 * @param at metres from the lens to the point
 * @param focusAt metres from the lens to the plane that is focused on
 * @param magnification of that plane
 * @returns millimetres
 * @source thin lens: (f / N) m |z - z_f| / z
 * @example defocusBlurMm({ focalMm: 85, fNumber: 1.8, magnification: 0.044, focusAt: 2, at: 2.05 }) // 0.0507
 */
export const defocusBlurMm = ({
  focalMm,
  fNumber,
  magnification,
  focusAt,
  at,
}: {
  readonly focalMm: number
  readonly fNumber: number
  readonly magnification: number
  readonly focusAt: number
  readonly at: number
}): number => {
  const opening = positive('focalMm', focalMm) / positive('fNumber', fNumber)
  if (at === Infinity) return opening * magnification
  return (opening * positive('magnification', magnification) * Math.abs(at - focusAt)) / positive('at', at)
}

/** Bessel's J1 by its integral; 32 points are exact to twelve places for what is drawn here. */
const J1_POINTS = 32
const besselJ1 = (x: number): number => {
  let sum = 0
  for (let i = 0; i < J1_POINTS; i += 1) {
    const t = ((i + 0.5) * Math.PI) / J1_POINTS
    sum += Math.cos(t - x * Math.sin(t))
  }
  return sum / J1_POINTS
}

/**
 * Contrast that an even blur disc leaves.
 *
 * @param cycles how many cycles of the detail the disc covers, >= 0
 * @returns 0 to 1
 * @source Fourier transform of a disc, |2 J1(pi x) / (pi x)|; first zero at x = 1.22 (Abramowitz and Stegun, table 9.5: j(1,1) = 3.83171)
 * @example defocusMtf(1) // 0.181
 */
export const defocusMtf = (cycles: number): number => {
  const x = Math.PI * cycles
  return x < 1e-6 ? 1 : Math.abs((2 * besselJ1(x)) / x)
}
