import { below, Z95 } from './normal'
import type { Interval, Share } from './shares'

/** Two ways in one situation. */
export interface Stratum {
  readonly a: Share
  readonly b: Share
}

/**
 * One difference a - b of shares over several situations, each weighed by how much it says.
 *
 * @returns the difference with its interval, and the p value of no difference anywhere (continuity-corrected chi-square)
 * @source Mantel and Haenszel (1959), Journal of the National Cancer Institute 22:719-748; variance by Klingenberg
 *   (2014), Statistics in Medicine 33:2968-2983, formula of Sato (1989)
 */
export const together = (strata: readonly Stratum[]): Interval & { readonly is: number; readonly p: number } => {
  const used = strata.filter(({ a, b }) => a.of > 0 && b.of > 0)
  const sum = (of: (s: Stratum, n: number) => number) => used.reduce((t, s) => t + of(s, s.a.of + s.b.of), 0)
  const weight = sum(({ a, b }, n) => (a.of * b.of) / n)
  if (weight === 0) return { is: 0, low: -1, high: 1, p: 1 }
  const is = sum(({ a, b }, n) => (a.kept * b.of - b.kept * a.of) / n) / weight
  const p = sum(
    ({ a, b }, n) => (a.of * a.of * b.kept - b.of * b.of * a.kept + (a.of * b.of * (b.of - a.of)) / 2) / (n * n),
  )
  const q = sum(({ a, b }, n) => (a.kept * (b.of - b.kept) + b.kept * (a.of - a.kept)) / (2 * n))
  const reach = (Z95 * Math.sqrt(Math.max(0, is * p + q))) / weight
  const expected = sum(({ a, b }, n) => (a.of * (a.kept + b.kept)) / n)
  const spread = sum(({ a, b }, n) => {
    const kept = a.kept + b.kept
    return n < 2 ? 0 : (a.of * b.of * kept * (n - kept)) / (n * n * (n - 1))
  })
  const off = Math.max(0, Math.abs(sum(({ a }) => a.kept) - expected) - 0.5)
  return {
    is,
    low: Math.max(-1, is - reach),
    high: Math.min(1, is + reach),
    p: spread === 0 ? 1 : Math.min(1, 2 * (1 - below(off / Math.sqrt(spread)))),
  }
}
