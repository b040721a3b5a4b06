import { type Dimension, dimension } from './dimensions'
import { GRADE_LIMITS } from './grade'
import { placeDistance } from './places'
import { relativeOf } from './relatives'
import type {
  Area,
  BoundSubject,
  FocusRange,
  Magnify,
  NeutralValue,
  Physical,
  PlaceAssignment,
  Position,
  Size,
} from './values'

/** All distances run from 0 (same) to 1 (opposite or absent). */

/** @example scaleDistance(['off', 'low', 'mid', 'high'], 'off', 'mid') // 0.667 */
export const scaleDistance = (values: readonly string[], a: string, b: string): number => {
  const i = values.indexOf(a)
  const j = values.indexOf(b)
  if (i < 0 || j < 0) throw new RangeError(`not on the scale ${values.join(', ')}: ${i < 0 ? a : b}`)
  return Math.abs(i - j) / (values.length - 1)
}

/** 0 for the same choice, the vocabulary's figure for near relatives, else 1. */
export const choiceDistance = (dimensionId: string, a: string, b: string): number =>
  a === b ? 0 : (relativeOf(dimensionId, a, b)?.distance ?? 1)

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

/**
 * Distance of two area sizes by the share of the frame they cover and by their shape: sixteen times the share is another
 * behaviour, and so is one that is sixteen times as long for its height.
 *
 * @example sizeDistance({ width: 0.1, height: 0.1 }, { width: 0.2, height: 0.2 }) // 0.5
 * @example sizeDistance({ width: 1, height: 0.04 }, { width: 0.2, height: 0.2 }) // 1
 */
export const sizeDistance = (a: Size, b: Size): number =>
  Math.min(1, (Math.abs(Math.log(a.width / b.width)) + Math.abs(Math.log(a.height / b.height))) / Math.log(16))

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

/** Two members of area lists count as shared when they are at least near each other and both follow, or neither. */
const isSharedArea = (a: Area, b: Area): boolean =>
  areaDistance(a, b) <= GRADE_LIMITS.near && (completeArea(a).follow === 'off') === (completeArea(b).follow === 'off')

/** Which members of a wanted list an area can stand for, as bits; 0 for none. */
export const standsFor = (wanted: readonly Area[], area: Area): number =>
  wanted.reduce((bits, w, i) => (isSharedArea(w, area) ? bits | (1 << i) : bits), 0)

/**
 * Distance of two lists from what each member can stand for: 1 - shared / all members (Jaccard), as many members
 * matched as possible.
 *
 * @param wanted number of wanted members, at most 20
 * @param got what each member of the other list can stand for, see `standsFor`
 */
export const listDistance = (wanted: number, got: readonly number[]): number => {
  const partnerOf = new Int32Array(wanted).fill(-1)
  let tried = 0
  const place = (j: number): boolean => {
    for (let i = 0; i < wanted; i++) {
      const bit = 1 << i
      if (((got[j] ?? 0) & bit) === 0 || (tried & bit) !== 0) continue
      tried |= bit
      const holder = partnerOf[i] ?? -1
      if (holder >= 0 && !place(holder)) continue
      partnerOf[i] = j
      return true
    }
    return false
  }
  let shared = 0
  for (let j = 0; j < got.length; j++) {
    tried = 0
    if (got[j] !== 0 && place(j)) shared++
  }
  return 1 - shared / (wanted + got.length - shared)
}

/** Distance of two area lists; members are compared by geometry, not by name. */
export const areaSetDistance = (target: readonly Area[], got: readonly Area[]): number =>
  listDistance(
    target.length,
    got.map(a => standsFor(target, a)),
  )

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

/** Distance of two resting places: half the frame away is another place. The recall control is averaged in where stated. */
export const positionDistance = (target: Position, got: Position): number => {
  const apart = Math.min(1, Math.hypot(target.x - got.x, target.y - got.y) / 0.5)
  if (!target.recall) return apart
  return (apart + (got.recall ? placeDistance(target.recall, got.recall) : 1)) / 2
}

const magnifyDistance = (target: Magnify, got: Magnify): number => {
  const seconds =
    target.seconds === got.seconds
      ? 0
      : target.seconds === 'until-released' || got.seconds === 'until-released'
        ? 1
        : ratioDistance(target.seconds, got.seconds)
  return (
    0.5 * ratioDistance(target.factor, got.factor) +
    0.25 * seconds +
    0.25 * Number(target.onRingTurn !== got.onRingTurn)
  )
}

const subjectDistance = (target: BoundSubject, got: BoundSubject | undefined): number => {
  if (!got) return 1
  const kind = choiceDistance('subject.class', target.class, got.class)
  if (!target.detail) return kind
  const finest = dimension('subject.detail')
  const detail = got.detail && finest.kind === 'scale' ? scaleDistance(finest.values, target.detail, got.detail) : 1
  return (kind + detail) / 2
}

/**
 * Distance of two assignments: the place, averaged with the area, the subject and the press where the target states them.
 * What is bound to a function may take it further off, and never makes up for the place: a hand that does not find the
 * button is not helped by the right area on it.
 *
 * @example assignDistance({ place: 'thumb-centre', press: 'held' }, { place: 'lens', press: 'held' }) // 0.5
 */
export const assignDistance = (target: PlaceAssignment, got: PlaceAssignment): number => {
  const place = placeDistance(target.place, got.place)
  const parts = [place]
  if (target.area) parts.push(got.area ? areaDistance(target.area, got.area) : 1)
  if (target.subject) parts.push(subjectDistance(target.subject, got.subject))
  if (target.press) parts.push(target.press === (got.press ?? 'held') ? 0 : 1)
  return Math.max(place, parts.reduce((sum, p) => sum + p, 0) / parts.length)
}

/** The plain distance of two values of one dimension. Areas are compared whole here; see `partsOf` for bodies that split them. */
export const distance = (d: Dimension, target: NeutralValue, got: NeutralValue): number => {
  switch (d.kind) {
    case 'choice':
      return choiceDistance(d.id, target as string, got as string)
    case 'scale':
      return scaleDistance(d.values, target as string, got as string)
    case 'flag':
      return target === got ? 0 : 1
    case 'physical':
      return d.measure === 'ratio'
        ? ratioDistance(target as Physical, got as Physical)
        : differenceDistance(target as number, got as number, d.measure.fullDifference)
    case 'assign':
      return assignDistance(target as PlaceAssignment, got as PlaceAssignment)
    case 'area':
      return areaDistance(target as Area, got as Area)
    case 'size':
      return sizeDistance(target as Size, got as Size)
    case 'position':
      return positionDistance(target as Position, got as Position)
    case 'areas':
      return areaSetDistance(target as readonly Area[], got as readonly Area[])
    case 'range':
      return rangeDistance(target as FocusRange, got as FocusRange)
    case 'magnify':
      return magnifyDistance(target as Magnify, got as Magnify)
  }
}
