import { inBlockingOrder } from './availability'
import type { Body, Condition, Rule, Setting, State } from './schema'

/**
 * The best state of a body under its rules: finite-domain search with bounding, each independent group of settings
 * apart. What "best" means comes in as terms; this file knows nothing of targets.
 *
 * States are compared by broken musts, then cost, then settings changed against the known state, then settings that
 * differ from the default, then menu order, so that equal answers never flicker. All figures are integers, so that
 * neither the order of the input nor rounding can decide.
 */

/** The option of a setting by its position in the profile, or one of two other conditions. */
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

export interface SearchInput {
  readonly body: Body
  /** Settings in menu order. */
  readonly settings: readonly Setting[]
  readonly rules: readonly Rule[]
  /** Allowed options of each setting, by position. */
  readonly domains: readonly (readonly number[])[]
  readonly known: State
  readonly terms: readonly Term[]
  /** Settings that must be usable in the answer. */
  readonly usable?: readonly number[]
}

export interface Found {
  /** Per setting in menu order: option position, or GREYED. */
  readonly choice: Int32Array
  readonly broken: number
  readonly cost: number
}

export class SearchTooLargeError extends Error {
  constructor(readonly settings: readonly string[]) {
    super(`too many combinations among the linked settings ${settings.slice(0, 8).join(', ')}`)
    this.name = 'SearchTooLargeError'
  }
}

/** A group that needs more steps than this is refused rather than left to run. */
const MOST_STEPS = 3_000_000

interface LinkedRule {
  readonly rule: Rule
  readonly when: readonly { readonly setting: number; readonly options: ReadonlySet<number> }[]
  readonly target: number
  readonly options: ReadonlySet<number>
}

/** Settings, rules and terms that nothing connects to the rest. */
export interface Group {
  readonly settings: readonly number[]
  readonly rules: readonly Rule[]
  readonly terms: readonly number[]
}

/** Splits the settings into groups that no rule and no term connects. */
export const groupsOf = (input: Pick<SearchInput, 'settings' | 'rules' | 'terms'>): readonly Group[] => {
  const position = new Map(input.settings.map((s, i) => [s.id, i]))
  const parent = input.settings.map((_, i) => i)
  const root = (i: number): number => {
    let r = i
    while (parent[r] !== undefined && parent[r] !== r) r = parent[r] as number
    parent[i] = r
    return r
  }
  const link = (members: readonly number[]) => {
    const first = members[0]
    if (first !== undefined) for (const m of members) parent[root(m)] = root(first)
  }
  const touched = (r: Rule) => [...r.when.map(c => c.setting), r.then.setting].flatMap(id => position.get(id) ?? [])
  for (const rule of input.rules) link(touched(rule))
  for (const term of input.terms) link(term.settings)

  const groups = new Map<number, { settings: number[]; rules: Rule[]; terms: number[] }>()
  input.settings.forEach((_, i) => {
    const group = groups.get(root(i)) ?? { settings: [], rules: [], terms: [] }
    group.settings.push(i)
    groups.set(root(i), group)
  })
  for (const rule of input.rules) {
    const first = touched(rule)[0]
    if (first !== undefined) groups.get(root(first))?.rules.push(rule)
  }
  input.terms.forEach((term, t) => {
    const first = term.settings[0]
    if (first !== undefined) groups.get(root(first))?.terms.push(t)
  })
  return [...groups.values()]
}

const optionIndex = (setting: Setting | undefined, optionId: string | undefined): number =>
  setting?.options.findIndex(o => o.id === optionId) ?? -1

/** The option a setting is known to be at, or its default where that is not to be had. */
const knownOptionOf = (input: SearchInput, i: number): number => {
  const setting = input.settings[i]
  const known = optionIndex(setting, setting && input.known[setting.id])
  return input.domains[i]?.includes(known) ? known : optionIndex(setting, setting?.default)
}

const linkRules = (rules: readonly Rule[], settings: readonly Setting[]): readonly LinkedRule[] => {
  const position = new Map(settings.map((s, i) => [s.id, i]))
  const indices = (settingId: string, optionIds: readonly string[]) => {
    const setting = settings[position.get(settingId) ?? -1]
    return new Set(optionIds.map(o => optionIndex(setting, o)))
  }
  const linkCondition = (c: Condition) => ({
    setting: position.get(c.setting) ?? -1,
    options: indices(c.setting, c.is),
  })
  return rules.map(rule => ({
    rule,
    when: rule.when.map(linkCondition),
    target: position.get(rule.then.setting) ?? -1,
    options:
      rule.then.effect === 'unavailable'
        ? new Set<number>()
        : indices(rule.then.setting, rule.then.effect === 'forced' ? [rule.then.option] : rule.then.options),
  }))
}

const isBroken = (link: LinkedRule, choice: Int32Array): boolean => {
  const option = choice[link.target] ?? UNDECIDED
  if (option === GREYED) return false
  return link.rule.then.effect === 'forced' ? !link.options.has(option) : link.options.has(option)
}

