import { median, quantile } from 'simple-statistics'
import { random } from '../numeric/random'
import { isotonic } from './isotonic'

/** One take: at which step, and how long it took; or that nothing happened for as long as somebody watched. */
export interface Take {
  readonly step: string
  readonly seconds: number
  readonly never?: boolean | undefined
}

export interface StepFit {
  readonly step: string
  /** How many takes, and in how many of them nothing ever happened. */
  readonly takes: number
  readonly never: number
  /** What the step amounts to, in seconds; `always` where it held in more than half of the takes. */
  readonly seconds: number | 'always'
  /** The middle half of the takes. */
  readonly spread: readonly [number, number]
  /** Nine times of ten the true value of such a run would lie in here. */
  readonly band: readonly [number, number]
  /** Takes that are far from the others; they are shown, and counted all the same. */
  readonly odd: readonly number[]
}

export interface ScaleFit {
  /** Which way the scale runs, found and not assumed; `unordered` where its steps are no scale. */
  readonly direction: 'rising' | 'falling' | 'unordered' | 'unclear'
  readonly steps: readonly StepFit[]
  /** Neighbouring steps that these takes do not tell apart. */
  readonly alike: readonly (readonly [string, string])[]
  /** Seconds of each step, drawn anew: for saying how sure a choice is. */
  readonly drawn: readonly (readonly number[])[]
}

/** Shortest time that is told from none. */
const SHORTEST = 0.01
/** Takes further from the median than this many robust deviations are shown as odd. @source common practice, from memory */
const ODD = 3.5
const TO_DEVIATION = 1.4826
/** Takes this near to the median are never odd, however much the others agree. */
const NEAR = Math.log(1.25)
const DRAWS = 2000
const BAND = [0.05, 0.95] as const
/** Steps are told apart when so few draws have them the other way round. */
const TOLD_APART = 0.05

const log = (seconds: number): number => Math.log(Math.max(SHORTEST, seconds))

/** Log seconds of the takes of one step; one that never came counts as far longer than anybody watched. */
const logsOf = (takes: readonly Take[]): readonly number[] =>
  takes.map(t => (t.never ? log(t.seconds) + 1 : log(t.seconds)))

const misfit = (values: readonly number[], fitted: readonly number[], weights: readonly number[]): number =>
  values.reduce((sum, v, i) => sum + (weights[i] ?? 1) * (v - (fitted[i] ?? v)) ** 2, 0)

const falling = (values: readonly number[], weights: readonly number[]): number[] =>
  isotonic(
    values.map(v => -v),
    weights,
  ).map(v => -v)

const directionOf = (medians: readonly number[], weights: readonly number[]): ScaleFit['direction'] => {
  if (medians.length < 2) return 'unclear'
  const up = misfit(medians, isotonic(medians, weights), weights)
  const down = misfit(medians, falling(medians, weights), weights)
  if (Math.abs(up - down) < 1e-12) return 'unclear'
  return up < down ? 'rising' : 'falling'
}

const smooth = (
  values: readonly number[],
  weights: readonly number[],
  direction: ScaleFit['direction'],
): readonly number[] => {
  switch (direction) {
    case 'rising':
      return isotonic(values, weights)
    case 'falling':
      return falling(values, weights)
    case 'unordered':
    case 'unclear':
      return values
  }
}

/**
 * What the steps of a scale amount to, from takes: a median for each, made monotone in the direction that fits better,
 * with a band by drawing the takes anew.
 *
 * @param order the steps as the body has them; those without takes are left out
 * @param isScale false for bundles, whose steps are in no order
 * @param seed of the draws: the same takes give the same answer
 * @example fitScale(takes, ['1', '2', '3'], true, 7).direction // 'rising'
 */
export const fitScale = (
  takes: readonly Take[],
  order: readonly string[],
  isScale: boolean,
  seed: number,
): ScaleFit => {
  const steps = order.flatMap(step => {
    const here = takes.filter(t => t.step === step)
    return here.length > 0 ? [{ step, takes: here, logs: logsOf(here) }] : []
  })
  const weights = steps.map(s => s.takes.length)
  const medians = steps.map(s => median([...s.logs]))
  const direction = isScale ? directionOf(medians, weights) : 'unordered'
  const fitted = smooth(medians, weights, direction)
  const chance = random(seed)
  const raw = Array.from({ length: DRAWS }, () =>
    steps.map(s => median(s.logs.map(() => s.logs[chance.int(0, s.logs.length - 1)] ?? 0))),
  )
  const drawn = raw.map(values => smooth(values, weights, direction))
  const apart = (a: number, b: number): boolean => {
    const wanted = Math.sign((medians[b] ?? 0) - (medians[a] ?? 0))
    const against = raw.filter(v => Math.sign((v[b] ?? 0) - (v[a] ?? 0)) !== wanted).length
    return wanted !== 0 && against <= TOLD_APART * DRAWS
  }
  return {
    direction,
    steps: steps.map((s, i): StepFit => {
      const here = drawn.map(v => v[i] ?? 0)
      const middle = medians[i] ?? 0
      const deviation = TO_DEVIATION * median(s.logs.map(l => Math.abs(l - middle)))
      const never = s.takes.filter(t => t.never).length
      const seconds = s.takes.map(t => t.seconds)
      return {
        step: s.step,
        takes: s.takes.length,
        never,
        seconds: never * 2 > s.takes.length ? 'always' : Math.exp(fitted[i] ?? middle),
        spread: [quantile(seconds, 0.25), quantile(seconds, 0.75)],
        band: [Math.exp(quantile(here, BAND[0])), Math.exp(quantile(here, BAND[1]))],
        odd: s.logs.flatMap((l, n) => (Math.abs(l - middle) > Math.max(NEAR, ODD * deviation) ? [n] : [])),
      }
    }),
    alike: steps.slice(1).flatMap((s, i) => (apart(i, i + 1) ? [] : [[steps[i]?.step ?? '', s.step] as const])),
    drawn: drawn.map(values => values.map(Math.exp)),
  }
}

export interface Chosen {
  readonly step: string
  readonly seconds: number | 'always'
  /** In how many of the draws the same step comes nearest, as a share. */
  readonly sure: number
  /** The wanted time lies beyond everything that was measured. */
  readonly isOutside: boolean
}

/** The step that comes nearest to a wanted time, and how sure that is; undefined where nothing was measured. */
export const stepFor = (fit: ScaleFit, wantedSeconds: number): Chosen | undefined => {
  if (!(wantedSeconds > 0)) throw new RangeError(`invalid wantedSeconds: ${wantedSeconds}, expected more than 0`)
  const numbers = fit.steps.map(s => (s.seconds === 'always' ? Infinity : s.seconds))
  const nearest = (values: readonly number[]): number =>
    values.reduce((best, v, i) => (off(v) < off(values[best] ?? Infinity) ? i : best), 0)
  const off = (v: number) => Math.abs(Math.log(v / wantedSeconds))
  const at = nearest(numbers)
  const step = fit.steps[at]
  if (!step) return undefined
  return {
    step: step.step,
    seconds: step.seconds,
    sure: fit.drawn.filter(d => nearest(d) === at).length / fit.drawn.length,
    isOutside:
      wantedSeconds < Math.min(...fit.steps.map(s => s.band[0])) ||
      wantedSeconds > Math.max(...fit.steps.map(s => s.band[1])),
  }
}
