import { describe, expect, it } from 'vitest'
import { effectiveTargets, layered, type Standard } from '../standards'
import houseBaseline from '../standards/house-baseline.json' with { type: 'json' }
import { emptyStandard, withTarget } from '../standards/edit'
import { parseStandard } from '../standards'
import { CASES } from '../../../test/fixtures/guide-cases'
import { accept, type Below, clear, propose, type Topic } from './guide'
import { type Answers, followingShare, QUESTIONS } from './questions'
import { RULES, TOPICS } from './rules'

const topicIn = (topics: readonly Topic[], id: string): Topic => {
  const found = topics.find(t => t.id === id)
  if (!found) throw new Error(`nothing is proposed for ${id}`)
  return found
}

/** Schools where there are any, else what the proposal is called. */
const answersTo = (topic: Topic | undefined): readonly string[] => topic?.proposals.map(p => p.school ?? p.title) ?? []

describe('situations', () => {
  it('are at least thirty, and practitioners disagree on some', () => {
    expect(CASES.length).toBeGreaterThanOrEqual(30)
    expect(CASES.filter(c => Object.values(c.proposes).some(p => p.length > 1)).length).toBeGreaterThanOrEqual(8)
  })

  it.each(CASES.map(c => [c.name, c] as const))('%s', (_, { answers, proposes, values = {}, silent = [] }) => {
    const topics = propose(answers)
    for (const [id, expected] of Object.entries(proposes)) {
      const given = answersTo(topics.find(t => t.id === id))
      expect({ topic: id, first: given[0] }).toEqual({ topic: id, first: expected[0] })
      // Where several answers are expected, all of them are offered.
      expect({ topic: id, left: expected.filter(e => !given.includes(e)) }).toEqual({ topic: id, left: [] })
    }
    const targets = topics.flatMap(t => t.proposals[0].targets)
    for (const [dimension, value] of Object.entries(values))
      expect({ dimension, value: targets.find(t => t.dimension === dimension)?.value }).toEqual({ dimension, value })
    for (const id of silent) expect(topics.find(t => t.id === id)).toBeUndefined()
  })
})

describe('answers that go together', () => {
  const values = (answers: Answers, below?: Below) =>
    new Map(propose(answers, below).flatMap(t => t.proposals[0].targets.map(x => [x.dimension, x.value] as const)))

  it('ask for a longer hold than usual where something crosses, whatever is usual in the house', () => {
    for (const usual of [0.8, 1.5, 3])
      for (const blocked of [0.1, 0.3, 0.5, 1, 2]) {
        const hold = values({ crossing: 'people', blocked, what: 'people' }, new Map([['track.hold', usual]]))
        expect(Number(hold.get('track.hold')), `${blocked} s on ${usual} s`).toBeGreaterThanOrEqual(usual)
        expect(Number(hold.get('track.hold'))).toBeGreaterThanOrEqual(Math.min(5, blocked))
      }
  })

  it('correct the exposure once: a spot on what is lit needs no standing correction beside it', () => {
    for (const light of ['spot', 'back', 'changing', 'even', 'dark']) {
      const at = values({ light: [light], what: 'people' })
      const isRead = at.get('meter.pattern') !== 'matrix'
      if (isRead) expect(at.get('meter.bias') ?? 0, light).toBe(0)
    }
    const bias = propose({ light: ['spot'] }).find(t => t.id === 'bias')
    expect(bias?.others.find(o => o.school === 'protect highlights')?.fitsWhen.join()).toContain(
      'metering were not spot',
    )
  })

  it('do not say how fine to aim where nothing is looked for', () => {
    for (const { answers, name } of CASES) {
      const at = values(answers)
      if (at.get('subject.class') === 'off') expect(at.has('subject.detail'), name).toBe(false)
    }
    const dark = values({ what: 'people', size: 'half', faces: 'one', light: ['dark'] })
    expect([dark.get('subject.class'), dark.get('subject.detail')]).toEqual(['off', undefined])
  })
})

it('says what led to a proposal, and what would change its mind', () => {
  const start = topicIn(propose({ motion: ['steady'], handed: 'colleague', session: 180 }), 'start')
  expect(start.proposals[0]).toMatchObject({ school: 'thumb stop', source: 'common practice, no published source' })
  expect(start.proposals[0].because).toContain('How long is the session? 180 minutes')
  expect(start.wouldChange).toContainEqual({
    question: 'Who may be handed the camera?',
    answer: 'anyone',
    then: 'The shutter starts focusing',
  })
})

it('keeps its word about what would change its mind', () => {
  for (const { answers } of CASES)
    for (const topic of propose(answers))
      for (const change of topic.wouldChange) {
        const question = QUESTIONS.find(q => q.text === change.question)
        expect(question).toBeDefined()
        expect(change.then).not.toBe(topic.proposals[0].title)
      }
})

