import { median, quantile } from 'simple-statistics'
import { solve } from '../numeric/solve'
import type { Measurable } from './run'
import { arrivalOf, type Turning, turningOf } from './turning'

/** What was followed in a film, frame by frame: two places of the picture, one far and one near. */
export interface Traces {
  /** Seconds from the beginning, rising. */
  readonly times: readonly number[]
  readonly far: Followed
  readonly near: Followed
  /** The film goes on behind the last frame, which is as many as are looked at. */
  readonly isCutShort?: true
}

export interface Followed {
  /** How sharp the place is; only its own values compare. */
  readonly sharpness: readonly number[]
  /** Mean brightness. */
  readonly light: readonly number[]
  /** What is seen there, told coarsely, over the mean brightness. */
  readonly gists: readonly ArrayLike<number>[]
}

/** The moments of one take, in seconds of the film. */
export interface Moments {
  /** The obstacle covers the place; undefined where nothing came in between. */
  readonly blocked: number | undefined
  readonly leaves: number | undefined
  readonly arrives: number | undefined
  /** When the obstacle went away again, or the film ended. */
  readonly until: number
}

export interface ClipTake extends Moments {
  /** Whether the curves look as they should; what does not is to be looked at. */
  readonly isSure: boolean
  /** Seconds by which leaving or arriving may be otherwise, the larger of the two; none where focus stayed. */
  readonly within?: number
}

export type ClipNote =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'short' }
  | { readonly kind: 'cut'; readonly at: number }
  | { readonly kind: 'long'; readonly at: number }
  | { readonly kind: 'uneven'; readonly least: number; readonly most: number }
  | { readonly kind: 'flat'; readonly place: 'far' | 'near' }

export interface ClipRead {
  readonly takes: readonly ClipTake[]
  /** Seconds from frame to frame, the middle one. */
  readonly frame: number
  readonly notes: readonly ClipNote[]
}

/** Fewer frames are no film. */
const LEAST_FRAMES = 12
/** Nothing shorter is an obstacle, and no gap so short the end of one. */
const SHORTEST = 0.25
const GAP = 0.15
/** How different the near place has to look with the obstacle: blocks of brightness, over the mean. */
const LEAST_DIFFERENCE = 0.6
const OVER_SPREAD = 2.5
/** Sharpness has to lose this share before focus has left. */
const LEAST_FALL = 0.4
/** Both places looking otherwise from one frame to the next is a cut. */
const CUT = 1.2
/** Frames that sharpness stays beyond half before that counts. */
const STAYS = 3
/** What is looked at before half of the fall, at most. */
const BEFORE = 2.5
const MOST_OFF = 0.12
/** A moment that may lie further off, in frames, is to be looked at. */
const MOST_WITHIN = 4
/** No more sharpness than this is an even surface, or none that anything is seen on. */
const FLAT = 1e-3

const distance = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += ((a[i] ?? 0) - (b[i] ?? 0)) ** 2
  return Math.sqrt(sum)
}

const meanGist = (gists: readonly ArrayLike<number>[]): Float64Array => {
  const sum = new Float64Array(gists[0]?.length ?? 0)
  for (const g of gists) for (let i = 0; i < sum.length; i++) sum[i] = (sum[i] ?? 0) + (g[i] ?? 0)
  return sum.map(s => s / Math.max(1, gists.length))
}

/** What the near place looks like with the obstacle and without, and in which frames it is there. */
interface Presence {
  readonly isWithin: readonly boolean[]
  readonly within: Float64Array
  readonly without: Float64Array
  readonly gists: readonly Float32Array[]
}

