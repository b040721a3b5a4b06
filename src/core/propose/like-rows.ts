import { type Features, featuresOf, type RowWords } from './features'

/**
 * What rows of menus are about, learned from rows whose meaning is known: a softmax regression over their words
 * (multinomial logistic regression, as in Bishop, Pattern Recognition and Machine Learning, 2006, section 4.3.4).
 */

/** A row's meaning as it is learned: a dimension, `keys`, `-` for not about focus, `?` for focus without a word for it. */
export type RowClass = string

export interface RowWeights {
  readonly classes: readonly RowClass[]
  /** For each feature, pairs of a class's number and its weight in hundredths. */
  readonly weights: Readonly<Record<string, readonly number[]>>
}

/** How likely a row is about each of the classes; together one. */
export type LikeRows = (row: RowWords) => ReadonlyMap<RowClass, number>

const softmax = (scores: readonly number[]): readonly number[] => {
  const most = Math.max(...scores)
  const powers = scores.map(s => Math.exp(s - most))
  const sum = powers.reduce((a, b) => a + b, 0)
  return powers.map(p => p / sum)
}

export const likeRows =
  ({ classes, weights }: RowWeights): LikeRows =>
  row => {
    const scores = classes.map(() => 0)
    for (const [key, amount] of featuresOf(row)) {
      const pairs = weights[key] ?? []
      for (let i = 0; i < pairs.length; i += 2)
        scores[pairs[i] ?? 0] = (scores[pairs[i] ?? 0] ?? 0) + (amount * (pairs[i + 1] ?? 0)) / 100
    }
    return new Map(softmax(scores).map((p, i) => [classes[i] ?? '', p]))
  }

const ROUNDS = 30
const STEP = 2
const DECAY = 1e-4
/** Weights that are smaller say nothing. Hundredths. */
const LEAST_WEIGHT = 20

/**
 * Learns from rows whose meaning is known, one at a time, in the order of a fixed shuffle.
 *
 * @param next random numbers from 0 to 1
 */
export const learnRows = (
  rows: readonly { readonly row: RowWords; readonly is: RowClass }[],
  next: () => number,
): RowWeights => {
  const classes = [...new Set(rows.map(r => r.is))].sort()
  const known = rows.map(r => ({ features: featuresOf(r.row), is: classes.indexOf(r.is) }))
  const learned = new Map<string, Float64Array>()
  const of = (key: string): Float64Array => {
    const former = learned.get(key) ?? new Float64Array(classes.length)
    learned.set(key, former)
    return former
  }
  const learn = (features: Features, is: number, step: number) => {
    const scores = classes.map(() => 0)
    for (const [key, amount] of features) of(key).forEach((w, c) => (scores[c] = (scores[c] ?? 0) + w * amount))
    const wrong = softmax(scores).map((p, c) => p - Number(c === is))
    for (const [key, amount] of features) {
      const w = of(key)
      wrong.forEach((off, c) => (w[c] = (w[c] ?? 0) - step * (off * amount + DECAY * (w[c] ?? 0))))
    }
  }
  for (let round = 0; round < ROUNDS; round++) {
    const order = known.map(k => [next(), k] as const).sort(([a], [b]) => a - b)
    for (const [, { features, is }] of order) learn(features, is, STEP / (1 + 0.1 * round))
  }
  const weights = [...learned].flatMap(([key, each]) => {
    const pairs = [...each].flatMap((w, c) => {
      const hundredths = Math.round(w * 100)
      return Math.abs(hundredths) >= LEAST_WEIGHT ? [c, hundredths] : []
    })
    return pairs.length ? [[key, pairs] as const] : []
  })
  return { classes, weights: Object.fromEntries(weights.sort(([a], [b]) => (a < b ? -1 : 1))) }
}
