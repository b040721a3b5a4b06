import { type Body, bodyAt, factoryState, type State } from '../bodies'

/**
 * What a unit is known to be set to: worked out from all that happened to it, so that every fact has a time, a name and
 * a reason, and anything that may have touched it takes the facts away again.
 */

export type Told = 'card' | 'person' | 'file'

interface Happened {
  readonly at: string
  /** Who, by name; null where nobody said. */
  readonly by: string | null
}

export type UnitEvent = Happened &
  (
    | { readonly kind: 'set'; readonly setting: string; readonly option: string; readonly how: Told }
    /** All that a file says it is set to. */
    | { readonly kind: 'read'; readonly settings: State }
    /** Back to factory defaults. */
    | { readonly kind: 'reset' }
    | { readonly kind: 'firmware'; readonly from: string; readonly to: string }
    | { readonly kind: 'repaired' }
    | { readonly kind: 'returned' }
    /** What it was set to was kept in a memory slot. */
    | { readonly kind: 'stored'; readonly slot: string; readonly standard: string; readonly version: number }
    /** Walked to the end and proved: it is set to this version. */
    | {
        readonly kind: 'signed'
        readonly standard: string
        readonly version: number
        /** How long the walk took, and of how many steps, where somebody timed it. */
        readonly minutes: number | null
        readonly steps?: number | undefined
      }
  )
export type UnitEventKind = UnitEvent['kind']

/** What happens to a unit away from its card. */
export const HAPPENINGS = ['reset', 'repaired', 'returned'] as const
export type Happening = (typeof HAPPENINGS)[number]

export interface Fact extends Happened {
  readonly option: string
  readonly how: Told | 'factory'
}

export interface Signature extends Happened {
  readonly standard: string
  readonly version: number
}

/** What a memory slot holds. */
export interface Stored extends Happened {
  readonly standard: string
  readonly version: number
}

export interface Known {
  /** By setting; a setting that is not named may be at anything. */
  readonly facts: ReadonlyMap<string, Fact>
  /** By memory slot; one that is not named may hold anything. */
  readonly slots: ReadonlyMap<string, Stored>
  /** What last took facts away; undefined where nothing did. */
  readonly lost: { readonly kind: 'firmware' | 'repaired' | 'returned'; readonly at: string } | undefined
  /** When it last was walked through to the end, and for what. */
  readonly signed: Signature | undefined
  /** What happened since then that may have touched it, newest last. */
  readonly since: readonly UnitEvent[]
}

export const NOTHING_KNOWN: Known = {
  facts: new Map(),
  slots: new Map(),
  lost: undefined,
  signed: undefined,
  since: [],
}

/** Settings that a change of firmware touches: new ones, and those that read or work otherwise than before. */
const touchedBy = (profile: Body, from: string, to: string): ReadonlySet<string> => {
  const before = new Map(bodyAt(profile, from).settings.map(s => [s.id, JSON.stringify(s)]))
  return new Set(
    bodyAt(profile, to)
      .settings.filter(s => before.get(s.id) !== JSON.stringify(s))
      .map(s => s.id),
  )
}

const after = (profile: Body, firmware: string, known: Known, event: UnitEvent): Known => {
  const { at, by } = event
  const since = [...known.since, event]
  switch (event.kind) {
    case 'set': {
      const fact: Fact = { option: event.option, how: event.how, at, by }
      return { ...known, facts: new Map(known.facts).set(event.setting, fact), since }
    }
    case 'read': {
      const told = Object.entries(event.settings).map(([s, option]): [string, Fact] => [
        s,
        { option, how: 'file', at, by },
      ])
      return { ...known, facts: new Map([...known.facts, ...told]), since }
    }
    case 'reset': {
      const defaults = Object.entries(factoryState(bodyAt(profile, firmware)))
      const facts = new Map(defaults.map(([s, option]) => [s, { option, how: 'factory' as const, at, by }]))
      return { ...known, facts, slots: new Map(), lost: undefined, since }
    }
    case 'firmware': {
      const touched = touchedBy(profile, event.from, event.to)
      const facts = new Map([...known.facts].filter(([setting]) => !touched.has(setting)))
      const slots = touched.size > 0 ? new Map<string, Stored>() : known.slots
      return { ...known, facts, slots, lost: { kind: 'firmware', at }, since }
    }
    case 'repaired':
    case 'returned':
      return { ...known, facts: new Map(), slots: new Map(), lost: { kind: event.kind, at }, since }
    case 'stored': {
      const { slot, standard, version } = event
      return { ...known, slots: new Map(known.slots).set(slot, { at, by, standard, version }), since }
    }
    case 'signed':
      return { ...known, signed: { at, by, standard: event.standard, version: event.version }, since: [] }
  }
}

/**
 * What is known of a unit after all that happened to it, oldest first.
 *
 * @param profile with all its firmware
 * @param firmware that the unit runs now
 */
export const knownAfter = (profile: Body, firmware: string, events: readonly UnitEvent[]): Known => {
  const known = events.reduce((k, e) => after(profile, firmware, k, e), NOTHING_KNOWN)
  // What the profile no longer offers cannot be known either.
  const { settings } = bodyAt(profile, firmware)
  const offered = new Map(settings.map(s => [s.id, s.options.map(o => o.id)]))
  return { ...known, facts: new Map([...known.facts].filter(([s, f]) => offered.get(s)?.includes(f.option))) }
}

/** What a card begins from: what is known, and nothing of the rest. */
export const knownState = ({ facts }: Known): State =>
  Object.fromEntries([...facts].map(([setting, f]) => [setting, f.option]))

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
