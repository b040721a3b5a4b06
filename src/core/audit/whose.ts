import { folded } from '../language/language'
import { cameraOf, type Picture } from './picture'

/** Which camera of the house took a picture. */

export interface Owned {
  readonly id: string
  readonly tag: string
  readonly serial: string
  readonly maker: string
  readonly model: string
  /** Since when it is known here; pictures from before may have been somebody else's. ISO 8601. */
  readonly since: string
}

export type Whose =
  | { readonly is: 'unit'; readonly unit: string }
  /** Several have that serial number. */
  | { readonly is: 'several'; readonly units: readonly string[] }
  /** The serial number is that of a unit, and the model is another one. */
  | { readonly is: 'another-model'; readonly unit: string }
  | { readonly is: 'unknown' }

export interface Camera {
  /** As `cameraOf` has it. */
  readonly key: string
  readonly make: string
  readonly model: string
  readonly serial: string
  readonly pictures: number
  readonly whose: Whose
  /** Somebody said which unit it is. */
  readonly isTold: boolean
}

const plain = (text: string): string => folded(text).replaceAll(/[^a-z0-9]/g, '')

/** Serial numbers are written with zeros in front and dashes, or without. */
const plainSerial = (text: string): string => plain(text).replace(/^0+(?=.)/, '')

const isModel = (unit: Owned, { make = '', model = '' }: Pick<Picture, 'make' | 'model'>): boolean => {
  const [said, own] = [plain(model), plain(unit.model)]
  return said === '' || said.includes(own) || own.includes(said) || plain(make + model).includes(plain(unit.maker) + own)
}

const whoseBy = (picture: Picture, units: readonly Owned[]): Whose => {
  const serial = plainSerial(picture.serial ?? '')
  if (serial === '') return { is: 'unknown' }
  const found = units.filter(u => plainSerial(u.serial) === serial)
  const same = found.filter(u => isModel(u, picture))
  const [only] = same
  if (same.length > 1) return { is: 'several', units: same.map(u => u.id) }
  if (only) return { is: 'unit', unit: only.id }
  const [other] = found
  return other ? { is: 'another-model', unit: other.id } : { is: 'unknown' }
}

/**
 * The cameras among pictures, those with most pictures first.
 *
 * @param told by camera, which unit somebody said it is
 */
export const camerasOf = (
  pictures: readonly Picture[],
  units: readonly Owned[],
  told: ReadonlyMap<string, string>,
): readonly Camera[] => {
  const groups = new Map<string, { readonly picture: Picture; pictures: number }>()
  for (const picture of pictures) {
    const key = cameraOf(picture)
    const group = groups.get(key)
    if (group) group.pictures++
    else groups.set(key, { picture, pictures: 1 })
  }
  return [...groups]
    .map(([key, { picture, pictures: n }]): Camera => {
      const unit = units.find(u => u.id === told.get(key))
      return {
        key,
        make: picture.make ?? '',
        model: picture.model ?? '',
        serial: picture.serial ?? '',
        pictures: n,
        whose: unit ? { is: 'unit', unit: unit.id } : whoseBy(picture, units),
        isTold: unit !== undefined,
      }
    })
    .sort((a, b) => b.pictures - a.pictures || (a.key < b.key ? -1 : 1))
}
