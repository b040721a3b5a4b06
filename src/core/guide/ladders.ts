import type { Area } from '../vocabulary/values'
import { answersTo } from './questions'
import type { Facts } from './facts'
import { schoolsIn, type TopicId } from './schools'

/**
 * Steps along which an answer may only go one way, whatever the arguments add up to: more faces never mean wider
 * detection, smaller in the frame never means a larger area, less practice never one smaller than the hand can hold.
 */

/** What the first answer of a topic has to keep to. */
interface Bounds {
  readonly holds: (school: string) => boolean
  /** What it is instead, where no argued school keeps to it. */
  readonly else: string | undefined
}
const FREE: Bounds = { holds: () => true, else: undefined }

/** The first answer as it would be with another answer given. */
type FirstWith = (facts: Facts) => string | undefined

const FACES = ['one', 'two', 'several', 'crowd']
const WIDTHS = ['off', 'inside', 'on']
const SIZES = ['tiny', 'small', 'half', 'fills']
const PRACTICE = ['practised', 'learning', 'first-days']

const shareOf = (school: string): number => {
  const area = schoolsIn('where')[school]?.targets[0]?.value as Area | undefined
  return area ? area.width * area.height : 0
}
/** What any hand can hold: a zone. */
const HELD_BY_ANY = 'zone'

/** The step before or after an answer, where there is one. */
const step = (facts: Facts, question: string, order: readonly string[], by: 1 | -1): Facts | undefined => {
  const at = order.indexOf(answersTo(facts[question])[0] ?? '')
  const next = at < 0 ? undefined : order[at + by]
  return next === undefined ? undefined : { ...facts, [question]: next }
}

const detectionBounds = (facts: Facts, firstWith: FirstWith): Bounds => {
  const fewer = step(facts, 'faces', FACES, -1)
  const before = fewer && firstWith(fewer)
  if (before === undefined) return FREE
  return { holds: id => WIDTHS.indexOf(id) <= WIDTHS.indexOf(before), else: before }
}

const areaBounds = (facts: Facts, firstWith: FirstWith): Bounds => {
  const larger = step(facts, 'size', SIZES, 1)
  const practised = step(facts, 'hands', PRACTICE, -1)
  const above = larger && firstWith(larger)
  const below = practised && firstWith(practised)
  if (above === undefined && below === undefined) return FREE
  const most = above === undefined ? Infinity : shareOf(above)
  const least = below === undefined ? 0 : Math.min(shareOf(below), shareOf(HELD_BY_ANY))
  return {
    holds: id => shareOf(id) <= most && shareOf(id) >= least,
    else: above ?? (below !== undefined && shareOf(below) < shareOf(HELD_BY_ANY) ? below : HELD_BY_ANY),
  }
}

export const boundsOf = (topic: TopicId, facts: Facts, firstWith: FirstWith): Bounds =>
  topic === 'whom' ? detectionBounds(facts, firstWith) : topic === 'where' ? areaBounds(facts, firstWith) : FREE
