/**
 * Telling classes apart by features, learned from examples: a softmax regression (multinomial logistic regression, as in
 * Bishop, Pattern Recognition and Machine Learning, 2006, section 4.3.4).
 */

/** Each feature and how much of it there is; together of length one. */
export type Features = ReadonlyMap<string, number>

export interface Weights {
  readonly classes: readonly string[]
  /** For each feature, pairs of a class's number and its weight in hundredths. */
  readonly weights: Readonly<Record<string, readonly number[]>>
}

export interface Example {
  readonly features: Features
  readonly is: string
}

/** Features with their amounts brought to length one together. */
export const ofLengthOne = (amounts: ReadonlyMap<string, number>): Features => {
  const length = Math.hypot(...amounts.values())
  return new Map([...amounts].map(([key, amount]) => [key, amount / length]))
}

const softmax = (scores: Iterable<number>): readonly number[] => {
  const all = [...scores]
  const most = Math.max(...all)
  const powers = all.map(s => Math.exp(s - most))
  const sum = powers.reduce((a, b) => a + b, 0)
  return powers.map(p => p / sum)
}

/** How likely each class is by these features; together one. */
export const shares = ({ classes, weights }: Weights, features: Features): ReadonlyMap<string, number> => {
  const scores = classes.map(() => 0)
  for (const [key, amount] of features) {
    const pairs = weights[key] ?? []
    for (let i = 0; i < pairs.length; i += 2)
      scores[pairs[i] ?? 0] = (scores[pairs[i] ?? 0] ?? 0) + (amount * (pairs[i + 1] ?? 0)) / 100
  }
  return new Map(softmax(scores).map((p, i) => [classes[i] ?? '', p]))
}

const ROUNDS = 15
const STEP = 2
const DECAY = 1e-4
/** Shares that are less wrong are left as they are. */
const LEAST_OFF = 0.001
/** Weights that are smaller say nothing. Hundredths. */
const LEAST_WEIGHT = 20

/**
 * Learns from examples, one at a time, in the order of a fixed shuffle.
 *
 * @param next random numbers from 0 to 1
 */
export const learn = (examples: readonly Example[], next: () => number): Weights => {
  const classes = [...new Set(examples.map(e => e.is))].sort()
  const count = classes.length
  const places = new Map<string, number>()
  const placeOf = (key: string): number => {
    const at = places.get(key) ?? places.size
    places.set(key, at)
    return at
  }
  const known = examples.map(({ features, is }) => ({
    keys: Int32Array.from(features.keys(), placeOf),
    amounts: Float64Array.from(features.values()),
    is: classes.indexOf(is),
  }))
  /** For each feature, its weight in each class. */
  const learned = new Float64Array(places.size * count)
  const learnOne = ({ keys, amounts, is }: (typeof known)[number], step: number) => {
    const scores = new Float64Array(count)
    keys.forEach((key, i) => {
      const [row, amount] = [key * count, amounts[i] ?? 0]
      for (let c = 0; c < count; c++) scores[c] = (scores[c] ?? 0) + (learned[row + c] ?? 0) * amount
    })
    const wrong = softmax(scores).map((p, c) => p - Number(c === is))
    // Of most classes it is clear soon that they are not meant: nothing is learned about them any more.
    const learning = wrong.flatMap((off, c) => (Math.abs(off) > LEAST_OFF ? [c] : []))
    keys.forEach((key, i) => {
      const [row, amount] = [key * count, amounts[i] ?? 0]
      for (const c of learning) {
        const w = learned[row + c] ?? 0
        learned[row + c] = w - step * ((wrong[c] ?? 0) * amount + DECAY * w)
      }
    })
  }
  for (let round = 0; round < ROUNDS; round++) {
    const order = known.map(k => [next(), k] as const).sort(([a], [b]) => a - b)
    for (const [, one] of order) learnOne(one, STEP / (1 + 0.1 * round))
  }
  const weights = [...places].flatMap(([key, at]) => {
    const pairs = classes.flatMap((_, c) => {
      const hundredths = Math.round((learned[at * count + c] ?? 0) * 100)
      return Math.abs(hundredths) >= LEAST_WEIGHT ? [c, hundredths] : []
    })
    return pairs.length ? [[key, pairs] as const] : []
  })
  return { classes, weights: Object.fromEntries(weights.sort(([a], [b]) => (a < b ? -1 : 1))) }
}
