import type { Body } from '../bodies'
import { type Dimension, dimension } from '../vocabulary/dimensions'
import { kindOf } from '../vocabulary/kinds'
import type { NeutralValue } from '../vocabulary/values'
import { saidAbout, spokenWords } from './terms'

/** The steps of a body's scale put by what they do, so that scales of different bodies stand beside each other. */

export interface Step {
  readonly words: string
  readonly setting: string
  readonly option: string
  /** On the axis of the dimension: its unit, a share of the frame, or a step of a neutral scale counted from 0. */
  readonly at: number
  readonly value: NeutralValue
  /** The trials behind it; undefined where it is only declared. */
  readonly measured?:
    | {
        readonly trials: number
        readonly low: number
        readonly high: number
        /** With which lens, by name: with another a step may last otherwise. */
        readonly lens?: string | undefined
      }
    | undefined
}

/** Which way a scale runs in its menu. */
export type Direction = 'rising' | 'falling' | 'mixed'

export interface BodyScale {
  readonly body: string
  readonly maker: string
  readonly model: string
  readonly steps: readonly Step[]
  readonly direction: Direction
  /** Runs against the way most bodies run. */
  readonly reversed: boolean
}

export interface Axis {
  readonly low: number
  readonly high: number
  /** Distances on the axis are ratios. */
  readonly isRatio: boolean
  readonly unit: string
}

/** Where a value lies on the dimension's axis; undefined where it has no place on one. */
export const axisValue = (d: Dimension, value: NeutralValue): number | undefined => kindOf(d).at?.(d, value as never)

export const hasAxis = (d: Dimension): boolean => kindOf(d).line !== undefined

const directionOf = (steps: readonly Step[]): Direction => {
  const differences = steps.slice(1).map((s, i) => s.at - (steps[i]?.at ?? s.at))
  if (differences.length && differences.every(x => x > 0)) return 'rising'
  if (differences.length && differences.every(x => x < 0)) return 'falling'
  return 'mixed'
}

/**
 * The scales of all bodies that have one for a concept.
 *
 * @param lensName what a lens is called, by its id
 */
export const scalesOf = (
  bodies: readonly Body[],
  concept: string,
  lensName: (id: string) => string = id => id,
): readonly BodyScale[] => {
  const d = dimension(concept)
  const scales = bodies.flatMap((body): Omit<BodyScale, 'reversed'>[] => {
    const steps = saidAbout(body, concept).flatMap((said): Step[] => {
      const { setting, option, value } = said
      const at = axisValue(d, value)
      const found = option.measured?.[concept]
      const measured = found?.lens === undefined ? found : { ...found, lens: lensName(found.lens) }
      return at === undefined
        ? []
        : [{ words: spokenWords(said, concept), setting: setting.id, option: option.id, at, value, measured }]
    })
    if (steps.length === 0) return []
    // A scale runs within one setting; the first with several steps says which way.
    const main = steps.filter(
      s => s.setting === steps.find(x => steps.filter(y => y.setting === x.setting).length > 1)?.setting,
    )
    return [{ body: body.id, maker: body.maker, model: body.model, steps, direction: directionOf(main) }]
  })
  const falling = scales.filter(s => s.direction === 'falling').length
  const rising = scales.filter(s => s.direction === 'rising').length
  const usual: Direction = falling > rising ? 'falling' : 'rising'
  return scales.map(s => ({ ...s, reversed: s.direction !== 'mixed' && s.direction !== usual }))
}

/** The axis that holds all steps, with a little room at its ends. */
export const axisOf = (concept: string, scales: readonly BodyScale[]): Axis => {
  const d = dimension(concept)
  const all = scales.flatMap(s => s.steps.map(x => x.at))
  const { line } = kindOf(d)
  const [isRatio, unit] = [line?.isRatio(d) ?? false, line?.unit(d) ?? '']
  const [low, high] = all.length ? [Math.min(...all), Math.max(...all)] : [0, 1]
  if (!isRatio) return { low: low - 0.5, high: high + 0.5, isRatio, unit }
  return { low: low / 1.3, high: high * 1.3, isRatio, unit }
}

/** A place on the axis as a share of its length, 0 to 1. */
export const shareOnAxis = (axis: Axis, at: number): number =>
  axis.isRatio
    ? Math.log(at / axis.low) / Math.log(axis.high / axis.low)
    : (at - axis.low) / (axis.high - axis.low || 1)
