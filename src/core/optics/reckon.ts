import { whereReaches } from './check'
import { circleOfConfusionMm, pixelPitchMm, type SharpnessBasis } from './circle-of-confusion'
import { type Depth, depthOfField } from './depth-of-field'
import { type CameraFigures, type LensFigures, widestAt } from './figures'
import {
  closestMagnification,
  distanceForMagnification,
  focalAt,
  type FocusingLens,
  magnificationOf,
} from './focusing-lens'
import type { Scene } from './scene'
import { imageDistanceMm, subjectDistance } from './thin-lens'
import { fNumberWords, lengthWords, plain, type Units } from './words'

/** What cannot be as it was asked, and the nearest that can. */
export interface Trouble {
  readonly field: keyof Scene
  readonly words: string
  readonly nearest: number | undefined
}

/** Everything that the ten answers share, worked out once from a scene that can be. */
export interface Reckoned {
  /** As far as it can be: what could not is at the nearest that can. */
  readonly scene: Scene
  readonly camera: CameraFigures
  readonly lens: LensFigures
  readonly units: Units
  readonly troubles: readonly Trouble[]
  /** As it is held: an upright frame is higher than wide. */
  readonly frame: { readonly widthMm: number; readonly heightMm: number; readonly imageMm: number }
  readonly focusing: FocusingLens
  /** At this distance, extender included. */
  readonly focalMm: number
  readonly widestFNumber: number
  readonly magnification: number
  /** From the lens to the plane that is meant to be focused on, metres. */
  readonly subjectMetres: number
  readonly pupilMagnification: number
  readonly circleMm: number
  readonly pitchMm: number
  readonly depth: Depth
  /** As it is seen, turned as it is. */
  readonly seen: { readonly width: number; readonly height: number }
  /** From the nearest to the furthest point of the subject. */
  readonly needs: number
  /** How much of the frame it fills, by the side that is filled first. */
  readonly fills: number
}

const RADIANS = Math.PI / 180

type NumberField = { [K in keyof Scene]: Scene[K] extends number ? K : never }[keyof Scene]

/** What is above nought and no larger than that; anything else is at the nearest of those. */
const BOUNDS: readonly (readonly [NumberField, least: number, most: number, name: string])[] = [
  ['sensorWidthMm', 1, 200, 'Width of the sensor in mm'],
  ['sensorHeightMm', 1, 200, 'Height of the sensor in mm'],
  ['pixelsWide', 100, 100_000, 'Pixels across'],
  ['widestFNumber', 0.5, 64, 'Widest f-number'],
  ['closestMetres', 0.01, 100, 'Closest focus in metres'],
  ['focalMm', 1, 3000, 'Focal length in mm'],
  ['extender', 1, 4, 'Extender'],
  ['subjectWidth', 0.0005, 1000, 'Width of the subject'],
  ['subjectHeight', 0.0005, 1000, 'Height of the subject'],
  ['subjectDepth', 0, 1000, 'Depth of the subject'],
  ['partSize', 0.0002, 1000, 'Size of what focus aims for'],
  ['tiltDegrees', 0, 90, 'Turned by'],
  ['distance', 0.01, 100_000, 'Distance'],
  ['miss', -1000, 1000, 'Focus error'],
  ['fNumber', 0.5, 128, 'f-number'],
  ['time', 1 / 64_000, 3600, 'Shutter time'],
  ['divisor', 100, 20_000, 'Frame diagonal divided by'],
  ['pixels', 0.1, 100, 'Pixels of blur'],
  ['circleMm', 0.0005, 1, 'Circle in mm'],
  ['areaWidth', 0.001, 1, 'Width of the area'],
  ['areaHeight', 0.001, 1, 'Height of the area'],
  ['areaX', 0, 1, 'Place of the area'],
  ['areaY', 0, 1, 'Place of the area'],
  ['placeX', 0, 1, 'Wanted place'],
  ['placeY', 0, 1, 'Wanted place'],
  ['sway', -2, 2, 'Sway'],
  ['handsDegrees', 0.001, 20, 'How far the hands wander'],
  ['planNear', 0, 100_000, 'Nearest planned distance'],
  ['planFar', 0, 1_000_000, 'Furthest planned distance'],
  ['frontMetres', 0, 3, 'Length from sensor to front'],
  ['margin', 0, 0.9, 'Margin'],
  ['outputPixels', 100, 100_000, 'Pixels of the output'],
  ['speed', 0, 400, 'Speed'],
  ['directionDegrees', 0, 180, 'Direction'],
  ['panned', 0, 1, 'Share followed'],
  ['stabiliserStops', 0, 10, 'Stops of stabilisation'],
  ['flashTime', 0, 1, 'Flash duration'],
  ['latitude', -90, 90, 'Latitude'],
  ['longitude', -180, 180, 'Longitude'],
  ['at', 0, 7_258_118_400_000, 'Day and time'],
  ['offsetMinutes', -840, 840, 'Minutes from UTC'],
  ['facingDegrees', 0, 360, 'Facing'],
]

