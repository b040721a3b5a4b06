import { GroupWalk } from './group-walk'
import { type Group, type SearchInput, SearchTooLargeError, UNDECIDED } from './search-problem'

/**
 * Every state of one group of linked settings that its rules allow and that breaks the fewest musts, as a graph: at
 * a node one setting is decided, each branch is one of its options, and below a branch stand the parts that the rest
 * falls into. Parts that are alike are shared, so that a group of a billion states fits into some hundred branches.
 * Any weighing of the terms against each other is then answered by one pass over the branches.
 *
 * @source AND/OR graphs with context-based merging: Mateescu, Dechter and Marinescu 2008, Journal of Artificial
 * Intelligence Research 33:465-519
 */
export interface StateGraph {
  /** Positions in the input of the terms that the group decides. */
  readonly terms: readonly number[]
  /** Children before parents; the last one is the root. */
  readonly nodes: readonly GraphNode[]
}

export interface GraphNode {
  readonly setting: number
  readonly branches: readonly Branch[]
}

export interface Branch {
  readonly option: number
  /** Terms that are decided here, each with what it amounts to: a number from `behaviourOf`. */
  readonly decided: readonly (readonly [term: number, behaviour: number])[]
  readonly children: readonly number[]
  /** Settings changed and departures from the default, weighed as in the search. */
  readonly minor: number
}

interface Reached {
  readonly node: number
  readonly broken: number
}

/** A group of more branches than this is refused rather than left to fill the memory. */
const MOST_BRANCHES = 200_000

class GraphBuilder extends GroupWalk {
  private readonly nodes: GraphNode[] = []
  private readonly known = new Map<string, Reached | null>()
  private branches = 0

  constructor(
    input: SearchInput,
    group: Group,
    choice: Int32Array,
    private readonly behaviourOf: (term: number, choice: Int32Array) => number,
  ) {
    super(input, group, choice)
  }

  build(): readonly GraphNode[] | undefined {
    return this.reach(this.group.settings) ? withinReach(this.nodes) : undefined
  }

  private reach(component: readonly number[]): Reached | undefined {
    const key = this.keyOf(component)
    const known = this.known.get(key)
    if (known !== undefined) return known ?? undefined
    const setting = this.pick(component)
    const parts = this.split(component, setting)
    let least = Infinity
    let branches: Branch[] = []
    for (const option of this.options.get(setting) ?? []) {
      this.choice[setting] = option
      if (this.rulesOf.get(setting)?.some(l => this.refuses(l))) continue
      const found = this.branchOf(setting, option, parts)
      if (!found || found.broken > least) continue
      if (found.broken < least) branches = []
      least = found.broken
      branches.push(found.branch)
    }
    this.choice[setting] = UNDECIDED
    this.branches += branches.length
    if (this.branches > MOST_BRANCHES)
      // Stryker disable next-line ArrayDeclaration: what is in a group is there
      throw new SearchTooLargeError(this.group.settings.flatMap(i => this.input.settings[i]?.label ?? []))
    const reached = branches.length ? { node: this.nodes.push({ setting, branches }) - 1, broken: least } : undefined
    this.known.set(key, reached ?? null)
    return reached
  }

  private branchOf(setting: number, option: number, parts: readonly (readonly number[])[]) {
    let broken = 0
    const decided: (readonly [number, number])[] = []
    for (const t of this.termsOf.get(setting) ?? []) {
      const term = this.term(t)
      if (!term.settings.every(s => this.choice[s] !== UNDECIDED)) continue
      if (term.mustLimit !== undefined && term.bound(this.choice) > term.mustLimit) broken++
      decided.push([t, this.behaviourOf(t, this.choice)])
    }
    const children: number[] = []
    for (const part of parts) {
      const reached = this.reach(part)
      if (!reached) return undefined
      broken += reached.broken
      children.push(reached.node)
    }
    return { broken, branch: { option, decided, children, minor: this.changesOf(setting, option) } }
  }
}

/** Leaves out the nodes that only lay below branches that break more musts than they have to. */
const withinReach = (nodes: readonly GraphNode[]): readonly GraphNode[] => {
  const reached = new Uint8Array(nodes.length)
  reached[nodes.length - 1] = 1
  for (let n = nodes.length - 1; n >= 0; n--)
    if (reached[n]) for (const b of nodes[n]?.branches ?? []) for (const c of b.children) reached[c] = 1
  const position = new Int32Array(nodes.length)
  let count = 0
  reached.forEach((r, n) => (position[n] = r ? count++ : -1))
  return nodes
    .filter((_, n) => reached[n])
    .map(({ setting, branches }) => ({
      setting,
      branches: branches.map(b => ({ ...b, children: b.children.map(c => position[c] ?? -1) })),
    }))
}

/**
 * @param behaviourOf a number for what a decided term amounts to under a choice; equal numbers mean the same
 * @returns undefined where no state satisfies the rules
 * @throws SearchTooLargeError for a group too entangled to hold
 */
export const stateGraph = (
  input: SearchInput,
  group: Group,
  behaviourOf: (term: number, choice: Int32Array) => number,
): StateGraph | undefined => {
  const choice = new Int32Array(input.settings.length).fill(UNDECIDED)
  const nodes = new GraphBuilder(input, group, choice, behaviourOf).build()
  return nodes && { terms: group.terms, nodes }
}
