import { blurOfMiss } from './answers/miss'
import { depthWhenCropped } from './answers/crop'
import { defocusBlurMm, defocusMtf } from './defocus'
import { diffractionMtf, GREEN_MM } from './diffraction'
import { depthAt, type Reckoned } from './reckon'
import { MARKED_F_NUMBERS } from './words'

/** What charts of the answers show, point by point. */

export interface SharpnessPoint {
  readonly fNumber: number
  readonly inPlane: number
  readonly atRim: number
}

/**
 * Contrast that is left of detail as fine as the circle (one cycle on two circles), in the plane of focus and at the
 * nearest and furthest point of the subject: diffraction and blur multiplied.
 *
 * @returns shares of 1 at each marked f-number that the lens has
 * @source incoherent transfer functions multiply, where blur is a disc and diffraction a perfect opening
 */
export const sharpnessCurve = (r: Reckoned): readonly SharpnessPoint[] => {
  const cyclesPerMm = 1 / (2 * r.circleMm)
  const half = r.needs / 2
  return MARKED_F_NUMBERS.filter(n => n >= r.widestFNumber * 0.97 && n <= 45).map(fNumber => {
    const working = fNumber * (1 + r.magnification / r.pupilMagnification)
    const inPlane = diffractionMtf(Math.min(1, cyclesPerMm * GREEN_MM * working))
    const blur = defocusBlurMm({
      focalMm: r.focalMm,
      fNumber,
      magnification: r.magnification,
      focusAt: r.subjectMetres,
      at: Math.max(r.subjectMetres - half, r.subjectMetres / 100),
    })
    return { fNumber, inPlane, atRim: inPlane * Math.min(defocusMtf(Math.min(1.22, blur * cyclesPerMm)), 1) }
  })
}

const POINTS = 40

/** Depth against distance, from half of where the subject is to three times that. */
export const depthCurve = (
  r: Reckoned,
): readonly { readonly distance: number; readonly depth: number; readonly cropped: number }[] =>
  Array.from({ length: POINTS + 1 }, (_, i) => {
    const distance = Math.max(r.lens.closestMetres, (r.scene.distance / 2) * 6 ** (i / POINTS))
    const d = depthAt(r, { distance })
    return { distance, depth: d.front + d.behind, cropped: depthWhenCropped(r, distance / r.scene.distance) }
  })

/** Blur against how far the plane is from the subject, as far as makes it plainly soft. */
export const blurCurve = (r: Reckoned): readonly { readonly miss: number; readonly blurMm: number }[] => {
  const most = Math.max(4 * r.depth.front, 1.2 * Math.abs(r.scene.miss))
  const nearest = Math.min(most, r.scene.distance - r.lens.closestMetres)
  return Array.from({ length: 2 * POINTS + 1 }, (_, i) => {
    const miss = -nearest + ((nearest + most) * i) / (2 * POINTS)
    return { miss, blurMm: blurOfMiss(r, miss) }
  })
}
