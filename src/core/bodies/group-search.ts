import {
  GREYED,
  type Group,
  type LinkedRule,
  type SearchInput,
  SearchTooLargeError,
  type Term,
  UNDECIDED,
} from './search-problem'

/** Components at least this large are remembered by what surrounds them; smaller ones are solved again as quickly. */
const WORTH_REMEMBERING = 3

/** What trying the options of one setting counts as work, beside the size of its component. */
const WORK_OF_A_CHOICE = 20

/** Components at least this large are searched for the setting that splits them best. */
const WORTH_SPLITTING = 5

/**
 * What a choice comes to, in two whole numbers that are compared one after the other: broken musts and cost, then
 * settings changed against the known state and settings that differ from the default.
 */
interface Figures {
  readonly main: number
  readonly minor: number
}

/** More than every cost of a group together; one broken must weighs this much. */
const BROKEN = 1e11
/** More than the settings of a group; one changed setting weighs this much. */
const CHANGED = 1e4

/** What is decided at one setting, and the solutions of the components that are left. */
interface Solution extends Figures {
  readonly setting: number
  readonly option: number
  readonly parts: readonly Solution[]
}

interface Candidate extends Figures {
  readonly option: number
}

const isWorse = (main: number, minor: number, than: Figures): boolean =>
  main > than.main || (main === than.main && minor > than.minor)

/**
 * The search of one group of linked settings. One setting is decided at a time, the best connected first; what is left
 * then often falls apart into components that no rule and no term connects any more. These are solved apart and
 * remembered by what surrounds them, so that a long chain of settings costs little more than its parts. Lower bounds
 * cut what cannot win.
 *
 * @source AND/OR branch and bound with caching: Marinescu and Dechter 2009, Artificial Intelligence 173:1457-1491
 */
export class GroupSearch {
  private readonly greying = new Map<number, readonly LinkedRule[]>()
  private readonly rulesOf = new Map<number, readonly LinkedRule[]>()
  private readonly neighbours = new Map<number, readonly number[]>()
  private readonly termsOf = new Map<number, readonly number[]>()
  private readonly options = new Map<number, readonly number[]>()
  private readonly bounds: Float64Array
  /** Marks terms as counted, and settings as seen, in the round of the same number. */
  private readonly counted: Int32Array
  private readonly seen: Int32Array
  private readonly queue: Int32Array
  private round = 0
  private readonly solved = new Map<string, Solution | null>()
  private work = 0

  /** @param choice the choice being made, by setting position; the group's own settings start undecided */
  constructor(
    private readonly input: SearchInput,
    private readonly group: Group,
    private readonly choice: Int32Array,
    private readonly mostWork: number,
  ) {
    const greys = (l: LinkedRule) => l.rule.then.effect === 'unavailable'
    for (const i of group.settings) {
      const rules = group.rules.filter(l => l.members.includes(i))
      const terms = group.terms.filter(t => input.terms[t]?.settings.includes(i))
      // All rules that can grey out one setting belong together: it is greyed when at least one of them holds.
      const together = rules.flatMap(l => (greys(l) ? group.rules.filter(m => greys(m) && m.target === l.target) : [l]))
      const near = new Set([...together.flatMap(l => l.members), ...terms.flatMap(t => input.terms[t]?.settings ?? [])])
      near.delete(i)
      this.greying.set(
        i,
        rules.filter(l => greys(l) && l.target === i),
      )
      this.rulesOf.set(i, rules)
      this.termsOf.set(i, terms)
      this.neighbours.set(
        i,
        [...near].sort((a, b) => a - b),
      )
      this.options.set(i, this.distinctOptions(i, rules, terms))
    }
    this.bounds = new Float64Array(input.terms.length)
    this.counted = new Int32Array(input.terms.length)
    this.seen = new Int32Array(choice.length)
    this.queue = new Int32Array(choice.length)
    for (const t of group.terms) this.bounds[t] = this.term(t).bound(choice)
  }

  /** Fills in the best choice of the group; undefined where no state satisfies its rules. */
  run(): { readonly broken: number; readonly cost: number } | undefined {
    const best = this.solve(this.group.settings)
    if (!best) return undefined
    this.fillIn(best, this.choice)
    const broken = Math.floor(best.main / BROKEN)
    return { broken, cost: best.main - broken * BROKEN }
  }

  private term(t: number): Term {
    return this.input.terms[t] as Term
  }

