import { ownLayers, type Standard, type Target } from '../standards'
import { withTarget } from '../standards/edit'
import type { NeutralValue } from '../vocabulary/values'
import type { Argument } from './argument'
import { ARGUMENTS } from './arguments'
import { conditionsOf, type Facts, factsOf, holds, lacking, optionLabel, saidWords } from './facts'
import { type Answers, answersTo, questionsFor, type Question, QUESTIONS } from './questions'
import { schoolsIn, TOPIC_IDS, type TopicId, TOPICS } from './schools'
import { boundsOf } from './ladders'
import { ADVICE, type Advice, RESCUES, type Rescue, saidFor } from './tips'
import { valueFrom } from './values'

/**
 * From answers to proposals: what the guide would write into a standard, why, and what others would do.
 *
 * On each topic the arguments that hold are added up for every school. The one with the most comes first; those that
 * come near it are schools that a competent person would defend here as well.
 */

/** What is known, and what a house makes of it. */
export interface Knowledge {
  readonly arguments: readonly Argument[]
  /** Topic to the school that the house holds: it comes first, and is argued with. */
  readonly holds: Readonly<Record<string, string>>
  readonly advice: readonly Advice[]
  readonly rescues: readonly Rescue[]
}
export const KNOWLEDGE: Knowledge = { arguments: ARGUMENTS, holds: {}, advice: ADVICE, rescues: RESCUES }

export interface Reason {
  readonly argument: string
  readonly because: string
  readonly source: string
  readonly points: number
}

/** One answer to the question of a topic. */
export interface Proposal {
  readonly id: string
  readonly school: string
  readonly title: string
  readonly reason: string
  readonly source: string
  /** Empty where the school leaves the body as it is. */
  readonly targets: readonly Target[]
  /** The answers that led to it, in words; none where it is what is usual. */
  readonly because: readonly string[]
  /** Everything that speaks for it and against it here, the strongest first. */
  readonly reasons: readonly Reason[]
}

/** An answer of another school that the situation does not ask for. */
export interface OtherSchool extends Proposal {
  /** What would have to be so, in words; empty where it is ruled out. */
  readonly fitsWhen: readonly string[]
  readonly ruledOut: string | undefined
}

/** One answer that would lead to another proposal. */
export interface MindChange {
  readonly question: string
  readonly answer: string
  readonly then: string
}

/** A question of the standard with everything the guide says to it. */
export interface Answered {
  readonly id: TopicId
  readonly question: string
  /** Everything that a competent person would defend here, the strongest first. */
  readonly proposals: readonly [Proposal, ...Proposal[]]
  /** Why the first comes before the second, in one line. */
  readonly wins: string | undefined
  /** What speaks against the school that the house holds, where the arguments would take another. */
  readonly objection: string | undefined
  readonly others: readonly OtherSchool[]
}

export interface Topic extends Answered {
  readonly wouldChange: readonly MindChange[]
}

/** How many points a school may be behind the first and still be defended; half of them where those are many. */
const reachOf = (most: number): number => Math.max(3, most / 2)
/** What the team has measured itself comes before what others say. */
const OWN_TRIAL = 10

/** Topic to the school that comes first. */
type Decided = Partial<Record<TopicId, string>>

interface Standing {
  readonly id: string
  readonly points: number
  readonly ruledOut: Argument | undefined
  readonly isSecond: boolean
  /** Those that hold, and speak of it. */
  readonly spoke: readonly Argument[]
}

const pointsOf = (a: Argument): number =>
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
const argumentsOn = (all: readonly Argument[], topic: TopicId): readonly Argument[] => {
  const topics = grouped.get(all) ?? byTopicOf(all)
  grouped.set(all, topics)
  return topics.get(topic) ?? []
}

interface Standings {
  readonly found: readonly Standing[]
  readonly argued: readonly Standing[]
  /** The house’s own school goes first wherever the topic is spoken of at all. */
  readonly ranked: readonly Standing[]
  readonly overruled: Standing | undefined
}

