import type { Share } from './shares'

const logFactorials: number[] = [0]
const logFactorial = (n: number): number => {
  for (let i = logFactorials.length; i <= n; i++) logFactorials.push((logFactorials[i - 1] ?? 0) + Math.log(i))
  return logFactorials[n] ?? 0
}

const logChoose = (n: number, k: number): number => logFactorial(n) - logFactorial(k) - logFactorial(n - k)

/** How probable it is that k of the kept ones fall to a, all sums given: the hypergeometric distribution. */
const chances = (a: Share, b: Share): readonly { readonly k: number; readonly chance: number }[] => {
  const kept = a.kept + b.kept
  const [least, most] = [Math.max(0, kept - b.of), Math.min(kept, a.of)]
  const all = logChoose(a.of + b.of, kept)
  return Array.from({ length: most - least + 1 }, (_, i) => {
    const k = least + i
    return { k, chance: Math.exp(logChoose(a.of, k) + logChoose(b.of, kept - k) - all) }
  })
}

/** Chances that differ by rounding alone count as equal. */
const ROUNDING = 1 + 1e-7

/**
 * Fisher's exact test of two shares.
 *
 * @returns p values: that a or more would be kept of a by chance; and of anything as improbable, either way
 * @source Fisher (1935), The Design of Experiments
 */
export const fisher = (a: Share, b: Share): { readonly more: number; readonly either: number } => {
  const all = chances(a, b)
  const here = all.find(c => c.k === a.kept)?.chance ?? 1
  const sum = (of: typeof all) =>
    Math.min(
      1,
      of.reduce((s, c) => s + c.chance, 0),
    )
  return { more: sum(all.filter(c => c.k >= a.kept)), either: sum(all.filter(c => c.chance <= here * ROUNDING)) }
}

/**
 * Two shares of the same passes: that those kept one way only would fall so unevenly by chance, either way.
 *
 * @source McNemar (1947), Psychometrika 12:153-157; exact, by the binomial distribution
 */
export const mcnemar = (first: number, second: number): number => {
  const n = first + second
  const least = Math.min(first, second)
  const below = Array.from({ length: least + 1 }, (_, k) => Math.exp(logChoose(n, k) - n * Math.LN2))
  return Math.min(1, 2 * below.reduce((s, c) => s + c, 0))
}

/**
 * p values corrected for having looked several times, in the order in which they came.
 *
 * @source Holm (1979), Scandinavian Journal of Statistics 6:65-70
 */
export const holm = (values: readonly number[]): readonly number[] => {
  const order = values.map((p, i) => ({ p, i })).toSorted((a, b) => a.p - b.p)
  const corrected: number[] = values.map(() => 1)
  let most = 0
  order.forEach(({ p, i }, rank) => {
    most = Math.max(most, Math.min(1, p * (values.length - rank)))
    corrected[i] = most
  })
  return corrected
}
