import * as v from 'valibot'
import { SUBJECTS } from './subjects'

/**
 * What somebody asks optics about: body, lens, subject and how the picture is taken. Flat, so that an address can hold
 * it; lengths are metres unless their name says otherwise, angles degrees as people turn them, times seconds.
 */
const SHAPE = {
  /** A body and a lens of the house; empty where the figures below are meant. */
  body: v.pipe(v.string(), v.maxLength(60)),
  lens: v.pipe(v.string(), v.maxLength(60)),
  sensorWidthMm: v.number(),
  sensorHeightMm: v.number(),
  pixelsWide: v.number(),
  widestFNumber: v.number(),
  closestMetres: v.number(),
  focalMm: v.number(),
  extender: v.number(),
  upright: v.boolean(),

  subject: v.picklist(SUBJECTS.map(s => s.id)),
  subjectWidth: v.number(),
  subjectHeight: v.number(),
  subjectDepth: v.number(),
  partSize: v.number(),
  /** How far it is turned from side-on. */
  tiltDegrees: v.number(),
  /** From the sensor plane. */
  distance: v.number(),
  /** Of the plane focused on, behind the subject; in front of it negative. */
  miss: v.number(),
  fNumber: v.number(),
  time: v.number(),

  basis: v.picklist(['print', 'pixel', 'own']),
  divisor: v.number(),
  pixels: v.number(),
  circleMm: v.number(),

  areaWidth: v.number(),
  areaHeight: v.number(),
  areaX: v.number(),
  areaY: v.number(),
  placeX: v.number(),
  placeY: v.number(),
  /** Toward the subject while recomposing. */
  sway: v.number(),
  handsDegrees: v.number(),

  /** Distances that have to be reached; nought stands for the subject's own. */
  planNear: v.number(),
  planFar: v.number(),
  planFrom: v.picklist(['sensor', 'front']),
  frontMetres: v.number(),
  margin: v.number(),

  outputPixels: v.number(),

  speed: v.number(),
  /** Against the line of sight: 90 crosses the frame, 0 comes straight on. */
  directionDegrees: v.number(),
  /** The share of its movement that the camera follows. */
  panned: v.number(),
  stabiliserStops: v.number(),
  /** Nought where the light is steady. */
  flashTime: v.number(),

  latitude: v.number(),
  longitude: v.number(),
  /** Milliseconds since 1970, UTC; nought where nobody said. */
  at: v.number(),
  /** Where clocks stand there, minutes ahead of UTC. */
  offsetMinutes: v.number(),
  facingDegrees: v.number(),
  warmGround: v.boolean(),
} as const

const sceneSchema = v.strictObject(SHAPE)
export type Scene = v.InferOutput<typeof sceneSchema>

/** Where a desk begins: a standing person through a 50 mm lens. */
export const BEGINNING: Scene = {
  body: '',
  lens: '',
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  pixelsWide: 6000,
  widestFNumber: 1.8,
  closestMetres: 0.45,
  focalMm: 50,
  extender: 1,
  upright: false,
  subject: 'person',
  subjectWidth: 0.5,
  subjectHeight: 1.75,
  subjectDepth: 0.3,
  partSize: 0.16,
  tiltDegrees: 0,
  distance: 5,
  miss: 0,
  fNumber: 4,
  time: 1 / 500,
  basis: 'print',
  divisor: 1500,
  pixels: 2,
  circleMm: 0.03,
  areaWidth: 0.05,
  areaHeight: 0.06,
  areaX: 0.5,
  areaY: 0.5,
  placeX: 1 / 3,
  placeY: 0.5,
  sway: 0,
  handsDegrees: 0.3,
  planNear: 0,
  planFar: 0,
  planFrom: 'sensor',
  frontMetres: 0,
  margin: 0.1,
  outputPixels: 3000,
  speed: 0,
  directionDegrees: 90,
  panned: 0,
  stabiliserStops: 0,
  flashTime: 0,
  latitude: 51.5,
  longitude: 0,
  at: 0,
  offsetMinutes: 0,
  facingDegrees: 270,
  warmGround: false,
}

/** A scene with what differs from the beginning, as it stands in an address or a request; the rest is filled in. */
export const partialSceneSchema = v.pipe(
  v.partial(sceneSchema),
  v.transform((given): Scene => ({ ...BEGINNING, ...stated(given) })),
)

const stated = (given: Partial<Record<keyof Scene, unknown>>): Partial<Scene> =>
  Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined))

/** What differs from the beginning. */
export const differingFrom = (scene: Scene): Partial<Scene> =>
  Object.fromEntries(Object.entries(scene).filter(([key, value]) => BEGINNING[key as keyof Scene] !== value))

/** A scene as one parameter of an address; nothing for the beginning. @example sceneText({ ...BEGINNING, fNumber: 8 }) // 'fNumber~8' */
export const sceneText = (scene: Scene): string =>
  Object.entries(differingFrom(scene))
    .map(([key, value]) => `${key}~${typeof value === 'number' ? Number(value.toPrecision(12)) : String(value)}`)
    .join('*')

const KEYS = Object.keys(BEGINNING) as readonly (keyof Scene)[]

/** Reads it back; what cannot be read is left at the beginning. */
export const sceneFromText = (text: string): Scene => {
  const pairs = new Map(text.split('*').map(p => [p.slice(0, p.indexOf('~')), p.slice(p.indexOf('~') + 1)] as const))
  const given = Object.fromEntries(
    KEYS.flatMap(key => {
      const raw = pairs.get(key)
      if (raw === undefined) return []
      const from = BEGINNING[key]
      const value = typeof from === 'number' ? Number(raw) : typeof from === 'boolean' ? raw === 'true' : raw
      return v.is(SHAPE[key], value) ? [[key, value]] : []
    }),
  )
  return { ...BEGINNING, ...given }
}
