import { type Gains, gainsFor, LOOK_SECONDS } from './filter'
import { type Passage, pathOf } from './scene'
import { figuresOfHands, type SetUp } from './set-up'

/**
 * One passage under one set-up: where the subject is, what the camera takes hold of, where the lens stands, and whether
 * each frame is sharp. It compares set-ups; its figures are not promises.
 */

/** What the camera is doing. */
export const STATES = ['searching', 'on-subject', 'holding', 'on-obstacle', 'on-background', 'frozen'] as const
export type StateName = (typeof STATES)[number]
const [SEARCHING, ON_SUBJECT, HOLDING, ON_OBSTACLE, ON_BACKGROUND, FROZEN] = [0, 1, 2, 3, 4, 5] as const

/** A frame that was asked for. */
export const FRAMES = ['sharp', 'soft', 'not-taken'] as const
export type Frame = (typeof FRAMES)[number]

/** Why a frame was not sharp: what the camera was doing when it was taken. */
export type Reason = 'searching' | 'lagging' | 'obstacle' | 'background'
export const REASONS: readonly Reason[] = ['searching', 'lagging', 'obstacle', 'background']

/** Everything of a passage and a set-up that is the same in every run. */
export interface Prepared {
  readonly passage: Passage
  readonly setUp: SetUp
  readonly gains: Gains
  readonly steps: number
  /** Dioptres of the subject, step by step. */
  readonly subject: Float64Array
  /** Of the frame, step by step. */
  readonly width: Float64Array
  readonly height: Float64Array
  /** Its face can be found at this step. */
  readonly hasFace: Uint8Array
  /** Which crossing is in front at this step, from 1; 0 where none is. */
  readonly crossing: Uint8Array
  /** Where the aim settles and how quickly, in shares of the frame a step. */
  readonly aimKept: number
  readonly aimKick: number
  /** Diameter of the circle of confusion, in millimetres. */
  readonly circleMm: number
  /** Steps from one frame to the next, not whole. */
  readonly stepsAFrame: number
  readonly lagSteps: number
}

/** Blur on the sensor that still tells which way to go, as a share of the frame's width. @source from memory */
const CAPTURE_SHARE = 0.06
/** What covers so much of the area is what it sees. @source from memory */
const COVERED = 0.3
/** It is aimed at for so long before the first frame, in seconds. @source from memory */
const AIM_SECONDS = 0.4
/** A subject whose distances are within this ratio hardly moves: a thumb taps and lets go. @source from memory */
const CALM = 1.06
/** And taps again after so long, in seconds. @source from memory */
const AGAIN_SECONDS = 1.2
/** What covers more of the frame than this hides the subject. @source from memory */
const BLOCKS = 0.15
/** From the moment a face shows until it is found, in seconds. @source from memory */
const FIND_SECONDS = 0.12
/** Focus is confirmed within so many circles of confusion. @source from memory */
const CONFIRMED_CIRCLES = 1.2
/** A balanced shutter waits no longer than this, in seconds. @source from memory */
const BALANCED_SECONDS = 0.1

