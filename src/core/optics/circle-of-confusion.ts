import { positive } from './check'

/** What counts as sharp. */
export type SharpnessBasis =
  | { readonly basis: 'print'; readonly divisor: number }
  | { readonly basis: 'pixel'; readonly pixels: number }
  | { readonly basis: 'own'; readonly mm: number }

interface Sensor {
  readonly widthMm: number
  readonly heightMm: number
  readonly pixelsWide: number
}

/** @returns millimetres. @example diagonalMm({ widthMm: 36, heightMm: 24 }) // 43.27 */
export const diagonalMm = ({ widthMm, heightMm }: Pick<Sensor, 'widthMm' | 'heightMm'>): number =>
  Math.hypot(positive('widthMm', widthMm), positive('heightMm', heightMm))

/** Width of a pixel in millimetres. @example pixelPitchMm({ widthMm: 36, pixelsWide: 6000 }) // 0.006 */
export const pixelPitchMm = ({ widthMm, pixelsWide }: Pick<Sensor, 'widthMm' | 'pixelsWide'>): number =>
  positive('widthMm', widthMm) / positive('pixelsWide', pixelsWide)

/**
 * The largest blur on the sensor that still counts as sharp.
 *
 * @returns millimetres
 * @source print: the frame's diagonal / 1500, common practice; pixel: so many pixels of this body
 * @example circleOfConfusionMm({ basis: 'print', divisor: 1500 }, { widthMm: 36, heightMm: 24, pixelsWide: 6000 }) // 0.0288
 */
export const circleOfConfusionMm = (basis: SharpnessBasis, sensor: Sensor): number => {
  switch (basis.basis) {
    case 'print':
      return diagonalMm(sensor) / positive('divisor', basis.divisor)
    case 'pixel':
      return pixelPitchMm(sensor) * positive('pixels', basis.pixels)
    case 'own':
      return positive('mm', basis.mm)
  }
}
