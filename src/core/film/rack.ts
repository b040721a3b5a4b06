import type { BodyScale, Step } from '../phrasebook/scales'

/** How long a change of focus lasts on screen, and which step of each body's scale comes nearest. */

/** Frames a second, as they are taken and as they are shown. */
export interface Rates {
  readonly capture: number
  readonly playback: number
}

const checked = ({ capture, playback }: Rates): number => {
  if (!(capture > 0) || !(playback > 0)) throw new RangeError(`invalid rates: ${capture} shown at ${playback}`)
  return capture / playback
}

/**
 * Seconds on screen of something that lasts so long in front of the camera.
 *
 * @source time on screen = real time x (capture rate / playback rate)
 * @example onScreen(0.5, { capture: 100, playback: 25 }) // 2
 */
export const onScreen = (realSeconds: number, rates: Rates): number => realSeconds * checked(rates)

/** The other way round. @example inReality(2, { capture: 100, playback: 25 }) // 0.5 */
export const inReality = (screenSeconds: number, rates: Rates): number => screenSeconds / checked(rates)

/** A body's nearest step to a time. */
export interface Nearest {
  readonly body: string
  readonly name: string
  /** Undefined where the body has no such scale. */
  readonly step: Step | undefined
  /** In front of the camera. */
  readonly seconds: number | undefined
  /** How many times as long or as short as it was wanted; 1 is just so. */
  readonly off: number
}

/** A factor between two times, at least 1. */
const factor = (a: number, b: number): number => (a > 0 && b > 0 ? Math.max(a / b, b / a) : Infinity)

const timed = (scale: BodyScale): readonly Step[] => scale.steps.filter(s => s.at > 0 && Number.isFinite(s.at))

const nearestIn = (steps: readonly Step[], seconds: number): Step | undefined =>
  steps.reduce<Step | undefined>(
    (best, s) => (best === undefined || factor(s.at, seconds) < factor(best.at, seconds) ? s : best),
    undefined,
  )

const asNearest = (scale: BodyScale, step: Step | undefined, seconds: number): Nearest => ({
  body: scale.body,
  name: `${scale.maker} ${scale.model}`,
  step,
  seconds: step?.at,
  off: step ? factor(step.at, seconds) : Infinity,
})

/** Each body by itself. @param seconds in front of the camera */
export const bestOnEach = (scales: readonly BodyScale[], seconds: number): readonly Nearest[] =>
  scales.map(s => asNearest(s, nearestIn(timed(s), seconds), seconds))

/** How many times longer the slowest body takes than the quickest; 1 where all are alike or there are fewer than two. */
export const spreadOf = (all: readonly Nearest[]): number => {
  const seconds = all.flatMap(n => n.seconds ?? [])
  return seconds.length < 2 ? 1 : Math.max(...seconds) / Math.min(...seconds)
}

/** What a plan for several bodies costs: how far apart they are, and how far each is from what was wanted. Logarithms. */
const costOf = (all: readonly Nearest[]): number => {
  const known = all.filter(n => n.seconds !== undefined)
  const off = known.reduce((sum, n) => sum + Math.log(n.off), 0) / Math.max(1, known.length)
  return Math.log(spreadOf(all)) + off
}

/**
 * All bodies so that their pictures can be cut together: apart as little as possible, and then near to what was wanted.
 * Exact: of every span between two steps the bodies' nearest steps within it are tried.
 *
 * @param seconds in front of the camera
 */
export const alikeOnAll = (scales: readonly BodyScale[], seconds: number): readonly Nearest[] => {
  const having = scales.filter(s => timed(s).length > 0)
  const values = [...new Set(having.flatMap(s => timed(s).map(x => x.at)))].sort((a, b) => a - b)
  let best = bestOnEach(scales, seconds)
  let least = costOf(best)
  values.forEach((low, i) => {
    for (const high of values.slice(i)) {
      const made = scales.map(s =>
        asNearest(
          s,
          nearestIn(
            timed(s).filter(x => x.at >= low && x.at <= high),
            seconds,
          ),
          seconds,
        ),
      )
      if (having.some(s => made.find(n => n.body === s.body)?.step === undefined)) continue
      const cost = costOf(made)
      if (cost < least - 1e-12) {
        best = made
        least = cost
      }
    }
  })
  return best
}

/** A rack on a line of time: leaves after the wait, arrives after the travel. Seconds on screen. */
export interface OnTimeline {
  readonly leaves: number
  readonly arrives: number
}

/** From when the other one is shown: it waits, and travels. @param real in front of the camera */
export const timeline = (real: { readonly wait: number; readonly travel: number }, rates: Rates): OnTimeline => {
  const leaves = onScreen(real.wait, rates)
  return { leaves, arrives: leaves + onScreen(real.travel, rates) }
}
