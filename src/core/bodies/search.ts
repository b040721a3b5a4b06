import { GroupSearch } from './group-search'
import type { Setting, State } from './schema'
import { type Found, GREYED, type Group, type LinkedRule, type SearchInput, UNDECIDED } from './search-problem'

export * from './search-problem'

/** A group that needs more work than this (some seconds) is refused rather than left to run. */
const MOST_WORK = 2_000_000

/**
 * The best state of a body under its rules: finite-domain search with bounding, each independent group of settings
 * apart. What "best" means comes in as terms; this file knows nothing of targets.
 *
 * States are compared by broken musts, then cost, then settings changed against the known state, then settings that
 * differ from the default, then menu order, so that equal answers never flicker. All figures are integers, so that
 * neither the order of the input nor rounding can decide.
 *
 * @param groups the groups to decide; settings of others are left undecided
 * @param mostWork what may be spent on one group: for each choice about the square of the settings still linked
 * @param spend is told what each group took, also where that was too much
 * @returns undefined where no state satisfies the rules
 * @throws SearchTooLargeError for a group of linked settings beyond what can be searched exactly
 */
export const search = (
  input: SearchInput,
  groups: readonly Group[] = groupsOf(input),
  mostWork = MOST_WORK,
  spend: (work: number) => void = () => {},
): Found | undefined => {
  const choice = new Int32Array(input.settings.length).fill(UNDECIDED)
  let broken = 0
  let cost = 0
  for (const group of groups) {
    if (group.rules.length + group.terms.length === 0) {
      for (const i of group.settings) choice[i] = input.known[i] ?? UNDECIDED
      continue
    }
    const searched = new GroupSearch(input, group, choice, mostWork)
    const found = spending(searched, spend)
    if (!found) return undefined
    broken += found.broken
    cost += found.cost
  }
  return { choice, broken, cost }
}

const spending = (searched: GroupSearch, spend: (work: number) => void) => {
  try {
    return searched.run()
  } finally {
    spend(searched.work)
  }
}

/** Splits the settings into groups that no rule and no term connects. */
export const groupsOf = (input: Pick<SearchInput, 'settings' | 'rules' | 'terms'>): readonly Group[] => {
  const parent = Int32Array.from(input.settings, (_, i) => i)
  const root = (i: number): number => {
    let r = i
    while (parent[r] !== r) r = parent[r] ?? r
    parent[i] = r
    return r
  }
  const link = (members: readonly number[]) => {
    for (const m of members) parent[root(m)] = root(members[0] ?? m)
  }
  for (const rule of input.rules) link(rule.members)
  for (const term of input.terms) link(term.settings)

  const groups = new Map<number, { settings: number[]; rules: LinkedRule[]; terms: number[] }>()
  input.settings.forEach((_, i) => {
    const group = groups.get(root(i))
    if (group) group.settings.push(i)
    else groups.set(root(i), { settings: [i], rules: [], terms: [] })
  })
  const groupAt = (i: number | undefined) => (i === undefined ? undefined : groups.get(root(i)))
  for (const rule of input.rules) groupAt(rule.target)?.rules.push(rule)
  input.terms.forEach((term, t) => groupAt(term.settings[0])?.terms.push(t))
  return [...groups.values()]
}

/** The state that a choice stands for; greyed-out settings stay at what they are known to be set to. */
export const stateOf = ({ settings, known }: SearchInput, choice: Int32Array): State =>
  Object.fromEntries(
    settings.map((s: Setting, i) => {
      const option = choice[i] ?? GREYED
      return [s.id, s.options[option < 0 ? (known[i] ?? 0) : option]?.id ?? s.default]
    }),
  )
