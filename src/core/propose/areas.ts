import type { Body } from '../bodies'
import { bestMet, isMet, type Phrase, phraseOf, tokensOf } from '../language/phrases'
import { typicalArea } from '../vocabulary/typical'
import type { Area, Pattern } from '../vocabulary/values'

/**
 * Areas by their own words: what they cover, who picks inside, whether they follow. An option whose words say nothing
 * stays open; no area is made up from its place in a list.
 *
 * @source common practice, no published source
 */

const phrases = (...written: readonly string[]): readonly Phrase[] => written.map(phraseOf)

/** What makes more of a point than a point. */
const GROWN = '!surround* !expand* !plus !dynamic !neighbour* !adjacent'

const PATTERN_WORDS: Readonly<Record<Pattern, readonly Phrase[]>> = {
  pinpoint: phrases(
    ...[
      'pinpoint',
      'tiny',
      'minimal',
      'smallest',
      'small spot',
      'spot s',
      'movable s',
      'small point',
      'spot af',
      'small !zone !group',
      'pin',
      'spot',
    ].map(w => `${w} ${GROWN}`),
  ),
  point: phrases(
    ...[
      'single',
      '1 point',
      '1',
      'one',
      'single point',
      'spot m',
      'spot l',
      'spot medium',
      'spot large',
      'large spot',
      'medium spot',
      'movable m',
      'movable l',
      'movable',
      'normal',
      'centre',
      'point',
      '1 area',
    ].map(w => `${w} ${GROWN}`),
  ),
  cross: phrases(
    'cross',
    'neighbour* 4',
    'spot neighbour*',
    'point neighbour*',
    'spot expand*',
    'adjacent 4',
    'five point',
    '5 point',
    'expand*',
    'plus',
    'point 4',
    'spot 4',
    'single 4',
    'expand* 4',
    'area 4',
    'expand* spot',
    '1 area expand*',
  ),
  block: phrases(
    'surround*',
    'neighbour*',
    'adjacent',
    'neighbour* 8',
    'adjacent 8',
    'expand* surround*',
    'expand* around',
    'expand* 8',
    'point 8',
    'spot 8',
    'single 8',
    'area 8',
    '3x3',
    'nine',
    'nine point',
    'mid',
    'dynamic',
    'dynamic 9',
    'dynamic s',
    'block',
    'medium',
    '9 point',
    'zone 3x3',
    'single surround*',
  ),
  group: phrases(
    'group',
    '5x5',
    'cluster',
    'dynamic 21',
    'dynamic 25',
    'dynamic m',
    'dynamic l',
    '21 point',
    '25 point',
    'large !zone !wide',
    'group area',
    'dynamic 51',
  ),
  zone: phrases(
    'zone',
    'small zone',
    'small group',
    'flexible zone 1',
    'wide s',
    'wide small',
    'zone 7x7',
    'zone oval',
    'zone small',
  ),
  'wide-zone': phrases('large zone', 'wide zone', 'flexible zone 2', 'wide l', 'wide large', 'zone large', 'zone wide'),
  full: phrases(
    'all',
    'full',
    'entire',
    'whole',
    'wide !zone',
    'auto',
    'automatic',
    'multi',
    'face',
    'all points',
    'auto area',
    'full area',
    'whole area',
    'auto select*',
    'multi point',
    'face eye',
  ),
  'all-sizes': phrases('custom', 'own', 'own size', 'user', 'own zone', 'custom size'),
}
const FOLLOWS = phrases('track*', 'follow*')
const CAMERA = phrases('zone', 'auto', 'face', 'group area')
const GRID = /(\d{1,4})\s{0,3}x\s{0,3}(\d{1,4})/i

const coveringOf = (body: Body, pattern: Pattern, label: string): Area => {
  const usual = typicalArea(pattern)
  const { coverage } = body
  const grid = GRID.exec(label)
  if (grid && coverage.columns > 1 && coverage.rows > 1) {
    const [across, down] = [Number(grid[1]), Number(grid[2])]
    if (across <= coverage.columns && down <= coverage.rows)
      return {
        ...usual,
        width: Number(((across / coverage.columns) * coverage.width).toFixed(3)),
        height: Number(((down / coverage.rows) * coverage.height).toFixed(3)),
      }
  }
  if (pattern !== 'full') return usual
  return { ...usual, width: coverage.width, height: coverage.height }
}

export interface ReadArea {
  /** Undefined where the words only say that it follows. */
  readonly area?: Area
  readonly follows: boolean
}

/** What is smaller than a point, the surest words first. */
const TINY = phrases('pinpoint', 'tiny', 'dot', 'fine', 'pin', 'minimal', 'smallest', 'extra small')
const SMALLEST = [TINY, [...TINY, ...phrases('spot')]]

/** By which words something is smaller than a point in a row: beside a tiny one a spot is a point, beside a spot a small one. */
export type Smallest = readonly Phrase[]
export const smallestOf = (labels: readonly string[]): Smallest =>
  SMALLEST.find(words => labels.some(l => words.some(p => isMet(p, tokensOf(l))))) ?? []

/** What an option's words say about an area; undefined where they say nothing. */
export const areaOf = (body: Body, label: string, smallest: Smallest = []): ReadArea | undefined => {
  const tokens = tokensOf(label)
  let best: { readonly pattern: Pattern; readonly asks: number } | undefined
  for (const [pattern, words] of Object.entries(PATTERN_WORDS)) {
    const met = bestMet(words, tokens)
    if (met && (!best || met.asks > best.asks)) best = { pattern: pattern as Pattern, asks: met.asks }
  }
  if (best?.pattern === 'pinpoint' && smallest.length > 0 && !smallest.some(p => isMet(p, tokens)))
    best = { ...best, pattern: 'point' }
  const follows = bestMet(FOLLOWS, tokens) !== undefined
  if (!best) return follows ? { follows } : undefined
  const area = coveringOf(body, best.pattern, label)
  const isCamera = CAMERA.some(p => isMet(p, tokens))
  return {
    area: {
      ...area,
      ...(isCamera ? { chooser: 'camera' as const } : {}),
      ...(follows ? { follow: 'from-start-point' as const } : {}),
    },
    follows,
  }
}

const CHOSEN_BY_CAMERA = new Set<string>(['zone', 'wide-zone', 'full'])

/** An area as a class to be learned: what it covers, who picks inside where that is unusual, whether it follows. */
export const areaClass = ({
  pattern,
  chooser,
  follow = 'off',
}: Pick<Area, 'pattern' | 'chooser' | 'follow'>): string => {
  const isUnusual = chooser === 'camera' && !CHOSEN_BY_CAMERA.has(pattern)
  return [pattern, ...(isUnusual ? ['camera'] : []), ...(follow === 'off' ? [] : ['start'])].join(' ')
}

export const areaOfClass = (body: Body, is: string, label: string): Area => {
  const [pattern = 'point', ...more] = is.split(' ')
  return {
    ...coveringOf(body, pattern as Pattern, label),
    ...(more.includes('camera') ? { chooser: 'camera' as const } : {}),
    ...(more.includes('start') ? { follow: 'from-start-point' as const } : {}),
  }
}
