import { defocusBlurMm } from '../defocus'
import { whereReaches } from '../check'
import { focalAt, FURTHEST_METRES, magnificationOf } from '../focusing-lens'
import type { Reckoned } from '../reckon'
import { fNumberWords, lengthWords, pixelWords, plain } from '../words'
import { figure, type Question } from './answer'

/** Blur on the sensor, mm, of the subject when the plane lies `miss` metres behind it. */
export const blurOfMiss = (r: Reckoned, miss: number): number => {
  const focus = Math.max(r.scene.distance + miss, r.lens.closestMetres)
  return defocusBlurMm({
    focalMm: focalAt(r.focusing, focus),
    fNumber: r.scene.fNumber,
    magnification: magnificationOf(r.focusing, focus),
    focusAt: r.subjectMetres + (focus - r.scene.distance),
    at: r.subjectMetres,
  })
}

/**
 * How far the plane may lie behind the subject, and in front of it, with the blur still inside the circle; infinite where
 * no place that the lens focuses on makes it softer.
 */
export const mayMiss = (r: Reckoned): { readonly far: number; readonly near: number } => {
  const until = (most: number, sign: 1 | -1): number =>
    whereReaches(x => blurOfMiss(r, sign * x), r.circleMm, 0, Math.max(0, most)) ?? Infinity
  return {
    far: until(FURTHEST_METRES - r.scene.distance, 1),
    near: until(r.scene.distance - r.lens.closestMetres, -1),
  }
}

/** What a focus that misses looks like. */
export const missAnswer: Question = r => {
  const { scene, units, circleMm, pitchMm } = r
  const say = (m: number) => lengthWords(m, units)
  const blur = blurOfMiss(r, scene.miss)
  const pixels = blur / pitchMm
  const isSharp = blur <= circleMm
  const may = mayMiss(r)
  const eye = (24 * r.magnification) / pitchMm
  const where = scene.miss > 0 ? 'behind' : 'in front of'
  const size = say(Math.abs(scene.miss))
  return {
    question: 'miss',
    tone: scene.miss === 0 ? 'open' : isSharp ? 'fine' : blur < 2 * circleMm ? 'mind' : 'no',
    verdict:
      scene.miss === 0
        ? `In focus. Drag the plane to see a miss: ${may.near === Infinity ? 'anything nearer' : `${say(may.near)} too near`} or ${may.far === Infinity ? 'anything further' : `${say(may.far)} too far`} still counts as sharp.`
        : isSharp
          ? `Focus ${size} ${where} the subject still looks sharp: ${pixelWords(pixels)} of blur.`
          : `Focus ${size} ${where} the subject shows: ${pixelWords(pixels)} of blur, ${plain(blur / circleMm)} times what counts as sharp.`,
    figures: [
      figure(
        'blur',
        pixels,
        pixelWords(pixels),
        `(f / N) m |z − z_f| / z / pixel: f ${plain(r.focalMm, 4)} mm, ${fNumberWords(scene.fNumber)}, z ${say(r.subjectMetres)}, z_f ${say(r.subjectMetres + scene.miss)}`,
      ),
      figure(
        'counts as sharp',
        circleMm / pitchMm,
        pixelWords(circleMm / pitchMm),
        'the circle, in pixels of this body',
      ),
      figure('an eye is', eye, pixelWords(eye), '24 mm × magnification / pixel'),
      figure(
        'too far may be',
        may.far,
        may.far === Infinity ? 'any' : say(may.far),
        'there the blur of the subject, by the formula above, is as large as the circle',
      ),
      figure(
        'too near may be',
        may.near,
        may.near === Infinity ? 'any' : say(may.near),
        'the same, with the plane in front of the subject; down to the closest focus of the lens',
      ),
    ],
    changes:
      scene.miss === 0 || isSharp
        ? []
        : [
            `${fNumberWords((scene.fNumber * blur) / circleMm)} would hide it.`,
            'If misses like this are usual, let the release wait for focus.',
          ],
    cautions: [],
    short:
      Math.min(may.far, may.near) === Infinity
        ? 'focus need not be exact'
        : `focus within ${say(Math.min(may.far, may.near))}`,
    target: scene.miss !== 0 && !isSharp ? { dimension: 'release.first', value: 'focus' } : undefined,
  }
}
