import { linearRegression, mean, sampleStandardDeviation } from 'simple-statistics'
import type { Lens } from '../lenses/schema'
import { depthOfField } from '../optics/depth-of-field'
import type { FocusTest } from './schema'

/** Where focus lay at one setting of the body's adjustment. */
export interface FocusAt {
  readonly setting: number
  readonly pictures: number
  /** Millimetres behind the field; negative in front. */
  readonly mean: number
  /** The mean of so many pictures lies in here 95 times of a hundred. */
  readonly interval: readonly [number, number]
  /** From picture to picture: the standard deviation, in millimetres. */
  readonly spread: number
}

export type FocusVerdict =
  /** As good as it can be told, or as it can be set. */
  | { readonly kind: 'leave'; readonly setting: number; readonly isWithinDepth: boolean }
  /** Nothing is known yet of what a step does: try this one. */
  | { readonly kind: 'try'; readonly setting: number }
  /** What the line through all settings says. */
  | { readonly kind: 'set'; readonly setting: number; readonly expected: number }
  | { readonly kind: 'more'; readonly pictures: number }
  /** It is off, and this body has nothing to set it with. */
  | { readonly kind: 'fixed'; readonly mean: number }

export interface FocusResult {
  readonly at: readonly FocusAt[]
  /** Millimetres that are sharp in front of the field and behind it. */
  readonly depth: { readonly front: number; readonly behind: number }
  /** Millimetres that focus moves by a step; undefined until two settings were tried. */
  readonly perStep: number | undefined
  readonly verdict: FocusVerdict
}

/** Fewer pictures say nothing of how repeatable focusing is. */
export const LEAST_PICTURES = 5
/** Off by no more than this share of the whole depth, nobody sees it. @source common practice, from memory */
const UNSEEN = 0.25

/** Student's t, two-sided 95 %, by degrees of freedom. @source Fisher and Yates, Statistical Tables, table III (from memory) */
const STUDENT = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086,
] as const
const studentOf = (freedom: number): number => STUDENT[freedom - 1] ?? (freedom < 30 ? 2.06 : 2.0)

const focusAt = (setting: number, offsets: readonly number[]): FocusAt => {
  const middle = mean([...offsets])
  const spread = offsets.length > 1 ? sampleStandardDeviation([...offsets]) : NaN
  const half = offsets.length > 1 ? (studentOf(offsets.length - 1) * spread) / Math.sqrt(offsets.length) : Infinity
  return { setting, pictures: offsets.length, mean: middle, interval: [middle - half, middle + half], spread }
}

const nearestOf = (steps: readonly number[], wanted: number): number | undefined =>
  steps.toSorted((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0]

/** Depth around the field, by the circle that counts as sharp. */
const depthAround = (test: FocusTest, focalMm: number, circleMm: number) => {
  const metres = Math.max(test.distance, (focalMm / 1000) * 4.01)
  // Thin lens, object and image together as long as the distance: s + s' = d, 1/s + 1/s' = 1/f.
  const [d, f] = [metres, focalMm / 1000]
  const s = (d + Math.sqrt(d * d - 4 * d * f)) / 2
  const { front, behind } = depthOfField({ focalMm, fNumber: test.fNumber, circleMm, magnification: f / (s - f) })
  return { front: front * 1000, behind: behind * 1000 }
}

/**
 * Whether a lens focuses where it should on a body, and what to set if not.
 *
 * @param steps what the body's adjustment can be set to; none where it has no such setting
 * @param circleMm largest blur on the sensor that counts as sharp
 */
export const focusResult = (
  test: FocusTest,
  lens: Pick<Lens, 'focalMm'>,
  steps: readonly number[],
  circleMm: number,
): FocusResult => {
  const settings = [...new Set(test.pictures.map(p => p.setting))].toSorted((a, b) => a - b)
  const at = settings.map(s =>
    focusAt(
      s,
      test.pictures.filter(p => p.setting === s).map(p => p.offset),
    ),
  )
  const depth = depthAround(test, test.focalMm ?? lens.focalMm.to, circleMm)
  const unseen = UNSEEN * Math.min(depth.front + depth.behind, 4 * depth.front)
  const best = at.toSorted((a, b) => Math.abs(a.mean) - Math.abs(b.mean))[0] as FocusAt
  const line =
    settings.length < 2
      ? undefined
      : linearRegression(test.pictures.map(p => [p.setting, p.offset] as [number, number]))
  const perStep = line && Math.abs(line.m) > 1e-6 ? line.m : undefined
  const half = best.interval[1] - best.mean
  const verdict = (): FocusVerdict => {
    if (best.pictures < LEAST_PICTURES) return { kind: 'more', pictures: 10 }
    const isWithinDepth = Math.abs(best.mean) <= unseen
    if (half > unseen && half > Math.abs(best.mean))
      return { kind: 'more', pictures: Math.min(100, Math.ceil(((2 * best.spread) / unseen) ** 2) + 1) }
    if (isWithinDepth) return { kind: 'leave', setting: best.setting, isWithinDepth }
    const others = steps.filter(s => s !== best.setting)
    if (others.length === 0) return { kind: 'fixed', mean: best.mean }
    if (line === undefined || perStep === undefined) {
      // Positive moves focus away: half of the way to that end is tried first.
      const side = others.filter(s => (best.mean < 0 ? s > best.setting : s < best.setting))
      const end = best.mean < 0 ? Math.max(...side) : Math.min(...side)
      const setting = nearestOf(side, (best.setting + end) / 2)
      return setting === undefined ? { kind: 'fixed', mean: best.mean } : { kind: 'try', setting }
    }
    const setting = nearestOf(steps, -line.b / line.m) ?? best.setting
    const expected = line.m * setting + line.b
    // A step that gains less than the mean is known to is not worth ten pictures more.
    return settings.includes(setting) || Math.abs(best.mean) - Math.abs(expected) < half
      ? { kind: 'leave', setting: best.setting, isWithinDepth }
      : { kind: 'set', setting, expected }
  }
  return { at, depth, perStep, verdict: verdict() }
}
