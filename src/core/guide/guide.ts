import type { Target } from '../standards'
import { PRACTICE, type Argument } from './argument'
import { ARGUMENTS } from './arguments'
import { conditionsOf, type Facts, factsOf, lacking, saidWords } from './facts'
import { changesOfMind, type MindChange } from './mind'
import type { Answers } from './questions'
import { schoolsIn, TOPIC_IDS, type TopicId, TOPICS } from './schools'
import { type Advice, type Rescue, saidFor } from './tips'
import { valueFrom } from './values'
import {
  argumentsOn,
  type Below,
  decide,
  type Decided,
  KNOWLEDGE,
  oncePerName,
  pointsOf,
  type Setting,
  type Standing,
  standings,
  strongest,
} from './weigh'

/**
 * From answers to proposals: what the guide would write into a standard, why, and what others would do.
 *
 * On each topic the arguments that hold are added up for every school. The one with the most comes first; those that
 * come near it are schools that a competent person would defend here as well.
 */

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
    source: best?.source ?? PRACTICE,
    targets,
    because: [...new Set(led.flatMap(a => conditionsOf(a.when).map(([id]) => saidWords(id, facts))))],
    reasons,
  }
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

/** What comes first on a topic and what stands beside it, with how all schools stand. */
const defendedOn = (topic: TopicId, facts: Facts, decided: Decided, { below, knowledge = KNOWLEDGE }: Setting) => {
  const { found, argued, ranked, overruled } = standings(topic, facts, decided, knowledge)
  const most = argued[0]?.points ?? 0
  const defended = oncePerName(topic, ranked).filter(
    (s, i) =>
      i === 0 ||
      // What is merely usual is no answer beside one that the situation asks for.
      (most - s.points <= reachOf(most) && s.spoke.some(a => pointsOf(a) > 0 && conditionsOf(a.when).length > 0)),
  )
  return { found, overruled, proposals: defended.flatMap(s => proposalOf(topic, s, facts, below, decided) ?? []) }
}

const topicOf = (topic: TopicId, facts: Facts, decided: Decided, setting: Setting): Answered | undefined => {
  const { found, overruled, proposals } = defendedOn(topic, facts, decided, setting)
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

/** What to propose, without the schools that come after and what would change its mind. */
export const proposalsOn = (
  answers: Answers,
  setting: Setting = {},
): readonly { readonly id: TopicId; readonly proposals: readonly Proposal[] }[] => {
  const facts = factsOf(answers)
  const decided = decide(facts, setting.knowledge ?? KNOWLEDGE, setting.taken ?? {})
  return TOPIC_IDS.map(id => ({ id, proposals: defendedOn(id, facts, decided, setting).proposals }))
}

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
