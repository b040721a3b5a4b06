import * as v from 'valibot'
import { spaced } from '../plain-words'
import type { ValueKind } from './kind'

/** @example scaleDistance(['off', 'low', 'mid', 'high'], 'off', 'mid') // 0.667 */
export const scaleDistance = (values: readonly string[], a: string, b: string): number => {
  const i = values.indexOf(a)
  const j = values.indexOf(b)
  if (i < 0 || j < 0) throw new RangeError(`not on the scale ${values.join(', ')}: ${i < 0 ? a : b}`)
  return Math.abs(i - j) / (values.length - 1)
}

/** A step of a scale that has names and an order, and no unit. */
export const scale: ValueKind<'scale'> = {
  schema: d => v.picklist(d.values),
  distance: (d, target, got) => scaleDistance(d.values, target, got),
  words: (_, value) => spaced(value),
  reason: (d, wanted, got) =>
    `${Math.abs(d.values.indexOf(wanted) - d.values.indexOf(got))} of ${d.values.length - 1} steps apart`,
  start: d => d.values[0] ?? '',
  at: (d, value) => d.values.indexOf(value),
  line: { isRatio: () => false, unit: () => '' },
}
