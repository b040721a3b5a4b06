import { ownLayers, type Standard, type Target } from '../standards'
import { dimension } from '../vocabulary/dimensions'
import type { NeutralValue } from '../vocabulary/values'
import { inSentence } from '../vocabulary/words'
import { withTarget } from '../standards/edit'
import { type Answers, followingShare, QUESTIONS, type Question } from './questions'
import { type Condition, type From, type GuideRule, RULES, type RuleTarget, TOPICS } from './rules'

/** From answers to proposals: what the guide would write into a standard, why, and what others would do. */

/** One answer to the question of a topic. */
export interface Proposal {
  readonly rule: string
  readonly school: string | undefined
  readonly title: string
  readonly reason: string
  readonly source: string
  readonly targets: readonly Target[]
  /** The answers that led to it, in words; none where it is what is usual. */
  readonly because: readonly string[]
}

/** An answer of another school that the situation does not ask for. */
export interface OtherSchool extends Proposal {
  /** What would have to be so, in words. */
  readonly fitsWhen: readonly string[]
}

/** One answer that would lead to another proposal. */
export interface MindChange {
  readonly question: string
  readonly answer: string
  readonly then: string
}

export interface Topic {
  readonly id: string
  readonly question: string
  /** Everything the situation asks for, the strongest first; several where practitioners disagree. */
  readonly proposals: readonly [Proposal, ...Proposal[]]
  readonly others: readonly OtherSchool[]
  readonly wouldChange: readonly MindChange[]
}

const BY_ID = new Map(QUESTIONS.map(q => [q.id, q]))

const isEmpty = (answer: Answers[string] | undefined): boolean =>
  answer === undefined || answer === '' || (Array.isArray(answer) && answer.length === 0)

const asList = (answer: Answers[string] | undefined): readonly string[] =>
  isEmpty(answer) ? [] : Array.isArray(answer) ? (answer as readonly string[]) : [String(answer)]

/** What was answered, together with what follows from it. */
const factsOf = (answers: Answers): Answers => {
  const following = followingShare(asList(answers['motion']))
  return following === undefined ? answers : { ...answers, following }
}

const holds = (condition: Condition, answer: Answers[string] | undefined): boolean => {
  if (isEmpty(answer)) return false
  if (Array.isArray(condition)) return asList(answer).some(a => condition.includes(a))
  if ('not' in condition) return !asList(answer).some(a => condition.not.includes(a))
  const number = Number(answer)
  const { min = -Infinity, max = Infinity } = condition
  return Number.isFinite(number) && number >= min && number <= max
}

const strengthOf = (rule: GuideRule): number => rule.strength ?? Object.keys(rule.when).length

const fires = (rule: GuideRule, facts: Answers): boolean =>
  Object.entries(rule.when).every(([question, condition]) => holds(condition, facts[question])) &&
  Object.entries(rule.beside ?? {}).every(([id, { not }]) => !not.some(word => word === proposedFor(id, facts))) &&
  rule.targets.every(t => valueOf(t, facts) !== undefined)

/** What the guide proposes for a dimension on the topic that decides it; undefined where it proposes nothing. */
const proposedFor = (dimensionId: string, facts: Answers): RuleTarget['value'] | undefined => {
  const topic = RULES.find(r => r.targets.some(t => t.dimension === dimensionId))?.topic ?? ''
  return firing(topic, facts)[0]?.targets.find(t => t.dimension === dimensionId)?.value
}

/** What the layers below ask for, by dimension. */
export type Below = ReadonlyMap<string, NeutralValue>

/** Beyond this a lens is set to infinity anyway. */
const FAR_METRES = 30
/** Room left on both sides of where the subject can be. */
const MARGIN = 1.25

const isFrom = (value: RuleTarget['value']): value is From =>
  typeof value === 'object' && !Array.isArray(value) && 'from' in value

const rounded = (n: number): number => Number(n.toPrecision(2))

