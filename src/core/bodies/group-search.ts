import { GroupWalk } from './group-walk'
import { type Group, type SearchInput, SearchTooLargeError, UNDECIDED } from './search-problem'

/** Components at least this large are remembered by what surrounds them; smaller ones are solved again as quickly. */
const WORTH_REMEMBERING = 3

/** What trying the options of one setting counts as work, beside the size of its component. */
const WORK_OF_A_CHOICE = 20

/**
 * What a choice comes to, in two whole numbers that are compared one after the other: broken musts and cost, then
 * settings changed against the known state and settings that differ from the default.
 */
interface Figures {
  readonly main: number
  readonly minor: number
}

/** More than every cost of a group together; one broken must weighs this much. */
const BROKEN = 1e13
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
export class GroupSearch extends GroupWalk {
  private readonly bounds: Float64Array
  /** Marks terms as counted, in the round of the same number. */
  private readonly counted: Int32Array
  private readonly solved = new Map<string, Solution | null>()
  /** What was spent so far. */
  work = 0

  /** @param choice the choice being made, by setting position; the group's own settings start undecided */
  constructor(
    input: SearchInput,
    group: Group,
    choice: Int32Array,
    private readonly mostWork: number,
  ) {
    super(input, group, choice)
    this.bounds = new Float64Array(input.terms.length)
    this.counted = new Int32Array(input.terms.length)
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

  /** The best choice for connected settings, given what is decided around them. */
  private solve(component: readonly number[]): Solution | undefined {
    // Stryker disable next-line all: it only takes longer
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
      // Stryker disable next-line ConditionalExpression: it only takes longer
      if (best && isWorse(candidate.main, candidate.minor, best)) break
      const found = this.withOption(next, candidate.option, parts, best)
      if (found && (!best || this.isBetter(found, best, component))) best = found
    }
    if (key !== undefined) this.solved.set(key, best ?? null)
    return best
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
    // Stryker disable next-line all: a bound that is too low costs time, and nothing else
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
      // Stryker disable next-line ConditionalExpression,ArithmeticOperator: what cannot be better is searched to its end, which takes time
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
}