  /** Of options that no term and no rule tells apart only the preferred one is tried: known, default, first in the menu. */
  private distinctOptions(i: number, rules: readonly LinkedRule[], terms: readonly number[]): readonly number[] {
    const named = rules.flatMap(l => [
      ...l.when.filter(w => w.setting === i).map(w => w.options),
      ...(l.target === i && l.options.size ? [l.options] : []),
    ])
    const preference = (o: number) => (o === this.input.known[i] ? 0 : o === this.input.defaults[i] ? 1 : 2 + o)
    const kept = new Map<string, number>()
    for (const option of this.input.domains[i] ?? []) {
      const said = terms.map(t => this.term(t).signature(i, option)).join('|')
      const signature = `${said}#${named.map(set => Number(set.has(option))).join('')}`
      const other = kept.get(signature)
      if (other === undefined || preference(option) < preference(other)) kept.set(signature, option)
    }
    const canGrey = rules.some(l => l.target === i && l.rule.then.effect === 'unavailable')
    return canGrey && !this.input.usable?.includes(i) ? [...kept.values(), GREYED] : [...kept.values()]
  }

  /** The best choice for connected settings, given what is decided around them. */
  private solve(component: readonly number[]): Solution | undefined {
    const key = component.length >= WORTH_REMEMBERING ? this.keyOf(component) : undefined
    const known = key === undefined ? undefined : this.solved.get(key)
    if (known !== undefined) return known ?? undefined
    this.work += component.length ** 2 + WORK_OF_A_CHOICE
    if (this.work > this.mostWork)
      throw new SearchTooLargeError(this.group.settings.flatMap(i => this.input.settings[i]?.label ?? []))
    const next = this.pick(component)
    const parts = this.split(component, next)
    let best: Solution | undefined
    for (const candidate of this.candidates(next, component)) {
      if (best && isWorse(candidate.main, candidate.minor, best)) break
      const found = this.withOption(next, candidate.option, parts, best)
      if (found && (!best || this.isBetter(found, best, component))) best = found
    }
    if (key !== undefined) this.solved.set(key, best ?? null)
    return best
  }

  private keyOf(component: readonly number[]): string {
    const around = new Set<number>()
    for (const i of component)
      for (const n of this.neighbours.get(i) ?? []) if (this.choice[n] !== UNDECIDED) around.add(n)
    let key = component.join()
    for (const n of [...around].sort((a, b) => a - b)) key += `|${n}=${this.choice[n]}`
    return key
  }

  /** The setting without which the rest falls apart most; among equals the one with most undecided neighbours. */
  private pick(component: readonly number[]): number {
    const open = component.map(i => this.openNeighbours(i))
    // Where two settings touch all others, no single decision makes the rest fall apart.
    const central = open.filter(n => n === component.length - 1).length
    const splits = component.length >= WORTH_SPLITTING && central < 2
    let chosen = component[0] ?? -1
    let least = Infinity
    let most = -1
    component.forEach((i, k) => {
      const largest = splits ? this.largestWithout(component, i) : 0
      const neighbours = open[k] ?? 0
      if (largest > least || (largest === least && neighbours <= most)) return
      least = largest
      most = neighbours
      chosen = i
    })
    return chosen
  }

  private openNeighbours(i: number): number {
    let open = 0
    for (const n of this.neighbours.get(i) ?? []) if (this.choice[n] === UNDECIDED) open++
    return open
  }

  /** The size of the largest component that is left when one setting is decided. */
  private largestWithout(component: readonly number[], without: number): number {
    const round = ++this.round
    this.seen[without] = round
    let largest = 0
    for (const start of component) {
      if (this.seen[start] === round) continue
      this.seen[start] = round
      let end = 0
      this.queue[end++] = start
      for (let at = 0; at < end; at++)
        for (const n of this.neighbours.get(this.queue[at] ?? -1) ?? [])
          if (this.seen[n] !== round && this.choice[n] === UNDECIDED) {
            this.seen[n] = round
            this.queue[end++] = n
          }
      if (end > largest) largest = end
    }
    return largest
  }

  private holds(l: LinkedRule): boolean {
    return l.when.every(w => w.options.has(this.choice[w.setting] ?? UNDECIDED))
  }

  private canHold(l: LinkedRule): boolean {
    return l.when.every(w => this.choice[w.setting] === UNDECIDED || w.options.has(this.choice[w.setting] ?? UNDECIDED))
  }

  /** Whether what is decided so far breaks a rule. */
  private refuses(l: LinkedRule): boolean {
    const option = this.choice[l.target] ?? UNDECIDED
    if (option === UNDECIDED) return false
    switch (l.rule.then.effect) {
      case 'unavailable':
        return option === GREYED
          ? !(this.greying.get(l.target) ?? []).some(other => this.canHold(other))
          : this.holds(l)
      case 'forced':
        return option !== GREYED && !l.options.has(option) && this.holds(l)
      case 'excludes':
        return l.options.has(option) && this.holds(l)
    }
  }

