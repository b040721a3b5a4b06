import { groupsOf, type LinkedRule, search, type SearchInput, type Term, UNDECIDED } from '../bodies/search'
import type { ResolveProblem } from './problem'

/** A smallest set of musts and rules that cannot hold together. */
export interface Conflict {
  /** The must that is broken. */
  readonly must: string
  /** The other musts that stand against it, by dimension. */
  readonly against: readonly string[]
  readonly rules: readonly { readonly id: string; readonly words: string }[]
  /** False where there were too many combinations to be sure that no smaller set exists. */
  readonly smallest: boolean
}

type Member =
  | { readonly kind: 'must'; readonly term: Term; readonly dimension: string }
  | { readonly kind: 'rule'; readonly rule: LinkedRule }

/** Sets tried at most for one conflict; beyond, the set found is irreducible but perhaps not the smallest. */
const MOST_SETS = 5000

/**
 * For each broken must the smallest set of rules and held musts that it cannot stand with. Held musts and rules can
 * stand together, as the resolved state shows; with the broken one they cannot, or it would not be broken.
 */
export const findConflicts = (problem: ResolveProblem, brokenMusts: readonly string[]): readonly Conflict[] => {
  if (!brokenMusts.length) return []
  // What the targets ask, whatever a control map makes of them on this body.
  const input: SearchInput = { ...problem.input, terms: problem.targets.map(t => t.term) }
  const groups = groupsOf(input)
  const nothing = new Int32Array(problem.settings.length).fill(UNDECIDED)
  return brokenMusts.flatMap((must): readonly Conflict[] => {
    const t = problem.targets.findIndex(x => x.target.dimension === must)
    const term = problem.targets[t]?.term
    const group = groups.find(g => g.terms.includes(t))
    if (!term) return []
    // Stryker disable next-line ConditionalExpression: tried without all others, it comes to the same
    if (!group || term.bound(nothing) > (term.mustLimit ?? Infinity))
      return [{ must, against: [], rules: [], smallest: true }]
    const others: Member[] = [
      ...group.terms.flatMap((other): Member[] => {
        const onBody = problem.targets[other]
        const isHeldMust = onBody?.term.mustLimit !== undefined && !brokenMusts.includes(onBody.target.dimension)
        return isHeldMust ? [{ kind: 'must', term: onBody.term, dimension: onBody.target.dimension }] : []
      }),
      ...group.rules.map((rule): Member => ({ kind: 'rule', rule })),
    ]
    const clashes = (set: readonly Member[]) => !canHold(input, term, set)
    // The body could hold it and does not: the control map has it otherwise.
    if (!clashes(others)) return []
    return [smallestSet(must, others, clashes)]
  })
}

/**
 * Whether some state satisfies the rules of a set and holds its musts together with one more. A rule outside of the set
 * asks for nothing. One that greys a setting out may still do so: a setting that is silenced is something the body can
 * be in, not only something that is forbidden to it, and leaving out a rule must never take a state away.
 */
const canHold = (input: SearchInput, own: Term, members: readonly Member[]): boolean => {
  const terms = [own, ...members.flatMap(m => (m.kind === 'must' ? [m.term] : []))].map(t => ({ ...t, weight: 0 }))
  const asked = new Set(members.flatMap(m => (m.kind === 'rule' ? [m.rule] : [])))
  const rules = input.rules.flatMap((rule): LinkedRule[] => {
    if (asked.has(rule)) return [rule]
    return rule.rule.then.effect === 'unavailable' ? [{ ...rule, isOptional: true }] : []
  })
  const limited: SearchInput = { ...input, terms, rules }
  const found = search(
    limited,
    groupsOf(limited).filter(g => g.terms.includes(0)),
  )
  return found !== undefined && found.broken === 0
}

type Clashes = (set: readonly Member[]) => boolean

/** Most conflicts have one or two members, so small sets are tried before the size is bounded from above. */
const smallestSet = (must: string, others: readonly Member[], clashes: Clashes): Conflict => {
  let tried = 0
  let bound: readonly Member[] | undefined
  // Stryker disable next-line EqualityOperator: what is as large as the bound is the bound
  for (let size = 0; size < (bound ?? others).length; size++) {
    if (size === 2) bound = irreducible(others, clashes)
    if (bound && size >= bound.length) break
    for (const set of subsets(others, size)) {
      if (clashes(set)) return conflictOf(must, set, true)
      if (++tried > MOST_SETS) return conflictOf(must, irreducible(others, clashes), false)
    }
  }
  return conflictOf(must, bound ?? others, true)
}

/** Drops members as long as the set still clashes. */
const irreducible = (members: readonly Member[], clashes: Clashes): readonly Member[] =>
  members.reduce((kept, m) => {
    const without = kept.filter(k => k !== m)
    return clashes(without) ? without : kept
  }, members)

function* subsets<T>(items: readonly T[], size: number, from = 0): Generator<readonly T[]> {
  if (size === 0) {
    yield []
    return
  }
  for (let i = from; i <= items.length - size; i++)
    for (const rest of subsets(items, size - 1, i + 1)) yield [items[i] as T, ...rest]
}

const conflictOf = (must: string, set: readonly Member[], smallest: boolean): Conflict => ({
  must,
  against: set.flatMap(m => (m.kind === 'must' ? [m.dimension] : [])),
  rules: set.flatMap(m => (m.kind === 'rule' ? [{ id: m.rule.rule.id, words: m.rule.rule.words }] : [])),
  smallest,
})
