import { quantileOf } from './normal'

/** How sure a plan is to be: error of finding what is not there, and chance of finding what is. */
export interface Demand {
  readonly alpha: number
  readonly power: number
}

/** @source common practice in planning trials */
export const USUAL: Demand = { alpha: 0.05, power: 0.8 }

/**
 * The same where several ways are compared each with each: the more comparisons, the less each may err.
 *
 * @source Bonferroni's inequality, which Holm's first step is
 */
export const demandFor = (ways: number, { alpha, power }: Demand = USUAL): Demand => ({
  alpha: alpha / Math.max(1, (ways * (ways - 1)) / 2),
  power,
})

/**
 * Frames for each of two ways to tell one share from another, two-sided.
 *
 * @returns a whole number, Infinity for equal shares; `corrected` is with continuity correction
 * @source Fleiss, Levin and Paik (2003), Statistical Methods for Rates and Proportions, 3rd edition, 4.14 and 4.19
 */
export const framesToTell = (
  p: number,
  q: number,
  { alpha, power }: Demand = USUAL,
): { readonly frames: number; readonly corrected: number } => {
  const away = Math.abs(p - q)
  if (away === 0) return { frames: Infinity, corrected: Infinity }
  const middle = (p + q) / 2
  const [za, zb] = [quantileOf(1 - alpha / 2), quantileOf(power)]
  const root = za * Math.sqrt(2 * middle * (1 - middle)) + zb * Math.sqrt(p * (1 - p) + q * (1 - q))
  const n = (root / away) ** 2
  const corrected = (n / 4) * (1 + Math.sqrt(1 + 4 / (n * away))) ** 2
  // What is whole but for rounding is whole.
  return { frames: Math.ceil(n - 1e-6), corrected: Math.ceil(corrected - 1e-6) }
}

/**
 * The smallest difference that so many frames of each way would tell from a share, the worse way.
 *
 * @returns a difference of shares; undefined where not even keeping none would be told
 */
export const differenceTold = (frames: number, base: number, demand: Demand = USUAL): number | undefined => {
  if (framesToTell(base, 0, demand).corrected > frames) return undefined
  let [no, yes] = [0, base]
  while (yes - no > 1e-4) {
    const middle = (no + yes) / 2
    if (framesToTell(base, base - middle, demand).corrected > frames) no = middle
    else yes = middle
  }
  return yes
}
