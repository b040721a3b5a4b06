import type { Rule, Setting, State } from './schema'

/** What a search is about; see `search`. Settings and options are named by position, in menu order. */

/** Conditions of a setting besides the position of an option. */
export const UNDECIDED = -1
export const GREYED = -2

/** Distances inside the search are whole millionths. */
export const MILLIONTHS = 1_000_000

/** One thing that is wanted, as a cost over some settings. */
export interface Term {
  /** Positions of the settings it depends on. */
  readonly settings: readonly number[]
  /** Cost of each millionth of distance. */
  readonly weight: number
  /** A must is broken above this distance; undefined where it is not a must. */
  readonly mustLimit: number | undefined
  /** The least distance in millionths still possible; exact once all its settings are decided. */
  readonly bound: (choice: Int32Array) => number
  /** Options of a setting with the same signature make no difference to this term. */
  readonly signature: (setting: number, option: number) => string
}

/** A rule by positions. */
export interface LinkedRule {
  readonly rule: Rule
  readonly when: readonly { readonly setting: number; readonly options: ReadonlySet<number> }[]
  readonly target: number
  /** The options it forces or excludes. */
  readonly options: ReadonlySet<number>
  /** Every setting it speaks of. */
  readonly members: readonly number[]
  /** It may grey its setting out, and need not: asked in search of what stands in the way of what. */
  readonly isOptional?: boolean
}

export interface SearchInput {
  readonly settings: readonly Setting[]
  readonly rules: readonly LinkedRule[]
  /** Allowed options of each setting. */
  readonly domains: readonly (readonly number[])[]
  /** The option each setting is known to be at, or its default where that is not to be had. */
  readonly known: Int32Array
  readonly defaults: Int32Array
  readonly terms: readonly Term[]
  /** Settings that must be usable in the answer. */
  readonly usable?: readonly number[]
}

/** Settings, rules and terms that nothing connects to the rest. */
export interface Group {
  readonly settings: readonly number[]
  readonly rules: readonly LinkedRule[]
  readonly terms: readonly number[]
}

export interface Found {
  /** Per setting: option position, or GREYED. */
  readonly choice: Int32Array
  readonly broken: number
  readonly cost: number
}

export class SearchTooLargeError extends Error {
  /** @param body its name, where several are worked on */
  constructor(
    readonly settings: readonly string[],
    body?: string,
  ) {
    super(
      `${body ? `${body}: ` : ''}too many combinations among the linked settings ${settings.slice(0, 8).join(', ')}${body ? '. Leave it out of the bodies in hand' : ''}`,
    )
    this.name = 'SearchTooLargeError'
  }
}

const optionIndex = (setting: Setting | undefined, optionId: string | undefined): number =>
  setting?.options.findIndex(o => o.id === optionId) ?? -1

const linkRule = (rule: Rule, settings: readonly Setting[], position: ReadonlyMap<string, number>): LinkedRule => {
  const indices = (settingId: string, optionIds: readonly string[]) => {
    const setting = settings[position.get(settingId) ?? -1]
    return new Set(optionIds.map(o => optionIndex(setting, o)))
  }
  const { then } = rule
  const when = rule.when.map(c => ({ setting: position.get(c.setting) ?? -1, options: indices(c.setting, c.is) }))
  const target = position.get(then.setting) ?? -1
  const named = then.effect === 'unavailable' ? [] : then.effect === 'forced' ? [then.option] : then.options
  return { rule, when, target, options: indices(then.setting, named), members: [...when.map(w => w.setting), target] }
}

/** Puts a search together from a body's own terms. */
export const searchInput = (from: {
  readonly settings: readonly Setting[]
  readonly rules: readonly Rule[]
  readonly domains: readonly (readonly number[])[]
  readonly known: State
  readonly terms: readonly Term[]
}): SearchInput => {
  const { settings, domains, terms } = from
  const position = new Map(settings.map((s, i) => [s.id, i]))
  const defaults = Int32Array.from(settings, s => optionIndex(s, s.default))
  const known = Int32Array.from(settings, (s, i) => {
    const option = optionIndex(s, from.known[s.id])
    return domains[i]?.includes(option) ? option : (defaults[i] ?? 0)
  })
  return { settings, rules: from.rules.map(r => linkRule(r, settings, position)), domains, known, defaults, terms }
}