/** The frames in which something stands in the near place; undefined where nothing ever comes. */
const presenceOf = ({ far, near }: Traces): Presence | undefined => {
  // Against the light on the far place: the obstacle itself must not count as light, and light that flickers not as one.
  const size = near.gists[0]?.length ?? 0
  // In one piece: thousands of small ones would take several times the memory.
  const all = new Float32Array(near.gists.length * size)
  const gists = near.gists.map((g, i) => {
    const gist = all.subarray(i * size, (i + 1) * size)
    const share = (near.light[i] ?? 0) / (far.light[i] || 1)
    for (let k = 0; k < size; k++) gist[k] = (g[k] ?? 0) * share
    return gist
  })
  let without: Float64Array = meanGist(gists.slice(0, 5))
  const away = gists.map(g => distance(g, without))
  const farthest = away.reduce((best, d, i) => (d > (away[best] ?? 0) ? i : best), 0)
  let within: Float64Array = Float64Array.from(gists[farthest] ?? without)
  let isWithin: readonly boolean[] = []
  for (let pass = 0; pass < 8; pass++) {
    isWithin = gists.map(g => distance(g, within) < distance(g, without))
    if (!isWithin.includes(true) || !isWithin.includes(false)) return undefined
    within = meanGist(gists.filter((_, i) => isWithin[i]))
    without = meanGist(gists.filter((_, i) => !isWithin[i]))
  }
  const apart = distance(within, without)
  const spread = median(gists.map((g, i) => distance(g, isWithin[i] ? within : without)))
  if (apart < LEAST_DIFFERENCE || apart < OVER_SPREAD * spread) return undefined
  // Without the obstacle the far place is the sharper one; a film may begin with either.
  const sharpest = (wanted: boolean) =>
    quantile(
      far.sharpness.filter((_, i) => isWithin[i] === wanted),
      0.8,
    )
  const isTurned = sharpest(true) > sharpest(false) * 1.5
  return isTurned
    ? { isWithin: isWithin.map(w => !w), within: without, without: within, gists }
    : { isWithin, within, without, gists }
}

const stepsOf = (times: readonly number[]): number[] => times.slice(1).map((t, i) => t - (times[i] ?? t))
const frameOf = (times: readonly number[]): number => median(stepsOf(times))

interface Span {
  readonly from: number
  readonly to: number
}

/** Stretches of frames in which something holds, with short gaps closed and what is short left out. */
const spansOf = (times: readonly number[], holds: readonly boolean[]): readonly Span[] => {
  const raw: { from: number; to: number }[] = []
  holds.forEach((h, i) => {
    if (!h) return
    const last = raw.at(-1)
    if (last && (times[i] ?? 0) - (times[last.to] ?? 0) <= GAP) last.to = i
    else raw.push({ from: i, to: i })
  })
  return raw.filter(s => (times[s.to] ?? 0) - (times[s.from] ?? 0) >= SHORTEST)
}

/** First frame from `from` on at which a condition holds, and stays so for a few frames. */
const staysFrom = (from: number, to: number, holds: (i: number) => boolean): number | undefined => {
  for (let i = from; i <= to; i++) {
    let n = 0
    while (n < STAYS && i + n <= to && holds(i + n)) n++
    if (n === STAYS || (n > 0 && i + n > to)) return i
  }
  return undefined
}

const between = (values: readonly number[], from: number, to: number): readonly number[] =>
  values.slice(Math.max(0, from), Math.max(0, to) + 1)

interface Turned extends Turning {
  /** The frame at which half of it has happened. */
  readonly half: number
}

/** When the far place begins to lose its sharpness, between two frames. */
const leavesIn = (
  { times, far: { sharpness } }: Traces,
  from: number,
  to: number,
  before: readonly number[],
): Turned | undefined => {
  const here = between(sharpness, from, to)
  if (here.length < LEAST_FRAMES / 2) return undefined
  const high = before.length > 2 ? median([...before]) : quantile([...here], 0.9)
  const low = quantile([...here], 0.03)
  if (high - low < LEAST_FALL * high) return undefined
  const middle = (high + low) / 2
  const half = staysFrom(from, to, i => (sharpness[i] ?? 0) < middle)
  if (half === undefined) return undefined
  const start = Math.max(
    from,
    times.findIndex(t => t >= (times[half] ?? 0) - BEFORE),
  )
  const stretch = { times: between(times, start, to), values: between(sharpness, start, to) }
  const found = turningOf(stretch, high, low, times[half] ?? 0)
  return found && { ...found, half }
}

/** When the near place has become sharp, between two frames. */
const arrivesIn = ({ times, near: { sharpness } }: Traces, from: number, to: number): Turned | undefined => {
  const here = between(sharpness, from, to)
  if (here.length < LEAST_FRAMES / 2) return undefined
  const [low, top] = [quantile([...here], 0.05), quantile([...here], 0.85)]
  if (top - low < LEAST_FALL * top) return undefined
  const half = staysFrom(from, to, i => (sharpness[i] ?? 0) > (low + top) / 2)
  if (half === undefined) return undefined
  const settled = between(sharpness, half, to)
  const high = settled.length > 12 ? median(settled.slice(Math.floor(settled.length / 3))) : top
  const end = Math.min(to, half + Math.max(12, Math.ceil((half - from) * 2)))
  const stretch = { times: between(times, from, end), values: between(sharpness, from, end) }
  const found = arrivalOf(stretch, high, low, times[half] ?? 0)
  return found && { ...found, half }
}