it('shows the answer of the other schools, and when it would fit', () => {
  const start = topicIn(propose({ motion: ['still'], handed: 'anyone' }), 'start')
  expect(start.others.map(o => o.school)).toEqual(expect.arrayContaining(['thumb start', 'thumb stop']))
  expect(start.others.find(o => o.school === 'thumb stop')?.fitsWhen).toContain(
    'it is followed at least 70 % of the time',
  )
})

it('proposes nothing beyond what is usual where nothing was answered', () => {
  for (const topic of propose({})) expect(topic.proposals).toHaveLength(1)
  expect(answersTo(topicIn(propose({}), 'start'))).toEqual(['shutter start'])
})

it('never proposes two values for one thing in the answers that come first', () => {
  for (const { name, answers } of CASES) {
    const seen = new Map<string, unknown>()
    for (const t of propose(answers).flatMap(topic => topic.proposals[0].targets)) {
      if (seen.has(t.dimension))
        expect({ name, dimension: t.dimension, value: t.value }).toEqual({
          name,
          dimension: t.dimension,
          value: seen.get(t.dimension),
        })
      seen.set(t.dimension, t.value)
    }
  }
})

it('reckons the share of following from the movement', () => {
  expect([['still'], ['stop-start'], ['steady'], ['still', 'sudden'], []].map(followingShare)).toEqual([
    0.1,
    0.5,
    0.9,
    0.6,
    undefined,
  ])
})

describe('the knowledge', () => {
  it('asks only what can be answered, and says where each rule is from', () => {
    const ids = new Set([...QUESTIONS.map(q => q.id), 'following'])
    for (const rule of RULES) {
      expect(Object.keys(rule.when).filter(k => !ids.has(k))).toEqual([])
      expect(Object.keys(TOPICS)).toContain(rule.topic)
      for (const [id, condition] of Object.entries(rule.when)) {
        const question = QUESTIONS.find(q => q.id === id)
        const named = Array.isArray(condition) ? condition : 'not' in condition ? condition.not : []
        if (question?.kind === 'one' || question?.kind === 'many')
          expect({ rule: rule.id, unknown: named.filter(n => !question.options.some(o => o.id === n)) }).toEqual({
            rule: rule.id,
            unknown: [],
          })
      }
      expect(rule.source).not.toBe('')
    }
    expect(new Set(RULES.map(r => r.id)).size).toBe(RULES.length)
  })

  it('has no rule that no situation of the cases reaches', () => {
    const reached = new Set(
      CASES.flatMap(c => propose(c.answers)).flatMap(t => [...t.proposals, ...t.others].map(p => p.rule)),
    )
    const unreached = RULES.filter(r => !reached.has(r.id)).map(r => r.id)
    expect(unreached.length / RULES.length).toBeLessThan(0.12)
  })
})

describe('accepting', () => {
  const house = parseStandard(houseBaseline, 'house')
  const draft: Standard = emptyStandard(
    { id: 'swings', name: 'Swings', about: 'For a test.' },
    'work',
    house.ok ? house.value : undefined,
  )
  const start = topicIn(propose({ motion: ['steady'], handed: 'nobody', session: 30 }), 'start')

  it('writes the targets with their reason and school; a must below stands until somebody writes why it gives way', () => {
    const written = accept(draft, 'swings', 'start', start.proposals[0])
    const shutter = (s: Standard) => effectiveTargets(s).find(t => t.dimension === 'trigger.shutter')
    expect(shutter(written)).toMatchObject({ value: 'starts-af', from: { layer: 'House baseline' } })
    expect(layered(written).withheld.map(w => w.target)).toMatchObject([
      { dimension: 'trigger.shutter', value: 'meters-only', school: 'thumb start' },
    ])
    const [own] = layered(written).withheld
    if (!own) throw new Error('nothing withheld')
    const reasoned = withTarget(written, 'swings', { ...own.target, relaxes: 'Nobody else takes these bodies.' })
    expect(shutter(reasoned)).toMatchObject({ value: 'meters-only', from: { layer: 'Swings' } })
    expect(layered(reasoned).withheld).toEqual([])
  })

  it('accepts everything without giving one reason against a must on its own', () => {
    for (const { answers } of CASES) {
      const all = propose(answers).reduce((s, t) => accept(s, 'swings', t.id, t.proposals[0]), draft)
      for (const l of all.layers.filter(x => !x.from)) expect(l.targets.filter(t => t.relaxes)).toEqual([])
    }
  })

  it('replaces an earlier answer to the same question, and can be taken back', () => {
    const first = accept(draft, 'swings', 'start', start.proposals[0])
    const stop = start.proposals.find(p => p.school === 'thumb stop')
    if (!stop) throw new Error('no thumb stop')
    const second = accept(first, 'swings', 'start', stop)
    expect(second.layers.at(-1)?.targets.map(t => t.dimension)).toEqual(['trigger.shutter', 'trigger.stop'])
    expect(clear(second, 'swings', 'start')).toEqual(draft)
  })
})
