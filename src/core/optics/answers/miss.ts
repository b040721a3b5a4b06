import { defocusBlurMm } from '../defocus'
import { focalAt, magnificationOf } from '../focusing-lens'
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

/** What a focus that misses looks like. */
export const missAnswer: Question = r => {
  const { scene, units, circleMm, pitchMm } = r
  const say = (m: number) => lengthWords(m, units)
  const blur = blurOfMiss(r, scene.miss)
  const pixels = blur / pitchMm
  const isSharp = blur <= circleMm
  const eye = (24 * r.magnification) / pitchMm
  const where = scene.miss > 0 ? 'behind' : 'in front of'
  const size = say(Math.abs(scene.miss))
  return {
    question: 'miss',
    tone: scene.miss === 0 ? 'open' : isSharp ? 'fine' : blur < 2 * circleMm ? 'mind' : 'no',
    verdict:
      scene.miss === 0
        ? `In focus. Drag the plane to see a miss: ${say(r.depth.behind)} too near or ${say(r.depth.front)} too far still counts as sharp.`
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
        r.depth.front,
        say(r.depth.front),
        'a plane that far behind has the subject in what is sharp in front of it',
      ),
      figure(
        'too near may be',
        r.depth.behind,
        say(r.depth.behind),
        'a plane that far in front has the subject in what is sharp behind it',
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
    short: `focus within ${say(r.depth.front)}`,
    target: scene.miss !== 0 && !isSharp ? { dimension: 'release.first', value: 'focus' } : undefined,
  }
}