/** The search of one group. Keeps the best complete choice and undoes every step it tries. */
class GroupSearch {
  private readonly greying: readonly LinkedRule[][]
  private readonly checking: readonly LinkedRule[][]
  private readonly order: readonly number[]
  private readonly options: readonly (readonly number[])[]
  private readonly termsOf: readonly (readonly number[])[]
  private readonly knownOption: Int32Array
  private readonly defaultOption: Int32Array
  private readonly bounds: Float64Array
  private broken = 0
  private cost = 0
  private steps = 0
  private best: { choice: Int32Array; figures: readonly number[] } | undefined

  constructor(
    private readonly input: SearchInput,
    private readonly group: Group,
    private readonly choice: Int32Array,
  ) {
    const { settings, terms } = input
    const links = linkRules(group.rules, settings)
    this.greying = settings.map((_, i) => links.filter(l => l.rule.then.effect === 'unavailable' && l.target === i))
    this.termsOf = settings.map((_, i) => group.terms.filter(t => terms[t]?.settings.includes(i)))
    this.knownOption = Int32Array.from(settings, (_, i) => knownOptionOf(input, i))
    this.defaultOption = Int32Array.from(settings, s => optionIndex(s, s.default))
    this.order = this.decideOrder(links)
    const rank = new Map(this.order.map((s, i) => [s, i]))
    const last = (l: LinkedRule) => Math.max(...l.when.map(w => rank.get(w.setting) ?? 0), rank.get(l.target) ?? 0)
    this.checking = this.order.map((_, i) => links.filter(l => l.rule.then.effect !== 'unavailable' && last(l) === i))
    this.options = settings.map((_, i) => (group.settings.includes(i) ? this.distinctOptions(i, links) : []))
    this.bounds = new Float64Array(terms.length)
    for (const t of group.terms) {
      const bound = terms[t]?.bound(choice) ?? 0
      this.bounds[t] = bound
      this.cost += bound * (terms[t]?.weight ?? 0)
      this.broken += this.isBrokenMust(t, bound)
    }
  }

  run(): readonly number[] | undefined {
    this.descend(0, 0, 0)
    this.best?.choice.forEach((option, i) => {
      if (this.group.settings.includes(i)) this.choice[i] = option
    })
    return this.best?.figures
  }

  private isBrokenMust(t: number, bound: number): number {
    const limit = this.input.terms[t]?.mustLimit
    return limit !== undefined && bound > limit ? 1 : 0
  }

  /** Settings that can grey others out come first; then those that share most with what is already decided. */
  private decideOrder(links: readonly LinkedRule[]): readonly number[] {
    const { settings } = this.input
    const position = new Map(settings.map((s, i) => [s.id, i]))
    const ids = this.group.settings.flatMap(i => settings[i]?.id ?? [])
    const allowed = new Map(inBlockingOrder(ids, this.group.rules).map((id, i) => [position.get(id) ?? -1, i]))
    const waitsFor = new Map(
      this.group.settings.map(i => [i, new Set((this.greying[i] ?? []).flatMap(l => l.when.map(w => w.setting)))]),
    )
    const kin = new Map(this.group.settings.map(i => [i, new Set<number>()]))
    const relate = (members: readonly number[]) => {
      for (const a of members) for (const b of members) if (a !== b) kin.get(a)?.add(b)
    }
    for (const l of links) relate([...l.when.map(w => w.setting), l.target])
    for (const t of this.group.terms) relate(this.input.terms[t]?.settings ?? [])
    const order: number[] = []
    const left = new Set(this.group.settings)
    while (left.size) {
      const decided = new Set(order)
      const ready = [...left].filter(i => [...(waitsFor.get(i) ?? [])].every(w => decided.has(w)))
      const score = (i: number) => [...(kin.get(i) ?? [])].filter(k => decided.has(k)).length
      const next = ready.sort((a, b) => score(b) - score(a) || (allowed.get(a) ?? 0) - (allowed.get(b) ?? 0))[0]
      if (next === undefined) break
      order.push(next)
      left.delete(next)
    }
    return order
  }

  /** Of options that no term and no rule tells apart only the preferred one is tried: known, default, first in the menu. */
  private distinctOptions(i: number, links: readonly LinkedRule[]): readonly number[] {
    const inRules = links.flatMap(l => [
      ...l.when.filter(w => w.setting === i).map(w => w.options),
      ...(l.target === i && l.options.size ? [l.options] : []),
    ])
    const preference = (o: number) => (o === this.knownOption[i] ? 0 : o === this.defaultOption[i] ? 1 : 2 + o)
    const kept = new Map<string, number>()
    for (const option of this.input.domains[i] ?? []) {
      const said = (this.termsOf[i] ?? []).map(t => this.input.terms[t]?.signature(i, option)).join('|')
      const signature = `${said}#${inRules.map(set => Number(set.has(option))).join('')}`
      const other = kept.get(signature)
      if (other === undefined || preference(option) < preference(other)) kept.set(signature, option)
    }
    const estimate = (option: number) => {
      this.choice[i] = option
      let sum = 0
      for (const t of this.termsOf[i] ?? []) {
        const term = this.input.terms[t]
        if (!term) continue
        const bound = term.bound(this.choice)
        sum += bound * term.weight + (term.mustLimit !== undefined && bound > term.mustLimit ? 1e12 : 0)
      }
      this.choice[i] = UNDECIDED
      return sum
    }
    return [...kept.values()]
      .map(option => ({ option, estimate: estimate(option) }))
      .sort((a, b) => a.estimate - b.estimate || preference(a.option) - preference(b.option))
      .map(o => o.option)
  }

