import * as v from 'valibot'
import { figure, percent } from '../plain-words'
import type { Physical } from '../values'
import type { ValueKind } from './kind'

/**
 * Distance of two amounts as a ratio: a factor of four is another behaviour. Zero, "never" and "always" are named
 * values: the same as themselves and 1 from everything else.
 *
 * @example ratioDistance(1.2, 2.4) // 0.5
 */
export const ratioDistance = (target: Physical, got: Physical): number => {
  if (target === got) return 0
  // A ratio with nothing is beyond every factor.
  if (typeof target === 'string' || typeof got === 'string') return 1
  return Math.min(1, Math.abs(Math.log(got / target)) / Math.log(4))
}

/** Distance of two amounts that may be zero or negative, as a share of the difference that counts as another behaviour. */
export const differenceDistance = (target: number, got: number, fullDifference: number): number =>
  Math.min(1, Math.abs(got - target) / fullDifference)

const amountWords = (p: Physical, unit: string): string => {
  if (typeof p === 'string') return p
  if (unit === 'of 1') return figure(p)
  if (unit === 'of full drive speed') return `${percent(p)} of full speed`
  if (unit === 'stops') return `${p > 0 ? '+' : ''}${figure(p, 1)} stops`
  return `${figure(p)} ${unit}`
}

const ratioSchema = v.union(
  [v.pipe(v.number(), v.minValue(0)), v.picklist(['never', 'always'])],
  'expected a number of at least 0, "never" or "always"',
)

/** An amount in the unit of its dimension. */
export const physical: ValueKind<'physical'> = {
  schema: d => {
    if (d.measure === 'ratio') return ratioSchema
    const { within } = d.measure
    return within ? v.pipe(v.number(), v.minValue(within[0]), v.maxValue(within[1])) : v.number()
  },
  distance: (d, target, got) =>
    d.measure === 'ratio'
      ? ratioDistance(target, got)
      : differenceDistance(target as number, got as number, d.measure.fullDifference),
  words: (d, value) => amountWords(value, d.unit),
  reason: (d, wanted, got) => {
    if (d.measure !== 'ratio')
      return `${Math.abs(Number(got) - Number(wanted)).toFixed(2)} ${d.unit} apart; ${d.measure.fullDifference} ${d.unit} count as another behaviour`
    if (typeof wanted !== 'number' || typeof got !== 'number' || wanted === 0 || got === 0)
      return `${amountWords(got, d.unit)} is not an amount that can be compared with ${amountWords(wanted, d.unit)}`
    return `|ln(${got} ÷ ${wanted})| ÷ ln 4; a factor of four counts as another behaviour`
  },
  start: d => (d.measure === 'ratio' ? 1 : d.measure.within ? 0.5 : 0),
  at: (d, value) => (typeof value === 'number' && (d.measure !== 'ratio' || value > 0) ? value : undefined),
  line: { isRatio: d => d.measure === 'ratio', unit: d => d.unit },
}
