import { describe, expect, it } from 'vitest'
import { answersOn, tipsFor } from './guide'
import { type HouseGuide, knowledgeOf, NO_HOUSE_GUIDE, parseHouseGuide, stillKnown, whenWords } from './house'

const rule: HouseGuide['rules'][number] = {
  id: 'our trial with learners',
  topic: 'start',
  schools: ['thumb'],
  when: { hands: ['first-days'], motion: ['steady'] },
  points: 2,
  because: 'In our trial in May beginners kept more frames with the thumb.',
  source: 'own trial, May',
}
const house: HouseGuide = { ...NO_HOUSE_GUIDE, rules: [rule] }
const LEARNER = { hands: 'first-days', motion: ['steady'], handed: 'nobody' } as const
const first = (guide: HouseGuide, topic: string) =>
  answersOn(LEARNER, { knowledge: knowledgeOf(guide) }).find(t => t.id === topic)?.proposals[0]

describe('house rules', () => {
  it('change nothing where there are none', () => {
    expect(answersOn(LEARNER, { knowledge: knowledgeOf(NO_HOUSE_GUIDE) })).toEqual(answersOn(LEARNER))
  })

  it('add what the house has measured, and it comes first', () => {
    expect(first(NO_HOUSE_GUIDE, 'start')?.school).toBe('shutter start')
    expect(first(house, 'start')).toMatchObject({ school: 'thumb start', source: 'own trial, May' })
  })

  it('switch a rule, an advice or a rescue off', () => {
    const off = {
      ...NO_HOUSE_GUIDE,
      off: ['start/learner, shutter', 'start/first weeks, shutter', 'repeat', 'falls-off'],
    }
    expect(first(off, 'start')?.school).toBe('thumb start')
    const ids = (guide: HouseGuide) => {
      const { advice, rescues } = tipsFor({ ...LEARNER, crossing: 'nobody' }, { knowledge: knowledgeOf(guide) })
      return [...advice, ...rescues].map(t => t.id)
    }
    expect(ids(NO_HOUSE_GUIDE)).toEqual(expect.arrayContaining(['repeat', 'falls-off']))
    expect(ids(off).filter(id => off.off.includes(id))).toEqual([])
  })

  it('replace a rule by their own', () => {
    const replaced = {
      ...NO_HOUSE_GUIDE,
      rules: [
        { ...rule, id: 'start/usual', replaces: 'start/usual', schools: ['stop'], when: {}, points: 9, source: 'ours' },
      ],
    }
    expect(parseHouseGuide(replaced, 'ours.json').ok).toBe(true)
    expect(answersOn({}, { knowledge: knowledgeOf(replaced) }).find(t => t.id === 'start')?.proposals[0].school).toBe(
      'thumb stop',
    )
  })

  it('travel as a file, and what is wrong is told with its place', () => {
    expect(parseHouseGuide(JSON.parse(JSON.stringify(house)), 'ours.json')).toEqual({ ok: true, value: house })
    const told = (change: object) => {
      const parsed = parseHouseGuide({ ...house, ...change }, 'ours.json')
      return parsed.ok ? [] : parsed.problems.map(p => `${p.path}: ${p.expected}`)
    }
    expect(told({ holds: { start: 'elbow' } })).toEqual([
      'holds.start: expected one of: thumb, shutter, stop, two, three',
    ])
    expect(told({ holds: { nothing: 'thumb' } })[0]).toContain('holds.nothing')
    expect(told({ off: ['no such rule'] })).toEqual(['off: expected the id of a rule of the guide'])
    expect(told({ rules: [{ ...rule, schools: ['elbow'] }] })[0]).toContain('rules.0.schools')
    expect(told({ rules: [{ ...rule, when: { hands: ['left'] } }] })[0]).toContain('“left” is no answer to it')
    expect(told({ rules: [{ ...rule, when: { weather: ['wet'] } }] })[0]).toContain('rules.0.when.weather')
    expect(told({ rules: [{ ...rule, when: { session: ['long'] } }] })[0]).toContain('"min" and "max"')
    expect(told({ rules: [{ ...rule, when: { hands: { min: 1 } } }] })[0]).toContain('expected a list')
    expect(told({ rules: [rule, rule] })).toEqual(['rules.1.id: expected an id that no other rule has'])
    expect(told({ format: 'coherion.body/1' })[0]).toContain('this file holds a body')
  })

  it('outlive a guide that knows some of them no more', () => {
    const older = {
      ...house,
      holds: { start: 'thumb', gone: 'x' },
      off: ['no such rule', 'repeat'],
      rules: [rule, { ...rule, id: 'b', when: { weather: ['wet'] } }],
    }
    expect(stillKnown(older)).toEqual({ ...house, holds: { start: 'thumb' }, off: ['repeat'], rules: [rule] })
    expect(stillKnown('nonsense')).toEqual(NO_HOUSE_GUIDE)
  })

  it('are read in words', () => {
    expect(whenWords(rule.when)).toBe('Who shoots? somebody in the first weeks · What moves, and how? steadily')
    expect(whenWords({})).toBe('always')
  })
})