  private descend(depth: number, changed: number, unusual: number): void {
    if (++this.steps > MOST_STEPS)
      throw new SearchTooLargeError(this.group.settings.flatMap(i => this.input.settings[i]?.label ?? []))
    const i = this.order[depth]
    if (i === undefined) {
      this.keepIfBetter([this.broken, this.cost, changed, unusual])
      return
    }
    const greyed = (this.greying[i] ?? []).some(l =>
      l.when.every(w => w.options.has(this.choice[w.setting] ?? UNDECIDED)),
    )
    if (greyed) {
      if (!this.input.usable?.includes(i)) this.attempt(depth, i, GREYED, changed, unusual)
      return
    }
    for (const option of this.options[i] ?? []) {
      this.attempt(
        depth,
        i,
        option,
        changed + Number(option !== this.knownOption[i]),
        unusual + Number(option !== this.defaultOption[i]),
      )
    }
  }

  private attempt(depth: number, i: number, option: number, changed: number, unusual: number): void {
    this.choice[i] = option
    const violated = (this.checking[depth] ?? []).some(
      l => l.when.every(w => w.options.has(this.choice[w.setting] ?? UNDECIDED)) && isBroken(l, this.choice),
    )
    if (!violated) {
      const { broken, cost } = this
      const mine = this.termsOf[i] ?? []
      const before = mine.map(t => this.bounds[t] ?? 0)
      mine.forEach((t, k) => {
        const term = this.input.terms[t]
        if (!term) return
        const bound = term.bound(this.choice)
        this.cost += (bound - (before[k] ?? 0)) * term.weight
        this.broken += this.isBrokenMust(t, bound) - this.isBrokenMust(t, before[k] ?? 0)
        this.bounds[t] = bound
      })
      if (!this.isWorse([this.broken, this.cost, changed, unusual])) this.descend(depth + 1, changed, unusual)
      mine.forEach((t, k) => (this.bounds[t] = before[k] ?? 0))
      this.broken = broken
      this.cost = cost
    }
    this.choice[i] = UNDECIDED
  }

  private compare(figures: readonly number[]): number {
    if (!this.best) return -1
    for (let k = 0; k < figures.length; k++) {
      const difference = (figures[k] ?? 0) - (this.best.figures[k] ?? 0)
      if (difference !== 0) return difference
    }
    return 0
  }

  private isWorse(figures: readonly number[]): boolean {
    return this.compare(figures) > 0
  }

  private keepIfBetter(figures: readonly number[]): void {
    const difference = this.compare(figures)
    if (difference > 0 || (difference === 0 && !this.isEarlierInMenu())) return
    this.best = { choice: this.choice.slice(), figures }
  }

  private isEarlierInMenu(): boolean {
    for (const i of this.group.settings) {
      const mine = this.optionShown(this.choice, i)
      const theirs = this.optionShown(this.best?.choice ?? this.choice, i)
      if (mine !== theirs) return mine < theirs
    }
    return false
  }

  /** A greyed-out setting keeps the option it is known to be at. */
  private optionShown(choice: Int32Array, i: number): number {
    const option = choice[i] ?? UNDECIDED
    return option === GREYED ? (this.knownOption[i] ?? 0) : option
  }
}

/**
 * The best choice for every setting.
 *
 * @returns undefined where no state satisfies the rules
 * @throws SearchTooLargeError for a group of linked settings beyond what can be searched exactly
 */
export const search = (input: SearchInput, groups: readonly Group[] = groupsOf(input)): Found | undefined => {
  const choice = new Int32Array(input.settings.length).fill(UNDECIDED)
  let broken = 0
  let cost = 0
  for (const group of groups) {
    if (group.rules.length + group.terms.length === 0) {
      for (const i of group.settings) choice[i] = knownOptionOf(input, i)
      continue
    }
    const figures = new GroupSearch(input, group, choice).run()
    if (!figures) return undefined
    broken += figures[0] ?? 0
    cost += figures[1] ?? 0
  }
  return { choice, broken, cost }
}

/** The state that a choice stands for; greyed-out settings stay at what they are known to be set to. */
export const stateOf = (settings: readonly Setting[], choice: Int32Array, known: State): State =>
  Object.fromEntries(
    settings.map((s, i) => {
      const option = s.options[choice[i] ?? UNDECIDED]
      return [s.id, option?.id ?? (s.options.some(o => o.id === known[s.id]) ? (known[s.id] as string) : s.default)]
    }),
  )
