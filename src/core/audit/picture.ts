import * as v from 'valibot'

/** What a picture says of itself, as far as an audit reads it. The picture stays where it is. */

const said = v.optional(v.pipe(v.string(), v.maxLength(200)))
const amount = v.optional(v.pipe(v.number(), v.gtValue(0), v.maxValue(1e7)))

/** Fields are kept as far as some body's evidence, or somebody who authors it, looks at them. */
export const MOST_FIELDS = 400
export const MOST_LETTERS = 200

export const pictureSchema = v.strictObject({
  file: v.pipe(v.string(), v.minLength(1), v.maxLength(260)),
  /** When it was taken by the camera's clock, as an instant. Missing where the picture does not say. */
  at: v.optional(v.pipe(v.string(), v.isoTimestamp())),
  make: said,
  model: said,
  /** The serial number of the body. */
  serial: said,
  lens: said,
  focalMm: amount,
  fNumber: amount,
  exposureSeconds: amount,
  iso: amount,
  /** Stars; -1 where it was rejected, 0 or missing where nobody rated it. */
  rating: v.optional(v.pipe(v.number(), v.integer(), v.minValue(-1), v.maxValue(5))),
  /** Everything else that tells something, by `Group:Field`. */
  fields: v.record(v.pipe(v.string(), v.maxLength(120)), v.pipe(v.string(), v.maxLength(MOST_LETTERS))),
})
export type Picture = v.InferOutput<typeof pictureSchema>

/** A camera, as far as its pictures tell it apart from others. */
export const cameraOf = ({ make = '', model = '', serial = '' }: Pick<Picture, 'make' | 'model' | 'serial'>): string =>
  [make, model, serial].map(t => t.trim()).join(' | ')

/** What is said of a thing stays on one line, and holds nothing that a screen or a paper would act on. */
export const plainText = (text: string): string =>
  text
    .replaceAll(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\p{Cs}]+/gu, ' ')
    .trim()
    .slice(0, MOST_LETTERS)

const DATE = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d):(\d\d):(\d\d)(?:[.,](\d{1,9}))?\s*(Z|[+-]\d\d:?\d\d)?$/

/**
 * The instant of a time as Exif writes it.
 *
 * @param text `2026:10:09 14:05:22.37+01:00`; fraction and zone may be missing
 * @param zone where the text names none: minutes east of UTC at that wall-clock time
 * @returns ISO 8601 in UTC; undefined where it is no time, or was never set
 * @source CIPA DC-008 (Exif 2.32), DateTimeOriginal, SubSecTimeOriginal, OffsetTimeOriginal
 */
export const instantOf = (
  text: string,
  zone: (wall: { year: number; month: number; day: number; hour: number; minute: number }) => number,
): string | undefined => {
  const found = DATE.exec(text.trim())
  if (!found) return undefined
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0] = found.slice(1, 7).map(Number)
  const wall = Date.UTC(year, month - 1, day, hour, minute, Math.min(second, 59))
  const date = new Date(wall)
  // A day that is not in the calendar would come out as another one.
  if (year < 1970 || date.getUTCMonth() !== month - 1 || date.getUTCDate() !== day || hour > 23 || minute > 59)
    return undefined
  const named = found[8]
  const minutesEast =
    named === undefined ? zone({ year, month, day, hour, minute }) : named === 'Z' ? 0 : minutesOf(named)
  const fraction = Math.round(Number(`0.${found[7] ?? 0}`) * 1000)
  return new Date(wall + Math.min(fraction, 999) - minutesEast * 60_000).toISOString()
}

const minutesOf = (zone: string): number => {
  const digits = zone.slice(1).replace(':', '')
  return (zone.startsWith('-') ? -1 : 1) * (Number(digits.slice(0, 2)) * 60 + Number(digits.slice(2)))
}

/** A number as metadata writes it: `1/500`, `f/2.8`, `50.0 mm`. Undefined where there is none above zero. */
export const amountOf = (text: string): number | undefined => {
  const found = /^[^\d-]*(\d+(?:[.,]\d+)?)(?:\s*\/\s*(\d+(?:[.,]\d+)?))?/.exec(text.trim().slice(0, 60))
  if (!found) return undefined
  const [over, under] = [found[1], found[2] ?? '1'].map(n => Number(n?.replace(',', '.')))
  const value = (over ?? 0) / (under ?? 1)
  return value > 0 && value <= 1e7 ? value : undefined
}
