import { type IsWhole, merge, type Merged } from '../changes/changes'
import type { Standard, Target } from './schema'

/**
 * Two people's edits of one draft, target by target: who changed the hold does not clash with who changed the area.
 * Targets are known by their dimension.
 */

type Keyed = Omit<Standard, 'layers'> & {
  readonly layers: readonly (Omit<Standard['layers'][number], 'targets'> & {
    readonly targets: readonly (Target & { readonly id: string })[]
  })[]
}

const keyed = (standard: Standard): Keyed => ({
  ...standard,
  layers: standard.layers.map(l => ({ ...l, targets: l.targets.map(t => ({ ...t, id: t.dimension })) })),
})

const plain = (standard: Keyed): Standard => ({
  ...standard,
  layers: standard.layers.map(l => ({
    ...l,
    targets: l.targets.map(({ id, ...target }): Target => target),
  })),
})

/**
 * A target changes as a whole: its value without its reason is somebody else's opinion. So do the maps and every other
 * part of the plan for the fingers.
 */
const isWhole: IsWhole = at =>
  (at.length === 4 && at[2] === 'targets') ||
  (at.length === 2 && at[0] === 'controls') ||
  at[0] === 'level' ||
  at[0] === 'answers'

export const mergeStandards = (
  base: Standard,
  mine: Standard,
  theirs: Standard,
  prefer?: Readonly<Record<string, 'mine' | 'theirs'>>,
): Merged<Standard> => {
  const merged = merge(keyed(base), keyed(mine), keyed(theirs), isWhole, prefer)
  return { ...merged, document: plain(merged.document) }
}