  /** The options of a setting that no rule refuses yet, the most promising first, with the least figures of each. */
  private candidates(i: number, component: readonly number[]): readonly Candidate[] {
    const mine = this.termsOf.get(i) ?? []
    const others = this.openCost(component, mine)
    const found: Candidate[] = []
    for (const option of this.options.get(i) ?? []) {
      this.choice[i] = option
      if (this.rulesOf.get(i)?.some(l => this.refuses(l))) continue
      let main = others
      for (const t of mine) main += this.costOf(t, this.term(t).bound(this.choice))
      found.push({ option, main, minor: this.changesOf(i, option) })
    }
    this.choice[i] = UNDECIDED
    return found.sort(
      (a, b) => a.main - b.main || a.minor - b.minor || this.shown(a.option, i) - this.shown(b.option, i),
    )
  }

  /** Decides one option, then the components that are left; undefined where that cannot beat the best so far. */
  private withOption(
    i: number,
    option: number,
    components: readonly (readonly number[])[],
    best: Solution | undefined,
  ): Solution | undefined {
    const mine = this.termsOf.get(i) ?? []
    const before = mine.map(t => this.bounds[t] ?? 0)
    this.choice[i] = option
    for (const t of mine) this.bounds[t] = this.term(t).bound(this.choice)
    const solution = this.combine(i, option, components, best)
    mine.forEach((t, k) => (this.bounds[t] = before[k] ?? 0))
    this.choice[i] = UNDECIDED
    return solution
  }

  private combine(
    i: number,
    option: number,
    components: readonly (readonly number[])[],
    best: Solution | undefined,
  ): Solution | undefined {
    let main = 0
    let minor = this.changesOf(i, option)
    for (const t of this.termsOf.get(i) ?? [])
      if (this.term(t).settings.every(s => this.choice[s] !== UNDECIDED)) main += this.costOf(t, this.bounds[t] ?? 0)
    const hoped = components.map(c => this.openCost(c, []))
    let open = hoped.reduce((sum, h) => sum + h, 0)
    const parts: Solution[] = []
    for (const [k, component] of components.entries()) {
      if (best && isWorse(main + open, minor, best)) return undefined
      const found = this.solve(component)
      if (!found) return undefined
      open -= hoped[k] ?? 0
      main += found.main
      minor += found.minor
      parts.push(found)
    }
    return { main, minor, setting: i, option, parts }
  }

  /** The undecided settings without one of them, in components that share no rule and no term. */
  private split(settings: readonly number[], without: number): readonly (readonly number[])[] {
    const left = new Set(settings)
    left.delete(without)
    const parts: number[][] = []
    for (const start of settings) {
      if (!left.delete(start)) continue
      const part = [start]
      for (const i of part) for (const n of this.neighbours.get(i) ?? []) if (left.delete(n)) part.push(n)
      parts.push(part.sort((a, b) => a - b))
    }
    return parts
  }

  /** The least cost of all terms that touch a component, but for some. */
  private openCost(component: readonly number[], except: readonly number[]): number {
    const round = ++this.round
    for (const t of except) this.counted[t] = round
    let sum = 0
    for (const i of component)
      for (const t of this.termsOf.get(i) ?? []) {
        if (this.counted[t] === round) continue
        this.counted[t] = round
        sum += this.costOf(t, this.bounds[t] ?? 0)
      }
    return sum
  }

  private costOf(t: number, bound: number): number {
    const { weight, mustLimit } = this.term(t)
    return bound * weight + (mustLimit !== undefined && bound > mustLimit ? BROKEN : 0)
  }

  private changesOf(i: number, option: number): number {
    if (option === GREYED) return 0
    return (option === this.input.known[i] ? 0 : CHANGED) + Number(option !== this.input.defaults[i])
  }

  private isBetter(a: Solution, b: Solution, component: readonly number[]): boolean {
    if (a.main !== b.main) return a.main < b.main
    if (a.minor !== b.minor) return a.minor < b.minor
    const [mine, theirs] = [a, b].map(s => {
      const choice = new Int32Array(this.choice.length)
      this.fillIn(s, choice)
      return choice
    })
    for (const i of component) {
      const difference = this.shown(mine?.[i] ?? 0, i) - this.shown(theirs?.[i] ?? 0, i)
      if (difference !== 0) return difference < 0
    }
    return false
  }

  private fillIn(solution: Solution, choice: Int32Array): void {
    choice[solution.setting] = solution.option
    for (const part of solution.parts) this.fillIn(part, choice)
  }

  /** A greyed-out setting keeps the option it is known to be at. */
  private shown(option: number, i: number): number {
    return option === GREYED ? (this.input.known[i] ?? 0) : option
  }
}
