import { isHigh, type Session, thumbLoad } from '../controls/load'
import { SCHOOL_IDS, SCHOOLS, type SchoolId } from '../functions/schools'

/** What a job asks of one thumb. */

/** Somebody at a scene: for how long, and with which school. */
export interface HandScene {
  readonly minutes: number
  readonly shooting: number
  readonly following: number
  readonly school: SchoolId
  /** It also holds a key that recalls the scene's settings, while pictures are taken. */
  readonly holdsKey?: boolean
}

export interface HandLoad {
  /** Minutes a thumb button is held over the whole job. */
  readonly heldMinutes: number
  readonly minutes: number
  readonly isHigh: boolean
  /** The school that would hold least of those that suit as well, where this is high. */
  readonly instead: { readonly school: SchoolId; readonly label: string; readonly heldMinutes: number } | undefined
}

const sessionOf = ({ minutes, shooting, following }: HandScene): Session => ({
  minutes,
  shootingShare: shooting,
  followingShare: following,
  secondShare: 0.2,
  longestFollowSeconds: 0,
  longestLockSeconds: 0,
})

const held = (scenes: readonly HandScene[], school?: SchoolId): number =>
  scenes.reduce((sum, s) => {
    const focusing = thumbLoad(school ?? s.school, sessionOf(s)).heldMinutes
    return sum + Math.max(focusing, s.holdsKey ? s.minutes * s.shooting : 0)
  }, 0)

/** @example thumbOver([{ minutes: 60, shooting: 1, following: 0.9, school: 'thumb-start' }]).heldMinutes // 54 */
export const thumbOver = (scenes: readonly HandScene[]): HandLoad => {
  const minutes = scenes.reduce((sum, s) => sum + s.minutes, 0)
  const heldMinutes = held(scenes)
  const high = isHigh({
    heldMinutes,
    heldMinutesPerHour: minutes > 0 ? (heldMinutes * 60) / minutes : 0,
    first: heldMinutes,
    second: 0,
    longestSeconds: 0,
  })
  // With the shutter the hand rests, and every press focuses anew: the last resort, not the first.
  const [best] = SCHOOL_IDS.filter(s => s !== 'shutter-start')
    .map(school => ({ school, heldMinutes: held(scenes, school) }))
    .toSorted((a, b) => a.heldMinutes - b.heldMinutes)
  const instead = best && best.heldMinutes < heldMinutes * 0.8 ? best : undefined
  return {
    heldMinutes,
    minutes,
    isHigh: high,
    instead: high && instead ? { ...instead, label: SCHOOLS[instead.school].label } : undefined,
  }
}
