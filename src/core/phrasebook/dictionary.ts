import { type Body, isNotLookedFor, menuPath } from '../bodies'
import { DIMENSIONS, type Dimension, type GroupId } from '../vocabulary/dimensions'
import { distance } from '../vocabulary/distance'
import { type Grade, gradeOf } from '../vocabulary/grade'
import type { NeutralValue } from '../vocabulary/values'
import { valueWords } from '../vocabulary/words'
import { inPlaces } from '../resolve/problem'
import { type FalseFriend, falseFriendsBetween } from './false-friends'
import { presenceOf } from './nearest'
import { scalesOf } from './scales'
import { conceptsOfSetting, isConcept, saidAbout, spokenWords } from './terms'

/** From the body somebody knows to the one in the hand: everything, ordered by how much it will surprise. */

export interface Pair {
  readonly from: string
  readonly means: string
  /** The nearest on the other body; undefined where it has nothing. */
  readonly to: string | undefined
  readonly grade: Grade
  readonly distance: number
}

export interface Entry {
  readonly concept: string
  readonly label: string
  readonly group: GroupId
  readonly here: Side
  readonly there: Side
  readonly pairs: readonly Pair[]
  /** 0 for what is the same in name and deed; more surprises come first. */
  readonly surprise: number
  readonly why: readonly string[]
}

export interface Side {
  /** The settings it is found in. */
  readonly settings: readonly { readonly label: string; readonly path: readonly [string, string, number] }[]
  /** What the body always does, or what it amounts to without a setting. */
  readonly otherwise: string | undefined
}

const sideOf = (body: Body, d: Dimension): Side => {
  const ids = new Set(saidAbout(body, d.id).map(s => s.setting.id))
  const presence = presenceOf(body, d.id)
  return {
    settings: body.settings.filter(s => ids.has(s.id)).map(s => ({ label: s.label, path: menuPath(body, s) })),
    otherwise:
      presence.how === 'fixed'
        ? presence.words
        : presence.how === 'implied'
          ? `nothing; comes to “${valueWords(d, presence.value)}”`
          : presence.how === 'not-looked-for'
            ? 'not known yet'
            : undefined,
  }
}

interface Spoken {
  readonly words: string
  readonly value: NeutralValue
}

const spokenOf = (body: Body, d: Dimension): readonly Spoken[] =>
  saidAbout(body, d.id).flatMap((said): Spoken[] => {
    const placed = d.kind === 'assign' ? inPlaces(body, { [d.id]: said.value })[d.id] : said.value
    return placed === undefined ? [] : [{ words: spokenWords(said, d.id), value: placed }]
  })

const pairsOf = (d: Dimension, here: readonly Spoken[], there: readonly Spoken[]): readonly Pair[] =>
  here.map(({ words, value }) => {
    const [nearest] = there
      .map(t => ({ ...t, distance: distance(d, value, t.value) }))
      .toSorted((a, b) => a.distance - b.distance)
    const means = valueWords(d, value)
    return nearest
      ? { from: words, means, to: nearest.words, grade: gradeOf(nearest.distance), distance: nearest.distance }
      : { from: words, means, to: undefined, grade: 'missing' as const, distance: 1 }
  })

const mean = (numbers: readonly number[]): number =>
  numbers.length ? numbers.reduce((a, b) => a + b, 0) / numbers.length : 0

/** Concepts that a body sets with one choice together with this one. */
const bundledWith = (body: Body, concept: string): readonly string[] => {
  const settings = body.settings.filter(s => s.options.some(o => o.means[concept] !== undefined))
  const together = settings.map(s => conceptsOfSetting(s).filter(c => c !== concept))
  return together.every(t => t.length === 0 || t.length > 3) ? [] : [...new Set(together.flat())]
}

const labelOf = (id: string): string => DIMENSIONS.find(d => d.id === id)?.label ?? id

const entryOf = (a: Body, b: Body, d: Dimension, friends: readonly FalseFriend[]): Entry | undefined => {
  const [here, there] = [sideOf(a, d), sideOf(b, d)]
  if (here.settings.length === 0 && there.settings.length === 0) return undefined
  const [mine, theirs] = [spokenOf(a, d), spokenOf(b, d)]
  const pairs = pairsOf(d, mine, theirs)
  const why: string[] = []
  let surprise = 0
  const add = (amount: number, words: string) => {
    surprise += amount
    why.push(words)
  }
  for (const f of friends.filter(x => x.here.concepts.includes(d.id) && x.here.concepts.length < 4).slice(0, 2))
    add(0.9, `“${f.word}” is there too, but ${b.model} means ${f.there.meaning.toLowerCase()} by it`)
  if (here.settings.length && theirs.length === 0)
    add(
      there.otherwise === undefined ? 0.85 : 0.5,
      isNotLookedFor(b, d.id) ? `nobody has looked for it on ${b.model}` : `${b.model} has no such setting`,
    )
  if (mine.length === 0) add(0.3, `new to you: ${a.model} has no such setting`)
  const [x, y] = [scalesOf([a], d.id)[0]?.direction, scalesOf([b], d.id)[0]?.direction]
  if (x && y && x !== y && x !== 'mixed' && y !== 'mixed') add(0.8, 'the scale runs the other way')
  const together = bundledWith(b, d.id)
  if (mine.length && theirs.length && together.length && bundledWith(a, d.id).length === 0)
    add(0.4, `one choice there also sets ${together.map(labelOf).join(', ').toLowerCase()}`)
  if (mine.length && theirs.length) {
    const off = mean(pairs.map(p => p.distance))
    if (off > 0.02) add(0.6 * off, `what they do differs by ${off.toFixed(2)} on average`)
    const names = (s: Side) => s.settings.map(t => t.label).join()
    if (names(here) !== names(there)) add(0.1, 'another name')
  }
  return { concept: d.id, label: d.label, group: d.group, here, there, pairs, surprise, why }
}

/** The dictionary from one body to another, the greatest surprise first. */
export const dictionaryBetween = (a: Body, b: Body): readonly Entry[] => {
  const friends = falseFriendsBetween(a, b)
  return DIMENSIONS.filter(d => isConcept(d.id))
    .flatMap(d => entryOf(a, b, d, friends) ?? [])
    .toSorted((x, y) => y.surprise - x.surprise)
}