/** A block tells the obstacle from what is behind it where its brightness differs by this, over the mean. */
const TELLS = 0.12
/** Frames around the change in which blocks change. */
const AROUND = 30

/** Blocks so far from the middle count half: nothing comes in at an even pace. */
const NEAR_MIDDLE = 1.5

/** Least squares of t = c + a x + b y, the nearer the more; the middle of the place is at 0, 0. */
const planeAtMiddle = (
  points: readonly (readonly [x: number, y: number, t: number, weight: number])[],
): number | undefined => {
  const sum = (value: (x: number, y: number, t: number) => number) =>
    points.reduce((s, [x, y, t, w]) => s + (w * value(x, y, t)) / (1 + (x * x + y * y) / NEAR_MIDDLE ** 2), 0)
  const [x, y, xy] = [sum(x => x), sum((_, y) => y), sum((x, y) => x * y)]
  const matrix = [
    [sum(() => 1), x, y],
    [x, sum(x => x * x), xy],
    [y, xy, sum((_, y) => y * y)],
  ]
  return solve(matrix, [sum((_, __, t) => t), sum((x, _, t) => x * t), sum((_, y, t) => y * t)])?.[0]
}

/**
 * When the obstacle covers the middle of its place: every block that tells says when it changed, and a plane through
 * these times is read in the middle, between two frames.
 */
const blockedAt = ({ times }: Traces, { within, without, gists }: Presence, first: number): number => {
  const rows = Math.round(Math.sqrt(within.length))
  const [from, to] = [Math.max(1, first - AROUND), Math.min(times.length - 1, first + AROUND)]
  const points = Array.from(within).flatMap((w, block): readonly (readonly [number, number, number, number])[] => {
    const base = without[block] ?? 0
    const size = w - base
    if (Math.abs(size) < TELLS) return []
    const share = (i: number) => ((gists[i]?.[block] ?? 0) - base) / size
    for (let i = from; i <= to; i++) {
      const [a, b] = [share(i - 1), share(i)]
      if (!(a < 0.5 && b >= 0.5 && share(Math.min(to, i + 2)) > 0.5)) continue
      const [s, t] = [times[i - 1] ?? 0, times[i] ?? 0]
      return [
        [
          (block % rows) - (rows - 1) / 2,
          Math.floor(block / rows) - (rows - 1) / 2,
          s + ((t - s) * (0.5 - a)) / (b - a),
          size * size,
        ],
      ]
    }
    return []
  })
  const middle = times[first] ?? 0
  if (points.length < 6) return middle
  const near = median(points.map(p => p[2]))
  return planeAtMiddle(points.filter(p => Math.abs(p[2] - near) < 0.5)) ?? near
}

/** Whether a moment is found well enough to be believed unseen. */
const isFitting = ({ off, within }: Turning, frame: number): boolean => off < MOST_OFF && within <= MOST_WITHIN * frame

/** Of the sharpest that the far place is before a take; so much of it is at rest, and no more on its way back. */
const AT_REST = 0.85

/** From when on focus lies on the far place before it is sent to the near one, and how sharp that is there. */
const restedIn = ({ far: { sharpness } }: Traces, earlier: number, to: number) => {
  const least = AT_REST * quantile([...between(sharpness, earlier, to)], 0.9)
  const from = staysFrom(earlier, to, i => (sharpness[i] ?? 0) >= least) ?? earlier
  return { from, sharp: between(sharpness, from, to).filter(s => s >= least) }
}

const takeIn = (traces: Traces, span: Span, earlier: number, blocked: number | undefined): ClipTake => {
  const { times, far } = traces
  const frame = frameOf(times)
  const rested = blocked === undefined ? restedIn(traces, earlier, span.from) : undefined
  const before = rested?.sharp ?? between(far.sharpness, Math.max(earlier, span.from - 40), span.from - 4)
  const leaves = leavesIn(traces, rested?.from ?? span.from, span.to, before)
  const arrives = leaves && arrivesIn(traces, Math.min(leaves.half, span.to), span.to)
  // Focus cannot arrive before it leaves: then the two places were not well chosen.
  const isOrdered = !leaves || !arrives || arrives.at >= leaves.at
  return {
    blocked,
    leaves: leaves?.at,
    arrives: arrives?.at,
    until: times[span.to] ?? 0,
    ...(leaves && { within: Math.max(leaves.within, arrives?.within ?? 0) }),
    isSure: isOrdered && (!leaves || (isFitting(leaves, frame) && arrives !== undefined && isFitting(arrives, frame))),
  }
}

