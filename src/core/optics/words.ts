import { distanceWords } from '../lenses/distance'

/** Figures as people say them. */
export type Units = 'metric' | 'imperial'

const DEGREES = 180 / Math.PI

const rounded = (n: number, places: number): string => String(Number(n.toFixed(places)))

/** @example plain(0.04567) // '0.046' */
export const plain = (n: number, figures = 2): string =>
  n === 0 || !Number.isFinite(n) ? String(n) : String(Number(n.toPrecision(figures)))

/** A length from hairs to kilometres. @example lengthWords(0.0042, 'metric') // '4.2 mm' */
export const lengthWords = (metres: number, units: Units): string => {
  if (metres === Infinity) return 'infinity'
  const size = Math.abs(metres)
  if (units === 'imperial') {
    if (size < 0.3048) return `${plain(metres / 0.0254, 2)} in`
    return size < 30 ? distanceWords(metres, 'imperial') : `${Math.round(metres / 0.3048)} ft`
  }
  if (size < 0.01) return `${plain(metres * 1000)} mm`
  if (size < 1) return `${rounded(metres * 100, size < 0.1 ? 1 : 0)} cm`
  if (size < 20) return `${rounded(metres, 2)} m`
  return size < 1000 ? `${rounded(metres, 0)} m` : `${rounded(metres / 1000, 1)} km`
}

/** @example angleWords(0.1571) // '9°' */
export const angleWords = (radians: number): string => {
  const degrees = radians * DEGREES
  return `${rounded(degrees, Math.abs(degrees) < 1 ? 2 : Math.abs(degrees) < 20 ? 1 : 0)}°`
}

/** @example pixelWords(1.234) // '1.2 pixels' */
export const pixelWords = (pixels: number): string => `${pixels < 20 ? rounded(pixels, 1) : Math.round(pixels)} pixels`

/** @example percentWords(0.1234) // '12 %' */
export const percentWords = (share: number): string =>
  share < 0.01 ? `${plain(share * 100)} %` : `${rounded(share * 100, share < 0.1 ? 1 : 0)} %`

/** Marked f-numbers, in thirds of a stop. */
const MARKED_F = [
  0.95, 1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11, 13, 14, 16, 18,
  20, 22, 25, 29, 32, 36, 40, 45, 51, 57, 64,
]

/** The next marked f-number that is not smaller. @example markedUp(5.2) // 5.6 */
export const markedUp = (fNumber: number): number => MARKED_F.find(m => m >= fNumber * 0.985) ?? fNumber

/** The next marked f-number that is not larger. @example markedDown(5.2) // 5 */
export const markedDown = (fNumber: number): number => MARKED_F.findLast(m => m <= fNumber * 1.015) ?? fNumber

/** @example fNumberWords(5.6569) // 'f/5.7' */
export const fNumberWords = (fNumber: number): string => `f/${rounded(fNumber, fNumber < 10 ? 1 : 0)}`

/** Marked times in seconds, in whole and third stops. */
const MARKED_PER_SECOND = [
  32000, 25600, 20000, 16000, 12800, 10000, 8000, 6400, 5000, 4000, 3200, 2500, 2000, 1600, 1250, 1000, 800, 640, 500,
  400, 320, 250, 200, 160, 125, 100, 80, 60, 50, 40, 30, 25, 20, 15, 13, 10, 8, 6, 5, 4, 3, 2.5, 2, 1.6, 1.3, 1, 0.5,
]

/** The longest marked time that is not longer. @example markedTime(0.0045) // 0.004 */
export const markedTime = (seconds: number): number => {
  const per = MARKED_PER_SECOND.findLast(n => 1 / n <= seconds * 1.015)
  return per === undefined ? seconds : 1 / per
}

/** @example timeWords(0.002) // '1/500 s' */
export const timeWords = (seconds: number): string =>
  seconds >= 0.4 ? `${rounded(seconds, 1)} s` : `1/${plain(1 / seconds, 3)} s`

/** @example stopWords(1) // '1 stop' */
export const stopWords = (stops: number): string => {
  const n = rounded(Math.abs(stops), 1)
  return `${n} ${n === '1' ? 'stop' : 'stops'}`
}

/** Marked times, shortest first, to choose from. */
export const MARKED_TIMES: readonly number[] = MARKED_PER_SECOND.map(n => 1 / n)
/** Marked f-numbers, widest first, to choose from. */
export const MARKED_F_NUMBERS: readonly number[] = MARKED_F
