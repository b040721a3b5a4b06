import { describe, expect, it } from 'vitest'
import { DIMENSIONS, dimension } from '../vocabulary/dimensions'
import { LEXICON } from '../vocabulary/lexicon'
import { meaningSchema } from '../vocabulary/schema'
import { figuresIn, fitOfWords, flagsByWords, pressOf, settledByWords, valuesByWords } from './values'
import * as v from 'valibot'

const read = (id: string, setting: string, ...options: string[]) => valuesByWords(dimension(id), setting, options)

describe('figures in a label', () => {
  it.each([
    ['Grip 5 of 7', [5, 7]],
    ['−0.7', [-0.7]],
    ['+1/3', [0.33]],
    ['4 m to 6 m', [4, 6]],
    ['10 times, 5 seconds', [10, 5]],
    ['Middle', []],
    ['3×3', [3, 3]],
  ])('of “%s”', (label, figures) => {
    expect(figuresIn(label)).toEqual(figures)
  })
})

describe('yes and no', () => {
  it.each([
    [
      ['On', 'Off'],
      [true, false],
    ],
    [
      ['Off', 'On'],
      [false, true],
    ],
    [
      ['Hidden', 'Drawn'],
      [false, true],
    ],
    [
      ['Lit', 'Unlit'],
      [true, false],
    ],
    [
      ['Aloud', 'Hushed'],
      [true, false],
    ],
    [
      ['None', 'A little', 'A lot'],
      [false, true, true],
    ],
  ])('of %j', (labels, values) => {
    expect(flagsByWords(labels)).toEqual(values)
  })
})

describe('values by the words of options', () => {
  it('of a choice leave nothing out where most are told: what is left takes what is left', () => {
    expect(read('mode.drive', 'Watch', 'Once', 'Without end', 'By my hand')).toEqual(['single', 'continuous', 'manual'])
  })

  it('of a choice guess nothing where hardly anything is told', () => {
    expect(read('subject.class', 'Kin', 'Kin off', 'Kin one', 'Kin two', 'Kin three')).toEqual([
      'off',
      undefined,
      undefined,
      undefined,
    ])
  })

  it('of a scale go by words, or by their order where those do not tell', () => {
    expect(read('release.next', 'Rest', 'Sure', 'Even', 'Go')).toEqual(['focus', 'balanced', 'release'])
    expect(read('see.peaking', 'Foam', 'A', 'B', 'C', 'D')).toEqual(['off', 'low', 'mid', 'high'])
    expect(read('see.peaking', 'Foam', 'A', 'B')).toEqual(['off', 'high'])
  })

  it('of amounts are their figures where these carry the unit, else spread over what is usual', () => {
    expect(read('track.hold', 'Wait', '0.5 s', '1 s', '3 s')).toEqual([0.5, 1, 3])
    expect(read('meter.bias', 'Lean', '−1', '0', '+1')).toEqual([-1, 0, 1])
    const spread = read('track.hold', 'Wait', 'Short', 'Middling', 'Long').map(Number)
    expect(spread).toEqual([...spread].sort((a, b) => a - b))
    expect(spread[0]).toBe(LEXICON['track.hold']?.usual?.[0])
  })

  it('of areas are their names, else their order from small to large', () => {
    const patterns = (...options: string[]) =>
      read('area.pattern', 'Window', ...options).map(a => (a as { pattern: string }).pattern)
    expect(patterns('Full frame', 'Zone', 'Single point')).toEqual(['full', 'zone', 'point'])
    expect(patterns('Pip', 'Plum', 'Pear')).toEqual(['pinpoint', 'group', 'full'])
  })

  it('of ranges, magnifiers and resting places are read from their figures and words', () => {
    expect(read('range.limit', 'Limiter', 'Full', '4 m to 6 m')).toEqual([
      { nearMetres: 0.3, farMetres: 'infinity' },
      { nearMetres: 4, farMetres: 6 },
    ])
    expect(read('see.magnify', 'Closer', '7 times, 5 s', '10×, ring')).toEqual([
      { factor: 7, seconds: 5, onRingTurn: false },
      { factor: 10, seconds: 'until-released', onRingTurn: true },
    ])
    expect(read('area.home', 'Rest', 'Middle', 'Upper third', 'Left')).toEqual([
      { x: 0.5, y: 0.5 },
      { x: 0.5, y: 0.34 },
      { x: 0.38, y: 0.5 },
    ])
  })

  it('are always values that the vocabulary takes', () => {
    const options = ['Off', 'On', 'Low 2', 'People', 'Full 10 s']
    for (const d of DIMENSIONS)
      for (const value of valuesByWords(d, d.label, options))
        if (value !== undefined) expect(v.is(meaningSchema(d), value), `${d.id}: ${JSON.stringify(value)}`).toBe(true)
  })
})

it('knows when words leave nothing to guess', () => {
  expect(settledByWords(dimension('see.tone'), ['On', 'Off'])).toBe(true)
  expect(settledByWords(dimension('see.tone'), ['Blown', 'Quiet'])).toBe(false)
  expect(settledByWords(dimension('meter.pattern'), ['Whole frame', 'Centre', 'Spot'])).toBe(true)
  expect(settledByWords(dimension('meter.pattern'), ['Everywhere', 'Centre', 'Pearl'])).toBe(false)
  expect(fitOfWords(dimension('mode.drive'), ['Red', 'Green'])).toBe(0)
})

it('tells held from toggled work of a key', () => {
  expect(pressOf('Keep the light')).toBe('held')
  expect(pressOf('Keep the light till next press')).toBe('toggled')
  expect(pressOf('Exposure hold, toggled')).toBe('toggled')
  expect(pressOf('Shade kept, again to free')).toBe('toggled')
})

it('has words for every dimension, so that each can be found', () => {
  for (const d of DIMENSIONS) expect(LEXICON[d.id]?.words, d.id).toBeTruthy()
  for (const [id, entry] of Object.entries(LEXICON)) {
    const d = dimension(id)
    if ('values' in d && d.values.length && entry.values)
      for (const value of Object.keys(entry.values)) expect(d.values, `${id}: ${value}`).toContain(value)
  }
})
