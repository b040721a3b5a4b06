import { DIMENSIONS } from '../vocabulary/dimensions'

/** A function that goes to a control: a dimension of kind assign. */
export type FunctionId = string

export const FUNCTION_IDS: readonly FunctionId[] = DIMENSIONS.filter(d => d.kind === 'assign').map(d => d.id)

/** How a function is used in an hour of shooting. */
export interface Use {
  readonly perHour: number
  /** How long each use lasts; 0 for a tap. */
  readonly secondsEach: number
}

/**
 * Uses to begin with until a team has counted its own: a passage every half minute, followed for some ten seconds.
 *
 * @source common practice, no published source
 */
export const USUAL: Readonly<Record<string, Use>> = {
  'trigger.start': { perHour: 120, secondsEach: 10 },
  'trigger.second': { perHour: 30, secondsEach: 6 },
  'trigger.stop': { perHour: 60, secondsEach: 3 },
  'meter.lock': { perHour: 20, secondsEach: 4 },
  'trigger.manual': { perHour: 6, secondsEach: 0 },
  'range.preset': { perHour: 6, secondsEach: 0 },
  'video.freeze': { perHour: 6, secondsEach: 5 },
  'area.recall': { perHour: 30, secondsEach: 0 },
  'area.cycle': { perHour: 20, secondsEach: 0 },
  'subject.cycle': { perHour: 20, secondsEach: 0 },
  'see.enlarge': { perHour: 6, secondsEach: 3 },
  'see.outline': { perHour: 4, secondsEach: 0 },
  'trigger.drive': { perHour: 10, secondsEach: 2 },
  'trigger.recall': { perHour: 10, secondsEach: 5 },
  'subject.toggle': { perHour: 10, secondsEach: 0 },
  'range.limiter': { perHour: 6, secondsEach: 0 },
}
