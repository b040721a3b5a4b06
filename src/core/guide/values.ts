import type { Target } from '../standards'
import type { Area, NeutralValue } from '../vocabulary/values'
import { answersTo } from './questions'
import type { Facts } from './facts'
import type { From, SchoolTarget, TopicId } from './schools'

/** Values that hang on what was answered. */

/** Beyond this a lens is set to infinity anyway. */
const FAR_METRES = 30
/** Room left on both sides of where the subject can be. */
const MARGIN = 1.25
/** A wait this much longer than it is hidden. */
const LONGER = 1.25

/** A travel that is seen, and meant; and one that is over before it is seen. Seconds. */
const CALM_SECONDS = 1.2
const FAST_SECONDS = 0.3

/** Seconds that somebody is hidden at the least where nobody has counted: a club, a passer-by, the heads of a crowd. */
const AT_LEAST: Readonly<Record<string, number>> = { things: 1, people: 1.5, crowd: 2.5 }
/** Leaves and bars hide what moves behind them again and again. */
const BEHIND_COVER = 2
/** No body waits longer. */
const MOST_SECONDS = 5

const CLASSES: Readonly<Record<string, string>> = {
  people: 'people',
  animal: 'animals',
  bird: 'birds',
  insect: 'insects',
  vehicle: 'vehicles',
}

/**
 * What limiters of lenses usually offer, where nobody has measured.
 *
 * @source common practice, no published source
 */
const LIMITERS: Readonly<Record<string, { readonly nearMetres: number; readonly farMetres: number | 'infinity' }>> = {
  close: { nearMetres: 0.28, farMetres: 0.5 },
  middle: { nearMetres: 3, farMetres: 'infinity' },
  far: { nearMetres: 5, farMetres: 'infinity' },
}

const isFrom = (value: SchoolTarget['value']): value is From =>
  typeof value === 'object' && !Array.isArray(value) && 'from' in value

const rounded = (n: number): number => Number(n.toPrecision(2))

/** Longer than it is hidden, longer than usual; the longer it is hidden the longer. Seconds. */
const hiddenSeconds = (facts: Facts, usual: NeutralValue | undefined, times: number): number => {
  const crossing = AT_LEAST[answersTo(facts['crossing'])[0] ?? ''] ?? 1
  const cover = answersTo(facts['foreground']).some(f => f === 'leaves' || f === 'gaps') ? BEHIND_COVER : 0
  const hidden = Number(facts['blocked'] ?? 0) * times
  const below = typeof usual === 'number' ? usual : 0
  return rounded(Math.min(MOST_SECONDS, Math.max(crossing, cover, hidden, below)))
}

/** @returns undefined where it hangs on something that was not said */
export const valueFrom = (
  dimension: string,
  written: SchoolTarget['value'],
  facts: Facts,
  below: ReadonlyMap<string, NeutralValue> | undefined,
  decided: Partial<Record<TopicId, string>>,
): Target['value'] | undefined => {
  const subject = CLASSES[answersTo(facts['what'])[0] ?? ''] ?? 'people'
  if (!isFrom(written)) {
    // An area is asked for with the following that was decided.
    if (dimension === 'area.pattern' && decided.follow === 'camera')
      return { ...(written as Area), follow: 'from-start-point' }
    // A second thumb looks for what it is, not always for people.
    return typeof written === 'object' && !Array.isArray(written) && 'subject' in written
      ? { ...written, subject: { ...(written.subject as object), class: subject } }
      : written
  }
  switch (written.from) {
    case 'slower': {
      // Shown slower, the same travel takes as many times longer: on the screen it should look as usual.
      const slower = Number(facts['slower'])
      return slower > 1 ? rounded(CALM_SECONDS / slower) : FAST_SECONDS
    }
    case 'what':
      return subject
    case 'hidden':
      return hiddenSeconds(facts, below?.get(dimension), LONGER)
    case 'hidden-film':
      return Math.max(2.5, hiddenSeconds(facts, below?.get(dimension), 1.5))
    case 'distances': {
      const [near, far] = [Number(facts['nearest']), Number(facts['farthest'])]
      if (!(near > 0) || !(far > near)) return LIMITERS[answersTo(facts['distance'])[0] ?? '']
      return { nearMetres: rounded(near / MARGIN), farMetres: far >= FAR_METRES ? 'infinity' : rounded(far * MARGIN) }
    }
  }
}
