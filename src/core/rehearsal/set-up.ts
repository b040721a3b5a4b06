import type { SchoolId } from '../functions/schools'
import type { Area, FocusRange, NeutralValue } from '../vocabulary/values'

/** A body with its settings, a lens and a pair of hands, as far as a passage asks for them. */
export interface SetUp {
  /** Of the frame, 0 to 1. */
  readonly areaWidth: number
  readonly areaHeight: number
  /** Who picks what is focused on inside the area. */
  readonly isCameraPicking: boolean
  /** The area goes along with what it took hold of. */
  readonly isFollowing: boolean
  /** It looks for a face, and where. */
  readonly finds: 'nothing' | 'inside-area' | 'whole-frame'
  /** The least height of a face in the frame at which it is found. */
  readonly leastFace: number
  /** The least light at which it is found. */
  readonly leastLight: number
  readonly holdSeconds: number
  readonly switchSeconds: number
  /** `track.response`, 0 to 1. */
  readonly response: number
  readonly isSearching: boolean
  /** Dioptres. */
  readonly nearLimit: number
  readonly farLimit: number
  /** Dioptres a second, and a second squared. */
  readonly driveSpeed: number
  readonly driveAcceleration: number
  /** Of one look in plenty of light, as blur in circles of confusion. */
  readonly noiseCircles: number
  readonly framesPerSecond: number
  readonly isFocusingBetween: boolean
  readonly waits: 'release' | 'balanced' | 'focus'
  /** From the press to the opening, in seconds. */
  readonly lagSeconds: number
  readonly sensorWidthMm: number
  readonly sensorHeightMm: number
  readonly focalMm: number
  readonly fNumber: number
  readonly school: SchoolId
  /** Of a kind, or somebody's own as their drills measured them. */
  readonly hands: Hands | HandFigures
}

export interface HandFigures {
  /** How far the aim wanders, degrees (standard deviation). */
  readonly degrees: number
  /** How long it takes to come back, and to notice something. */
  readonly seconds: number
  readonly reaction: number
  /** How often it does what it should, 0 to 1. */
  readonly right: number
}

export const HANDS = ['first-month', 'practised', 'very-steady'] as const
export type Hands = (typeof HANDS)[number]

/**
 * How far a hand wanders, in degrees (standard deviation); how long it takes to come back, and to notice something; how
 * often it does what it should.
 *
 * @source from memory; a model that compares hands, measured on nobody
 */
export const HAND_FIGURES: Readonly<Record<Hands, HandFigures>> = {
  'first-month': { degrees: 1.1, seconds: 0.5, reaction: 0.45, right: 0.5 },
  practised: { degrees: 0.42, seconds: 0.5, reaction: 0.3, right: 0.85 },
  'very-steady': { degrees: 0.16, seconds: 0.5, reaction: 0.22, right: 0.95 },
}

export const figuresOfHands = (hands: SetUp['hands']): HandFigures =>
  typeof hands === 'string' ? HAND_FIGURES[hands] : hands

/** What a body does that nothing says. @source from memory; replaced by what the Bench measured where it did */
export const ASSUMED = {
  areaWidth: 0.08,
  areaHeight: 0.1,
  leastFace: 0.04,
  leastLight: 0.15,
  holdSeconds: 0.7,
  switchSeconds: 0.5,
  response: 0.6,
  driveSpeed: 2.5,
  driveAcceleration: 60,
  /**
   * Set so that a practised hand keeps 85 to 90 of 100 on a steady passage: what a careful, practised photographer
   * expects (common practice, no published source).
   */
  noiseCircles: 1.6,
  framesPerSecond: 8,
  lagSeconds: 0.05,
} as const

export interface BodyFacts {
  readonly sensor: { readonly widthMm: number; readonly heightMm: number }
  readonly leastFace: number | undefined
  readonly frameRate: { readonly framesPerSecond: number; readonly focusBetweenFrames: boolean } | undefined
}

/** Dioptres a lens reaches where nothing says how near it goes. @source from memory */
const USUAL_NEAR = 4

