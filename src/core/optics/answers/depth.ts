import { stackCount } from '../depth-of-field'
import { airyDiscMm, diffractionFNumber } from '../diffraction'
import { hyperfocalMetres } from '../depth-of-field'
import { diagonalMm } from '../circle-of-confusion'
import { depthAt, distanceWhere, fNumberWhere, type Reckoned } from '../reckon'
import { fNumberWords, lengthWords, markedUp, plain } from '../words'
import { figure, type Question } from './answer'

/** What each picture of a stack repeats of the one before. @source common practice, no published source */
const OVERLAP = 0.25

const circleHow = ({ scene, camera, circleMm, pitchMm }: Reckoned): string =>
  scene.basis === 'print'
    ? `print: frame diagonal ${plain(diagonalMm(camera), 3)} mm / ${scene.divisor}`
    : scene.basis === 'pixel'
      ? `${plain(scene.pixels, 3)} pixels of ${plain(pitchMm * 1000, 3)} µm`
      : `your own: ${plain(circleMm, 3)} mm`

/** Depth that a subject has when the plane lies where it shares it out best. */
const total = (d: { readonly front: number; readonly behind: number }): number => d.front + d.behind

/** What is sharp, and whether it is enough for the subject. */
export const depthAnswer: Question = r => {
  const { scene, units, depth, needs } = r
  const say = (m: number) => lengthWords(m, units)
  const c = r.circleMm
  const all = total(depth)
  const hyperfocal = hyperfocalMetres(r.focalMm, scene.fNumber, c)
  const airy = airyDiscMm(scene.fNumber, r.magnification, r.pupilMagnification)
  const limit = diffractionFNumber(c, r.magnification, r.pupilMagnification)
  const isDiffracted = scene.fNumber > limit * 1.01
  const isEnough = all >= needs
  const close = scene.fNumber
  const stopDown = fNumberWhere(r, total, needs)
  const marked = stopDown === undefined ? undefined : markedUp(stopDown)
  const back = isEnough ? undefined : distanceWhere(r, total, needs)
  const stack = isFinite(all) ? stackCount(needs, all, OVERLAP) : 1
  const turned = scene.tiltDegrees > 0 && scene.subjectWidth > scene.subjectDepth
  const formula = `N c (1 + m/P) / (m² (1 ± N c / (f m))) with N ${plain(close, 3)}, c ${plain(c, 3)} mm, m ${plain(r.magnification, 3)}, f ${plain(r.focalMm, 4)} mm, P ${plain(r.pupilMagnification, 3)}`
  return {
    question: 'depth',
    tone: isEnough ? (isDiffracted ? 'mind' : 'fine') : 'no',
    verdict: isEnough
      ? isDiffracted
        ? `${say(all)} is sharp, enough for ${say(needs)}; but beyond ${fNumberWords(limit)} diffraction costs more than depth wins.`
        : all === Infinity
          ? `Sharp from ${say(scene.distance - depth.front)} to infinity, the ${say(needs)} of the subject among it.`
          : `${say(all)} is sharp, enough for the ${say(needs)} of the subject.`
      : `${say(all)} is sharp; the subject is ${say(needs)} deep.`,
    figures: [
      figure(
        'sharp from',
        scene.distance - depth.front,
        say(scene.distance - depth.front),
        `${say(scene.distance)} less the depth in front`,
      ),
      figure(
        'sharp to',
        scene.distance + depth.behind,
        say(scene.distance + depth.behind),
        `${say(scene.distance)} and the depth behind`,
      ),
      figure('depth', all, say(all), 'in front and behind together'),
      figure('in front', depth.front, say(depth.front), formula),
      figure('behind', depth.behind, say(depth.behind), formula),
      figure(
        'the subject needs',
        needs,
        say(needs),
        `${say(scene.subjectWidth)} × sin ${plain(scene.tiltDegrees)}° + ${say(scene.subjectDepth)} × cos ${plain(scene.tiltDegrees)}°`,
      ),
      figure(
        'hyperfocal',
        hyperfocal,
        say(hyperfocal),
        `f² / (N c) + f: focus there, and all from ${say(hyperfocal / 2)} to infinity is sharp`,
      ),
      figure('circle', c / 1000, `${plain(c, 3)} mm`, circleHow(r)),
      figure(
        'Airy disc',
        airy / 1000,
        `${plain(airy, 2)} mm`,
        '2.44 λ N (1 + m/P), λ 550 nm: what diffraction makes of a point',
      ),
      figure('diffraction from', limit, fNumberWords(limit), 'where the Airy disc is as large as the circle'),
      ...(stack > 1
        ? [
            figure(
              'pictures for a stack',
              stack,
              String(stack),
              `${say(needs)} in depths of ${say(all)}, each repeating ${OVERLAP * 100} %`,
            ),
          ]
        : []),
    ],
    changes: [
      ...(!isEnough && marked !== undefined
        ? [
            marked > limit
              ? `${fNumberWords(marked)} would hold it, beyond ${fNumberWords(limit)} where diffraction softens all of it.`
              : `${fNumberWords(marked)} would hold it.`,
          ]
        : []),
      ...(!isEnough && marked === undefined ? ['No f-number holds it from here.'] : []),
      ...(back !== undefined
        ? [`So would ${say(back)} away, smaller in the frame; cropping takes part of that back.`]
        : []),
      ...(!isEnough && turned ? [`Turned side-on it needs only ${say(scene.subjectDepth)}.`] : []),
      ...(isEnough && marked !== undefined && marked < scene.fNumber * 0.95
        ? [`${fNumberWords(marked)} is enough, and lets in more light.`]
        : []),
      ...(isDiffracted
        ? [
            `Up to ${fNumberWords(limit)} nothing is lost; there ${say(total(depthAt(r, { fNumber: limit })))} is sharp.`,
          ]
        : []),
    ],
    cautions: [],
    short:
      isEnough && marked !== undefined
        ? `${fNumberWords(marked)} or smaller`
        : `${say(all)} sharp at ${fNumberWords(scene.fNumber)}`,
    target: undefined,
  }
}
