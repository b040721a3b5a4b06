import { getPosition, getTimes } from 'suncalc'
import { inRange } from './check'

/** Where the sun stands. */
export interface Sun {
  /** Degrees clockwise from north. */
  readonly azimuthDegrees: number
  /** Degrees above the horizon as it is seen, through the air; below it negative. */
  readonly altitudeDegrees: number
}

export interface Place {
  readonly latitude: number
  readonly longitude: number
}

const RADIANS = Math.PI / 180
const DAY_MS = 86_400_000
const STEP_MS = 600_000

const checked = ({ latitude, longitude }: Place): readonly [number, number] => [
  inRange('latitude', latitude, -90, 90),
  inRange('longitude', longitude, -180, 180),
]

/**
 * Where the sun stands at a place and time.
 *
 * @param time milliseconds since 1970, UTC
 * @source the suncalc library, after Meeus, Astronomical Algorithms
 * @example sunAt({ latitude: 39.742476, longitude: -105.1786 }, Date.UTC(2003, 9, 17, 19, 30, 30)) // 194.34, 39.89
 */
export const sunAt = (place: Place, time: number): Sun => {
  const { azimuth, altitude } = getPosition(new Date(time), ...checked(place))
  return { azimuthDegrees: azimuth, altitudeDegrees: altitude }
}

/**
 * The angle between the way the camera looks, level, and the sun.
 *
 * @returns degrees, 0 straight into the sun
 * @source spherical geometry
 * @example fromSun(180, { azimuthDegrees: 180, altitudeDegrees: 30 }) // 30
 */
export const fromSun = (facingDegrees: number, { azimuthDegrees, altitudeDegrees }: Sun): number => {
  const level = Math.cos((azimuthDegrees - facingDegrees) * RADIANS) * Math.cos(altitudeDegrees * RADIANS)
  return Math.acos(Math.min(1, Math.max(-1, level))) / RADIANS
}

export type Light = 'back' | 'side' | 'front' | 'none'

/** Up to this angle from the sun a subject is back-lit, and beyond the other it is lit from the front. @source from memory */
const BACK_TO = 60
const FRONT_FROM = 120

/** What the sun does to a subject that the camera looks at. @example lightFrom(20, true) // 'back' */
export const lightFrom = (degreesFromSun: number, isUp: boolean): Light => {
  if (!isUp) return 'none'
  if (degreesFromSun <= BACK_TO) return 'back'
  return degreesFromSun < FRONT_FROM ? 'side' : 'front'
}

export interface Span {
  readonly from: number
  readonly to: number
}

/** The hours of one day, each in milliseconds since 1970 where it happens. */
export interface SunDay {
  readonly sunrise: number | undefined
  readonly sunset: number | undefined
  readonly dusk: number | undefined
  /** The sun stands less than six degrees high. */
  readonly low: readonly Span[]
  readonly isAlwaysUp: boolean
  readonly isAlwaysDown: boolean
}

const at = (date: Date | null | undefined): number | undefined => date?.getTime()

/** Sunrise, sunset and the hours of low sun on the day of a time. */
export const sunDay = (place: Place, time: number): SunDay => {
  const t = getTimes(new Date(time), ...checked(place))
  const [rise, set, highFrom, highTo] = [at(t.sunrise), at(t.sunset), at(t.goldenHourEnd), at(t.goldenHour)]
  const low: readonly Span[] =
    rise === undefined || set === undefined
      ? []
      : highFrom === undefined || highTo === undefined
        ? [{ from: rise, to: set }]
        : [
            { from: rise, to: highFrom },
            { from: highTo, to: set },
          ]
  return {
    sunrise: rise,
    sunset: set,
    dusk: at(t.dusk),
    low,
    isAlwaysUp: t.alwaysUp === true,
    isAlwaysDown: t.alwaysDown === true,
  }
}

/**
 * When a camera that looks one way has its subject against the sun, from half a day before a time to half a day after,
 * to ten minutes.
 */
export const backLitSpans = (place: Place, time: number, facingDegrees: number): readonly Span[] => {
  const spans: Span[] = []
  const begin = Math.floor((time - DAY_MS / 2) / STEP_MS) * STEP_MS
  for (let t = begin; t <= begin + DAY_MS; t += STEP_MS) {
    const sun = sunAt(place, t)
    if (lightFrom(fromSun(facingDegrees, sun), sun.altitudeDegrees > 0) !== 'back') continue
    const last = spans.at(-1)
    if (last && last.to === t) spans[spans.length - 1] = { from: last.from, to: t + STEP_MS }
    else spans.push({ from: t, to: t + STEP_MS })
  }
  return spans
}

/** The next day on which the sun rises at all, or undefined within half a year. */
export const nextSunrise = (place: Place, time: number): number | undefined => {
  for (let day = 1; day <= 190; day += 1) {
    const t = getTimes(new Date(time + day * DAY_MS), ...checked(place))
    if (!t.alwaysDown) return at(t.sunrise) ?? at(t.solarNoon)
  }
  return undefined
}