const cutsOf = ({ times, far, near }: Traces): readonly number[] =>
  times.flatMap((t, i) => {
    const [f, n] = [far.gists[i - 1], near.gists[i - 1]]
    return f && n && distance(f, far.gists[i] ?? f) > CUT && distance(n, near.gists[i] ?? n) > CUT ? [t] : []
  })

/** Where focus is by sharpness alone: for takes in which nothing comes in between. */
const isNearOf = ({ far, near }: Traces): readonly boolean[] => {
  const share = (values: readonly number[]) => {
    const [low, high] = [quantile([...values], 0.05), quantile([...values], 0.95)]
    return high - low < LEAST_FALL * high ? undefined : values.map(v => (v - low) / (high - low))
  }
  const [f, n] = [share(far.sharpness), share(near.sharpness)]
  return f && n ? f.map((v, i) => (n[i] ?? 0) > v) : []
}

/** One place in some of the frames. */
const placeIn = ({ sharpness, light, gists }: Followed, from: number, to: number): Followed => ({
  sharpness: sharpness.slice(from, to),
  light: light.slice(from, to),
  gists: gists.slice(from, to),
})

/** All takes between two cuts; one that a cut ends is left out, and so is one that was there before anybody looked. */
const takesOfPart = (traces: Traces, isCutOff: boolean, isBlocked: boolean): readonly ClipTake[] => {
  const { times } = traces
  if (times.length < LEAST_FRAMES) return []
  const presence = isBlocked ? presenceOf(traces) : undefined
  const spans = spansOf(times, presence ? presence.isWithin : isNearOf(traces))
  return spans.flatMap((span, n): readonly ClipTake[] => {
    if (span.from === 0 || (isCutOff && span.to >= times.length - 2)) return []
    const earlier = (spans[n - 1]?.to ?? -1) + 1
    const take = takeIn(traces, span, earlier, presence && blockedAt(traces, presence, span.from))
    return take.blocked === undefined && take.leaves === undefined ? [] : [take]
  })
}

/**
 * All takes of a film: when the obstacle appeared, when focus began to leave, when it arrived.
 *
 * @param traces of both places, frame by frame
 * @param measured with what is measured between two things that stand there, what they look like tells nothing: a
 *   thing out of focus looks otherwise as well
 */
export const readClip = (traces: Traces, measured?: Measurable): ClipRead => {
  const isBlocked = measured === undefined || !STANDING.includes(measured)
  const { times, far, near } = traces
  const steps = stepsOf(times)
  if (times.length < LEAST_FRAMES) return { takes: [], frame: 0, notes: [{ kind: 'short' }] }
  const notes: ClipNote[] = []
  const [least, most] = [quantile(steps, 0.02), quantile(steps, 0.98)]
  if (most > least * 1.5) notes.push({ kind: 'uneven', least, most })
  for (const place of ['far', 'near'] as const)
    if (quantile([...traces[place].sharpness], 0.98) < FLAT) notes.push({ kind: 'flat', place })
  if (traces.isCutShort) notes.push({ kind: 'long', at: times.at(-1) ?? 0 })
  const cuts = cutsOf(traces)
  notes.push(...cuts.map(at => ({ kind: 'cut', at }) as const))
  const edges = [0, ...cuts.map(c => times.indexOf(c)), times.length]
  const takes = edges.slice(1).flatMap((to, i) => {
    const from = edges[i] ?? 0
    const part = { times: times.slice(from, to), far: placeIn(far, from, to), near: placeIn(near, from, to) }
    return takesOfPart(part, to < times.length, isBlocked)
  })
  if (takes.length === 0) notes.push({ kind: 'nothing' })
  return { takes, frame: frameOf(times), notes }
}

/** What is measured with nothing coming in between. */
const STANDING: readonly Measurable[] = ['video.transition', 'track.acquire']

/** Seconds of a take for what is measured; undefined where a moment is missing for it. */
export const secondsOfTake = (
  measured: Measurable,
  { blocked, leaves, arrives, until }: Moments,
): { readonly seconds: number; readonly never?: true } | undefined => {
  const span = (from: number | undefined, to: number | undefined) =>
    from === undefined || to === undefined || to < from ? undefined : { seconds: to - from }
  switch (measured) {
    case 'track.hold':
    case 'video.shift':
      if (blocked === undefined) return undefined
      return leaves === undefined ? { seconds: until - blocked, never: true } : span(blocked, leaves)
    case 'track.switch':
      if (blocked === undefined) return undefined
      return leaves === undefined ? { seconds: until - blocked, never: true } : span(blocked, arrives)
    case 'video.transition':
    case 'track.acquire':
      return span(leaves, arrives)
  }
}
