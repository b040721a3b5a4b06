import type { Argument } from '@/core/guide/argument'
import { ARGUMENTS } from '@/core/guide/arguments'
import { type HouseGuide, whenWords } from '@/core/guide/house'
import { schoolsIn, TOPIC_IDS, type TopicId, TOPICS } from '@/core/guide/schools'
import { ADVICE } from '@/core/guide/arguments/advice'
import { RESCUES } from '@/core/guide/arguments/rescues'

/** All the guide goes by, in words, as a lead reads, searches and switches it. */

export interface RuleLine {
  readonly id: string
  /** For which schools, how strongly. */
  readonly says: string
  readonly when: string
  readonly because: string
  readonly source: string
  readonly isOwn: boolean
}

export interface RuleGroup {
  readonly id: string
  readonly title: string
  /** Where there are schools to hold. */
  readonly topic: TopicId | undefined
  readonly rules: readonly RuleLine[]
}

const pointWords = (points: Argument['points']): string =>
  points === 'never'
    ? 'rules out'
    : points === 'not first'
      ? 'never first'
      : points > 0
        ? `+${points} for`
        : `${points} for`

const besideWords = ({ beside }: Argument): string =>
  Object.entries(beside ?? {})
    .map(([topic, schools]) => {
      const known = TOPIC_IDS.find(t => t === topic)
      const names = (schools as readonly string[]).map(s => (known ? schoolsIn(known)[s]?.name : s) ?? s)
      return `${known ? TOPICS[known].question : topic}: ${names.join(' or ')}`
    })
    .join(' · ')

const argumentLine = (a: Argument, isOwn: boolean): RuleLine => {
  const names = [...new Set(a.schools.map(s => schoolsIn(a.topic)[s]?.name ?? s))]
  const [when, beside] = [whenWords(a.when), besideWords(a)]
  return {
    id: a.id,
    says: `${pointWords(a.points)} ${names.join(', ')}`,
    when: [when === 'always' && beside ? '' : when, beside].filter(Boolean).join(' · '),
    because: a.because,
    source: a.source,
    isOwn,
  }
}

export const ruleGroups = (house: HouseGuide): readonly RuleGroup[] => [
  ...TOPIC_IDS.map(topic => ({
    id: topic,
    title: TOPICS[topic].question,
    topic,
    rules: [
      ...house.rules.filter(r => r.topic === topic).map(r => argumentLine(r as unknown as Argument, true)),
      ...ARGUMENTS.filter(a => a.topic === topic).map(a => argumentLine(a, false)),
    ],
  })),
  {
    id: 'advice',
    title: 'How to shoot',
    topic: undefined,
    rules: ADVICE.map(a => ({
      id: a.id,
      says: a.title,
      when: a.when.map(whenWords).join(' — or — '),
      because: a.text,
      source: a.source,
      isOwn: false,
    })),
  },
  {
    id: 'rescues',
    title: 'When it goes wrong',
    topic: undefined,
    rules: RESCUES.map(r => ({
      id: r.id,
      says: r.symptom,
      when: r.when.map(whenWords).join(' — or — '),
      because: r.remedies.map(m => m.text).join(' '),
      source: r.source,
      isOwn: false,
    })),
  },
]

/** Those in which every word stands; a group whose title holds them stays whole. */
export const matching = (groups: readonly RuleGroup[], words: string): readonly RuleGroup[] => {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  const has = (text: string) => wanted.every(w => text.toLowerCase().includes(w))
  return groups.flatMap(g => {
    const rules = has(g.title)
      ? g.rules
      : g.rules.filter(r => has(`${g.title} ${r.says} ${r.when} ${r.because} ${r.id} ${r.source}`))
    return rules.length ? [{ ...g, rules }] : []
  })
}
