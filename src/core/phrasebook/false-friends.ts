import type { Body } from '../bodies'
import { isNearWord, isOrdinary, stemOf, wordsIn } from '../language/language'
import { dimension } from '../vocabulary/dimensions'
import { distance } from '../vocabulary/distance'
import { GRADE_LIMITS } from '../vocabulary/grade'
import { statementsOf } from '../vocabulary/parts'
import type { ControlAssignment, NeutralValue } from '../vocabulary/values'
import { conceptWords, type Term, termsOf } from './terms'

/** The same word, or nearly, with different meanings on two bodies. */
export interface FalseFriend {
  /** The word they share, as the first body writes it. */
  readonly word: string
  readonly here: Usage
  readonly there: Usage
  /** The words are spelt the same; otherwise they are only near. */
  readonly exact: boolean
}

export interface Usage {
  readonly body: string
  readonly maker: string
  readonly model: string
  readonly label: string
  readonly setting: string
  readonly settingId: string
  readonly concepts: readonly string[]
  /** What the word is about on this body. */
  readonly meaning: string
}

interface WordUse {
  readonly word: string
  readonly term: Term
  readonly value?: NeutralValue | undefined
}

/** Shorter words are near to too many others. */
const SHORTEST_NEAR = 6

const usesOf = (body: Body): readonly WordUse[] => {
  const found = new Map<string, WordUse>()
  for (const term of termsOf(body)) {
    // A list of areas names them; what they are is told where they are chosen.
    if (term.concepts.length === 0 || term.concepts.includes('area.offered')) continue
    const setting = body.settings.find(s => s.id === term.settingId)
    const option = setting?.options.find(o => o.id === term.optionId)
    const [concept] = term.concepts
    // An option's word that also names its setting is told by the setting.
    const own = wordsIn(term.label).filter(w => !isOrdinary(w))
    for (const word of own) {
      const key = `${word} ${term.concepts.join()}`
      if (term.kind === 'option' && wordsIn(term.setting).includes(word)) continue
      if (!found.has(key))
        found.set(key, {
          word,
          term,
          value: concept && term.concepts.length === 1 ? option?.means[concept] : undefined,
        })
    }
  }
  return [...found.values()]
}

const valuesDiffer = (concept: string, a: NeutralValue, b: NeutralValue): boolean => {
  const d = dimension(concept)
  if (d.kind === 'assign') {
    const [x, y] = [a as ControlAssignment, b as ControlAssignment]
    return x.press !== y.press && x.press !== undefined && y.press !== undefined
  }
  if (d.kind === 'area') {
    const said = (v: NeutralValue) => new Map(statementsOf(concept, v).map(s => [s.channel, s.value]))
    const [x, y] = [said(a).get('area.size'), said(b).get('area.size')]
    return x !== undefined && y !== undefined && distance(dimension('area.size'), x, y) > GRADE_LIMITS.near
  }
  return distance(d, a, b) > GRADE_LIMITS.near
}

/** The functions of one button are not the name's fault: concepts that a key can carry count as one. */
const isWork = (concepts: readonly string[]): boolean => concepts.length > 2

const differ = (a: WordUse, b: WordUse): boolean => {
  const shared = a.term.concepts.filter(c => b.term.concepts.includes(c))
  if (shared.length === 0) return !(isWork(a.term.concepts) && isWork(b.term.concepts))
  const [only] = shared
  return (
    only !== undefined &&
    a.value !== undefined &&
    b.value !== undefined &&
    a.term.kind === 'option' &&
    b.term.kind === 'option' &&
    valuesDiffer(only, a.value, b.value)
  )
}

const usageOf = ({ term }: WordUse): Usage => ({
  body: term.body,
  maker: term.maker,
  model: term.model,
  label: term.label,
  setting: term.setting,
  settingId: term.settingId,
  concepts: term.concepts,
  meaning: isWork(term.concepts) ? 'the work of a key' : term.concepts.map(c => conceptWords(c).label).join(', '),
})

const isNear = (a: string, b: string): boolean =>
  Math.min(a.length, b.length) >= SHORTEST_NEAR && a[0] === b[0] && stemOf(a) !== stemOf(b) && isNearWord(a, b)

type ByWord = ReadonlyMap<string, readonly WordUse[]>

const byWordOf = (uses: readonly WordUse[]): ByWord => {
  const byWord = new Map<string, WordUse[]>()
  for (const use of uses) byWord.set(use.word, [...(byWord.get(use.word) ?? []), use])
  return byWord
}

/** Which other words each word is nearly the same as; compared only with those of its first letter. */
const nearWords = (words: readonly string[]): ReadonlyMap<string, readonly string[]> => {
  const byLetter = new Map<string, string[]>()
  for (const w of words)
    if (w.length >= SHORTEST_NEAR) byLetter.set(w.charAt(0), [...(byLetter.get(w.charAt(0)) ?? []), w])
  return new Map(words.map(w => [w, (byLetter.get(w.charAt(0)) ?? []).filter(other => other > w && isNear(w, other))]))
}

const shareAConcept = (a: WordUse, b: WordUse): boolean => a.term.concepts.some(c => b.term.concepts.includes(c))

/** The two uses that mislead; undefined where the words agree, or both bodies also use them alike. */
const misleading = (mine: readonly WordUse[], theirs: readonly WordUse[]): readonly [WordUse, WordUse] | undefined => {
  const pairs = mine.flatMap(x => theirs.map(y => [x, y] as const))
  if (pairs.some(([x, y]) => shareAConcept(x, y) && !differ(x, y))) return undefined
  return pairs.find(([x, y]) => differ(x, y))
}

/** Words of a body on one side, of another on the other, that mislead whoever knows only one of them. */
export const falseFriendsBetween = (a: Body, b: Body): readonly FalseFriend[] => falseFriendsOf([a, b])

/** All false friends over the given bodies; a word that two bodies use alike is a friend and not among them. */
export const falseFriendsOf = (bodies: readonly Body[]): readonly FalseFriend[] => {
  const each = bodies.map(b => byWordOf(usesOf(b)))
  const bodiesOf = new Map<string, number[]>()
  each.forEach((byWord, i) => {
    for (const word of byWord.keys()) bodiesOf.set(word, [...(bodiesOf.get(word) ?? []), i])
  })
  const words = [...bodiesOf.keys()].sort()
  const near = nearWords(words)
  const found: FalseFriend[] = []
  const compare = (word: string, i: number, other: string, k: number) => {
    const pair = misleading(each[i]?.get(word) ?? [], each[k]?.get(other) ?? [])
    if (pair) found.push({ word, here: usageOf(pair[0]), there: usageOf(pair[1]), exact: word === other })
  }
  for (const word of words) {
    const here = bodiesOf.get(word) ?? []
    for (const i of here) for (const k of here) if (i < k) compare(word, i, word, k)
    for (const other of near.get(word) ?? [])
      for (const i of here)
        for (const k of bodiesOf.get(other) ?? []) {
          if (i < k) compare(word, i, other, k)
          if (i > k) compare(other, k, word, i)
        }
  }
  return found.sort((x, y) => Number(y.exact) - Number(x.exact))
}
