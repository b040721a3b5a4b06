import { quantile } from 'simple-statistics'
import { type Interval, wilson } from '../evidence/shares'
import { LOOK_SECONDS } from './filter'
import { type Prepared, prepare, type Reason, REASONS, rehearse, type Run } from './rehearse'
import type { Passage } from './scene'
import type { SetUp } from './set-up'

/** Many runs of a passage, two set-ups on the same chances, and what would have to change. */

export interface Summary {
  readonly runs: number
  /** Frames that were asked for: sharp, soft and not taken together. */
  readonly frames: number
  readonly sharp: number
  readonly notTaken: number
  /** Of all that were asked for, with the interval in which it lies 95 times of 100. */
  readonly share: number
  readonly interval: Interval
  /** Seconds until it first was on the subject, in the middle of the runs in which it was. */
  readonly acquireSeconds: number | undefined
  /** Runs in which it never was. */
  readonly never: number
  /** In the middle of the runs, in seconds. */
  readonly longestLossSeconds: number
  readonly reasons: readonly { readonly reason: Reason; readonly frames: number }[]
  /** Sharp frames of all that were asked for, run by run. */
  readonly each: readonly number[]
}

const framesOf = (r: Run): number => r.sharp + r.soft + r.notTaken

/**
 * Wilson's interval for frames that belong together in passages: as many frames count as would tell as much if each was
 * on its own.
 *
 * @source Kish (1965), Survey Sampling, section 8.2 (design effect); Wilson (1927)
 */
const clustered = (each: readonly number[], sharp: number, frames: number): Interval => {
  const p = sharp / Math.max(1, frames)
  const perRun = frames / Math.max(1, each.length)
  const between = each.reduce((sum, x) => sum + (x - p) ** 2, 0) / Math.max(1, each.length - 1)
  const alone = (p * (1 - p)) / Math.max(1, perRun)
  const effect = alone > 0 ? Math.max(1, between / alone) : 1
  const counted = frames / effect
  return wilson({ kept: p * counted, of: counted })
}

export const summaryOf = (runs: readonly Run[]): Summary => {
  const sum = (of: (r: Run) => number) => runs.reduce((n, r) => n + of(r), 0)
  const [frames, sharp] = [sum(framesOf), sum(r => r.sharp)]
  const each = runs.map(r => (framesOf(r) > 0 ? r.sharp / framesOf(r) : 0))
  const acquired = runs.flatMap(r => (r.acquired >= 0 ? [r.acquired * LOOK_SECONDS] : []))
  return {
    runs: runs.length,
    frames,
    sharp,
    notTaken: sum(r => r.notTaken),
    share: frames > 0 ? sharp / frames : 0,
    interval: clustered(each, sharp, frames),
    acquireSeconds: acquired.length > 0 ? quantile(acquired, 0.5) : undefined,
    never: runs.length - acquired.length,
    longestLossSeconds:
      runs.length > 0
        ? quantile(
            runs.map(r => r.longestLoss * LOOK_SECONDS),
            0.5,
          )
        : 0,
    reasons: REASONS.map((reason, i) => ({ reason, frames: sum(r => r.reasons[i] ?? 0) }))
      .filter(r => r.frames > 0)
      .sort((a, b) => b.frames - a.frames),
    each,
  }
}

/** Every run has a seed of its own, the same for every set-up. */
const seedOf = (i: number): number => Math.imul(i + 1, 0x9e3779b1) >>> 0

export const manyRuns = (p: Prepared, count: number, from = 0): readonly Run[] =>
  Array.from({ length: count }, (_, i) => rehearse(p, seedOf(from + i)))

/** How many more frames of 100 the first keeps than the second, run by run on the same chances. */
export interface Difference extends Interval {
  readonly is: number
}

/** @source Student's interval of the mean of paired differences; with hundreds of runs the normal one is as good */
export const differenceOf = (a: Summary, b: Summary): Difference => {
  const n = Math.min(a.each.length, b.each.length)
  const all = Array.from({ length: n }, (_, i) => (a.each[i] ?? 0) - (b.each[i] ?? 0))
  const is = all.reduce((sum, x) => sum + x, 0) / Math.max(1, n)
  const variance = all.reduce((sum, x) => sum + (x - is) ** 2, 0) / Math.max(1, n - 1)
  const reach = 1.96 * Math.sqrt(variance / Math.max(1, n))
  return { is, low: is - reach, high: is + reach }
}

/** Settings that can be turned in a sweep, with the values that are tried. */
export const SWEEPS = {
  hold: { label: 'Hold when blocked, s', values: [0, 0.1, 0.2, 0.4, 0.7, 1, 1.5, 2.5, 4.5] },
  response: { label: 'Response to speed', values: [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.95] },
  area: { label: 'Area, share of the frame’s width', values: [0.02, 0.04, 0.06, 0.1, 0.15, 0.25, 0.4, 0.7, 1] },
} as const
export type SweepId = keyof typeof SWEEPS

const turned = (setUp: SetUp, id: SweepId, value: number): SetUp => {
  switch (id) {
    case 'hold':
      return { ...setUp, holdSeconds: value, switchSeconds: Math.min(setUp.switchSeconds, value) }
    case 'response':
      return { ...setUp, response: value }
    case 'area':
      // As high on the sensor as it is wide, as far as the frame goes.
      return {
        ...setUp,
        areaWidth: value,
        areaHeight: Math.min(1, (value * setUp.sensorWidthMm) / setUp.sensorHeightMm),
        isCameraPicking: setUp.isCameraPicking || value >= 0.7,
      }
  }
}

export interface Cell {
  readonly column: number
  readonly row: number
  readonly share: number
}

/** The share that is kept at every pair of values, a cell at a time, coarse first so that a picture is there soon. */
export function* sweep(passage: Passage, setUp: SetUp, across: SweepId, down: SweepId, runs: number): Generator<Cell> {
  const [columns, rows] = [SWEEPS[across].values, SWEEPS[down].values]
  const cells = columns.flatMap((_, column) => rows.map((_row, row) => ({ column, row })))
  const isCoarse = (c: { column: number; row: number }) => c.column % 4 === 0 && c.row % 4 === 0
  for (const { column, row } of [...cells.filter(isCoarse), ...cells.filter(c => !isCoarse(c))]) {
    const at = turned(turned(setUp, across, columns[column] ?? 0), down, rows[row] ?? 0)
    const all = manyRuns(prepare(passage, at), runs)
    const frames = all.reduce((n, r) => n + framesOf(r), 0)
    yield { column, row, share: frames > 0 ? all.reduce((n, r) => n + r.sharp, 0) / frames : 0 }
  }
}

/** The place of the value that is nearest to what is set now. */
export const nearestIn = (id: SweepId, setUp: SetUp): number => {
  const now = id === 'hold' ? setUp.holdSeconds : id === 'response' ? setUp.response : setUp.areaWidth
  const values: readonly number[] = SWEEPS[id].values
  return values.reduce<number>((best, v, i) => (Math.abs(v - now) < Math.abs((values[best] ?? 0) - now) ? i : best), 0)
}
