import type { Target } from '../standards'
import type { Area } from '../vocabulary/values'
import { dimension } from '../vocabulary/dimensions'
import { inSentence, valueWords } from '../vocabulary/words'

/** Pairs of targets that only make sense apart, whatever the body. */

type Is = (value: Target['value']) => boolean
interface Pair {
  readonly one: readonly [dimension: string, is: Is]
  readonly other: readonly [dimension: string, is: Is]
  readonly why: string
}

const be =
  (...values: readonly Target['value'][]): Is =>
  value =>
    values.includes(value)
const any: Is = () => true
const leavesChoice: Is = value => ['full', 'wide-zone'].includes((value as Area).pattern)
const above =
  (least: number): Is =>
  value =>
    typeof value === 'number' && value >= least
const below =
  (most: number): Is =>
  value =>
    typeof value === 'number' && value <= most

const OFF = ['subject.class', be('off')] as const

export const INCOMPATIBLE: readonly Pair[] = [
  {
    one: OFF,
    other: ['area.pattern', leavesChoice],
    why: 'Nothing is looked for: so wide an area takes the nearest thing.',
  },
  {
    one: OFF,
    other: ['subject.scope', be('inside-area')],
    why: 'Nothing is looked for, inside the area or out of it.',
  },
  { one: OFF, other: ['subject.detail', any], why: 'Nothing is looked for, so there is no part to aim at.' },
  {
    one: ['subject.scope', be('inside-area')],
    other: ['area.pattern', leavesChoice],
    why: 'Kept inside the area, and the area is everything.',
  },
  {
    one: ['mode.drive', be('single', 'manual')],
    other: ['area.follow', be('from-start-point', 'automatic')],
    why: 'Focused once or by hand, nothing follows.',
  },
  {
    one: ['mode.drive', be('single', 'manual')],
    other: ['trigger.stop', any],
    why: 'There is nothing running that a button could stop.',
  },
  {
    one: ['trigger.shutter', be('meters-only')],
    other: ['trigger.stop', any],
    why: 'With AF off the shutter, letting go stops it already.',
  },
  {
    one: ['meter.pattern', be('spot', 'highlight')],
    other: ['meter.bias', value => typeof value === 'number' && value !== 0],
    why: 'The exposure would be corrected twice.',
  },
  { one: ['track.hold', below(0.5)], other: ['track.switch', above(1)], why: 'It lets go at once, and stays put.' },
  {
    one: ['mode.drive', be('manual', 'preset-distance')],
    other: ['video.continuous', be(true)],
    why: 'By hand, and by itself.',
  },
]

export interface Contradiction {
  readonly dimensions: readonly [string, string]
  readonly words: string
}

const said = (t: Target): string =>
  `${inSentence(dimension(t.dimension).label)} ${valueWords(dimension(t.dimension), t.value)}`

/** What of these targets only makes sense apart, in words. */
export const contradictions = (targets: readonly Target[]): readonly Contradiction[] =>
  INCOMPATIBLE.flatMap(({ one, other, why }): Contradiction[] => {
    const a = targets.find(t => t.dimension === one[0] && one[1](t.value))
    const b = targets.find(t => t.dimension === other[0] && other[1](t.value))
    return a && b
      ? [{ dimensions: [a.dimension, b.dimension], words: `${said(a)} beside ${said(b)}: ${inSentence(why)}` }]
      : []
  })
