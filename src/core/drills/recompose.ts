import { mean } from 'simple-statistics'
import { circleOfConfusionMm } from '../optics/circle-of-confusion'
import { depthOfField } from '../optics/depth-of-field'
import { recomposeShift } from '../optics/recompose'

/** Focus and recompose by hand: hold, turn to the third line, release. */

/** What is photographed, and with what. */
export interface Portrait {
  readonly widthMm: number
  readonly heightMm: number
  readonly focalMm: number
  readonly fNumber: number
  /** From the lens to the subject. */
  readonly metres: number
}

/** Which way the camera points, degrees from where it did at first. */
export interface TurnSample {
  readonly at: number
  readonly yaw: number
  readonly pitch: number
}

export interface TurnEvent {
  readonly at: number
  /** The key that focuses goes down, comes up; the picture is taken. */
  readonly kind: 'hold' | 'let-go' | 'release'
}

/**
 * From the middle to the third line.
 *
 * @returns degrees
 * @source atan(w / (6 f)), rectilinear projection
 * @example angleToThird({ widthMm: 36, focalMm: 50 }) // 6.84
 */
export const angleToThird = ({ widthMm, focalMm }: Pick<Portrait, 'widthMm' | 'focalMm'>): number =>
  (Math.atan(widthMm / 6 / focalMm) * 180) / Math.PI

export type TurnFault = 'no-focus' | 'two-tones' | 'turned-first' | 'short' | 'far' | 'nodded' | 'in-motion' | 'soft'

export const FAULT_WORDS: Readonly<Record<TurnFault, string>> = {
  'no-focus': 'The picture was taken before the key that focuses was pressed.',
  'two-tones': 'It focused twice: the recompose was lost. Keep the first hold, or let go once and leave the key alone.',
  'turned-first': 'The turn had begun before focus was there. Hold first, then turn.',
  short: 'Not far enough: the subject is still inside the third line.',
  far: 'Too far: the subject is past the third line.',
  nodded: 'It went up or down on the way. Turn from the wrists, with the elbows at the body.',
  'in-motion': 'Still turning when the picture was taken. Arrive, then release.',
  soft: 'The plane moved further than is sharp in front of the subject: move the point, or stop down.',
}

export interface JudgedTurn {
  /** Turned between focusing and the picture, and what it should have been; degrees. */
  readonly angle: number
  readonly wanted: number
  /** About the straight way from start to end, degrees (root mean square). */
  readonly sway: number
  /** The plane behind the subject, and what is sharp in front of it; metres. */
  readonly shift: number
  readonly front: number
  readonly tones: number
  readonly heldSeconds: number
  readonly faults: readonly TurnFault[]
}

/** So much of the angle may be missing or too much; so far may it nod; so fast may it still turn. @source from memory */
const ANGLE_SHARE = 0.3
const NOD_DEGREES = 2.5
const STILL_DEGREES_A_SECOND = 8
/** A focus takes about this long. Milliseconds. @source from memory */
const FOCUS_MS = 150
const RECENT_MS = 120

/** Where it pointed at a moment, by the nearest sample before. */
const pointing = (samples: readonly TurnSample[], at: number): TurnSample | undefined =>
  samples.findLast(s => s.at <= at) ?? samples[0]

/** What is sharp in front of the subject, metres. @source depth of field, print basis */
export const sharpInFront = (p: Portrait): number =>
  depthOfField({
    focalMm: p.focalMm,
    fNumber: p.fNumber,
    circleMm: circleOfConfusionMm({ basis: 'print', divisor: 1500 }, { ...p, pixelsWide: 1 }),
    magnification: p.focalMm / (p.metres * 1000 - p.focalMm),
  }).front

/**
 * A turn, judged.
 *
 * @returns undefined until a picture is taken
 */
export const judgeTurn = (
  samples: readonly TurnSample[],
  events: readonly TurnEvent[],
  p: Portrait,
): JudgedTurn | undefined => {
  const release = events.find(e => e.kind === 'release')
  if (!release) return undefined
  const before = events.filter(e => e.at <= release.at)
  const holds = before.filter(e => e.kind === 'hold')
  const focused = holds.at(-1)
  const wanted = angleToThird(p)
  const way = samples.filter(s => s.at >= (holds[0]?.at ?? 0) && s.at <= release.at)
  const [start, end] = [pointing(samples, focused?.at ?? 0), pointing(samples, release.at)]
  const turned = (a: TurnSample | undefined, b: TurnSample | undefined) =>
    a && b ? Math.hypot(b.yaw - a.yaw, b.pitch - a.pitch) : 0
  const angle = turned(start, end)
  const settled = pointing(samples, (focused?.at ?? 0) + FOCUS_MS)
  const recent = pointing(samples, release.at - RECENT_MS)
  // Off the straight line between start and end; what is along it is the turn itself.
  const [ux, uy] =
    start && end && angle > 0 ? [(end.yaw - start.yaw) / angle, (end.pitch - start.pitch) / angle] : [1, 0]
  const off = way.map(s => (s.yaw - (start?.yaw ?? 0)) * uy - (s.pitch - (start?.pitch ?? 0)) * ux)
  const sway = off.length ? Math.sqrt(mean(off.map(o => o * o))) : 0
  const shift = recomposeShift(p.metres, (Math.min(90, angle) * Math.PI) / 180)
  const front = sharpInFront(p)
  const letGo = before.findLast(e => e.kind === 'let-go' && e.at > (focused?.at ?? 0))
  const faults: readonly (TurnFault | false)[] = [
    !focused && 'no-focus',
    holds.length > 1 && 'two-tones',
    focused !== undefined && turned(start, settled) > wanted * 0.25 && 'turned-first',
    focused !== undefined && angle < wanted * (1 - ANGLE_SHARE) && 'short',
    angle > wanted * (1 + ANGLE_SHARE) && 'far',
    sway > NOD_DEGREES && 'nodded',
    (turned(recent, end) / RECENT_MS) * 1000 > STILL_DEGREES_A_SECOND && 'in-motion',
    shift > front && 'soft',
  ]
  return {
    angle,
    wanted,
    sway,
    shift,
    front,
    tones: holds.length,
    heldSeconds: focused ? ((letGo?.at ?? release.at) - focused.at) / 1000 : 0,
    faults: faults.filter(f => f !== false),
  }
}