/** `never` and `always` as numbers that a passage is shorter than. */
const secondsOf = (value: NeutralValue | undefined, otherwise: number): number =>
  typeof value === 'number' ? value : value === 'never' ? 600 : value === 'always' ? 0 : otherwise

const isArea = (value: NeutralValue | undefined): value is Area =>
  typeof value === 'object' && 'pattern' in value && 'width' in value

const isRange = (value: NeutralValue | undefined): value is FocusRange =>
  typeof value === 'object' && 'nearMetres' in value

/**
 * A set-up from what a body comes to be set to.
 *
 * @param means by dimension, what holds on the body; what is missing is assumed
 * @returns the set-up, and which dimensions were assumed
 */
export const setUpOf = (
  means: Readonly<Record<string, NeutralValue>>,
  body: BodyFacts,
  lens: { readonly focalMm: number; readonly fNumber: number; readonly closestMetres?: number | undefined },
  hands: SetUp['hands'],
  school: SchoolId,
): { readonly setUp: SetUp; readonly assumed: readonly string[] } => {
  const assumed: string[] = []
  const value = (id: string): NeutralValue | undefined => {
    if (means[id] === undefined) assumed.push(id)
    return means[id]
  }
  const area = value('area.pattern')
  const size = isArea(area) ? area : undefined
  const [chooser, follow] = [size?.chooser ?? means['area.chooser'], size?.follow ?? means['area.follow']]
  const looksFor = value('subject.class')
  const range = means['range.limit']
  const response = value('track.response')
  const rate = means['release.rate']
  const acquire = means['track.acquire']
  return {
    assumed,
    setUp: {
      areaWidth: size?.width ?? ASSUMED.areaWidth,
      areaHeight: size?.height ?? ASSUMED.areaHeight,
      isCameraPicking: chooser === 'camera',
      isFollowing: follow !== undefined && follow !== 'off',
      finds:
        looksFor === undefined || looksFor === 'off'
          ? 'nothing'
          : means['subject.scope'] === 'inside-area'
            ? 'inside-area'
            : 'whole-frame',
      leastFace: body.leastFace ?? ASSUMED.leastFace,
      leastLight: ASSUMED.leastLight,
      holdSeconds: secondsOf(value('track.hold'), ASSUMED.holdSeconds),
      switchSeconds: secondsOf(means['track.switch'], ASSUMED.switchSeconds),
      response: typeof response === 'number' ? response : ASSUMED.response,
      isSearching: means['track.search'] !== 'stop',
      // The lens goes no nearer than it can, whatever the limiter says.
      nearLimit: Math.min(
        isRange(range) ? 1 / range.nearMetres : Infinity,
        lens.closestMetres === undefined ? (isRange(range) ? Infinity : USUAL_NEAR) : 1 / lens.closestMetres,
      ),
      farLimit: isRange(range) && range.farMetres !== 'infinity' ? 1 / range.farMetres : 0,
      driveSpeed: ASSUMED.driveSpeed * (typeof acquire === 'number' ? Math.min(1, Math.max(0.05, acquire)) : 1),
      driveAcceleration: ASSUMED.driveAcceleration,
      noiseCircles: ASSUMED.noiseCircles,
      framesPerSecond: typeof rate === 'number' ? rate : (body.frameRate?.framesPerSecond ?? ASSUMED.framesPerSecond),
      isFocusingBetween: means['release.refocus'] !== false && (body.frameRate?.focusBetweenFrames ?? true),
      waits: waitsOf(value('release.next')),
      lagSeconds: ASSUMED.lagSeconds,
      sensorWidthMm: body.sensor.widthMm,
      sensorHeightMm: body.sensor.heightMm,
      focalMm: lens.focalMm,
      fNumber: lens.fNumber,
      school,
      hands,
    },
  }
}

const waitsOf = (value: NeutralValue | undefined): SetUp['waits'] =>
  value === 'release' || value === 'focus' ? value : 'balanced'
