import type { NeutralValue } from '../vocabulary/values'
import type { Argument } from './argument'
import { ARGUMENTS } from './arguments'
import { type Facts, factsOf, holds } from './facts'
import { boundsOf } from './ladders'
import type { Answers } from './questions'
import { schoolsIn, TOPIC_IDS, type TopicId } from './schools'
import { ADVICE } from './arguments/advice'
import { type Advice, type Rescue } from './tips'
import { RESCUES } from './arguments/rescues'

/** The scales: what speaks for each school of a topic, and which comes first. */

/** What is known, and what a house makes of it. */
export interface Knowledge {
  readonly arguments: readonly Argument[]
  /** Topic to the school that the house holds: it comes first, and is argued with. */
  readonly holds: Readonly<Record<string, string>>
  readonly advice: readonly Advice[]
  readonly rescues: readonly Rescue[]
}
export const KNOWLEDGE: Knowledge = { arguments: ARGUMENTS, holds: {}, advice: ADVICE, rescues: RESCUES }

/** What the team has measured itself comes before what others say. */
const OWN_TRIAL = 10

/** Topic to the school that comes first. */
export type Decided = Partial<Record<TopicId, string>>

export interface Standing {
  readonly id: string
  readonly points: number
  readonly ruledOut: Argument | undefined
  readonly isSecond: boolean
  /** Those that hold, and speak of it. */
  readonly spoke: readonly Argument[]
}

export const pointsOf = (a: Argument): number =>
  typeof a.points === 'string' ? 0 : a.points * (a.source.startsWith('own trial') ? OWN_TRIAL : 1)

const speaks = (a: Argument, facts: Facts, decided: Decided): boolean =>
  holds(a.when, facts) &&
  Object.entries(a.beside ?? {}).every(([topic, schools]) =>
    (schools as readonly string[]).includes(decided[topic as TopicId] ?? ''),
  )

const byTopicOf = (all: readonly Argument[]): ReadonlyMap<TopicId, readonly Argument[]> => {
  const topics = new Map<TopicId, Argument[]>(TOPIC_IDS.map(t => [t, []]))
  for (const a of all) topics.get(a.topic)?.push(a)
  return topics
}
const grouped = new WeakMap<readonly Argument[], ReadonlyMap<TopicId, readonly Argument[]>>()
export const argumentsOn = (all: readonly Argument[], topic: TopicId): readonly Argument[] => {
  const topics = grouped.get(all) ?? byTopicOf(all)
  grouped.set(all, topics)
  return topics.get(topic) ?? []
}

export interface Standings {
  readonly found: readonly Standing[]
  readonly argued: readonly Standing[]
  /** The house’s own school goes first wherever the topic is spoken of at all. */
  readonly ranked: readonly Standing[]
  readonly overruled: Standing | undefined
}

/** Every school of a topic with what speaks for it, the strongest first; as they are written where equal. */
export const standings = (topic: TopicId, facts: Facts, decided: Decided, knowledge: Knowledge): Standings => {
  const { arguments: all, holds: held } = knowledge
  const speaking = argumentsOn(all, topic).filter(a => speaks(a, facts, decided))
  const found = Object.keys(schoolsIn(topic)).map((id): Standing => {
    const spoke = speaking.filter(a => a.schools.includes(id))
    const points = spoke.reduce((sum, a) => sum + pointsOf(a), 0)
    return {
      id,
      points,
      ruledOut: spoke.find(a => a.points === 'never'),
      isSecond: spoke.some(a => a.points === 'not first'),
      spoke,
    }
  })
  const positive = found.filter(s => !s.ruledOut && s.points > 0).sort((a, b) => b.points - a.points)
  const eligible = positive.filter(s => !s.isSecond)
  // Along a ladder the first must not be wider, or smaller than a hand can hold, than a step before.
  const within = boundsOf(topic, facts, other => standings(topic, other, decided, knowledge).ranked[0]?.id)
  const first = eligible.find(s => within.holds(s.id)) ?? found.find(s => s.id === within.else) ?? eligible[0]
  const argued = first && eligible.length > 0 ? [first, ...positive.filter(s => s !== first)] : []
  const holding = found.find(s => s.id === held[topic])
  const isArgued = argued.length > 0 && holding !== undefined && argued[0] !== holding
  return {
    found,
    argued,
    ranked: isArgued ? [holding, ...argued.filter(s => s !== holding)] : argued,
    overruled: isArgued ? argued[0] : undefined,
  }
}

/** What comes first on every topic. */
export const decide = (facts: Facts, knowledge: Knowledge, taken: Decided): Decided => {
  const decided: Decided = {}
  for (const topic of TOPIC_IDS) {
    const first = taken[topic] ?? standings(topic, facts, decided, knowledge).ranked[0]?.id
    if (first !== undefined) decided[topic] = first
  }
  return decided
}

/** What the layers below ask for, by dimension. */
export type Below = ReadonlyMap<string, NeutralValue>

export interface Setting {
  /** What the layers below ask for; what is meant to be more than usual never asks for less. */
  readonly below?: Below
  readonly knowledge?: Knowledge
  /** What was accepted on a topic: what hangs on it follows. */
  readonly taken?: Decided
}

/** The strongest thing that speaks for one school rather than for another. */
export const strongest = (one: Standing, other: Standing): string | undefined => {
  const all = [...new Set([...one.spoke, ...other.spoke])]
  const [best] = all
    .map(a => ({
      a,
      by: (a.schools.includes(one.id) ? pointsOf(a) : 0) - (a.schools.includes(other.id) ? pointsOf(a) : 0),
    }))
    .filter(x => x.by > 0)
    .sort((x, y) => y.by - x.by)
  return best?.a.because
}

/** The best of each name, in their order. */
export const oncePerName = <T extends { readonly id: string }>(topic: TopicId, all: readonly T[]): readonly T[] => {
  const seen = new Set<string>()
  return all.filter(s => {
    const name = schoolsIn(topic)[s.id]?.name ?? s.id
    if (seen.has(name)) return false
    seen.add(name)
    return true
  })
}

/** The school that comes first on every topic that is spoken of. */
export const firstOn = (answers: Answers, { knowledge = KNOWLEDGE, taken = {} }: Setting = {}): Decided =>
  decide(factsOf(answers), knowledge, taken)
