import type { Body } from '../bodies'
import { type Metres } from '../lenses/distance'
import { focusRangesOf, type Lens } from '../lenses/schema'
import type { Area, DETAILS, FocusRange, Size } from '../vocabulary/values'

/** An area that a body offers, in its own word. */
export interface AreaFigures {
  readonly label: string
  /** Shares of the frame; undefined where the profile does not say. */
  readonly size: Size | undefined
  readonly area: Area | undefined
  readonly guessed: boolean
}

/** From where to where a limiter lets focus search, in metres from the sensor plane. */
export interface RangeFigures {
  readonly label: string
  readonly near: number
  readonly far: number
}

/** What optics needs to know of a body. */
export interface CameraFigures {
  readonly id: string | undefined
  readonly name: string
  readonly widthMm: number
  readonly heightMm: number
  readonly pixelsWide: number
  readonly pixelsHigh: number
  readonly optical: boolean
  /** The shares of the frame that focus points reach. */
  readonly coverage: Size
  readonly areas: readonly AreaFigures[]
  /** The least height in the frame at which a part of a subject is found, as a share; where the profile states it. */
  readonly finds: Readonly<Partial<Record<(typeof DETAILS)[number], number>>>
  readonly ranges: readonly RangeFigures[]
}

/** What optics needs to know of a lens. */
export interface LensFigures {
  readonly id: string | undefined
  readonly name: string
  readonly mount: string | undefined
  readonly maker: string | undefined
  readonly focalFrom: number
  readonly focalTo: number
  readonly widestFrom: number
  readonly widestTo: number
  readonly closestMetres: number
  /** At closest focus and the long end. */
  readonly magnification: number | undefined
  readonly pupilMagnification: number | undefined
  /** From the sensor plane to the front of the lens. */
  readonly frontMetres: number | undefined
  readonly bestFNumber: number | undefined
  readonly stabilised: boolean
  readonly ranges: readonly RangeFigures[]
}

const metresOf = (m: Metres): number => (m === 'infinity' ? Infinity : m)

/** The areas of a body: every option of a setting that speaks of areas or their size. */
const areasOf = (body: Body): readonly AreaFigures[] =>
  body.settings
    .filter(s => s.options.some(o => o.means['area.pattern'] !== undefined || o.means['area.size'] !== undefined))
    .flatMap(s =>
      s.options.map(o => {
        const area = o.means['area.pattern'] as Area | undefined
        const size = (o.means['area.size'] as Size | undefined) ?? area
        return {
          label: o.label,
          size: size && { width: size.width, height: size.height },
          area,
          guessed: (o.guessed ?? []).some(d => d === 'area.pattern' || d === 'area.size'),
        }
      }),
    )

const rangesOf = (body: Body): readonly RangeFigures[] =>
  body.settings.flatMap(s =>
    s.options.flatMap(o => {
      const range = o.means['range.limit'] as FocusRange | undefined
      return range ? [{ label: o.label, near: range.nearMetres, far: metresOf(range.farMetres) }] : []
    }),
  )

/** A body, as the form of one firmware. */
export const cameraFigures = (body: Body): CameraFigures => ({
  id: body.id,
  name: `${body.maker} ${body.model}`,
  widthMm: body.sensor.widthMm,
  heightMm: body.sensor.heightMm,
  pixelsWide: body.sensor.pixelsWide,
  pixelsHigh: body.sensor.pixelsHigh,
  optical: body.viewfinder === 'optical',
  coverage: { width: body.coverage.width, height: body.coverage.height },
  areas: areasOf(body),
  finds: body.finds ?? {},
  ranges: rangesOf(body),
})

export const lensFigures = (lens: Lens): LensFigures => ({
  id: lens.id,
  name: `${lens.maker} ${lens.model}`,
  mount: lens.mount,
  maker: lens.maker,
  focalFrom: lens.focalMm.from,
  focalTo: lens.focalMm.to,
  widestFrom: lens.maxAperture.from,
  widestTo: lens.maxAperture.to,
  closestMetres: lens.closest.metres === 'infinity' ? Infinity : lens.closest.metres,
  magnification: lens.magnification,
  pupilMagnification: lens.pupilMagnification,
  frontMetres: lens.frontMetres,
  bestFNumber: lens.bestAperture?.fNumber,
  stabilised: lens.stabiliser !== undefined,
  ranges: focusRangesOf(lens).map(p => ({
    label: p.label,
    near: metresOf(p.near.metres),
    far: metresOf(p.far.metres),
  })),
})

/**
 * The widest f-number of a zoom at a focal length, without an extender. What lies between the two ends is taken to
 * change evenly with stops and octaves of focal length; most zooms change in steps near that.
 *
 * @example widestAt({ focalFrom: 55, focalTo: 210, widestFrom: 4.5, widestTo: 6.3 }, 210) // 6.3
 */
export const widestAt = (
  lens: Pick<LensFigures, 'focalFrom' | 'focalTo' | 'widestFrom' | 'widestTo'>,
  focalMm: number,
): number => {
  if (lens.focalFrom === lens.focalTo || lens.widestFrom === lens.widestTo) return lens.widestFrom
  const share = Math.log(focalMm / lens.focalFrom) / Math.log(lens.focalTo / lens.focalFrom)
  return lens.widestFrom * (lens.widestTo / lens.widestFrom) ** Math.min(1, Math.max(0, share))
}
