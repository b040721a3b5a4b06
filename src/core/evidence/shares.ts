import { Z95 } from './normal'

/** Kept of counted: whole numbers, kept at most counted. */
export interface Share {
  readonly kept: number
  readonly of: number
}

/** From low to high; of shares 0 to 1, of differences -1 to 1. */
export interface Interval {
  readonly low: number
  readonly high: number
}

/**
 * Score interval of a share, two-sided 95 % unless another z is asked for. Nothing counted leaves everything open.
 *
 * @source Wilson (1927), Journal of the American Statistical Association 22:209-212
 */
export const wilson = ({ kept, of }: Share, z = Z95): Interval => {
  if (of === 0) return { low: 0, high: 1 }
  const middle = 2 * kept + z * z
  const reach = z * Math.sqrt(z * z + (4 * kept * (of - kept)) / of)
  const size = 2 * (of + z * z)
  return { low: Math.max(0, (middle - reach) / size), high: Math.min(1, (middle + reach) / size) }
}

const shareOf = ({ kept, of }: Share): number => (of === 0 ? 0 : kept / of)

/**
 * Interval of the difference a - b of two shares that were counted apart: the hybrid score method, number 10.
 *
 * @source Newcombe (1998), Statistics in Medicine 17:873-890
 */
export const difference = (a: Share, b: Share, z = Z95): Interval & { readonly is: number } => {
  const [p, q, i, j] = [shareOf(a), shareOf(b), wilson(a, z), wilson(b, z)]
  const is = p - q
  return { is, low: is - Math.hypot(p - i.low, j.high - q), high: is + Math.hypot(i.high - p, q - j.low) }
}

/** Passes that were shot both ways: how many were kept with both, with the first alone, the second alone, with none. */
export interface Pairs {
  readonly both: number
  readonly first: number
  readonly second: number
  readonly none: number
}

/** Phi of the table, with half of the count taken off where it is above 0, as the method has it. */
const alike = ({ both, first, second, none }: Pairs): number => {
  const size = Math.sqrt((both + first) * (second + none) * (both + second) * (first + none))
  if (size === 0) return 0
  const n = both + first + second + none
  const cross = both * none - first * second
  return (cross > n / 2 ? cross - n / 2 : cross >= 0 ? 0 : cross) / size
}

/**
 * Interval of the difference first - second of two shares of the same passes: the hybrid score method for pairs,
 * number 10.
 *
 * @source Newcombe (1998), Statistics in Medicine 17:2635-2650
 */
export const pairedDifference = (pairs: Pairs, z = Z95): Interval & { readonly is: number } => {
  const { both, first, second, none } = pairs
  const of = both + first + second + none
  const [a, b] = [
    { kept: both + first, of },
    { kept: both + second, of },
  ]
  if (of === 0) return { is: 0, low: -1, high: 1 }
  const [p, q, i, j, phi] = [shareOf(a), shareOf(b), wilson(a, z), wilson(b, z), alike(pairs)]
  const reach = (s: number, t: number) => Math.sqrt(Math.max(0, s * s - 2 * phi * s * t + t * t))
  const is = p - q
  return { is, low: is - reach(p - i.low, j.high - q), high: is + reach(i.high - p, q - j.low) }
}
