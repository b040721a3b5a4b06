import { mean } from 'simple-statistics'
import { GREEN_MM } from '../optics/diffraction'
import { type Field, FIELDS, type SharpnessTest } from './schema'

/** How sharp a lens is at one aperture; frequencies in cycles a pixel at which half of the contrast is left. */
export interface SharpnessAt {
  readonly fNumber: number
  readonly pictures: number
  readonly fields: Readonly<Partial<Record<Field, number>>>
  readonly centre: number | undefined
  readonly corners: number | undefined
  /** The least sharp field. */
  readonly lowest: number | undefined
  /** What a perfect lens would leave at this f-number; pixels not counted. */
  readonly ideal: number
}

export interface SharpnessResult {
  readonly at: readonly SharpnessAt[]
  /** f-numbers; undefined where too little was measured. */
  readonly best: { readonly centre: number | undefined; readonly whole: number | undefined }
  /** From this f-number on the centre falls and does not rise any more. */
  readonly diffractionFrom: number | undefined
  /** A corner that is clearly softer than the others at the widest aperture. */
  readonly softCorner: { readonly field: Field; readonly share: number } | undefined
  /** Millimetres of a pixel of these pictures on the sensor, and their shorter side in pixels. */
  readonly pixelMm: number
  readonly pixelsHigh: number
}

/** A perfect lens leaves half of the contrast at this share of its cut-off. @source diffraction-limited MTF, solved for 1/2 */
const IDEAL_HALF = 0.404
/** Softer than the mean of the others by this share is not the printing. @source common practice, no published source */
const SOFTER = 0.15
/** So much less than the best is a fall. */
const FALL = 0.03

const CORNERS = FIELDS.filter(f => f !== 'centre')
const meanOf = (values: readonly (number | undefined)[]): number | undefined => {
  const known = values.filter(v => v !== undefined)
  return known.length === 0 ? undefined : mean(known)
}

const bestOf = (at: readonly SharpnessAt[], value: (a: SharpnessAt) => number | undefined): number | undefined =>
  at.reduce<SharpnessAt | undefined>(
    (best, a) => ((value(a) ?? 0) > ((best && value(best)) ?? 0) ? a : best),
    undefined,
  )?.fNumber

/** @param sensor of the body that the pictures were taken with; they may have been made smaller since */
export const sharpnessResult = (
  test: SharpnessTest,
  sensor: { readonly widthMm: number; readonly heightMm: number },
): SharpnessResult => {
  const [long, short] = [
    Math.max(...test.pictures.map(p => Math.max(p.width, p.height))),
    Math.min(...test.pictures.map(p => Math.min(p.width, p.height))),
  ]
  const pixelMm = Math.max(sensor.widthMm, sensor.heightMm) / long
  const at = [...new Set(test.pictures.map(p => p.fNumber))]
    .toSorted((a, b) => a - b)
    .map((fNumber): SharpnessAt => {
      const here = test.pictures.filter(p => p.fNumber === fNumber)
      const fields = Object.fromEntries(
        FIELDS.flatMap(f => {
          const value = meanOf(here.map(p => p.mtf50[f]))
          return value === undefined ? [] : [[f, value]]
        }),
      ) as Partial<Record<Field, number>>
      const known = FIELDS.flatMap(f => fields[f] ?? [])
      return {
        fNumber,
        pictures: here.length,
        fields,
        centre: fields.centre,
        corners: meanOf(CORNERS.map(f => fields[f])),
        lowest: known.length === FIELDS.length ? Math.min(...known) : undefined,
        ideal: (IDEAL_HALF / (GREEN_MM * fNumber)) * pixelMm,
      }
    })
  const centre = bestOf(at, a => a.centre)
  const peak = at.find(a => a.fNumber === centre)?.centre ?? 0
  const after = at.filter(a => centre !== undefined && a.fNumber > centre)
  const falling = after.find((_, i) =>
    after.slice(i).every((b, k) => (b.centre ?? 0) < (k === 0 ? peak * (1 - FALL) : (after[i + k - 1]?.centre ?? 0))),
  )
  const widest = at[0]
  const soft = CORNERS.map(field => {
    const [own, others] = [widest?.fields[field], meanOf(CORNERS.filter(c => c !== field).map(c => widest?.fields[c]))]
    return { field, share: own === undefined || others === undefined ? 0 : 1 - own / others }
  }).toSorted((a, b) => b.share - a.share)[0]
  return {
    at,
    best: { centre, whole: bestOf(at, a => a.lowest) },
    diffractionFrom: falling?.fNumber,
    softCorner: soft && soft.share > SOFTER ? soft : undefined,
    pixelMm,
    pixelsHigh: short,
  }
}
