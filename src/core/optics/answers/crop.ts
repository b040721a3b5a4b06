import { whereReaches } from '../check'
import { diffractionFNumber } from '../diffraction'
import { depthAt, fNumberWhere, type Reckoned } from '../reckon'
import { stopsOfFNumber } from '../shutter'
import { fNumberWords, lengthWords, markedUp, plain, stopWords } from '../words'
import { figure, type Question } from './answer'

/** Nobody crops further. */
const MOST_CROP = 12

/** Depth when stepping back so many times as far and cropping to the same frame. */
export const depthWhenCropped = (r: Reckoned, times: number): number => {
  // A print of the crop is enlarged so much more; counted in pixels, it is not.
  const circleMm = r.scene.basis === 'print' ? r.circleMm / times : r.circleMm
  const d = depthAt(r, { distance: r.scene.distance * times, circleMm })
  return d.front + d.behind
}

/** Step back and crop, or stop down: which buys the depth that the subject needs. */
export const cropAnswer: Question = r => {
  const { scene, units, needs } = r
  const say = (m: number) => lengthWords(m, units)
  const pixelsAcross = scene.upright ? r.camera.pixelsHigh : r.camera.pixelsWide
  const now = r.depth.front + r.depth.behind
  const times = whereReaches(k => depthWhenCropped(r, k), needs, 1, MOST_CROP)
  const left = times === undefined ? undefined : Math.floor(pixelsAcross / times)
  const stop = fNumberWhere(r, d => d.front + d.behind, needs)
  const marked = stop === undefined ? undefined : markedUp(stop)
  const limit = diffractionFNumber(r.circleMm, r.magnification, r.pupilMagnification)
  const stops = marked === undefined ? undefined : stopsOfFNumber(scene.fNumber, marked)
  const isEnough = now >= needs
  const doubled = depthWhenCropped(r, 2) / now
  const leavesEnough = left !== undefined && left >= scene.outputPixels
  const canStop = marked !== undefined && marked <= limit * 1.02
  const most = pixelsAcross / scene.outputPixels
  const both = !isEnough && !leavesEnough && !canStop && most > 1 ? bothWays(r, most) : undefined
  const stepBack = times === undefined ? '' : `Step back to ${say(scene.distance * times)} and crop`
  const flatten = scene.tiltDegrees > 0 ? 'turn it side-on' : 'bring it into one plane'
  const verdict = (): string => {
    if (isEnough) return 'Nothing to buy: the depth is enough as it is.'
    if (leavesEnough && times !== undefined)
      return `${stepBack}: ${left} pixels across are left, ${scene.outputPixels} are needed.`
    if (canStop && marked !== undefined && stops !== undefined)
      return `Stop down to ${fNumberWords(marked)}: cropping would leave ${left === undefined ? 'too few' : `only ${left}`} pixels across.`
    return both ?? `Neither cropping nor stopping down buys it: ${flatten}, or take a stack.`
  }
  return {
    question: 'crop',
    tone: isEnough || leavesEnough ? 'fine' : canStop || both ? 'mind' : 'no',
    verdict: verdict(),
    figures: [
      figure('depth now', now, say(now), `at ${say(scene.distance)} and ${fNumberWords(scene.fNumber)}`),
      figure('needed', needs, say(needs), 'from the nearest to the furthest point of the subject'),
      ...(times !== undefined && times > 1 && left !== undefined
        ? [
            figure(
              'step back',
              times,
              `${plain(times, 3)} × as far`,
              'the least that gives the depth when the frame is cropped to the same',
            ),
            figure('pixels left', left, `${left} across`, `${pixelsAcross} / ${plain(times, 3)}`),
          ]
        : []),
      ...(!isEnough && marked !== undefined && stops !== undefined
        ? [
            figure(
              'or stop down',
              marked,
              `${fNumberWords(marked)}, ${stopWords(stops)}`,
              'the f-number that gives the depth from here',
            ),
          ]
        : []),
      ...(isFinite(doubled)
        ? [
            figure(
              'twice as far',
              doubled,
              `${plain(doubled)} × the depth`,
              `with a quarter of the pixels: ${Math.floor(pixelsAcross / 2)} across`,
            ),
          ]
        : []),
    ],
    changes: isEnough
      ? []
      : [
          ...(leavesEnough && canStop && stops !== undefined && marked !== undefined
            ? [`Stopping down to ${fNumberWords(marked)} would do as well, for ${stopWords(stops)} of light.`]
            : []),
          ...(marked !== undefined && !canStop
            ? [
                `${fNumberWords(marked)} would be beyond ${fNumberWords(limit)}, where diffraction costs more than depth wins.`,
              ]
            : []),
          ...(times === undefined ? [`Even ${MOST_CROP} times as far does not give it.`] : []),
        ],
    cautions: [],
    short: isEnough
      ? 'no crop needed'
      : leavesEnough && times !== undefined
        ? `from ${say(scene.distance * times)}, cropped`
        : canStop && marked !== undefined
          ? fNumberWords(marked)
          : `${flatten}, or stack`,
    target: undefined,
  }
}

/** As far back as the output allows, and the rest by stopping down. */
const bothWays = (r: Reckoned, times: number): string | undefined => {
  const distance = r.scene.distance * times
  const circleMm = r.scene.basis === 'print' ? r.circleMm / times : r.circleMm
  const stop = whereReaches(
    fNumber => {
      const d = depthAt(r, { fNumber, distance, circleMm })
      return d.front + d.behind
    },
    r.needs,
    r.widestFNumber,
    diffractionFNumber(circleMm),
  )
  return stop === undefined
    ? undefined
    : `Do both: step back to ${lengthWords(distance, r.units)}, crop to ${r.scene.outputPixels} pixels, and stop down to ${fNumberWords(markedUp(stop))}.`
}
