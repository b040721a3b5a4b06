import { fromSun, type Light, lightFrom, sunAt } from '../optics/sun'
import type { Place } from './job'
import type { StandingScene } from './standing'

/** What the sun does at a scene, and what to do about it. */
export interface SceneLight {
  /** At the beginning and at the end, degrees above the horizon. */
  readonly altitude: readonly [from: number, until: number]
  /** Where the camera looks is known. */
  readonly falls: Light | undefined
  readonly words: string
  /** Empty where nothing has to be done about it. */
  readonly advice: string
}

/** Lower than this, light is warm, flat and in the lens. @source common practice: the golden hour, sun below six degrees */
const LOW_DEGREES = 6
/** Civil dusk: the sun lower than this below the horizon. @source U.S. Naval Observatory, Rise, Set, and Twilight Definitions */
const DUSK_DEGREES = -6

const ADVICE = {
  back: 'Faces are found late: open the exposure until the eye shows, shade the lens, and never look at the sun through an optical finder.',
  low: 'It comes into the lens with a turn of the camera: have a hand or a hood ready.',
  dusk: 'The limit of AF comes nearer: aim at edges; have the lamp off where it may startle.',
  dark: 'Aim at edges with contrast, and know how to set the distance by hand.',
} as const

/** @returns undefined under a roof, or where nobody said where the place is */
export const lightAt = (scene: StandingScene, place: Place | undefined): SceneLight | undefined => {
  if (!place || place.indoors || place.latitude === undefined || place.longitude === undefined) return undefined
  const where = { latitude: place.latitude, longitude: place.longitude }
  const [begins, ends] = [sunAt(where, scene.from), sunAt(where, scene.until)]
  const altitude = [begins.altitudeDegrees, ends.altitudeDegrees] as const
  const falls =
    scene.facing === undefined
      ? undefined
      : [begins, ends]
          .map(s => lightFrom(fromSun(scene.facing ?? 0, s), s.altitudeDegrees > 0))
          .reduce((a, b) => (a === 'back' || b === 'back' ? 'back' : a === 'none' ? b : a))
  const [high, deep] = [Math.max(...altitude), Math.min(...altitude)]
  const said = (words: string, advice = ''): SceneLight => ({ altitude, falls, words, advice })
  if (high < DUSK_DEGREES) return said('dark', ADVICE.dark)
  if (falls === 'back') return said('against the sun', ADVICE.back)
  if (deep < 0) return said(high > 0 ? 'the sun goes down or comes up meanwhile' : 'dusk', ADVICE.dusk)
  if (deep < LOW_DEGREES) return said('low sun', ADVICE.low)
  if (falls === 'side') return said('sun from the side')
  if (falls === 'front') return said('sun on the subject')
  return said('daylight')
}

/** In a line: what it does, and what to do about it. */
export const lightWords = ({ words, advice }: SceneLight): string => (advice ? `${words}. ${advice}` : words)