export const prepare = (passage: Passage, setUp: SetUp): Prepared => {
  const steps = Math.round(passage.seconds / LOOK_SECONDS)
  const at = pathOf(passage.subject.path)
  const { focalMm, sensorWidthMm, sensorHeightMm } = setUp
  const [subject, width, height] = [new Float64Array(steps), new Float64Array(steps), new Float64Array(steps)]
  const [hasFace, crossing] = [new Uint8Array(steps), new Uint8Array(steps)]
  const isLit = passage.light >= setUp.leastLight
  for (let i = 0; i < steps; i++) {
    const t = i * LOOK_SECONDS
    const metres = Math.max(at(t), (focalMm / 1000) * 1.2)
    const magnification = focalMm / (metres * 1000 - focalMm)
    subject[i] = 1 / metres
    width[i] = (passage.subject.width * 1000 * magnification) / sensorWidthMm
    height[i] = (passage.subject.height * 1000 * magnification) / sensorHeightMm
    const face = (passage.subject.face * 1000 * magnification) / sensorHeightMm
    hasFace[i] = setUp.finds !== 'nothing' && isLit && face > 0 && face >= setUp.leastFace ? 1 : 0
    crossing[i] = 1 + passage.crossings.findIndex(c => t >= c.at && t < c.at + c.seconds)
  }
  const hands = figuresOfHands(setUp.hands)
  const degreesAcross = (2 * Math.atan(sensorWidthMm / (2 * focalMm)) * 180) / Math.PI
  // Hand and ground shake on their own: their variances add.
  const spread = Math.hypot(hands.degrees * passage.subject.unsteady, passage.shake ?? 0) / degreesAcross
  const aimKept = Math.exp(-LOOK_SECONDS / hands.seconds)
  return {
    passage,
    setUp,
    gains: gainsFor(setUp.response),
    steps,
    subject,
    width,
    height,
    hasFace,
    crossing,
    aimKept,
    aimKick: spread * Math.sqrt(1 - aimKept * aimKept),
    circleMm: Math.hypot(sensorWidthMm, sensorHeightMm) / 1500,
    stepsAFrame: 1 / (setUp.framesPerSecond * LOOK_SECONDS),
    lagSteps: Math.round(setUp.lagSeconds / LOOK_SECONDS),
  }
}

/** What comes out of one run. Numbers of frames, steps and reasons; nothing is kept of each step unless it is asked for. */
export interface Run {
  sharp: number
  soft: number
  notTaken: number
  /** Steps until it first was on the subject; -1 where it never was. */
  acquired: number
  /** The longest time in steps without the subject, once it had been acquired. */
  longestLoss: number
  /** Frames that were not sharp, by reason. */
  readonly reasons: [number, number, number, number]
}

/** What is drawn of one run. */
export interface Trace {
  readonly state: Uint8Array
  /** Dioptres. */
  readonly focus: Float64Array
  readonly aimX: Float64Array
  readonly aimY: Float64Array
  readonly frames: { readonly step: number; readonly frame: Frame }[]
}

/** Random numbers of a run, each purpose with a stream of its own, so that two set-ups meet the same chances. */
class Chance {
  private state: number
  private spare = 0
  private hasSpare = false
  constructor(seed: number) {
    this.state = seed >>> 0
  }
  /** Mulberry32. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0
    let t = this.state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  /** Standard normal. @source Marsaglia's polar method */
  normal(): number {
    if (this.hasSpare) {
      this.hasSpare = false
      return this.spare
    }
    let a: number
    let b: number
    let s: number
    do {
      a = 2 * this.next() - 1
      b = 2 * this.next() - 1
      s = a * a + b * b
    } while (s >= 1 || s === 0)
    const scale = Math.sqrt((-2 * Math.log(s)) / s)
    this.spare = b * scale
    this.hasSpare = true
    return a * scale
  }
}

/**
 * Blur on the sensor of what is at so many dioptres from the sensor plane, with the lens at so many: the formula of
 * `optics/defocus.ts`, written out for millions of frames.
 *
 * @returns millimetres
 */
export const blurBy = ({ focalMm, fNumber }: Pick<SetUp, 'focalMm' | 'fNumber'>) => {
  const opening = focalMm / fNumber
  const focal = focalMm / 1000
  return (there: number, lens: number): number => {
    const focusAt = 1 / Math.max(lens, 1e-4) - focal
    const at = 1 / there - focal
    return (opening * (focal / Math.max(focusAt - focal, 1e-4)) * Math.abs(at - focusAt)) / at
  }
}

const overlap = (middle: number, size: number, area: number): number => {
  const low = Math.max(-area / 2, middle - size / 2)
  const high = Math.min(area / 2, middle + size / 2)
  return high > low ? (high - low) / area : 0
}

export const emptyRun = (): Run => ({
  sharp: 0,
  soft: 0,
  notTaken: 0,
  acquired: -1,
  longestLoss: 0,
  reasons: [0, 0, 0, 0],
})

