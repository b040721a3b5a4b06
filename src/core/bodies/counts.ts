import { dimension } from '../vocabulary/dimensions'
import type { NeutralValue } from '../vocabulary/values'
import type { Body, Option, Setting } from './schema'

/**
 * Where a setting or an option counts, when that is not everywhere. Standards ask for stills through the finder, and for
 * film; and for what they ask of the focus drive, where they do.
 */
export const PLACES_IT_COUNTS = ['live-view', 'film', 'single-af', 'continuous-af'] as const
export type CountsIn = (typeof PLACES_IT_COUNTS)[number]

export const COUNTS_WORDS: Readonly<Record<CountsIn, string>> = {
  'live-view': 'only in live view',
  film: 'only while filming',
  'single-af': 'only in single AF',
  'continuous-af': 'only in continuous AF',
}

/** What an option says of itself goes before what its setting says of all of them. */
export const countsOf = (setting: Pick<Setting, 'counts'>, option: Pick<Option, 'counts'>): CountsIn | undefined =>
  option.counts ?? setting.counts

/** What is asked for when a setting is judged. */
export interface AskedFor {
  readonly dimension: string
  /** The focus drive that the standard wants; undefined where it does not say. */
  readonly drive?: NeutralValue | undefined
}

/**
 * Whether what counts only somewhere is what a standard asks for: a row for film says nothing about stills, one for live
 * view nothing about the finder, where the body has one, and one for single AF nothing where continuous AF is wanted.
 *
 * @example countsToward(body, 'single-af', { dimension: 'area.pattern', drive: 'continuous' }) // false
 */
export const countsToward = (
  { viewfinder }: Pick<Body, 'viewfinder'>,
  counts: CountsIn | undefined,
  { dimension: id, drive }: AskedFor,
): boolean => {
  switch (counts) {
    case undefined:
      return true
    case 'live-view':
      return viewfinder === 'screen-only'
    case 'film':
      return dimension(id).group === 'video'
    case 'single-af':
      return drive !== 'continuous'
    case 'continuous-af':
      return drive !== 'single'
  }
}

/** Says where a setting or an option counts; undefined for everywhere. */
export const withCounts = <T extends { readonly counts?: CountsIn | undefined }>(
  it: T,
  counts: CountsIn | undefined,
): T => {
  const { counts: _, ...rest } = it
  return (counts ? { ...rest, counts } : rest) as T
}
