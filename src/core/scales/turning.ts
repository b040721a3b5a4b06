import { median, sum } from 'simple-statistics'

const TO_DEVIATION = 1.4826

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
  /** Seconds by which it may be otherwise, as far as the values and the shape of the fall leave it open. */
  readonly within: number
}

/** Sharpness falls with blur b as (1 + b²)^-m: an edge alone loses it by the first power, fine patterns faster. */
const LOSSES = [0.5, 0.8, 1.3, 2.5] as const
/** Blur grows by this power of time: at once, gathering way for some frames, or evenly faster. */
const WAYS = [1, 1.25, 1.5, 2] as const
const TRIES = 40
/** Where the half may be otherwise, in frames. */
const MIDDLES = [-1, -0.5, 0, 0.5, 1] as const
/** So much of the fall tells it from a plateau, or more where the plateau is restless. */
const SEEN = 0.1
const RESTLESS = 2.5
/** Seconds of plateau that are looked at before the fall: where they say different things, it is less sure. */
const PLATEAUS = [0.1, 0.2, 0.4] as const
/**
 * From the first tenth of the fall to its half, so many times: whatever loss and way, it did not begin earlier.
 * What lies further back is plateau.
 */
const REACH = 2.6
/** The fit looks at the fall down to this share: the deeper, the more other things count than focus. */
const DEEP = 0.2
/** Neighbouring frames are wrong alike: so many of them say as much as one. */
const ALIKE = 5
/** How focus gathers way is only guessed: so much of the time from the beginning to half may be otherwise. */
const GUESSED = 0.25

interface Shape {
  readonly begins: number
  readonly middle: number
  readonly loss: number
  readonly way: number
}

/** What is left at a time, where half of it is left at `middle`. */
const falls = (t: number, { begins, middle, loss, way }: Shape): number =>
  t <= begins
    ? 1
    : Math.pow(1 + (Math.pow(2, 1 / loss) - 1) * Math.pow((t - begins) / (middle - begins), 2 * way), -loss)

/** Where a curve was last on its plateau before half of the fall, and what the plateau is just there. */
const plateauBefore = (
  { times, values }: Stretch,
  [high, low]: readonly [high: number, low: number],
  halfAt: number,
  seconds: number,
) => {
  let level = high
  let last = halfAt
  let restless = 0
  // The plateau is looked at where it ends, which is known once it has been looked at.
  for (let pass = 0; pass < 3; pass++) {
    const seen = level - Math.max(SEEN * (level - low), RESTLESS * restless)
    last = halfAt
    while (last > 0 && (values[last] ?? 0) < seen) last--
    const end = (times[last] ?? 0) - ((times[halfAt] ?? 0) - (times[last] ?? 0))
    const here = values.filter((_, i) => (times[i] ?? 0) <= end && (times[i] ?? 0) >= end - seconds)
    if (here.length < 6) break
    level = median(here)
    const middle = level
    restless = TO_DEVIATION * median(here.map(v => Math.abs(v - middle)))
  }
  return { level, last }
}

/** The same, as one plateau has it. */
const turningFrom = (
  stretch: Stretch,
  [high, low]: readonly [high: number, low: number],
  half: number,
  seconds: number,
): Turning | undefined => {
  const halfAt = stretch.times.findIndex(t => t >= half)
  if (halfAt < 1 || !(high > low)) return undefined
  const { level, last } = plateauBefore(stretch, [high, low], halfAt, seconds)
  const size = level - low
  const frame = (half - (stretch.times[0] ?? half)) / halfAt
  const reach = REACH * Math.max(frame, half - (stretch.times[last] ?? half))
  const earliest = Math.max(stretch.times[0] ?? half, half - reach)
  const from = stretch.times.findIndex(t => t >= earliest - reach / 2)
  const deep = stretch.values.findIndex((v, i) => i > halfAt && v < low + DEEP * size)
  const to = deep < 0 ? stretch.times.length : deep + 1
  const [times, values] = [stretch.times.slice(from, to), stretch.values.slice(from, to)]
  const costOf = (shape: Shape): number => {
    if (!(shape.middle > shape.begins) || shape.begins < earliest) return Infinity
    let cost = 0
    for (let i = 0; i < times.length; i++) {
      const error = ((values[i] ?? 0) - low) / size - falls(times[i] ?? 0, shape)
      // Far off counts once and not squared: a hand that shook for a frame does not move the answer.
      cost += Math.abs(error) < 0.15 ? error * error : 0.3 * Math.abs(error) - 0.0225
    }
    return cost
  }
  const beginnings = Array.from({ length: TRIES }, (_, i) => earliest + ((half - earliest) * i) / TRIES)
  const tried = LOSSES.flatMap(loss =>
    WAYS.flatMap(way =>
      beginnings.flatMap(begins =>
        MIDDLES.map(m => {
          const shape = { begins, middle: half + m * frame, loss, way }
          return { ...shape, cost: costOf(shape) }
        }),
      ),
    ),
  )
  const best = tried.reduce((a, b) => (b.cost < a.cost ? b : a))
  // Every shape counts as its likelihood is, not the best alone: they lie close together, and the truth among them.
  const scatter = (2 * ALIKE * best.cost) / Math.max(1, times.length - 4)
  const weights = tried.map(t => Math.exp((best.cost - t.cost) / scatter))
  const begins = tried.map(t => t.begins)
  const all = sum(weights)
  const at = sum(begins.map((b, i) => (b * (weights[i] ?? 0)) / all))
  const spread = Math.sqrt(sum(begins.map((b, i) => ((b - at) ** 2 * (weights[i] ?? 0)) / all)))
  const within = Math.max(frame / 2, GUESSED * (half - at), 2 * spread)
  return { at, off: Math.sqrt(best.cost / times.length), within }
}

/**
 * When a curve begins to fall from a plateau, with a fitted falling branch: a sigmoid that has a beginning.
 *
 * @param high level of the plateau, about
 * @param low level that it falls to
 * @param half a time at which half of the fall has been seen
 * @returns undefined where nothing falls
 */
export const turningOf = (stretch: Stretch, high: number, low: number, half: number): Turning | undefined => {
  const all = PLATEAUS.flatMap(seconds => turningFrom(stretch, [high, low], half, seconds) ?? [])
  const middle = all.toSorted((a, b) => a.at - b.at)[Math.floor(all.length / 2)]
  return middle && { ...middle, within: Math.max(middle.within, ...all.map(t => Math.abs(t.at - middle.at))) }
}

/** When a curve has risen to a plateau: the same, with time running backwards. */
export const arrivalOf = ({ times, values }: Stretch, high: number, low: number, half: number): Turning | undefined => {
  const back = turningOf({ times: times.map(t => -t).toReversed(), values: values.toReversed() }, high, low, -half)
  return back && { ...back, at: -back.at }
}
