import { cropFactor } from '../equivalents'
import { depthAt, type Reckoned } from '../reckon'
import { handHeldSeconds, motionBlurMm, stopsBetween } from '../shutter'
import {
  fNumberWords,
  markedDown,
  MARKED_TIMES,
  markedTime,
  percentWords,
  pixelWords,
  plain,
  stopWords,
  timeWords,
} from '../words'
import { figure, type Question } from './answer'

const RADIANS = Math.PI / 180
const SHORTEST_TIME = Math.min(...MARKED_TIMES)
/** No flash is shorter; less stands for none. */
const SHORTEST_FLASH = 1e-6

/** Millimetres on the sensor for one second of the subject's movement, less what the camera follows. */
const blurPerSecond = (r: Reckoned): number =>
  motionBlurMm({
    speed: r.scene.speed * (1 - r.scene.panned),
    angleRadians: r.scene.directionDegrees * RADIANS,
    seconds: 1,
    magnification: r.magnification,
    halfSizeMetres: r.scene.subjectHeight / 2,
    subjectMetres: r.subjectMetres,
  })

/** Whether a wider opening pays for a shorter time without losing the depth that is needed. */
const whoPays = (r: Reckoned, stops: number): string => {
  const { scene } = r
  const open = scene.fNumber / 2 ** (stops / 2)
  const depth = depthAt(r, { fNumber: Math.max(open, r.widestFNumber) })
  const holds = depth.front + depth.behind >= r.needs
  if (open >= r.widestFNumber * 0.97 && holds)
    return `The f-number can pay: ${fNumberWords(markedDown(open))} still holds the subject.`
  const iso = `ISO has to pay: ${plain(2 ** stops, 2)} times as much`
  return open < r.widestFNumber * 0.97
    ? `${iso}, the lens opens only to ${fNumberWords(r.widestFNumber)}.`
    : `${iso}; at ${fNumberWords(markedDown(open))} the subject would be deeper than what is sharp.`
}

/** Is the time short enough, for the subject and for the hands. */
export const shutterAnswer: Question = r => {
  const { scene, circleMm, pitchMm } = r
  const perSecond = blurPerSecond(r)
  const flashes = scene.flashTime >= SHORTEST_FLASH && scene.flashTime < scene.time
  const exposed = flashes ? scene.flashTime : scene.time
  const crop = cropFactor(r.camera)
  const hand = handHeldSeconds(scene.focalMm * scene.extender, crop, scene.stabiliserStops)
  const subject = perSecond > 0 ? circleMm / perSecond : Infinity
  const safe = Math.min(hand, subject)
  const pixels = (perSecond * exposed) / pitchMm
  const isSafe = exposed <= safe * 1.015
  const stops = stopsBetween(scene.time, safe)
  const longest = markedTime(safe)
  // Of the subject's movement, so much has to be followed for this time to do.
  const follow = 1 - subject / exposed
  const isTooShort = safe < SHORTEST_TIME * 0.985
  const byWhom = subject < hand ? 'the subject' : 'the hands'
  return {
    question: 'shutter',
    tone: isSafe ? 'fine' : 'no',
    verdict: flashes
      ? isSafe
        ? `The flash freezes it: ${timeWords(exposed)} in the dark, ${pixelWords(pixels)} of blur.`
        : `Even the flash is too slow: ${timeWords(exposed)}, ${pixelWords(pixels)} of blur.`
      : isSafe
        ? `${timeWords(scene.time)} is short enough; up to ${timeWords(longest)} would be.`
        : isTooShort
          ? `${timeWords(scene.time)} is too long for ${byWhom}, and no shutter is short enough: follow its movement.`
          : `${timeWords(scene.time)} is too long for ${byWhom}: ${timeWords(longest)} or shorter.`,
    figures: [
      figure(
        'blur of the subject',
        pixels,
        pixelWords(pixels),
        `v t m (sin a + r/s cos a) / pixel: ${plain(scene.speed * (1 - scene.panned), 3)} m/s, ${timeWords(exposed)}, m ${plain(r.magnification, 3)}, a ${plain(scene.directionDegrees, 3)}°, pixel ${plain(pitchMm * 1000, 3)} µm`,
      ),
      figure('may blur', circleMm / pitchMm, pixelWords(circleMm / pitchMm), 'what still counts as sharp'),
      figure(
        'subject allows',
        subject,
        isFinite(subject) ? timeWords(subject) : 'any time',
        'the time in which it moves by that much',
      ),
      figure(
        'hands allow',
        hand,
        timeWords(hand),
        `1 / (focal length × extender × crop) × 2^${plain(scene.stabiliserStops)} stops of stabilisation: the old rule`,
      ),
      figure('slowest safe time', safe, timeWords(longest), 'the shorter of the two, as it is marked'),
      ...(isSafe
        ? []
        : [figure('costs', stops, stopWords(stops), `from ${timeWords(scene.time)} to ${timeWords(safe)}`)]),
    ],
    changes: [
      ...(scene.speed === 0 ? ['That is for a subject that keeps still: say how fast it moves.'] : []),
      ...(isSafe || flashes ? [] : [whoPays(r, stops)]),
      ...(!isSafe && subject < hand && scene.stabiliserStops > 0
        ? ['Stabilisation does not help: the subject does not care about it.']
        : []),
      ...(!isSafe && subject >= hand ? ['A support, a wall, or more stops of stabilisation would do as well.'] : []),
      ...(!isSafe && subject < hand && scene.panned < 0.9 && Math.abs(Math.cos(scene.directionDegrees * RADIANS)) < 0.8
        ? [
            `Panned along with ${percentWords(scene.panned + (1 - scene.panned) * follow)} of its movement, ${timeWords(scene.time)} would do; the background pays.`,
          ]
        : []),
      ...(!isSafe && subject < hand && Math.abs(Math.cos(scene.directionDegrees * RADIANS)) < 0.5
        ? ['Coming toward you it would blur far less than crossing.']
        : []),
    ],
    cautions:
      scene.flashTime > 0
        ? [
            'Flash may startle performers, animals and drivers: follow the venue’s rules, and none toward aerialists, fire performers or animals.',
          ]
        : [],
    short: isTooShort ? 'follow its movement' : `${timeWords(longest)} or shorter`,
    target: undefined,
  }
}