/** A scene with every figure inside its bounds, and what was not. */
export const withinBounds = (scene: Scene): { readonly scene: Scene; readonly troubles: readonly Trouble[] } => {
  const troubles: Trouble[] = []
  const mended: Partial<Record<NumberField, number>> = {}
  for (const [field, least, most, name] of BOUNDS) {
    const value = scene[field]
    if (value >= least && value <= most) continue
    const nearest = value > most ? most : least
    troubles.push({
      field,
      nearest,
      words: `${name} cannot be ${plain(value, 4)}: from ${plain(least)} to ${plain(most, 4)}.`,
    })
    mended[field] = nearest
  }
  return { scene: { ...scene, ...mended }, troubles }
}

const basisOf = (s: Scene): SharpnessBasis =>
  s.basis === 'print'
    ? { basis: 'print', divisor: s.divisor }
    : s.basis === 'pixel'
      ? { basis: 'pixel', pixels: s.pixels }
      : { basis: 'own', mm: s.circleMm }

/** A body of which only figures were typed. Its areas are not known. */
export const freeCamera = (scene: Scene): CameraFigures => figuresOfCamera(withinBounds(scene).scene)

const figuresOfCamera = (s: Scene): CameraFigures => ({
  id: undefined,
  name: 'a body by its figures',
  widthMm: s.sensorWidthMm,
  heightMm: s.sensorHeightMm,
  pixelsWide: Math.round(s.pixelsWide),
  pixelsHigh: Math.round((s.pixelsWide * s.sensorHeightMm) / s.sensorWidthMm),
  optical: false,
  coverage: { width: 1, height: 1 },
  areas: [],
  finds: {},
  ranges: [],
})

/** A lens of which only figures were typed. */
export const freeLens = (scene: Scene): LensFigures => figuresOfLens(withinBounds(scene).scene)

const figuresOfLens = (s: Scene): LensFigures => ({
  id: undefined,
  name: 'a lens by its figures',
  mount: undefined,
  maker: undefined,
  focalFrom: s.focalMm,
  focalTo: s.focalMm,
  widestFrom: s.widestFNumber,
  widestTo: s.widestFNumber,
  closestMetres: s.closestMetres,
  magnification: undefined,
  pupilMagnification: undefined,
  frontMetres: undefined,
  bestFNumber: undefined,
  stabilised: false,
  ranges: [{ label: 'whole range', near: s.closestMetres, far: Infinity }],
})

/** A lens at a focal length behind an extender. Its largest magnification goes with the focal length. */
export const lensAt = (lens: LensFigures, focalMm: number, extender: number): FocusingLens => ({
  focalMm: focalMm * extender,
  closestMetres: lens.closestMetres,
  magnification:
    lens.magnification === undefined ? undefined : (lens.magnification * focalMm * extender) / lens.focalTo,
})

