import { Z95 } from './normal'

/** How long something took, or how long somebody waited before giving up. Seconds. */
export interface Wait {
  readonly seconds: number
  readonly gaveUp: boolean
}

/** After a time: the share that still waits, with its interval, and how many were looked at until then. */
export interface Still {
  readonly seconds: number
  readonly share: number
  readonly low: number
  readonly high: number
  readonly at: number
}

/**
 * The share that still waits after each time at which something came.
 *
 * @returns times rising; the interval is Greenwood's on the log-minus-log scale
 * @source Kaplan and Meier (1958), Journal of the American Statistical Association 53:457-481
 */
export const stillWaiting = (waits: readonly Wait[]): readonly Still[] => {
  const times = [...new Set(waits.filter(w => !w.gaveUp).map(w => w.seconds))].toSorted((a, b) => a - b)
  let share = 1
  let spread = 0
  return times.map(seconds => {
    const at = waits.filter(w => w.seconds >= seconds).length
    const came = waits.filter(w => w.seconds === seconds && !w.gaveUp).length
    share *= 1 - came / at
    spread += at > came ? came / (at * (at - came)) : 0
    const scale = share > 0 && share < 1 ? (Z95 * Math.sqrt(spread)) / Math.log(share) : 0
    const [low, high] = [Math.pow(share, Math.exp(-scale)), Math.pow(share, Math.exp(scale))]
    return { seconds, share, low: Math.min(low, high), high: Math.max(low, high), at }
  })
}

/** When half of them had come; undefined where more than half gave up before. */
export const medianWait = (waits: readonly Wait[]): number | undefined =>
  stillWaiting(waits).find(s => s.share <= 0.5)?.seconds
