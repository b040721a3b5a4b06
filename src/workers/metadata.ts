import ExifReader from 'exifreader'
import type { Picture } from '../core/audit/picture'
import { pictureFrom, type Zone } from '../core/audit/table'
import type { Field, NotesReader } from './notes'
import { zoneHere } from './zone'

/** What many pictures on this device say of themselves: the fields of the standards at once, the makers' own as they come. */

/** Exif stands near the beginning of a JPEG; so much is read of it first. */
const HEAD = 128 * 1024
/** Other kinds have it behind previews. */
const LONGER_HEAD = 2 * 1024 * 1024
/** What is no larger is read to its end where its head says nothing. */
const WHOLE = 64 * 1024 * 1024

export const extensionOf = (name: string): string => /\.([^.]{1,8})$/.exec(name)?.[1]?.toLowerCase() ?? ''

const GROUPS = { exif: 'Exif', xmp: 'XMP', iptc: 'IPTC' } as const

type Tag = { readonly description?: string; readonly value?: unknown }

/** Numbers as they stand in the file; words as the reader has them. */
const textOf = (tag: Tag): string => {
  const { value, description } = tag
  if (Array.isArray(value) && value.length > 1 && value.length <= 4 && value.every(n => typeof n === 'number'))
    // Two are a fraction; three and four a place in the picture.
    return value.join(value.length === 2 ? '/' : ' ')
  return typeof value === 'number' ? String(value) : (description ?? (typeof value === 'string' ? value : ''))
}

const fieldsOf = (bytes: ArrayBuffer): readonly Field[] => {
  const tags = ExifReader.load(bytes, { expanded: true, excludeTags: { mpf: true, icc: true } })
  return Object.entries(GROUPS).flatMap(([key, group]) =>
    Object.entries((tags[key as keyof typeof tags] ?? {}) as Record<string, Tag>).flatMap(([name, tag]): Field[] =>
      name === 'MakerNote' || name === '_raw' || typeof tag !== 'object' ? [] : [[`${group}:${name}`, textOf(tag)]],
    ),
  )
}

const hasExif = (fields: readonly Field[]): boolean => fields.some(([f]) => f.startsWith('Exif:'))

/** The beginning of a picture, as long as it takes to find its metadata. */
const readOrdinary = async (file: File): Promise<readonly Field[]> => {
  const lengths = [
    extensionOf(file.name) === 'jpg' || file.type === 'image/jpeg' ? HEAD : LONGER_HEAD,
    LONGER_HEAD,
    WHOLE,
  ]
  let read = -1
  for (const most of lengths) {
    const length = Math.min(file.size, most)
    if (length <= read || (most === WHOLE && file.size > WHOLE)) continue
    read = length
    try {
      const fields = fieldsOf(await file.slice(0, length).arrayBuffer())
      if (hasExif(fields)) return fields
    } catch {
      // Cut off, or no picture: a longer piece may say more.
    }
  }
  return []
}

/** A picture by the standard fields alone; one that says nothing still has its name. */
export const ordinaryPicture = async (file: File, zone: Zone = zoneHere): Promise<Picture> => {
  const fields = await readOrdinary(file)
  const named: readonly Field[] = [
    ['FileName', file.name],
    ...fields.filter(([f]) => !/:(?:FileName|SourceFile)$/i.test(f)),
  ]
  const { file: name, ...rest } = pictureFrom(named, zone) ?? { file: file.name, fields: {} }
  // The name belongs to whoever sees it, and is no field of the camera.
  const { FileName: _, ...own } = rest.fields
  return { ...rest, file: name, fields: own }
}

/** The fields of a picture, the maker's own included. */
export const allFields = async (file: File, reader: NotesReader): Promise<readonly Field[]> => {
  const isShort = extensionOf(file.name) === 'jpg' || file.type === 'image/jpeg'
  const head = await file.slice(0, isShort ? 2 * HEAD : LONGER_HEAD).arrayBuffer()
  const fields = await reader.read(new Uint8Array(head), extensionOf(file.name))
  return fields.filter(([f]) => !/^(?:System|File|ExifTool):/.test(f))
}
