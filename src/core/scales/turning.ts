/** A stretch of a curve: values at times in seconds, both of one length, times rising. */
export interface Stretch {
  readonly times: readonly number[]
  readonly values: readonly number[]
}

export interface Turning {
  /** When it begins to fall, between two frames where the fit says so. */
  readonly at: number
  /** How far the values lie off the fitted curve, as a share of the fall. */
  readonly off: number
}

/**
 * Sharpness falls with blur b as (1 + b²)^-m: an edge alone loses it by the first power of blur, fine patterns faster.
 */
const LOSSES = [0.5, 0.8, 1.3, 2.5] as const
/** Blur grows by this power of time: focus gathers way for some frames and runs then. Found on made films. */
const WAY = 1.55
const TRIES = 60

/** What is left at a time, where half of it is left at `half`. */
const falls = (t: number, begins: number, half: number, loss: number): number =>
  t <= begins ? 1 : Math.pow(1 + (Math.pow(2, 1 / loss) - 1) * Math.pow((t - begins) / (half - begins), 2 * WAY), -loss)

/**
 * When a curve begins to fall from a plateau, with a fitted falling branch: a sigmoid that has a beginning.
 *
 * @param high level of the plateau
 * @param low level that it falls to
 * @param half a time at which half of the fall has been seen
 * @returns undefined where nothing falls
 */
export const turningOf = ({ times, values }: Stretch, high: number, low: number, half: number): Turning | undefined => {
  const first = times[0]
  const size = high - low
  if (first === undefined || !(size > 0) || !(half > first)) return undefined
  const costOf = (begins: number, middle: number, loss: number): number => {
    if (!(middle > begins)) return Infinity
    let sum = 0
    for (let i = 0; i < times.length; i++) {
      const error = ((values[i] ?? 0) - low) / size - falls(times[i] ?? 0, begins, middle, loss)
      // Far off counts once and not squared: a hand that shook for a frame does not move the answer.
      sum += Math.abs(error) < 0.15 ? error * error : 0.3 * Math.abs(error) - 0.0225
    }
    return sum
  }
  let best = { cost: Infinity, begins: first, middle: half, loss: LOSSES[0] as number }
  const attempt = (begins: number, middle: number, loss: number): boolean => {
    const cost = costOf(begins, middle, loss)
    if (cost >= best.cost) return false
    best = { cost, begins, middle, loss }
    return true
  }
  for (const loss of LOSSES) for (let i = 0; i < TRIES; i++) attempt(first + ((half - first) * i) / TRIES, half, loss)
  for (let step = (half - first) / TRIES; step > 1e-4; step /= 2) {
    let isBetter = true
    while (isBetter) {
      const { begins, middle, loss } = best
      isBetter =
        attempt(begins + step, middle, loss) ||
        attempt(begins - step, middle, loss) ||
        attempt(begins, middle + step, loss) ||
        attempt(begins, middle - step, loss)
    }
  }
  return { at: best.begins, off: Math.sqrt(best.cost / times.length) }
}

/** When a curve has risen to a plateau: the same, with time running backwards. */
export const arrivalOf = ({ times, values }: Stretch, high: number, low: number, half: number): Turning | undefined => {
  const back = turningOf({ times: times.map(t => -t).toReversed(), values: values.toReversed() }, high, low, -half)
  return back && { ...back, at: -back.at }
}