/**
 * One run. The same seed gives the same run on every machine, but for the last places of sines and logarithms.
 *
 * @param into what is kept of each step, where somebody wants to see it
 */
export const rehearse = (p: Prepared, seed: number, into?: Trace): Run => {
  const { passage, setUp, gains, steps, subject, width, height, hasFace, crossing } = p
  const run = emptyRun()
  const aim = new Chance(seed)
  const look = new Chance(seed ^ 0x9e3779b9)
  const will = new Chance(seed ^ 0x85ebca6b)
  const whom = new Chance(seed ^ 0xc2b2ae35)
  const hands = figuresOfHands(setUp.hands)
  const others = passage.others && passage.others.faces > 0 ? passage.others : undefined
  const another = others ? 1 / others.metres : 0

  const { focalMm, fNumber, areaWidth, areaHeight, driveSpeed, driveAcceleration, farLimit, nearLimit } = setUp
  const back = 1 / passage.background.metres
  // Blur is f^2 / N times the error in dioptres.
  const noise = (setUp.noiseCircles * p.circleMm * fNumber * 1000) / (focalMm * focalMm) / Math.max(0.15, passage.light)
  const captureMm = CAPTURE_SHARE * setUp.sensorWidthMm
  const holdSteps = setUp.holdSeconds / LOOK_SECONDS
  const switchSteps = setUp.switchSeconds / LOOK_SECONDS
  const findSteps = FIND_SECONDS / LOOK_SECONDS
  const reactSteps = hands.reaction / LOOK_SECONDS
  const waitSteps =
    setUp.waits === 'release' ? 0 : setUp.waits === 'balanced' ? BALANCED_SECONDS / LOOK_SECONDS : Infinity
  const againSteps = AGAIN_SECONDS / LOOK_SECONDS
  const byThumb = setUp.school !== 'shutter-start'
  const hasSecond = setUp.school === 'two-thumbs' || setUp.school === 'three-ways'
  const places = passage.subject.path.map(k => k.metres)
  const isCalm = Math.max(...places) / Math.min(...places) < CALM

  const blurOf = blurBy(setUp)

  let aimX = 0
  let aimY = 0
  let focus = Math.min(nearLimit, Math.max(farLimit, back))
  let driving = 0
  let found = 0
  let faceFor = 0
  let other = 0
  let held = 0
  let hasSubject = false
  let target = SEARCHING as number
  let x = focus
  let speed = 0
  let isTracking = false
  let sweep = 1
  let due = AIM_SECONDS / LOOK_SECONDS
  let waited = 0
  let lastOn = -1
  let seenCrossing = 0
  let crossingFor = 0
  let clearFor = 0
  let hadFound = false
  let isWrong = false
  let freezes = false
  let isFrozen = false
  let frozenFor = 0

  for (let i = 0; i < steps; i++) {
    // The hand: an Ornstein-Uhlenbeck walk around the subject.
    aimX = aimX * p.aimKept + p.aimKick * aim.normal()
    aimY = aimY * p.aimKept + p.aimKick * aim.normal()
    const wish = will.next()
    const blurNoise = look.normal()

    const here = subject[i] as number
    const front = crossing[i] as number
    const crossed = front > 0 ? passage.crossings[front - 1] : undefined

    // What the fingers do: a thumb lets go, or holds, while something is in front.
    if (front !== seenCrossing) {
      seenCrossing = front
      crossingFor = 0
      if (front > 0) freezes = byThumb && (crossed?.covers ?? 0) > BLOCKS && wish < hands.right
      else clearFor = 0
    }
    if (front > 0) crossingFor++
    else clearFor++
    if (front > 0 && freezes && crossingFor >= reactSteps) isFrozen = true
    if (front === 0 && isFrozen && clearFor >= reactSteps && (!isCalm || frozenFor >= againSteps)) {
      isFrozen = false
      found = 0
      // Pressed anew, it chooses anew.
      hadFound = false
      // What was believed of its speed is old by now, unless it hardly moves.
      isTracking = isTracking && isCalm
    }
    frozenFor = isFrozen ? frozenFor + 1 : 0

    // What the area sees. A point that goes along stays where the subject is; one that does not goes where the hand goes.
    const goesAlong = setUp.isFollowing && hasSubject && target !== ON_OBSTACLE && target !== ON_BACKGROUND
    const [sx, sy] = goesAlong ? [0, 0] : [-aimX, -aimY]
    const covered = overlap(sx, width[i] as number, areaWidth) * overlap(sy, height[i] as number, areaHeight)
    const inFrame = Math.abs(aimX) < 0.5 && Math.abs(aimY) < 0.5
    const isBlocked = crossed !== undefined && crossed.covers > BLOCKS
    faceFor = hasFace[i] && !isBlocked && inFrame ? faceFor + 1 : 0
    const looksEverywhere = setUp.finds === 'whole-frame' || hasSecond
    const hasFound = hasFace[i] === 1 && faceFor > findSteps && (looksEverywhere || covered > 0)
    // Among several faces it takes one by chance, unless somebody's own area lies on the right one.
    if (others) {
      const lot = whom.next()
      if (!hasFound) isWrong = false
      else if (!hadFound)
        isWrong =
          looksEverywhere && lot >= 1 / (1 + others.faces) && (setUp.isCameraPicking || hasSecond || covered === 0)
      hadFound = hasFound
    }
    // What is far out of focus is only seen where it fills the area.
    const isWithinReach = blurOf(here, focus) < captureMm || covered > 0.9
    // Of all in an area that the camera picks from the subject is the nearest, as long as nothing is in front.
    const isInArea = setUp.isCameraPicking ? covered > 0 : covered >= COVERED
    const seesSubject = !isBlocked && isWithinReach && (hasFound || isInArea)
    // Where the camera picks, the nearest thing in the area is picked.
    const isNearer =
      setUp.isCameraPicking &&
      crossed !== undefined &&
      (isBlocked || (crossed.covers > 0 && areaWidth > 0.5)) &&
      !hasFound
    const isCovered = isNearer || isBlocked
    const obstacle = isWrong && !isCovered ? another : crossed ? 1 / crossed.metres : 0
    const seen = isCovered || isWrong ? ON_OBSTACLE : seesSubject ? ON_SUBJECT : ON_BACKGROUND
    const seesBackground = passage.background.contrast > 0.1 && blurOf(back, focus) < captureMm * 2

    // A body that does not focus between frames stays where it was at the first.
    if (isFrozen || (!setUp.isFocusingBetween && run.sharp + run.soft > 0)) {
      if (into) into.state[i] = FROZEN
    } else {
      if (seen === ON_SUBJECT) {
        if (target !== ON_SUBJECT && (target === ON_OBSTACLE || target === ON_BACKGROUND)) {
          // Back to what it left: it takes as long as leaving did, or less where it is found.
          other++
          if (other >= (hasFound ? switchSteps : holdSteps)) {
            target = ON_SUBJECT
            other = 0
            isTracking = false
          }
        } else {
          target = ON_SUBJECT
          other = 0
        }
        held = 0
      } else if (hasSubject && (target === ON_SUBJECT || target === HOLDING)) {
        // Something else is where the subject was: wait before leaving it.
        held++
        target = HOLDING
        if (held >= (seen === ON_OBSTACLE && isNearer ? Math.min(holdSteps, switchSteps) : holdSteps)) {
          target = seen === ON_OBSTACLE ? ON_OBSTACLE : seesBackground ? ON_BACKGROUND : SEARCHING
          isTracking = false
          held = 0
        }
      } else if (seen === ON_OBSTACLE) target = ON_OBSTACLE
      else if (seesBackground) target = ON_BACKGROUND
      else target = SEARCHING
      if (target === ON_SUBJECT) hasSubject = true

      const measured =
        target === ON_SUBJECT && seen === ON_SUBJECT
          ? here
          : target === ON_OBSTACLE && obstacle > 0
            ? obstacle
            : target === ON_BACKGROUND
              ? back
              : 0
      const predicted = x + speed * LOOK_SECONDS
      if (measured > 0) {
        const z = measured + noise * blurNoise
        if (isTracking) {
          const missed = z - predicted
          x = predicted + gains.g * missed
          speed += (gains.h / LOOK_SECONDS) * missed
        } else {
          x = z
          speed = 0
          isTracking = true
        }
      } else if (target === HOLDING) x = predicted
      let goal = x + speed * setUp.lagSeconds
      if (target === SEARCHING) {
        if (setUp.isSearching) {
          goal = sweep > 0 ? nearLimit : farLimit
          if (Math.abs(focus - goal) < 0.02) sweep = -sweep
        } else goal = focus
      }
      goal = Math.min(nearLimit, Math.max(farLimit, goal))
      // The drive: as fast as it can, and slower in time to stop there.
      const way = goal - focus
      const most = Math.min(driveSpeed, Math.sqrt(2 * driveAcceleration * Math.abs(way)))
      const wanted = Math.sign(way) * Math.min(most, Math.abs(way) / LOOK_SECONDS)
      const change = driveAcceleration * LOOK_SECONDS
      driving += Math.min(change, Math.max(-change, wanted - driving))
      focus = Math.min(nearLimit, Math.max(farLimit, focus + driving * LOOK_SECONDS))
      if (into) into.state[i] = target
    }

    const isOn = hasSubject && blurOf(here, focus) <= p.circleMm * CONFIRMED_CIRCLES && !isBlocked
    if (isOn) {
      if (run.acquired < 0) run.acquired = i
      lastOn = i
      found++
      // What hardly moves is tapped and let go.
      if (byThumb && isCalm && !hasSecond && found > reactSteps / 2) isFrozen = true
    } else if (run.acquired >= 0 && i - lastOn > run.longestLoss) run.longestLoss = i - lastOn

    if (into) {
      into.focus[i] = focus
      into.aimX[i] = aimX
      into.aimY[i] = aimY
    }

    // The shutter. What a frame waits for is what the camera believes; what it becomes is what is there when it opens.
    if (i >= due) {
      const believes = Math.abs(x - focus) < 0.02 && (target === ON_SUBJECT || target === HOLDING || isFrozen)
      const mayOpen = waited >= waitSteps || believes || (isFrozen && byThumb)
      if (!mayOpen) {
        waited++
        if (waited >= p.stepsAFrame && setUp.waits === 'focus') {
          run.notTaken++
          into?.frames.push({ step: i, frame: 'not-taken' })
          due += p.stepsAFrame
          waited = 0
        }
      } else {
        const opens = Math.min(steps - 1, i + p.lagSteps)
        const there = subject[opens] as number
        const covers =
          (crossing[opens] as number) > 0 ? (passage.crossings[(crossing[opens] as number) - 1]?.covers ?? 0) : 0
        const isSharp = covers < 0.5 && blurOf(there, focus) <= p.circleMm
        if (isSharp) run.sharp++
        else {
          run.soft++
          const reason =
            covers >= 0.5 || target === ON_OBSTACLE ? 2 : target === ON_BACKGROUND ? 3 : target === SEARCHING ? 0 : 1
          run.reasons[reason]++
        }
        into?.frames.push({ step: opens, frame: isSharp ? 'sharp' : 'soft' })
        due = Math.max(due + p.stepsAFrame, i + 1)
        waited = 0
      }
    }
  }
  return run
}

/** Room for what is drawn of a run. */
export const emptyTrace = (p: Prepared): Trace => ({
  state: new Uint8Array(p.steps),
  focus: new Float64Array(p.steps),
  aimX: new Float64Array(p.steps),
  aimY: new Float64Array(p.steps),
  frames: [],
})
