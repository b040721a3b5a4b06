import type { SchoolId } from '../functions/schools'

/** A session as far as the thumb is concerned. */
export interface Session {
  readonly minutes: number
  /** Share of the session in which pictures are being taken, 0 to 1. */
  readonly shootingShare: number
  /** Share of the shooting in which focus follows the subject, 0 to 1. */
  readonly followingShare: number
  /** Of the following, the share on the second thumb button, 0 to 1; for two thumbs and three ways. */
  readonly secondShare: number
  /** The longest passage that is followed, and the longest wait with focus locked, in seconds. */
  readonly longestFollowSeconds: number
  readonly longestLockSeconds: number
}

export interface ThumbLoad {
  /** Minutes a thumb button is held in the session. */
  readonly heldMinutes: number
  readonly heldMinutesPerHour: number
  /** Shared out to the first and the second button. */
  readonly first: number
  readonly second: number
  /** The longest single hold, in seconds. */
  readonly longestSeconds: number
}

/**
 * How long a thumb button is held. Thumb start holds while focus follows; thumb stop while it does not; shutter start
 * never; two thumbs share the following by their use.
 *
 * Check: with 90 % following, thumb start holds 90 % and thumb stop 10 % of the shooting time.
 *
 * @source common practice, no published source
 */
export const thumbLoad = (school: SchoolId, s: Session): ThumbLoad => {
  const shooting = s.minutes * s.shootingShare
  const following = shooting * s.followingShare
  const made = (first: number, second: number, longestSeconds: number): ThumbLoad => ({
    heldMinutes: first + second,
    heldMinutesPerHour: s.minutes > 0 ? ((first + second) * 60) / s.minutes : 0,
    first,
    second,
    longestSeconds: first + second > 0 ? longestSeconds : 0,
  })
  switch (school) {
    case 'shutter-start':
      return made(0, 0, 0)
    case 'thumb-start':
      return made(following, 0, s.longestFollowSeconds)
    case 'thumb-stop':
      return made(shooting - following, 0, s.longestLockSeconds)
    case 'two-thumbs':
    case 'three-ways':
      return made(following * (1 - s.secondShare), following * s.secondShare, s.longestFollowSeconds)
  }
}

/**
 * Above this a hand deserves a thought: half of every hour, or a minute at a stretch.
 *
 * @source common practice, no published source
 */
export const isHigh = (load: ThumbLoad): boolean => load.heldMinutesPerHour > 30 || load.longestSeconds > 60
