import { mean } from 'simple-statistics'
import { random } from '../numeric/random'

/** Keeping a small area on a passing subject. */

export interface AimSample {
  /** Milliseconds from the start. */
  readonly at: number
  /** From the subject to the middle of the area, degrees of view across and down. */
  readonly dx: number
  readonly dy: number
}

export interface Steadiness {
  /** Standard deviation about where the aim lies on the whole, the mean of both directions: degrees. */
  readonly degrees: number
  /** How long a wandering aim takes to come back: the time constant of an Ornstein-Uhlenbeck process. Seconds. */
  readonly seconds: number
  /** How far the aim lies behind or aside on the whole, degrees. */
  readonly aside: number
  /** Share of the time in which the subject's middle was inside the area. */
  readonly inside: number
}

/** Getting there does not count. */
const SETTLE_MS = 1500
const LEAST_SAMPLES = 40

/** Evenly spaced, each the newest sample of its moment: a mean of neighbours would look steadier than the hand was. */
const evenly = (samples: readonly AimSample[], stepMs: number): readonly AimSample[] => {
  const made: AimSample[] = []
  const [first, last] = [samples[0], samples.at(-1)]
  if (!first || !last) return []
  let i = 0
  for (let at = first.at; at <= last.at; at += stepMs) {
    while ((samples[i + 1]?.at ?? Infinity) <= at) i++
    made.push(samples[i] ?? last)
  }
  return made
}

/** Coarse enough that one more or fewer sample in it does not matter. */
const STEP_MS = 50

/**
 * How steadily an aim was kept.
 *
 * @param area half width and half height of the area, degrees
 * @returns undefined where there is too little to say it
 * @source for an Ornstein-Uhlenbeck process sampled every T, neighbours are correlated by exp(-T / seconds); its
 *   stationary standard deviation is what Rehearsal takes for hands
 */
export const steadiness = (
  all: readonly AimSample[],
  area: { readonly halfWidth: number; readonly halfHeight: number },
): Steadiness | undefined => {
  const start = (all[0]?.at ?? 0) + SETTLE_MS
  const samples = evenly(
    all.filter(s => s.at >= start),
    STEP_MS,
  )
  if (samples.length < LEAST_SAMPLES) return undefined
  const about = (values: readonly number[]) => {
    const middle = mean([...values])
    const off = values.map(x => x - middle)
    const power = off.reduce((n, x) => n + x * x, 0)
    const beside = off.slice(1).reduce((n, x, i) => n + x * (off[i] ?? 0), 0)
    return { middle, power, beside }
  }
  const [x, y] = [about(samples.map(s => s.dx)), about(samples.map(s => s.dy))]
  const n = samples.length
  const kept = Math.min(0.9999, Math.max(1e-6, (x.beside + y.beside) / Math.max(1e-12, x.power + y.power)))
  return {
    degrees: Math.sqrt((x.power + y.power) / 2 / (n - 1)),
    seconds: Math.min(10, Math.max(0.02, -STEP_MS / 1000 / Math.log(kept))),
    aside: Math.hypot(x.middle, y.middle),
    inside: samples.filter(s => Math.abs(s.dx) <= area.halfWidth && Math.abs(s.dy) <= area.halfHeight).length / n,
  }
}

/** Where the subject is, -1 to 1 across and down the frame: a lazy, uneven passing to and fro. */
export const subjectAt = (seed: number, ms: number): readonly [x: number, y: number] => {
  const { next } = random(seed)
  const [a, b, c] = [next() * 6, next() * 6, next() * 6]
  const t = ms / 1000
  return [0.5 * Math.sin(0.9 * t + a) + 0.15 * Math.sin(2.1 * t + b), 0.22 * Math.sin(1.3 * t + c)]
}