const valueOf = ({ dimension: id, value }: RuleTarget, facts: Answers, below?: Below): Target['value'] | undefined => {
  if (!isFrom(value)) return value
  if (value.from === 'blocked') {
    const seconds = Number(facts['blocked'])
    const usual = value.notBelow ? below?.get(id) : undefined
    const least = Math.max(value.min, typeof usual === 'number' ? usual : 0)
    return Number.isFinite(seconds) ? rounded(Math.max(least, Math.min(value.max, seconds * value.times))) : undefined
  }
  const [near, far] = [Number(facts['nearest']), Number(facts['farthest'])]
  if (!(near > 0) || !(far > near)) return undefined
  return { nearMetres: rounded(near / MARGIN), farMetres: far >= FAR_METRES ? 'infinity' : rounded(far * MARGIN) }
}

const labelOf = (question: Question, answer: string): string =>
  question.kind === 'amount'
    ? `${answer} ${question.unit}`
    : (question.options.find(o => o.id === answer)?.label ?? answer)

const saidWords = (id: string, answers: Answers): string => {
  if (id === 'following') return saidWords('motion', answers)
  const question = BY_ID.get(id)
  if (!question) return id
  return `${question.text} ${asList(answers[id])
    .map(a => labelOf(question, a))
    .join(', ')}`
}

const conditionWords = (id: string, condition: Condition): string => {
  const share = (n: number) => `${Math.round(n * 100)} %`
  if (id === 'following') {
    const { min, max } = condition as { min?: number; max?: number }
    if (min !== undefined && max !== undefined)
      return `it is followed between ${share(min)} and ${share(max)} of the time`
    return min !== undefined
      ? `it is followed at least ${share(min)} of the time`
      : `it is followed at most ${share(max ?? 1)} of the time`
  }
  const question = BY_ID.get(id)
  if (!question) return id
  if (Array.isArray(condition)) return `${question.text} ${condition.map(a => labelOf(question, a)).join(' or ')}`
  if ('not' in condition) return `${question.text} not ${condition.not.map(a => labelOf(question, a)).join(' or ')}`
  const { min, max } = condition
  const unit = question.kind === 'amount' ? ` ${question.unit}` : ''
  return `${question.text} ${[min !== undefined ? `at least ${min}${unit}` : '', max !== undefined ? `at most ${max}${unit}` : ''].filter(Boolean).join(', ')}`
}

const proposalOf = (rule: GuideRule, facts: Answers, below?: Below): Proposal => ({
  rule: rule.id,
  school: rule.school,
  title: rule.title,
  reason: rule.reason,
  source: rule.source,
  because: [...new Set(Object.keys(rule.when).map(id => saidWords(id, facts)))],
  targets: rule.targets.flatMap((t): Target[] => {
    const value = valueOf(t, facts, below)
    if (value === undefined) return []
    const { dimension, weight, tolerance } = t
    return [
      {
        dimension,
        value,
        weight,
        ...(tolerance === undefined ? {} : { tolerance }),
        reason: rule.reason,
        ...(rule.school ? { school: rule.school } : {}),
      },
    ]
  }),
})

/** What a rule comes to: rules that propose the same are one answer. */
const signature = (p: Pick<Proposal, 'targets'>): string => JSON.stringify(p.targets.map(t => [t.dimension, t.value]))

const firing = (topic: string, facts: Answers): readonly GuideRule[] =>
  RULES.filter(r => r.topic === topic && fires(r, facts)).sort((a, b) => strengthOf(b) - strengthOf(a))

/** The answers that could have been given instead, one at a time. */
const otherAnswers = (question: Question, answers: Answers): readonly Answers[] => {
  const { id } = question
  switch (question.kind) {
    case 'one':
      return question.options.filter(o => o.id !== answers[id]).map(o => ({ ...answers, [id]: o.id }))
    case 'many':
      return question.options.filter(o => !asList(answers[id]).includes(o.id)).map(o => ({ ...answers, [id]: [o.id] }))
    case 'amount': {
      const limits = RULES.flatMap(r => {
        const c = r.when[id]
        return c && !Array.isArray(c) && !('not' in c) ? [c.min, c.max] : []
      }).flatMap(n => n ?? [])
      return [...new Set(limits)].map(n => ({ ...answers, [id]: n }))
    }
  }
}

/** Most changes of mind that are told for one topic. */
const MOST_CHANGES = 4

