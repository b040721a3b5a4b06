import { quantile } from 'simple-statistics'

/** Pictures taken one right after the other, and what they say of how long focus followed. */

/** Pictures of one camera no further apart than this are one burst. @source common practice, from memory */
export const BURST_GAP_SECONDS = 1
/** So many make it a burst that followed something. @source common practice, from memory */
export const FOLLOWED_FROM = 3
/** A longer pause is no part of a session. @source common practice, from memory */
const PAUSE_SECONDS = 20 * 60
/** A single picture is aimed and taken in about this time. @source common practice, from memory */
const SINGLE_SECONDS = 2

export interface Burst {
  readonly from: string
  readonly pictures: number
  /** From the first frame to the last, and one more gap for what came before it. */
  readonly seconds: number
}

/** @param times of one camera's pictures, ISO 8601, oldest first */
export const burstsOf = (times: readonly string[]): readonly Burst[] => {
  const bursts: { from: string; last: number; pictures: number }[] = []
  for (const at of times) {
    const [time, burst] = [Date.parse(at) / 1000, bursts.at(-1)]
    if (burst && time - burst.last <= BURST_GAP_SECONDS) {
      burst.last = time
      burst.pictures++
    } else bursts.push({ from: at, last: time, pictures: 1 })
  }
  return bursts.map(({ from, last, pictures }) => {
    const length = last - Date.parse(from) / 1000
    return { from, pictures, seconds: pictures > 1 ? (length * pictures) / (pictures - 1) : 0 }
  })
}

/** What bursts say of a session; the hold before the first frame is not in any picture, so this is the least. */
export interface Followed {
  readonly minutes: number
  /** Share of the session in which pictures were being taken, 0 to 1. */
  readonly shootingShare: number
  /** Share of the shooting in which focus followed, 0 to 1. */
  readonly followingShare: number
  readonly longestFollowSeconds: number
  readonly bursts: number
  readonly pictures: number
  /** In the middle of all that followed. */
  readonly usualSeconds: number
}

/** @returns undefined where nothing was followed */
export const followedIn = (bursts: readonly Burst[]): Followed | undefined => {
  const [first] = bursts
  const following = bursts.filter(b => b.pictures >= FOLLOWED_FROM)
  if (!first || following.length === 0) return undefined
  const ends = bursts.map(b => ({ from: Date.parse(b.from) / 1000, to: Date.parse(b.from) / 1000 + b.seconds }))
  let session = 0
  ends.forEach((b, i) => {
    const before = ends[i - 1]
    const gap = before ? b.from - before.to : 0
    session += b.to - b.from + (gap <= PAUSE_SECONDS ? Math.max(0, gap) : 0)
  })
  const followed = following.reduce((sum, b) => sum + b.seconds, 0)
  const single = (bursts.length - following.length) * SINGLE_SECONDS
  const shooting = followed + single
  const lengths = following.map(b => b.seconds)
  return {
    bursts: following.length,
    pictures: following.reduce((n, b) => n + b.pictures, 0),
    minutes: Math.max(session, shooting) / 60,
    shootingShare: shooting / Math.max(session, shooting),
    followingShare: followed / shooting,
    longestFollowSeconds: Math.max(...lengths),
    usualSeconds: quantile(lengths, 0.5),
  }
}
