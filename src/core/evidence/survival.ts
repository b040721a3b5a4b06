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
  // Of those at one moment, who came is looked at before who gave up: the latter still waited then.
  const all = waits.toSorted((a, b) => a.seconds - b.seconds || Number(a.gaveUp) - Number(b.gaveUp))
  const found: Still[] = []
  let share = 1
  let spread = 0
  for (let i = 0; i < all.length;) {
    const seconds = all[i]?.seconds ?? 0
    const at = all.length - i
    let came = 0
    for (; i < all.length && all[i]?.seconds === seconds; i++) if (!all[i]?.gaveUp) came++
    if (came === 0) continue
    share *= 1 - came / at
    spread += at > came ? came / (at * (at - came)) : 0
    const scale = share > 0 && share < 1 ? (Z95 * Math.sqrt(spread)) / Math.log(share) : 0
    const [low, high] = [Math.pow(share, Math.exp(-scale)), Math.pow(share, Math.exp(scale))]
    found.push({ seconds, share, low: Math.min(low, high), high: Math.max(low, high), at })
  }
  return found
}

/** When half of them had come; undefined where more than half gave up before. */
export const medianWait = (waits: readonly Wait[]): number | undefined =>
  stillWaiting(waits).find(s => s.share <= 0.5)?.seconds
