import type { Body, State } from '../bodies'
import { EVENTS, kindOf } from './events'
import { beginning, type Fold, type Known, knownBy, stateOf } from './fold'
import type { UnitEvent, UnitEventKind } from './unit-event'

export { type Fact, type Known, type Lost, NOTHING_KNOWN, type Signature, type Stored } from './fold'
export type { Told, UnitEvent, UnitEventKind } from './unit-event'

/**
 * What a unit is known to be set to: worked out from all that happened to it, so that every fact has a time, a name and
 * a reason, and anything that may have touched it takes the facts away again.
 */

/** What happens to a unit away from its card. */
export const HAPPENINGS = ['reset', 'repaired', 'returned'] as const
export type Happening = (typeof HAPPENINGS)[number]

/** After these a card begins anew from what is known then. */
export const CLOSES_WALKS = (Object.keys(EVENTS) as UnitEventKind[]).filter(kind => EVENTS[kind].closesWalks)

const after = (profile: Body, fold: Fold, event: UnitEvent): Fold => {
  const kind = kindOf(event)
  const { signed, touched } = fold.known
  const isFirst = signed !== undefined && touched === undefined
  const isTouched = isFirst && kind.mayTouch(fold.known, event)
  return kind.after({ ...fold, known: { ...fold.known, touched: isTouched ? event : touched } }, event, profile)
}

/** Whether after it the tag stands for another model: what the other one was set to says nothing. */
const isOtherModel = (e: UnitEvent): boolean => e.kind === 'exchanged' && e.what === 'model'

/**
 * What is known of a unit after all that happened to it, oldest first.
 *
 * @param profile with all its firmware
 * @param firmware that the unit runs now
 */
export const knownAfter = (profile: Body, firmware: string, events: readonly UnitEvent[]): Known => {
  const own = events.slice(Math.max(0, events.findLastIndex(isOtherModel)))
  const first = own.find(e => e.kind === 'firmware')
  const began = first?.kind === 'firmware' ? first.from : firmware
  const told = own.reduce((fold, e) => after(profile, fold, e), beginning(profile, began))
  return knownBy(told, profile, firmware, events.at(-1))
}

/** The same after each of them in turn, in one pass. */
export const knownAlong = function* (
  profile: Body,
  firmware: string,
  events: readonly UnitEvent[],
): Generator<Known, void> {
  /** Since the tag stands for this model, and until its firmware was first changed. */
  let own: UnitEvent[] = []
  let fold = beginning(profile, firmware)
  let hasFirmware = false
  for (const event of events) {
    if (isOtherModel(event)) {
      own = []
      fold = beginning(profile, firmware)
      hasFirmware = false
    }
    if (event.kind === 'firmware' && !hasFirmware) {
      // What it began with is only known from here.
      fold = own.reduce((f, e) => after(profile, f, e), beginning(profile, event.from))
      hasFirmware = true
    }
    if (!hasFirmware) own.push(event)
    fold = after(profile, fold, event)
    yield knownBy(fold, profile, firmware, event)
  }
}

/** What a card begins from: what is known, and nothing of the rest. */
export const knownState = ({ facts }: Known): State => stateOf(facts)

/** How often a setting is looked after by chance alone, in weeks: after so long it may well have been changed. */
const WEEK_MS = 7 * 24 * 3600 * 1000

/**
 * Which settings to check first: those that matter most, were seen longest ago, and were told rather than walked. What
 * is not known at all comes before everything.
 *
 * @param weights what each setting counts for the standard, from 0
 * @source common practice, no published source
 */
export const likeliestToDrift = (
  { facts }: Known,
  weights: ReadonlyMap<string, number>,
  now: string,
  most = 3,
): readonly string[] => {
  const score = ([setting, weight]: readonly [string, number]): number => {
    const fact = facts.get(setting)
    if (!fact) return weight * 1000
    const weeks = Math.max(0, Date.parse(now) - Date.parse(fact.at)) / WEEK_MS
    return weight * (1 + weeks) * (fact.how === 'card' ? 1 : 2)
  }
  return [...weights]
    .filter(([, weight]) => weight > 0)
    .sort((a, b) => score(b) - score(a) || (a[0] < b[0] ? -1 : 1))
    .slice(0, most)
    .map(([setting]) => setting)
}
