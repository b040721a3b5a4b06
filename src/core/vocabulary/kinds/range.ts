import * as v from 'valibot'
import { metres } from '../plain-words'
import type { FocusRange } from '../values'
import type { ValueKind } from './kind'

/**
 * Distance of two search ranges: the share of the wanted dioptre range that is cut off, plus half the share of the
 * searched range that is not wanted, at most 1.
 *
 * @example rangeDistance({ nearMetres: 3, farMetres: 'infinity' }, { nearMetres: 1.5, farMetres: 'infinity' }) // 0.25
 */
export const rangeDistance = (target: FocusRange, got: FocusRange): number => {
  const dioptres = (r: FocusRange) => ({
    low: r.farMetres === 'infinity' ? 0 : 1 / r.farMetres,
    high: 1 / r.nearMetres,
  })
  const t = dioptres(target)
  const g = dioptres(got)
  const both = Math.max(0, Math.min(t.high, g.high) - Math.max(t.low, g.low))
  const cutOff = 1 - both / (t.high - t.low)
  const needless = 1 - both / (g.high - g.low)
  return Math.min(1, cutOff + needless / 2)
}

/** Between which distances it searches. */
export const range: ValueKind<'range'> = {
  schema: () =>
    v.pipe(
      v.strictObject({
        nearMetres: v.pipe(v.number(), v.gtValue(0)),
        farMetres: v.union([v.pipe(v.number(), v.gtValue(0)), v.literal('infinity')], 'expected metres or "infinity"'),
      }),
      v.check(
        r => r.farMetres === 'infinity' || r.nearMetres < r.farMetres,
        'expected the near distance below the far distance',
      ),
    ),
  distance: (_, target, got) => rangeDistance(target, got),
  words: (_, r) => `${metres(r.nearMetres)} to ${metres(r.farMetres)}`,
  reason: (_, _wanted, g) =>
    `searches ${metres(g.nearMetres)} to ${metres(g.farMetres)}: share of the wanted dioptres cut off, plus half of what is searched needlessly`,
  start: () => ({ nearMetres: 0.5, farMetres: 'infinity' }),
  at: (_, r) => 1 / r.nearMetres,
}
