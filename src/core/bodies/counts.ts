import { dimension } from '../vocabulary/dimensions'
import type { Body, Setting } from './schema'

/** Where a setting counts, when that is not everywhere. Standards ask for stills through the finder, and for film. */
export const PLACES_IT_COUNTS = ['live-view', 'film'] as const
export type CountsIn = (typeof PLACES_IT_COUNTS)[number]

export const COUNTS_WORDS: Readonly<Record<CountsIn, string>> = {
  'live-view': 'only in live view',
  film: 'only while filming',
}

/**
 * Whether what a setting says about a dimension is what a standard asks for: a row for film says nothing about stills,
 * one for live view nothing about the finder, where the body has one.
 */
export const countsToward = (
  { viewfinder }: Pick<Body, 'viewfinder'>,
  { counts }: Pick<Setting, 'counts'>,
  dimensionId: string,
): boolean => {
  switch (counts) {
    case undefined:
      return true
    case 'live-view':
      return viewfinder === 'screen-only'
    case 'film':
      return dimension(dimensionId).group === 'video'
  }
}

/** Says where a setting counts; undefined for everywhere. */
export const withCounts = (setting: Setting, counts: CountsIn | undefined): Setting => {
  const { counts: _, ...rest } = setting
  return counts ? { ...rest, counts } : rest
}