const changesOfMind = (topic: string, answers: Answers, now: Proposal): readonly MindChange[] => {
  const asked = new Set(
    RULES.filter(r => r.topic === topic).flatMap(r => Object.keys(r.when).map(k => (k === 'following' ? 'motion' : k))),
  )
  const found: MindChange[] = []
  const told = new Set<string>()
  for (const question of QUESTIONS) {
    if (!asked.has(question.id)) continue
    for (const other of otherAnswers(question, answers)) {
      const facts = factsOf(other)
      const [first] = firing(topic, facts)
      if (!first) continue
      const then = proposalOf(first, facts)
      const isNew = then.title !== now.title && !told.has(`${question.id} ${then.title}`)
      if (!isNew) continue
      told.add(`${question.id} ${then.title}`)
      found.push({
        question: question.text,
        answer: asList(other[question.id])
          .map(a => labelOf(question, a))
          .join(', '),
        then: then.title,
      })
    }
  }
  return found.slice(0, MOST_CHANGES)
}

/**
 * What to propose for a situation, topic by topic.
 *
 * @param answers all, some or none of the questions; what was not answered decides nothing
 * @param below what the layers below ask for; what is meant to be more than usual never asks for less
 */
export const propose = (answers: Answers, below?: Below): readonly Topic[] => {
  const facts = factsOf(answers)
  return Object.entries(TOPICS).flatMap(([id, question]): Topic[] => {
    const [first, ...rest] = firing(id, facts).map(r => proposalOf(r, facts, below))
    if (!first) return []
    const seen = new Set([signature(first)])
    const schools = new Set([first.school])
    // What is merely usual is no answer beside one that the situation asks for.
    const alternatives = rest.filter(p => {
      const isNew = !seen.has(signature(p)) && p.because.length > 0 && p.school !== undefined && !schools.has(p.school)
      seen.add(signature(p))
      schools.add(p.school)
      return isNew
    })
    const others = RULES.filter(r => r.topic === id && r.school && !schools.has(r.school)).flatMap(
      (r): OtherSchool[] => {
        const other = proposalOf(r, facts, below)
        if (other.targets.length < r.targets.length || schools.has(r.school)) return []
        schools.add(r.school)
        const fitsWhen = Object.entries(r.when)
          .filter(([k, c]) => !holds(c, facts[k]))
          .map(([k, c]) => conditionWords(k, c))
        const clashes = Object.entries(r.beside ?? {}).flatMap(([k, { not }]) => {
          const proposed = proposedFor(k, facts)
          const clash = not.find(word => word === proposed)
          return clash === undefined ? [] : [`${inSentence(dimension(k).label)} were not ${clash}`]
        })
        return [{ ...other, fitsWhen: [...fitsWhen, ...clashes] }]
      },
    )
    return [
      {
        id,
        question,
        proposals: [first, ...alternatives],
        others,
        wouldChange: changesOfMind(id, answers, first),
      },
    ]
  })
}

/** The schools that answer a topic, each with what it would write, whatever the situation. */
export const schoolsOf = (topic: string, answers: Answers = {}): readonly Proposal[] => {
  const facts = factsOf(answers)
  const seen = new Set<string>()
  return RULES.filter(r => r.topic === topic).flatMap(r => {
    const proposal = proposalOf(r, facts)
    if (!r.school || seen.has(r.school) || proposal.targets.length < r.targets.length) return []
    seen.add(r.school)
    return [proposal]
  })
}

/** Topics on which there are schools to choose between. */
export const DISPUTED: readonly string[] = Object.keys(TOPICS).filter(t => schoolsOf(t).length > 1)

/** A standard as a school would have it on one topic: a layer on top of all others. */
export const asSchool = (standard: Standard, topic: string, proposal: Proposal): Standard => {
  const layer = { id: 'as-a-school', name: proposal.school ?? proposal.title, kind: 'exception' as const, targets: [] }
  // What another school has put there belongs to it, and goes with it.
  const own = new Set(schoolsOf(topic).flatMap(p => p.targets.map(t => t.dimension)))
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
  const dimensions = new Set(RULES.filter(r => r.topic === topic).flatMap(r => r.targets.map(t => t.dimension)))
  if (!layer?.targets.some(t => dimensions.has(t.dimension))) return standard
  return {
    ...standard,
    layers: standard.layers.map(l =>
      l.id === layerId ? { ...l, targets: l.targets.filter(t => !dimensions.has(t.dimension)) } : l,
    ),
  }
}
