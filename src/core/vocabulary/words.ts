import type { Dimension } from './dimensions'
import { kindOf } from './kinds'
import { figure, percent } from './plain-words'
import type { NeutralValue } from './values'

export { counted, inSentence, metres, percent } from './plain-words'

/**
 * A value in plain words.
 *
 * @param controlLabel turns a control's id into its name on the body, where the value is bound to a control
 * @example valueWords(dimension('track.hold'), 1.2) // '1.2 s'
 */
export const valueWords = (d: Dimension, value: NeutralValue, controlLabel?: (id: string) => string): string =>
  kindOf(d).words(d, value, controlLabel)

/** A target's tolerance in words: a share or a difference for amounts, else the largest distance accepted. */
export const toleranceWords = (d: Dimension, tolerance: number): string => {
  if (d.kind !== 'physical') return `up to ${figure(tolerance)} off`
  if (d.measure === 'ratio') return `± ${percent(tolerance)}`
  return d.measure.within ? `± ${figure(tolerance)}` : `± ${figure(tolerance)} ${d.unit}`
}
