import type { Rule } from '../bodies'
import { groupsOf, search, type SearchInput, type Term } from '../bodies/search'
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
  | { readonly kind: 'rule'; readonly rule: Rule }

/** Sets tried at most for one conflict; beyond, the set found is irreducible but perhaps not the smallest. */
const MOST_SETS = 20_000

/** For each broken must the smallest set that explains why it cannot be held. */
export const findConflicts = (problem: ResolveProblem, brokenMusts: readonly string[]): readonly Conflict[] => {
  if (!brokenMusts.length) return []
  const groups = groupsOf(problem.input)
  return brokenMusts.flatMap(must => {
    const t = problem.targets.findIndex(x => x.target.dimension === must)
    const term = problem.targets[t]?.term
    const group = groups.find(g => g.terms.includes(t))
    if (!term) return []
    const others: Member[] = group
      ? [
          ...group.terms.flatMap((other): Member[] => {
            const onBody = problem.targets[other]
            const isOtherMust = other !== t && onBody?.term.mustLimit !== undefined
            return isOtherMust ? [{ kind: 'must', term: onBody.term, dimension: onBody.target.dimension }] : []
          }),
          ...group.rules.map((rule): Member => ({ kind: 'rule', rule })),
        ]
      : []
    const own: Member = { kind: 'must', term, dimension: must }
    const found = smallestSet(problem.input, own, others)
    return found ? [found] : []
  })
}

const canHold = (input: SearchInput, members: readonly Member[]): boolean => {
  const terms = members.flatMap(m => (m.kind === 'must' ? [{ ...m.term, weight: 0 }] : []))
  const rules = members.flatMap(m => (m.kind === 'rule' ? [m.rule] : []))
  const limited: SearchInput = { ...input, terms, rules }
  const silent = terms.some(t => t.settings.length === 0 && t.bound(new Int32Array()) > (t.mustLimit ?? Infinity))
  if (silent) return false
  const relevant = groupsOf(limited).filter(g => g.terms.length + g.rules.length > 0)
  const found = search(limited, relevant)
  return found !== undefined && found.broken === 0
}

const smallestSet = (input: SearchInput, own: Member, others: readonly Member[]): Conflict | undefined => {
  const clashes = (set: readonly Member[]) => !canHold(input, [own, ...set]) && canHold(input, set)
  const irreducible = reduce(others, set => !canHold(input, [own, ...set]))
  if (!irreducible) return undefined
  let tried = 0
  for (let size = 0; size < irreducible.length; size++)
    for (const set of subsets(others, size)) {
      if (++tried > MOST_SETS) return conflictOf(own, irreducible, false)
      if (clashes(set)) return conflictOf(own, set, true)
    }
  return conflictOf(own, irreducible, true)
}

/** Drops members as long as the set still clashes; undefined where it does not clash to begin with. */
const reduce = (
  members: readonly Member[],
  clashes: (set: readonly Member[]) => boolean,
): readonly Member[] | undefined => {
  if (!clashes(members)) return undefined
  return members.reduce((kept, m) => {
    const without = kept.filter(k => k !== m)
    return clashes(without) ? without : kept
  }, members)
}

function* subsets<T>(items: readonly T[], size: number, from = 0): Generator<readonly T[]> {
  if (size === 0) {
    yield []
    return
  }
  for (let i = from; i <= items.length - size; i++)
    for (const rest of subsets(items, size - 1, i + 1)) yield [items[i] as T, ...rest]
}

const conflictOf = (own: Member, set: readonly Member[], smallest: boolean): Conflict => ({
  must: own.kind === 'must' ? own.dimension : '',
  against: set.flatMap(m => (m.kind === 'must' ? [m.dimension] : [])),
  rules: set.flatMap(m => (m.kind === 'rule' ? [{ id: m.rule.id, words: m.rule.words }] : [])),
  smallest,
})