/** Every school of a topic with what speaks for it, the strongest first; as they are written where equal. */
const standings = (topic: TopicId, facts: Facts, decided: Decided, knowledge: Knowledge): Standings => {
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
const decide = (facts: Facts, knowledge: Knowledge, taken: Decided): Decided => {
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

/** For the schools of a topic; undefined where a value hangs on something that was not said. */
const targetsOf = (
  topic: TopicId,
  id: string,
  reason: string,
  facts: Facts,
  below: Below | undefined,
  decided: Decided,
): readonly Target[] | undefined => {
  const school = schoolsIn(topic)[id]
  if (!school) return undefined
  const targets = school.targets.flatMap(({ dimension, value: written, weight, tolerance }): Target[] => {
    const value = valueFrom(dimension, written, facts, below, decided)
    if (value === undefined) return []
    return [
      {
        dimension,
        value,
        weight,
        ...(tolerance === undefined ? {} : { tolerance }),
        reason,
        school: school.name,
      },
    ]
  })
  return targets.length === school.targets.length ? targets : undefined
}

const reasonsOf = (standing: Standing): readonly Reason[] =>
  [...standing.spoke]
    .sort((a, b) => Math.abs(pointsOf(b)) - Math.abs(pointsOf(a)))
    .map(a => ({ argument: a.id, because: a.because, source: a.source, points: pointsOf(a) }))

const proposalOf = (
  topic: TopicId,
  standing: Standing,
  facts: Facts,
  below: Below | undefined,
  decided: Decided,
  fallback?: Argument,
): Proposal | undefined => {
  const school = schoolsIn(topic)[standing.id]
  const reasons = reasonsOf(standing)
  const best = reasons.find(r => r.points > 0) ?? fallback
  const reason = best?.because ?? `${school?.title ?? standing.id}.`
  const targets = targetsOf(topic, standing.id, reason, facts, below, decided)
  if (!school || !targets) return undefined
  const led = standing.spoke.filter(a => pointsOf(a) > 0)
  return {
    id: standing.id,
    school: school.name,
    title: school.title,
    reason,
    source: best?.source ?? 'common practice, no published source',
    targets,
    because: [...new Set(led.flatMap(a => conditionsOf(a.when).map(([id]) => saidWords(id, facts))))],
    reasons,
  }
}

/** The strongest thing that speaks for one school rather than for another. */
const strongest = (one: Standing, other: Standing): string | undefined => {
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
const oncePerName = <T extends { readonly id: string }>(topic: TopicId, all: readonly T[]): readonly T[] => {
  const seen = new Set<string>()
  return all.filter(s => {
    const name = schoolsIn(topic)[s.id]?.name ?? s.id
    if (seen.has(name)) return false
    seen.add(name)
    return true
  })
}

const othersOf = (
  topic: TopicId,
  found: readonly Standing[],
  shown: readonly Proposal[],
  facts: Facts,
  decided: Decided,
  { below, knowledge = KNOWLEDGE }: Setting,
): readonly OtherSchool[] => {
  const names = new Set(shown.map(p => p.school))
  const left = oncePerName(
    topic,
    found.filter(s => !names.has(schoolsIn(topic)[s.id]?.name ?? '')).sort((a, b) => b.points - a.points),
  )
  return left.flatMap((s): OtherSchool[] => {
    const [strongestFor] = argumentsOn(knowledge.arguments, topic)
      .filter(a => a.schools.includes(s.id) && pointsOf(a) > 0 && lacking(a.when, facts).length > 0)
      .sort((a, b) => pointsOf(b) - pointsOf(a))
    const proposal = proposalOf(topic, s, facts, below, decided, strongestFor)
    if (!proposal) return []
    return [
      {
        ...proposal,
        fitsWhen: s.ruledOut || !strongestFor ? [] : lacking(strongestFor.when, facts),
        ruledOut: s.ruledOut?.because,
      },
    ]
  })
}

const topicOf = (topic: TopicId, facts: Facts, decided: Decided, setting: Setting): Answered | undefined => {
  const { below, knowledge = KNOWLEDGE } = setting
  const { found, argued, ranked, overruled } = standings(topic, facts, decided, knowledge)
  const most = argued[0]?.points ?? 0
  const defended = oncePerName(topic, ranked).filter(
    (s, i) =>
      i === 0 ||
      // What is merely usual is no answer beside one that the situation asks for.
      (most - s.points <= reachOf(most) && s.spoke.some(a => pointsOf(a) > 0 && conditionsOf(a.when).length > 0)),
  )
  const proposals = defended.flatMap(s => proposalOf(topic, s, facts, below, decided) ?? [])
  const [first, second] = proposals
  if (!first) return undefined
  const standing = (id: string) => found.find(s => s.id === id)
  const [one, two] = [standing(first.id), second && standing(second.id)]
  return {
    id: topic,
    question: TOPICS[topic].question,
    proposals: [first, ...proposals.slice(1)],
    wins: one && two && !overruled ? strongest(one, two) : undefined,
    objection: overruled && one ? (one.ruledOut?.because ?? strongest(overruled, one)) : undefined,
    others: othersOf(topic, found, proposals, facts, decided, setting),
  }
}

/** The answers that could have been given instead, one at a time. */
const otherAnswers = (question: Question, answers: Answers, limits: ReadonlyMap<string, readonly number[]>) => {
  const { id } = question
  const with_ = (answer: Answers[string]): Answers => ({ ...answers, [id]: answer })
  switch (question.kind) {
    case 'one':
      return question.options.filter(o => o.id !== answers[id]).map(o => with_(o.id))
    case 'many':
      return question.options.filter(o => !answersTo(answers[id]).includes(o.id)).map(o => with_([o.id]))
    case 'amount':
      return (limits.get(id) ?? []).map(with_)
  }
}

/** The amounts at which an argument begins or ceases to hold. */
const limitsOf = (all: readonly Argument[]): ReadonlyMap<string, readonly number[]> => {
  const limits = new Map<string, number[]>()
  for (const a of all)
    for (const [id, condition] of conditionsOf(a.when))
      if ('min' in condition || 'max' in condition) {
        const { min, max } = condition as { min?: number; max?: number }
        limits.set(id, [...new Set([...(limits.get(id) ?? []), ...[min, max].filter(n => n !== undefined)])])
      }
  return limits
}

/** Most changes of mind that are told for one topic. */
const MOST_CHANGES = 4

const changesOfMind = (answers: Answers, setting: Setting): ReadonlyMap<string, MindChange[]> => {
  const { knowledge = KNOWLEDGE, taken = {} } = setting
  const decided = decide(factsOf(answers), knowledge, taken)
  const limits = limitsOf(knowledge.arguments)
  const changes = new Map<string, MindChange[]>()
  for (const question of questionsFor(answers))
    for (const other of otherAnswers(question, answers, limits)) {
      const then = decide(factsOf(other), knowledge, taken)
      for (const topic of TOPIC_IDS) {
        const id = then[topic]
        const title = id === undefined ? undefined : schoolsIn(topic)[id]?.title
        const told = changes.get(topic) ?? []
        if (id === decided[topic] || title === undefined || told.length >= MOST_CHANGES) continue
        if (told.some(c => c.question === question.text && c.then === title)) continue
        const answer = answersTo(other[question.id])
          .map(a => optionLabel(question, a))
          .join(', ')
        changes.set(topic, [...told, { question: question.text, answer, then: title }])
      }
    }
  return changes
}

/** The school that comes first on every topic that is spoken of. */
export const firstOn = (answers: Answers, { knowledge = KNOWLEDGE, taken = {} }: Setting = {}): Decided =>
  decide(factsOf(answers), knowledge, taken)

/** The single answers that would lead to another proposal on a topic, a few of them. */
export const mindChangesOn = (topic: TopicId, answers: Answers, setting: Setting = {}): readonly MindChange[] =>
  changesOfMind(answers, setting).get(topic) ?? []

/** What to propose, without what would change its mind. */
export const answersOn = (answers: Answers, setting: Setting = {}): readonly Answered[] => {
  const { knowledge = KNOWLEDGE, taken = {} } = setting
  const facts = factsOf(answers)
  // What was taken on one topic decides others, and never what is said about itself.
  const decided = decide(facts, knowledge, taken)
  return TOPIC_IDS.flatMap(id => topicOf(id, facts, decided, setting) ?? [])
}

/**
 * What to propose for a situation, topic by topic.
 *
 * @param answers all, some or none of the questions; what was not answered or is not known decides nothing
 */
export const propose = (answers: Answers, setting: Setting = {}): readonly Topic[] => {
  const changes = changesOfMind(answers, setting)
  return answersOn(answers, setting).map(topic => ({ ...topic, wouldChange: changes.get(topic.id) ?? [] }))
}

/** How to shoot there, and what to do when it goes wrong. */
export const tipsFor = (
  answers: Answers,
  { knowledge = KNOWLEDGE, taken = {} }: Setting = {},
): { readonly advice: readonly Advice[]; readonly rescues: readonly Rescue[] } => {
  const facts = factsOf(answers)
  const decided = decide(facts, knowledge, taken)
  return {
    advice: saidFor(knowledge.advice, facts, decided),
    rescues: saidFor(knowledge.rescues, facts, decided),
  }
}

/** The schools that answer a topic, each with what it would write, whatever the situation. */
export const schoolsOf = (topic: string, answers: Answers = {}): readonly Proposal[] => {
  const known = TOPIC_IDS.find(t => t === topic)
  if (!known) return []
  const facts = factsOf(answers)
  const decided = decide(facts, KNOWLEDGE, {})
  const { found } = standings(known, facts, decided, KNOWLEDGE)
  const best = [...found].sort((a, b) => b.points - a.points)
  return oncePerName(known, best).flatMap(s => {
    const [argument] = argumentsOn(ARGUMENTS, known).filter(a => a.schools.includes(s.id) && pointsOf(a) > 0)
    const proposal = proposalOf(known, s, facts, undefined, decided, argument)
    return proposal && proposal.targets.length > 0 ? [proposal] : []
  })
}

/** Topics on which there are schools to choose between. */
export const DISPUTED: readonly TopicId[] = TOPIC_IDS.filter(t => schoolsOf(t).length > 1)

const writtenBy = (topic: TopicId): readonly string[] =>
  Object.values(schoolsIn(topic)).flatMap(s => s.targets.map(t => t.dimension))

/** Everything that some school of a topic writes, and that belongs to no topic before it. */
const dimensionsOf = (topic: string): ReadonlySet<string> => {
  const at = TOPIC_IDS.findIndex(t => t === topic)
  const before = new Set(TOPIC_IDS.slice(0, Math.max(at, 0)).flatMap(writtenBy))
  const known = TOPIC_IDS[at]
  return new Set(known ? writtenBy(known).filter(d => !before.has(d)) : [])
}

/** A standard as a school would have it on one topic: a layer on top of all others. */
export const asSchool = (standard: Standard, topic: string, proposal: Proposal): Standard => {
  const layer = { id: 'as-a-school', name: proposal.school, kind: 'exception' as const, targets: [] }
  // What another school has put there belongs to it, and goes with it.
  const own = dimensionsOf(topic)
  const bare: Standard = {
    ...standard,
    layers: [
      ...standard.layers.map(l => ({ ...l, targets: l.targets.filter(t => !t.school || !own.has(t.dimension)) })),
      layer,
    ],
  }
  // Nothing is written for good, so that nobody has to say why a must gives way.
  const relaxed = { ...proposal, targets: proposal.targets.map(t => ({ ...t, relaxes: t.reason })) }
  return accept(bare, layer.id, topic, relaxed)
}

/**
 * Writes an accepted proposal into the own layer of a draft; targets that another answer to the same topic had put
 * there go. Where it relaxes a must below, that stands until somebody writes why it may give way: the reason of the
 * guide is one for the proposal, not against the must.
 */
export const accept = (standard: Standard, layerId: string, topic: string, proposal: Proposal): Standard =>
  proposal.targets.reduce((s, t) => withTarget(s, layerId, t), clear(standard, layerId, topic))

/** Takes out what a topic had put into a layer. */
export const clear = (standard: Standard, layerId: string, topic: string): Standard => {
  const layer = ownLayers(standard).find(l => l.id === layerId)
  const dimensions = dimensionsOf(topic)
  if (!layer?.targets.some(t => dimensions.has(t.dimension))) return standard
  return {
    ...standard,
    layers: standard.layers.map(l =>
      l.id === layerId ? { ...l, targets: l.targets.filter(t => !dimensions.has(t.dimension)) } : l,
    ),
  }
}

/** For those who ask by id. */
export const questionOf = (id: string): Question | undefined => QUESTIONS.find(q => q.id === id)
