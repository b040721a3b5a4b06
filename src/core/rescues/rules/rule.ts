import type { When } from '../../guide/facts'
import type { NeutralValue } from '../../vocabulary/values'
import type { Condition } from '../situation'
import type { SymptomId } from '../symptoms'

/**
 * What helps when it goes wrong.
 *
 * @source common practice, no published source
 */

/** What to change on the camera: to a value, or one step further along its scale. */
export interface Change {
  readonly dimension: string
  readonly to?: NeutralValue
  readonly step?: 'more' | 'less'
  readonly words: string
}

export interface Rule {
  readonly id: string
  readonly symptom: SymptomId
  /** What is so where the condition holds. */
  readonly cause: string
  /** Where it is missing, it may always be so. */
  readonly when?: Condition
  /** A dimension without which there is no such thing on a body. */
  readonly needs?: string
  /** Scenes at which it is likelier than the others: any one of them. */
  readonly at?: readonly When[]
  /** This second, with what is in the hand. */
  readonly now: string
  readonly change?: Change
  readonly why: string
}

export const rule = (
  symptom: SymptomId,
  id: string,
  cause: string,
  now: string,
  why: string,
  more: Pick<Rule, 'when' | 'needs' | 'at' | 'change'> = {},
): Rule => ({ id: `${symptom}/${id}`, symptom, cause, now, why, ...more })

export const SMALLER: Change = { dimension: 'area.pattern', step: 'less', words: 'a smaller area' }
export const LARGER: Change = { dimension: 'area.pattern', step: 'more', words: 'a larger area' }
export const HOLD_MORE: Change = { dimension: 'track.hold', step: 'more', words: 'a longer wait when blocked' }
export const HOLD_LESS: Change = { dimension: 'track.hold', step: 'less', words: 'a shorter wait when blocked' }
export const CALMER: Change = { dimension: 'track.response', step: 'less', words: 'a calmer answer to speed' }
export const QUICKER: Change = { dimension: 'track.response', step: 'more', words: 'a quicker answer to speed' }
export const CONTINUOUS: Change = { dimension: 'mode.drive', to: 'continuous', words: 'continuous AF' }
export const INSIDE: Change = { dimension: 'subject.scope', to: 'inside-area', words: 'detection inside the area only' }
export const NO_DETECTION: Change = { dimension: 'subject.class', to: 'off', words: 'detection off' }
export const RING: Change = { dimension: 'mode.override', to: true, words: 'the ring free after AF' }
export const HALF_PRESS: Change = { dimension: 'trigger.shutter', to: 'starts-af', words: 'the half-press focuses' }

export const NUDGE = 'Turn the ring a little toward it until something shows, then focus again.'
export const SAME_PLANE = 'Aim at something with an edge in the same plane, focus, let go, come back.'
