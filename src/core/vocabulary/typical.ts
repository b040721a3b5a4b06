import type { Area, Pattern } from './values'

/**
 * Areas as bodies usually have them, for drawings and as a first proposal; a profile states its own.
 *
 * @source common practice, no published source (a pinpoint is about half the size of a single point)
 */
const SIZES: Readonly<Record<Pattern, readonly [width: number, height: number, chooser: 'operator' | 'camera']>> = {
  pinpoint: [0.03, 0.04, 'operator'],
  point: [0.045, 0.06, 'operator'],
  cross: [0.1, 0.13, 'operator'],
  block: [0.15, 0.16, 'operator'],
  group: [0.22, 0.24, 'operator'],
  zone: [0.34, 0.38, 'camera'],
  'wide-zone': [0.55, 0.6, 'camera'],
  full: [0.9, 0.92, 'camera'],
  'all-sizes': [0.25, 0.25, 'operator'],
}

export const typicalArea = (pattern: Pattern): Area => {
  const [width, height, chooser] = SIZES[pattern]
  return { pattern, width, height, chooser }
}

/** From the smallest to the largest. */
export const BY_SIZE: readonly Pattern[] = ['pinpoint', 'point', 'cross', 'block', 'group', 'zone', 'wide-zone', 'full']
