import { GREYED, type Group, type LinkedRule, type SearchInput, type Term, UNDECIDED } from './search-problem'

/** Components at least this large are searched for the setting that splits them best. */
const WORTH_SPLITTING = 5

/** More than the settings of a group; one changed setting weighs this much. */
const CHANGED = 1e4

/**
 * Walking through the states of one group of linked settings: which setting to decide next, which options it has under
 * what is decided so far, and how the rest falls apart. What is made of the states is for those who walk.
 */
export class GroupWalk {
  protected readonly greying = new Map<number, readonly LinkedRule[]>()
  protected readonly rulesOf = new Map<number, readonly LinkedRule[]>()
  protected readonly neighbours = new Map<number, readonly number[]>()
  protected readonly termsOf = new Map<number, readonly number[]>()
  protected readonly options = new Map<number, readonly number[]>()
  /** Marks settings as seen in the round of the same number. */
  private readonly seen: Int32Array
  private readonly queue: Int32Array
  protected round = 0

  /** @param choice the choice being made, by setting position; the group's own settings start undecided */
  constructor(
    protected readonly input: SearchInput,
    protected readonly group: Group,
    protected readonly choice: Int32Array,
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
    this.seen = new Int32Array(choice.length)
    this.queue = new Int32Array(choice.length)
  }

  protected term(t: number): Term {
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

  protected keyOf(component: readonly number[]): string {
    const around = new Set<number>()
    for (const i of component)
      for (const n of this.neighbours.get(i) ?? []) if (this.choice[n] !== UNDECIDED) around.add(n)
    let key = component.join()
    for (const n of [...around].sort((a, b) => a - b)) key += `|${n}=${this.choice[n]}`
    return key
  }

  /** The setting without which the rest falls apart most; among equals the one with most undecided neighbours. */
  protected pick(component: readonly number[]): number {
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
    // Stryker disable next-line UpdateOperator: any figure that was not there before
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
  protected refuses(l: LinkedRule): boolean {
    const option = this.choice[l.target] ?? UNDECIDED
    if (option === UNDECIDED) return false
    switch (l.rule.then.effect) {
      case 'unavailable':
        return option === GREYED
          ? !(this.greying.get(l.target) ?? []).some(other => this.canHold(other))
          : !l.isOptional && this.holds(l)
      case 'forced':
        return option !== GREYED && !l.options.has(option) && this.holds(l)
      case 'excludes':
        return l.options.has(option) && this.holds(l)
    }
  }

  /** The undecided settings without one of them, in components that share no rule and no term. */
  protected split(settings: readonly number[], without: number): readonly (readonly number[])[] {
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

  protected changesOf(i: number, option: number): number {
    if (option === GREYED) return 0
    return (option === this.input.known[i] ? 0 : CHANGED) + Number(option !== this.input.defaults[i])
  }

  /** A greyed-out setting keeps the option it is known to be at. */
  protected shown(option: number, i: number): number {
    return option === GREYED ? (this.input.known[i] ?? 0) : option
  }
}
