import { angleBetween, type FramePlace, largestSafeAngle, offAxis, planeShift } from '../recompose'
import { distanceWhere, fNumberWhere, movedTo, type Reckoned } from '../reckon'
import { angleWords, fNumberWords, lengthWords, markedUp, plain } from '../words'
import { figure, type Question } from './answer'

const between = (n: number, least: number, most: number): number => Math.min(most, Math.max(least, n))

/** The nearest place to a wanted one that the body's focus points reach. */
export const reachable = ({ scene, camera }: Reckoned): FramePlace => {
  const { width, height } = camera.coverage
  const [across, up] = scene.upright ? [height, width] : [width, height]
  return {
    x: between(scene.placeX, 0.5 - across / 2, 0.5 + across / 2),
    y: between(scene.placeY, 0.5 - up / 2, 0.5 + up / 2),
  }
}

export interface Recomposition {
  /** Where it is focused on and where it is wanted, off the axis, in radians. */
  readonly focused: number
  readonly released: number
  /** What the camera is turned by. */
  readonly angle: number
  /** How far the plane comes to lie behind the subject, metres; in front of it negative. */
  readonly shift: number
}

/** What turning the camera from one place in the frame to the wanted one does. */
export const recomposition = (
  { scene, frame, subjectMetres }: Pick<Reckoned, 'scene' | 'frame' | 'subjectMetres'>,
  from: FramePlace,
): Recomposition => {
  const to = { x: scene.placeX, y: scene.placeY }
  const [focused, released] = [offAxis(from, frame), offAxis(to, frame)]
  const turned = planeShift(subjectMetres / Math.cos(focused), focused, released)
  return { focused, released, angle: angleBetween(from, to, frame), shift: turned + scene.sway }
}

/** Under this angle nobody turns a camera on purpose. */
const LEAST_ANGLE = Math.PI / 900
const SWAY = 0.03

/** May the camera be turned after focusing, or does the area have to be moved there first. */
export const recomposeAnswer: Question = r => {
  const { scene, units, depth } = r
  const say = (m: number) => lengthWords(m, units)
  const area = { x: scene.areaX, y: scene.areaY }
  const turn = recomposition(r, area)
  const moves = Math.abs(turn.shift)
  // The plane comes to lie behind the subject: the subject has to be in what is sharp in front of it.
  const isBehind = turn.shift >= 0
  const side = (d: { readonly front: number; readonly behind: number }) => (isBehind ? d.front : d.behind)
  const limit = side(depth)
  const isSafe = moves <= limit
  const isMoved = turn.angle < LEAST_ANGLE
  const largest = largestSafeAngle(r.subjectMetres / Math.cos(turn.focused), depth.front - scene.sway, turn.focused)
  // Beyond the corner there is no picture.
  const isAnywhere = largest >= offAxis({ x: 0, y: 0 }, r.frame)
  const upTo = isAnywhere ? 'anywhere in the frame' : `up to ${angleWords(largest)}`
  const reach = reachable(r)
  const rest = recomposition(r, reach)
  const where = isBehind ? 'in front of it' : 'behind it'

  const moveThePoint = (): string => {
    if (rest.angle < LEAST_ANGLE) return `Focus points reach that place: move the area there.`
    if (Math.abs(rest.shift) <= depth.front)
      return `Focus points end before that place. Move the area as far as it goes, then turn the last ${angleWords(rest.angle)}: that moves the plane ${say(Math.abs(rest.shift))}.`
    return `Focus points end before that place, and even from there the plane moves ${say(Math.abs(rest.shift))}: keep the subject nearer the middle and crop.`
  }
  const mended = (): readonly string[] => {
    const stop = fNumberWhere(r, side, moves)
    const back = distanceWhere(
      r,
      (d, distance) => side(d) - Math.abs(recomposition(movedTo(r, distance), area).shift),
      0,
    )
    return [
      ...(isMoved ? [] : [moveThePoint()]),
      ...(stop === undefined ? [] : [`${fNumberWords(markedUp(stop))} would make it safe.`]),
      ...(back !== undefined && back > scene.distance ? [`So would ${say(back)} away.`] : []),
      ...(Math.abs(scene.sway) > moves / 2 ? ['Most of it is sway: stand still and turn from the wrists.'] : []),
    ]
  }
  const verdict = (): string => {
    if (isMoved && isSafe) return 'The area is where the subject is wanted: nothing to recompose.'
    if (isMoved)
      return `The area is in place, but a sway of ${say(Math.abs(scene.sway))} is more than the ${say(limit)} that is sharp.`
    return isSafe
      ? `You may recompose: the plane moves ${say(moves)}, and ${say(limit)} is sharp ${where}.`
      : `Move the point: recomposing moves the plane ${say(moves)}, and only ${say(limit)} is sharp ${where}.`
  }
  return {
    question: 'recompose',
    tone: !isSafe ? 'no' : moves > limit * 0.7 ? 'mind' : 'fine',
    verdict: verdict(),
    figures: [
      figure(
        'turned by',
        turn.angle,
        angleWords(turn.angle),
        'the angle between the area and the wanted place, seen through the lens',
      ),
      figure(
        'the plane moves',
        turn.shift,
        say(turn.shift),
        `d (cos a − cos b) + sway, with d ${say(r.subjectMetres / Math.cos(turn.focused))}, a ${angleWords(turn.focused)} and b ${angleWords(turn.released)} off the middle, sway ${say(scene.sway)}`,
      ),
      figure('sharp in front', depth.front, say(depth.front), 'depth in front of the plane of focus'),
      figure(
        'largest safe angle',
        largest,
        angleWords(largest),
        'off the middle; there the plane moves as much as is sharp in front',
      ),
      figure(
        'a sway of 3 cm',
        SWAY / depth.front,
        depth.front >= SWAY ? 'stays sharp' : `${plain(SWAY / depth.front)} × what is sharp`,
        `3 cm against ${say(depth.front)} in front: turn from the wrists, not from the shoulders`,
      ),
    ],
    changes: isSafe
      ? [
          isAnywhere ? 'Anywhere in the frame is safe.' : `Up to ${angleWords(largest)} off the middle is safe.`,
          ...(depth.front < SWAY ? ['Leaning 3 cm forward is not.'] : []),
        ]
      : mended(),
    cautions: [],
    short: largest < LEAST_ANGLE ? 'move the point, do not recompose' : `recompose ${upTo}`,
    target: isSafe ? undefined : { dimension: 'area.direct', value: true },
  }
}
