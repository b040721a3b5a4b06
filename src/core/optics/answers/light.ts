import type { Reckoned, Trouble } from '../reckon'
import { backLitSpans, fromSun, lightFrom, nextSunrise, type Span, type Sun, sunAt, sunDay } from '../sun'
import { type Answer, type Figure, figure, type Question } from './answer'

const SUN_CAUTION = 'Never look at the sun through an optical finder, and never aim a long lens at it.'

/** A clock at the place. @example clockWords(0, 60) // '01:00' */
export const clockWords = (time: number, offsetMinutes: number): string =>
  new Date(time + offsetMinutes * 60_000).toISOString().slice(11, 16)

const dayWords = (time: number, offsetMinutes: number): string =>
  new Date(time + offsetMinutes * 60_000).toISOString().slice(0, 10)

const SIDES = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const

/** @example sideWords(194) // 'south' */
export const sideWords = (degrees: number): string => SIDES[Math.round(degrees / 45) % 8] ?? 'north'

const LIGHT_WORDS = {
  back: 'back-lit',
  side: 'lit from the side',
  front: 'lit from the front',
  none: 'without sun',
} as const

const angle = (degrees: number): string => `${Math.round(degrees)}°`

/** Where the sun stands, and what it does to the picture. */
export interface SunAtStation {
  readonly sun: Sun
  readonly degreesFromSun: number
  readonly isUp: boolean
}

export const sunOf = ({ scene }: Reckoned): SunAtStation | undefined => {
  if (scene.at === 0) return undefined
  const sun = sunAt(scene, scene.at)
  return { sun, degreesFromSun: fromSun(scene.facingDegrees, sun), isUp: sun.altitudeDegrees > 0 }
}

/** A day on which the sun does not rise, and the nearest on which it does. */
export const lightTroubles = ({ scene }: Reckoned): readonly Trouble[] => {
  if (scene.at === 0 || !sunDay(scene, scene.at).isAlwaysDown) return []
  const next = nextSunrise(scene, scene.at)
  return [
    {
      field: 'at',
      nearest: next,
      words: `The sun does not rise at ${scene.latitude.toFixed(1)}° on that day.${next === undefined ? '' : ` It does next on ${dayWords(next, scene.offsetMinutes)}.`}`,
    },
  ]
}

const OPEN: Answer = {
  question: 'light',
  tone: 'open',
  verdict: 'Say where and when, and which way the camera looks.',
  figures: [],
  changes: [],
  cautions: [],
  short: 'light not known',
  target: undefined,
}

/** When a station is back-lit, when the sun is low and when it is gone. */
export const lightAnswer: Question = r => {
  const { scene } = r
  const station = sunOf(r)
  if (!station) return OPEN
  const { sun, degreesFromSun, isUp } = station
  const clock = (t: number) => clockWords(t, scene.offsetMinutes)
  const span = (s: Span) => `${clock(s.from)} to ${clock(s.to)}`
  const light = lightFrom(degreesFromSun, isUp)
  const day = sunDay(scene, scene.at)
  const against = backLitSpans(scene, scene.at, scene.facingDegrees)
  const until = against.find(s => s.from <= scene.at && scene.at < s.to)
  const next = against.find(s => s.from > scene.at)
  const times: readonly Figure[] = [
    ...(day.sunrise === undefined
      ? []
      : [figure('sunrise', day.sunrise, clock(day.sunrise), 'upper rim on a level horizon')]),
    ...(day.sunset === undefined
      ? []
      : [figure('sunset', day.sunset, clock(day.sunset), 'upper rim on a level horizon')]),
    ...(day.dusk === undefined
      ? []
      : [figure('dusk', day.dusk, clock(day.dusk), 'the sun six degrees below the horizon')]),
    ...day.low.map(s => figure('low sun', s.from, span(s), 'the sun less than six degrees high')),
  ]
  return {
    question: 'light',
    tone: light === 'back' ? 'mind' : light === 'none' ? 'open' : 'fine',
    verdict: isUp
      ? `${clock(scene.at)}: ${LIGHT_WORDS[light]}, the sun ${angle(sun.altitudeDegrees)} high in the ${sideWords(sun.azimuthDegrees)}${until ? `, against you until ${clock(until.to)}` : ''}.`
      : `${clock(scene.at)}: the sun is down.`,
    figures: [
      figure(
        'sun stands',
        sun.azimuthDegrees,
        `${angle(sun.azimuthDegrees)}, ${sideWords(sun.azimuthDegrees)}`,
        'azimuth, clockwise from north',
      ),
      figure(
        'sun height',
        sun.altitudeDegrees,
        angle(sun.altitudeDegrees),
        'above a level horizon, as it is seen through the air',
      ),
      figure(
        'from the camera’s way',
        degreesFromSun,
        angle(degreesFromSun),
        'up to 60° counts as back-lit, from 120° as lit from the front (from memory)',
      ),
      ...times,
    ],
    changes: [
      ...(against.length === 0 ? ['Looking this way, it is not against the sun that day.'] : []),
      ...(next ? [`Back-lit from ${span(next)}.`] : []),
      ...(light === 'back'
        ? [
            'A face may not be found until light reaches the eye: opening the exposure helps a camera that judges from its live picture. Under-exposing by about 0.7 stop protects highlights where shadows can be lifted.',
          ]
        : []),
    ],
    cautions: [SUN_CAUTION],
    short: against.length === 0 ? 'not back-lit' : `back-lit ${against.map(span).join(', ')}`,
    target: light === 'back' ? { dimension: 'meter.bias', value: -0.7 } : undefined,
  }
}
