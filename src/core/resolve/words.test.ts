import { describe, expect, it } from 'vitest'
import { demoBodies, demoStandards } from '../../demo/world'
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

it('refuses to explain what the standard does not ask for', () => {
  const [pair] = pairs
  if (!pair) throw new Error('the demo is empty')
  expect(() => explain(pair.body, pair.standard, 'video.shift')).toThrow('has no target for video.shift')
})