/** Everything that the answers share. Never throws: what cannot be is told and taken at the nearest that can. */
export const reckon = (asked: Scene, camera: CameraFigures, lens: LensFigures, units: Units): Reckoned => {
  const { scene: bounded, troubles: outside } = withinBounds(asked)
  const troubles: Trouble[] = [...outside]
  const mend = <K extends keyof Scene>(field: K, nearest: Scene[K] & number, words: string): number => {
    troubles.push({ field, nearest, words })
    return nearest
  }
  const focal =
    bounded.focalMm < lens.focalFrom || bounded.focalMm > lens.focalTo
      ? mend(
          'focalMm',
          Math.min(lens.focalTo, Math.max(lens.focalFrom, bounded.focalMm)),
          `${lens.name} has no ${plain(bounded.focalMm, 4)} mm: ${lens.focalFrom === lens.focalTo ? `${lens.focalTo} mm only` : `${lens.focalFrom} to ${lens.focalTo} mm`}.`,
        )
      : bounded.focalMm
  const focusing = lensAt(lens, focal, bounded.extender)
  const widest = widestAt(lens, focal) * bounded.extender
  const fNumber =
    bounded.fNumber < widest * 0.97
      ? mend(
          'fNumber',
          Number(widest.toFixed(2)),
          `${lens.name} opens to ${fNumberWords(widest)} at ${plain(focal, 4)} mm${bounded.extender > 1 ? ' with this extender' : ''}; ${fNumberWords(bounded.fNumber)} is wider.`,
        )
      : bounded.fNumber
  const distance =
    bounded.distance < lens.closestMetres
      ? mend(
          'distance',
          lens.closestMetres,
          `${lengthWords(bounded.distance, units)} is inside the closest focus of ${lens.name}, ${lengthWords(lens.closestMetres, units)} from the sensor plane.${
            lens.frontMetres !== undefined && bounded.distance < lens.frontMetres
              ? ` It is inside the lens itself, whose front is ${lengthWords(lens.frontMetres, units)} from the sensor plane.`
              : ''
          }`,
        )
      : bounded.distance
  const scene: Scene = { ...bounded, focalMm: focal, fNumber, distance }

  const upright = scene.upright
  const { focalMm, magnification, imageMm, subjectMetres } = geometryAt(focusing, distance)
  const circleMm = circleOfConfusionMm(basisOf(scene), camera)
  const pupilMagnification = lens.pupilMagnification ?? 1
  const tilt = scene.tiltDegrees * RADIANS
  const frame = {
    widthMm: upright ? camera.heightMm : camera.widthMm,
    heightMm: upright ? camera.widthMm : camera.heightMm,
    imageMm,
  }
  const seen = {
    width: scene.subjectWidth * Math.cos(tilt) + scene.subjectDepth * Math.sin(tilt),
    height: scene.subjectHeight,
  }
  return {
    scene,
    camera,
    lens,
    units,
    troubles,
    frame,
    focusing,
    focalMm,
    widestFNumber: widest,
    magnification,
    subjectMetres,
    pupilMagnification,
    circleMm,
    pitchMm: pixelPitchMm(camera),
    depth: depthOfField({ focalMm, fNumber, circleMm, magnification, pupilMagnification }),
    seen,
    needs: scene.subjectWidth * Math.sin(tilt) + scene.subjectDepth * Math.cos(tilt),
    fills: Math.max(
      (seen.width * magnification * 1000) / frame.widthMm,
      (seen.height * magnification * 1000) / frame.heightMm,
    ),
  }
}

/** What a lens makes of a distance: nothing of it depends on the aperture. */
const geometryAt = (focusing: FocusingLens, distance: number) => {
  const focalMm = focalAt(focusing, distance)
  const magnification = magnificationOf(focusing, distance)
  return {
    focalMm,
    magnification,
    imageMm: imageDistanceMm(focalMm, magnification),
    subjectMetres: subjectDistance(focalMm, magnification),
  }
}

/** The same scene with its subject somewhere else, as far as geometry goes. */
export const movedTo = (r: Reckoned, distance: number): Pick<Reckoned, 'scene' | 'frame' | 'subjectMetres'> => {
  const { imageMm, subjectMetres } = geometryAt(r.focusing, distance)
  return { scene: r.scene, frame: { ...r.frame, imageMm }, subjectMetres }
}

/** Depth of field as it would be at another f-number or distance. */
export const depthAt = (
  r: Reckoned,
  { fNumber = r.scene.fNumber, distance = r.scene.distance, circleMm = r.circleMm } = {},
): Depth => {
  const { focalMm, magnification } = geometryAt(r.focusing, distance)
  return depthOfField({ focalMm, fNumber, circleMm, magnification, pupilMagnification: r.pupilMagnification })
}

/** The smallest opening that any lens is taken to have. */
export const SMALLEST_F = 64

/** The f-number from which something holds that gets truer as the lens closes; undefined where none does. */
export const fNumberWhere = (r: Reckoned, has: (depth: Depth) => number, wanted: number): number | undefined =>
  whereReaches(fNumber => has(depthAt(r, { fNumber })), wanted, r.widestFNumber, SMALLEST_F)

/** The distance from which something holds that gets truer further away. */
export const distanceWhere = (
  r: Reckoned,
  has: (depth: Depth, distance: number) => number,
  wanted: number,
): number | undefined =>
  whereReaches(distance => has(depthAt(r, { distance }), distance), wanted, r.lens.closestMetres, 2000)

/**
 * The distance at which the subject fills so much of the frame.
 *
 * @param fills share of the side that is filled first, > 0
 * @returns the distance, or the most that this lens can fill
 */
export const distanceForShare = (
  r: Reckoned,
  fills: number,
): { readonly ok: true; readonly distance: number } | { readonly ok: false; readonly most: number } => {
  const perMagnification = r.fills / r.magnification
  const distance = fills > 0 ? distanceForMagnification(r.focusing, fills / perMagnification) : undefined
  return distance === undefined
    ? { ok: false, most: closestMagnification(r.focusing) * perMagnification }
    : { ok: true, distance }
}
