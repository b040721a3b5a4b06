import type { Parsed } from '../reading/problem'
import type { Sheet } from '../reading/table'
import { amountOf, instantOf, MOST_FIELDS, type Picture, plainText } from './picture'

/** Metadata as other programs write them down: a row for each picture, a column or a key for each field. */

export type Zone = Parameters<typeof instantOf>[1]

/** As many pictures as one audit holds. */
export const MOST_PICTURES = 20_000

/** Fields of the standards by the names that readers give them, the more exact first. */
const NAMES = {
  file: ['sourcefile', 'filename', 'file', 'name'],
  at: ['subsecdatetimeoriginal', 'datetimeoriginal', 'createdate', 'datetime'],
  make: ['make'],
  model: ['model'],
  serial: ['serialnumber', 'bodyserialnumber', 'internalserialnumber'],
  lens: ['lensmodel', 'lensid', 'lens'],
  focalMm: ['focallength'],
  fNumber: ['fnumber', 'aperture'],
  exposureSeconds: ['exposuretime', 'shutterspeed'],
  iso: ['iso', 'isospeedratings', 'photographicsensitivity'],
  rating: ['rating'],
} as const

const OFFSETS = ['offsettimeoriginal', 'offsettime']
const FRACTIONS = ['subsectimeoriginal', 'subsectime']

/** The name of a field without its group. */
export const bareName = (field: string): string => field.slice(field.lastIndexOf(':') + 1)
const nameOf = (field: string): string =>
  bareName(field)
    .toLowerCase()
    .replaceAll(/[\s_-]+/g, '')

/**
 * A picture from its fields, whatever read them.
 *
 * @param fields by `Group:Field` or `Field`
 * @param zone minutes east of UTC where the fields do not say
 * @returns undefined where no field names the file
 */
export const pictureFrom = (fields: readonly (readonly [string, string])[], zone: Zone): Picture | undefined => {
  const told = fields.flatMap(([field, value]): [string, string][] => {
    const text = plainText(value)
    return text === '' ? [] : [[plainText(field).slice(0, 120), text]]
  })
  const byName = new Map<string, string>()
  for (const [field, value] of told) if (!byName.has(nameOf(field))) byName.set(nameOf(field), value)
  const first = (names: readonly string[]): string | undefined => {
    for (const name of names) if (byName.has(name)) return byName.get(name)
    return undefined
  }
  const file = first(NAMES.file)
  if (file === undefined) return undefined
  const numbers = (['focalMm', 'fNumber', 'exposureSeconds', 'iso'] as const).flatMap(key => {
    const value = amountOf(first(NAMES[key]) ?? '')
    return value === undefined ? [] : [[key, value] as const]
  })
  const texts = (['make', 'model', 'serial', 'lens'] as const).flatMap(key => {
    const value = first(NAMES[key])
    return value === undefined ? [] : [[key, value] as const]
  })
  const rating = Number(first(NAMES.rating))
  const at = whenOf(first(NAMES.at) ?? '', first(FRACTIONS), first(OFFSETS), zone)
  return {
    file: file.slice(file.lastIndexOf('/') + 1).slice(0, 260),
    ...(at === undefined ? {} : { at }),
    ...Object.fromEntries(texts),
    ...Object.fromEntries(numbers),
    ...(Number.isInteger(rating) && rating >= -1 && rating <= 5 && rating !== 0 ? { rating } : {}),
    fields: Object.fromEntries(told.slice(0, MOST_FIELDS)),
  }
}

const whenOf = (
  taken: string,
  fraction: string | undefined,
  offset: string | undefined,
  zone: Zone,
): string | undefined => {
  const isWhole = !/\.\d/.test(taken) && fraction !== undefined && /^\d+$/.test(fraction)
  const whole = isWhole ? taken.replace(/(\d\d:\d\d:\d\d)(?=$|[Z+-])/, `$1.${fraction}`) : taken
  const hasZone = /(?:Z|[+-]\d\d:?\d\d)$/.test(whole)
  return instantOf(hasZone || offset === undefined ? whole : whole + offset, zone) ?? instantOf(whole, zone)
}

const NEEDED = 'expected a column or key “SourceFile” or “FileName” that names each picture'

const tooMany = (n: number): string => `expected at most ${MOST_PICTURES} pictures in one audit; there are ${n}`

const read = (
  rows: readonly (readonly (readonly [string, string])[])[],
  file: string,
  zone: Zone,
): Parsed<readonly Picture[]> => {
  if (rows.length > MOST_PICTURES)
    return { ok: false, problems: [{ file, path: '', value: '', expected: tooMany(rows.length) }] }
  const pictures = rows.flatMap(fields => pictureFrom(fields, zone) ?? [])
  return pictures.length > 0
    ? { ok: true, value: pictures }
    : { ok: false, problems: [{ file, path: 'row 1', value: '', expected: NEEDED }] }
}

/** A table of metadata with headings. */
export const picturesFromSheet = (sheet: Sheet, file: string, zone: Zone): Parsed<readonly Picture[]> => {
  const [heading = [], ...rows] = sheet.rows
  return read(
    rows.filter(r => r.some(c => c.trim())).map(r => heading.map((h, i) => [h, r[i] ?? ''] as const)),
    file,
    zone,
  )
}

const textOf = (value: unknown): string =>
  typeof value === 'string'
    ? value
    : typeof value === 'number' || typeof value === 'boolean'
      ? String(value)
      : Array.isArray(value)
        ? value.slice(0, 40).map(textOf).join(', ')
        : ''

/** A JSON list with an object for each picture. */
export const picturesFromJson = (value: unknown, file: string, zone: Zone): Parsed<readonly Picture[]> => {
  if (!Array.isArray(value))
    return {
      ok: false,
      problems: [{ file, path: '', value: '', expected: 'expected a list with an object for each picture' }],
    }
  const rows = value
    .slice(0, MOST_PICTURES + 1)
    .map((row: unknown) => Object.entries(row ?? {}).map(([k, x]) => [k, textOf(x)] as const))
  return read(rows, file, zone)
}
