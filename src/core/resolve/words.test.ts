import { describe, expect, it } from 'vitest'
import { tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { demoBodies, demoStandards } from '../../demo/world'
import type { Body } from '../bodies'
import {
  alternativeWords,
  cellWords,
  deliveredBy,
  explain,
  GRADE_WORDS,
  whyLostWords,
  outcomeWords,
  partWords,
  resolve,
  whyWords,
} from './index'

const pairs = demoBodies().flatMap(body =>
  demoStandards().map(standard => ({ body, standard, name: `${body.model}, ${standard.name}` })),
)

/** Nothing that only a programmer would write. */
const expectReadable = (words: string) => {
  expect(words.trim()).not.toBe('')
  expect(words).not.toMatch(/undefined|NaN|\[object|null|true|false/)
}

describe.each(pairs)('$name', ({ body, standard }) => {
  const resolution = resolve(body, standard)

  it('says in every cell what the body will do, and why', () => {
    for (const outcome of resolution.outcomes) {
      expectReadable(cellWords(body, outcome).main)
      expectReadable(outcomeWords(body, outcome))
      expectReadable(whyWords(body, outcome))
    }
  })

  it('leads to the menu row of every setting it names', () => {
    for (const outcome of resolution.outcomes)
      for (const { setting, path, option } of deliveredBy(body, outcome)) {
        const found = body.settings.find(s => s.id === setting)
        expect(path[0]).toBe(body.menu.tabs.find(t => t.id === found?.at.tab)?.label)
        expect(path[2]).toBe(found?.at.row)
        expect(found?.options.find(o => o.id === resolution.state[setting])?.label).toBe(option)
      }
  })

  it('shows parts that add up to the distance', () => {
    for (const outcome of resolution.outcomes) {
      const parts = partWords(outcome)
      for (const p of parts) [p.label, p.wanted, p.got, p.how].forEach(expectReadable)
      const sum = parts.reduce((total, p) => total + p.weight * p.distance, 0)
      if (!outcome.missing) expect(sum).toBeCloseTo(outcome.distance, 5)
    }
  })

  it('explains why everything else lost, and nothing that lost would have been better for nothing', () => {
    for (const dimension of ['track.hold', 'area.pattern', 'mode.drive', 'trigger.start', 'subject.class']) {
      if (!resolution.outcomes.some(o => o.target.dimension === dimension)) continue
      const { outcome, alternatives } = explain(body, standard, dimension)
      for (const a of alternatives) {
        expectReadable(alternativeWords(body, a))
        expectReadable(whyLostWords(a.lost))
        expect(Object.keys(GRADE_WORDS)).toContain(a.grade)
        if (a.distance < outcome.distance)
          expect(['blocked', 'costs-elsewhere', 'needs-firmware']).toContain(a.lost.why)
        if (a.lost.why === 'costs-elsewhere') expect(a.lost.worse.length).toBeGreaterThan(0)
      }
      const distances = alternatives.map(a => a.distance)
      expect(distances).toEqual(distances.toSorted((x, y) => x - y))
    }
  })
})

it('says of a cell that it is a guess, until somebody has measured or confirmed it', () => {
  const body = tinyBody({
    hold: [
      ['short', { 'track.hold': 0.2 }],
      ['long', { 'track.hold': 2 }],
    ],
  })
  const guessed = {
    ...body,
    settings: body.settings.map(s => ({ ...s, options: s.options.map(o => ({ ...o, guessed: ['track.hold'] })) })),
  }
  const standard = tinyStandard({ dimension: 'track.hold', value: 2, weight: 'must' })
  const below = (b: Body) => resolve(b, standard).outcomes.map(o => cellWords(b, o).sub)
  expect(below(guessed).map(words => words.includes('a guess'))).toEqual([true])
  expect(below(body).map(words => words.includes('a guess'))).toEqual([false])
})

it('answers for the people it is asked for, though it was asked for others before', () => {
  const body = tinyBody({
    hold: [
      ['short', { 'track.hold': 0.2 }],
      ['long', { 'track.hold': 2 }],
    ],
  })
  const standard = tinyStandard({ dimension: 'track.hold', value: 2, weight: 'must' })
  const layers = standard.layers.map(l => ({ ...l, applies: { people: ['imelda-frost'] } }))
  const forOne = { ...standard, layers }
  const asked = (people: readonly string[]) => resolve(body, forOne, { context: { people } }).outcomes.length
  expect([asked([]), asked(['imelda-frost']), asked(['noor-vale'])]).toEqual([0, 1, 0])
})

it('refuses to explain what the standard does not ask for', () => {
  const [pair] = pairs
  if (!pair) throw new Error('the demo is empty')
  expect(() => explain(pair.body, pair.standard, 'video.shift')).toThrow('has no target for video.shift')
})
