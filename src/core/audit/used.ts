import { quantile } from 'simple-statistics'
import { difference, type Interval, type Share, wilson } from '../evidence/shares'
import { handHeldSeconds, motionBlurMm } from '../optics/shutter'
import type { Picture } from './picture'

/** What was used in fact: lenses, apertures, times, options; and what was kept of it. */

export interface Counted {
  readonly label: string
  readonly pictures: number
}

/** Most used first. */
const countedBy = (labels: readonly string[]): readonly Counted[] => {
  const counts = new Map<string, number>()
  for (const l of labels) counts.set(l, (counts.get(l) ?? 0) + 1)
  return [...counts].map(([label, pictures]) => ({ label, pictures })).sort((a, b) => b.pictures - a.pictures)
}

export interface Used {
  readonly focalLengths: readonly Counted[]
  readonly fNumbers: readonly Counted[]
  /** 10 %, half and 90 % of the pictures were exposed for less, in seconds. */
  readonly seconds: readonly [number, number, number] | undefined
  /** Pictures longer than a hand holds still for by the old rule, of those that tell; stabilisation left out. */
  readonly shaky: Share
  /** Pictures in which the subject moved by more than the circle of confusion, where a scene says how it moves. */
  readonly moved: Share
}

export interface Shot {
  readonly picture: Picture
  readonly crop: number
  /** Of the sensor, in millimetres. */
  readonly diagonalMm: number
  /** How the subject moves in this scene, where that is said. */
  readonly moves: { readonly metresPerSecond: number; readonly distanceMetres: number } | undefined
}

/** The circle of confusion on the print basis. @source frame diagonal / 1500, as in the Optics desk */
const circleMm = (diagonalMm: number): number => diagonalMm / 1500

const isMoved = ({ picture, diagonalMm, moves }: Shot): boolean | undefined => {
  const { focalMm, exposureSeconds } = picture
  if (!moves || focalMm === undefined || exposureSeconds === undefined) return undefined
  const blur = motionBlurMm({
    speed: moves.metresPerSecond,
    angleRadians: Math.PI / 2,
    seconds: exposureSeconds,
    magnification: focalMm / Math.max(1, moves.distanceMetres * 1000 - focalMm),
    halfSizeMetres: 0,
    subjectMetres: moves.distanceMetres,
  })
  return blur > circleMm(diagonalMm)
}

const isShaky = ({ picture: { focalMm, exposureSeconds }, crop }: Shot): boolean | undefined =>
  focalMm === undefined || exposureSeconds === undefined
    ? undefined
    : exposureSeconds > handHeldSeconds(focalMm, crop, 0)

/** @returns how many of those that tell are so, as kept of counted */
const shareWhere = (shots: readonly Shot[], is: (s: Shot) => boolean | undefined): Share => {
  const told = shots.flatMap(s => is(s) ?? [])
  return { kept: told.filter(Boolean).length, of: told.length }
}

export const usedIn = (shots: readonly Shot[]): Used => {
  const seconds = shots.flatMap(s => s.picture.exposureSeconds ?? [])
  return {
    focalLengths: countedBy(shots.flatMap(s => (s.picture.focalMm ? `${Math.round(s.picture.focalMm)} mm` : []))),
    fNumbers: countedBy(shots.flatMap(s => (s.picture.fNumber ? `f/${Number(s.picture.fNumber.toFixed(1))}` : []))),
    seconds: seconds.length > 0 ? [quantile(seconds, 0.1), quantile(seconds, 0.5), quantile(seconds, 0.9)] : undefined,
    shaky: shareWhere(shots, isShaky),
    moved: shareWhere(shots, isMoved),
  }
}

/** Keepers of one option: pictures with stars, of all that were looked at. */
export interface Keepers {
  readonly option: string
  readonly share: Share
  readonly interval: Interval
}

/** Keepers by the options of one setting. */
export interface KeptBy {
  readonly setting: string
  readonly options: readonly Keepers[]
  /** Between the two with most pictures, first minus second. */
  readonly difference: (Interval & { readonly is: number }) | undefined
}

/** Less than so many pictures of an option say nothing worth a line. @source from memory */
const FEWEST = 10

/**
 * What was kept, by what a setting was at. Nobody tried it out: who set what, in which light, is mixed into it.
 *
 * @param pictures each with its option and whether it was kept
 */
export const keptBy = (
  setting: string,
  pictures: readonly { readonly option: string; readonly isKept: boolean }[],
): KeptBy | undefined => {
  const byOption = new Map<string, { kept: number; of: number }>()
  for (const { option, isKept } of pictures) {
    const share = byOption.get(option) ?? { kept: 0, of: 0 }
    byOption.set(option, { kept: share.kept + Number(isKept), of: share.of + 1 })
  }
  const options = [...byOption]
    .filter(([, share]) => share.of >= FEWEST)
    .map(([option, share]): Keepers => ({ option, share, interval: wilson(share) }))
    .sort((a, b) => b.share.of - a.share.of)
  const [a, b] = options
  return a && b ? { setting, options, difference: difference(a.share, b.share) } : undefined
}
