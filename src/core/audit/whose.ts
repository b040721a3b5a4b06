import { folded } from '../language/language'
import { cameraOf, type Picture } from './picture'

/** Which camera of the house took a picture. */

export interface Owned {
  readonly id: string
  readonly tag: string
  readonly serial: string
  readonly maker: string
  readonly model: string
  /** Pictures from before are those of another camera, or somebody else's. ISO 8601; empty where all are its own. */
  readonly since: string
  /** When it was entered in the kit. ISO 8601. */
  readonly entered: string
}

export type Whose =
  | { readonly is: 'unit'; readonly unit: string }
  /** Several have that serial number. */
  | { readonly is: 'several'; readonly units: readonly string[] }
  /** The serial number is that of a unit, and the model is another one. */
  | { readonly is: 'another-model'; readonly unit: string }
  | { readonly is: 'unknown' }

/** A camera among pictures. */
export interface Camera {
  /** As `cameraOf` has it. */
  readonly key: string
  readonly make: string
  readonly model: string
  readonly serial: string
  readonly pictures: number
}

export interface Identified extends Camera {
  readonly whose: Whose
  /** Somebody said which unit it is. */
  readonly isTold: boolean
}

const plain = (text: string): string => folded(text).replaceAll(/[^a-z0-9]/g, '')

/** Serial numbers are written with zeros in front and dashes, or without. */
const plainSerial = (text: string): string => plain(text).replace(/^0+(?=.)/, '')

const isModel = (unit: Owned, { make, model }: Camera): boolean => {
  const [said, own] = [plain(model), plain(unit.model)]
  return (
    said === '' || said.includes(own) || own.includes(said) || plain(make + model).includes(plain(unit.maker) + own)
  )
}

const whoseBy = (camera: Camera, units: readonly Owned[]): Whose => {
  const serial = plainSerial(camera.serial)
  if (serial === '') return { is: 'unknown' }
  const found = units.filter(u => plainSerial(u.serial) === serial)
  const same = found.filter(u => isModel(u, camera))
  const [only] = same
  if (same.length > 1) return { is: 'several', units: same.map(u => u.id) }
  if (only) return { is: 'unit', unit: only.id }
  const [other] = found
  return other ? { is: 'another-model', unit: other.id } : { is: 'unknown' }
}

/** The cameras among pictures, those with most pictures first. */
export const camerasIn = (pictures: readonly Picture[]): readonly Camera[] => {
  const groups = new Map<string, { -readonly [K in keyof Camera]: Camera[K] }>()
  for (const picture of pictures) {
    const key = cameraOf(picture)
    const { make = '', model = '', serial = '' } = picture
    const camera = groups.get(key)
    if (camera) camera.pictures++
    else groups.set(key, { key, make, model, serial, pictures: 1 })
  }
  return [...groups.values()].sort((a, b) => b.pictures - a.pictures || (a.key < b.key ? -1 : 1))
}

/** @param told by camera, which unit somebody said it is */
export const identified = (
  cameras: readonly Camera[],
  units: readonly Owned[],
  told: Readonly<Record<string, string>>,
): readonly Identified[] =>
  cameras.map(camera => {
    const unit = units.find(u => u.id === told[camera.key])
    return {
      ...camera,
      whose: unit ? { is: 'unit', unit: unit.id } : whoseBy(camera, units),
      isTold: unit !== undefined,
    }
  })
