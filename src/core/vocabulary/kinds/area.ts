import * as v from 'valibot'
import { percent, spaced } from '../plain-words'
import { typicalArea } from '../typical'
import { type Area, CHOOSERS, FOLLOWS, PATTERNS } from '../values'
import { choiceDistance } from './choice'
import type { ValueKind } from './kind'
import { SIZE_ENTRIES, sizeDistance } from './size'

export const areaSchema = v.strictObject({
  pattern: v.picklist(PATTERNS),
  ...SIZE_ENTRIES,
  chooser: v.optional(v.picklist(CHOOSERS)),
  follow: v.optional(v.picklist(FOLLOWS)),
})

export const AREA_WEIGHTS = { size: 0.45, chooser: 0.3, follow: 0.25 } as const

const CHOOSER_BY_PATTERN: Readonly<Record<Area['pattern'], 'operator' | 'camera'>> = {
  pinpoint: 'operator',
  point: 'operator',
  cross: 'operator',
  block: 'operator',
  group: 'operator',
  zone: 'camera',
  'wide-zone': 'camera',
  full: 'camera',
  'all-sizes': 'operator',
}

/** An area with who chooses and whether it follows filled in from what its pattern usually implies. */
export const completeArea = (a: Area): Required<Area> => ({
  ...a,
  chooser: a.chooser ?? CHOOSER_BY_PATTERN[a.pattern],
  follow: a.follow ?? 'off',
})

/**
 * Distance of two areas by geometry, not by name: 0.45 size + 0.30 different chooser + 0.25 different following.
 *
 * @example areaDistance({ pattern: 'block', width: 0.2, height: 0.2 }, { pattern: 'zone', width: 0.2, height: 0.2 }) // 0.3
 */
export const areaDistance = (a: Area, b: Area): number => {
  const x = completeArea(a)
  const y = completeArea(b)
  return (
    AREA_WEIGHTS.size * sizeDistance(x, y) +
    AREA_WEIGHTS.chooser * choiceDistance('area.chooser', x.chooser, y.chooser) +
    AREA_WEIGHTS.follow * choiceDistance('area.follow', x.follow, y.follow)
  )
}

/** Where it may look: a pattern with its size, who chooses in it, and whether it follows. */
export const area: ValueKind<'area'> = {
  schema: () => areaSchema,
  distance: (_, target, got) => areaDistance(target, got),
  words: (_, a) => {
    const follows = a.follow && a.follow !== 'off' ? ', follows' : ''
    const chooser = a.chooser ? (a.chooser === 'camera' ? ', camera picks' : ', you pick') : ''
    return `${spaced(a.pattern)}, ${percent(a.width * a.height)} of the frame${chooser}${follows}`
  },
  reason: () => '0.45 × size, 0.30 × who chooses, 0.25 × following',
  start: () => typicalArea('point'),
  at: (_, a) => a.width * a.height,
  line: { isRatio: () => true, unit: () => 'of the frame' },
}
