import { type Dimension, dimension } from './dimensions'
import { AREA_WEIGHTS, completeArea } from './kinds/area'
import { distance } from './distance'
import type { Area, NeutralValue } from './values'

/**
 * A dimension is judged on one or more channels. Most have a single channel, their own. An area is judged on three
 * (size, chooser, following), because some bodies set all three with one choice and others with three settings.
 */

export interface Statement {
  readonly channel: string
  readonly value: NeutralValue
}

/** How several settings that speak about one channel count together. */
export type Combine =
  /** Nobody can tell which prevails: the one furthest from the target counts. */
  | 'furthest'
  /** A function on two controls is as near as the nearer one. */
  | 'nearest'
  /** Each adds its members. */
  | 'union'

export interface Part {
  readonly channel: string
  /** The weights of a dimension's parts add up to 1. */
  readonly weight: number
  readonly combine: Combine
  readonly wanted: NeutralValue
  readonly measure: (got: NeutralValue) => number
  /** What counts where no setting speaks about the channel. */
  readonly without: NeutralValue | undefined
}

/** What a stated meaning says on each channel. */
export const statementsOf = (dimensionId: string, value: NeutralValue): readonly Statement[] => {
  if (dimensionId !== 'area.pattern') return [{ channel: dimensionId, value }]
  const area = value as Area
  const said: Statement[] = [{ channel: 'area.size', value: { width: area.width, height: area.height } }]
  if (area.chooser) said.push({ channel: 'area.chooser', value: area.chooser })
  if (area.follow) said.push({ channel: 'area.follow', value: area.follow })
  return said
}

const partOf = (d: Dimension, wanted: NeutralValue, weight: number): Part => ({
  channel: d.id,
  weight,
  combine: d.kind === 'assign' ? 'nearest' : d.kind === 'areas' ? 'union' : 'furthest',
  wanted,
  measure: got => distance(d, wanted, got),
  without: d.without,
})

/**
 * The parts a target is judged on, the decisive one first: where that one is missing, the dimension is missing.
 *
 * @throws RangeError for an unknown dimension
 */
export const partsOf = (dimensionId: string, target: NeutralValue): readonly Part[] => {
  const d = dimension(dimensionId)
  if (d.kind !== 'area') return [partOf(d, target, 1)]
  const area = completeArea(target as Area)
  return [
    partOf(dimension('area.size'), { width: area.width, height: area.height }, AREA_WEIGHTS.size),
    partOf(dimension('area.chooser'), area.chooser, AREA_WEIGHTS.chooser),
    partOf(dimension('area.follow'), area.follow, AREA_WEIGHTS.follow),
  ]
}
