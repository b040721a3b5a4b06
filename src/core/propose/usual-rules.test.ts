import { describe, expect, it } from 'vitest'
import { tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { addRule, availability, factoryState } from '../bodies'
import { resolve } from '../resolve'
import { typicalArea } from '../vocabulary/typical'
import { usualRules } from './usual-rules'

const body = tinyBody({
  drive: [
    ['once', { 'mode.drive': 'single' }],
    ['on', { 'mode.drive': 'continuous' }],
    ['hand', { 'mode.drive': 'manual' }],
  ],
  area: [
    ['point', { 'area.pattern': typicalArea('point') }],
    ['follow', { 'area.pattern': { ...typicalArea('point'), follow: 'from-start-point' } }],
  ],
  meter: [
    ['all', { 'meter.pattern': 'matrix' }],
    ['spot', { 'meter.pattern': 'spot' }],
  ],
  rides: [
    ['yes', { 'meter.follows': true }],
    ['no', { 'meter.follows': false }],
  ],
})

it('proposes what many bodies have between the settings that this one has, in its own words', () => {
  expect(usualRules(body).map(u => u.rule.words)).toEqual([
    'While drive is at once or hand, area cannot be set to follow.',
    'While meter is at all, rides cannot be used.',
  ])
})

it('does not propose what is there already, nor anything that runs in a circle', () => {
  const [first] = usualRules(body)
  if (!first) throw new Error('no rule was proposed')
  const after = addRule(body, first.rule)
  expect(usualRules(after).map(u => u.rule.then.setting)).toEqual(['rides'])
  for (const demo of demoBodies())
    for (const { rule } of usualRules(demo))
      expect(() => availability(addRule(demo, rule), factoryState(demo)), demo.model).not.toThrow()
})

it('says nothing of settings that nobody has decided', () => {
  expect(usualRules({ ...body, settings: body.settings.map(s => ({ ...s, undecided: true })) })).toEqual([])
})

describe('a row of frame rates for each drive mode', () => {
  const rated = tinyBody({
    Drive: [
      ['One picture', {}],
      ['Continuous L', {}],
      ['Continuous H', {}],
    ],
    'Rate H': [
      ['12', { 'release.rate': 12 }],
      ['8', { 'release.rate': 8 }],
    ],
    'Rate L': [
      ['5', { 'release.rate': 5 }],
      ['2', { 'release.rate': 2 }],
    ],
  })
  const rules = usualRules(rated)

  it('counts while the drive is at its own', () => {
    expect(rules.map(u => u.rule.words)).toEqual([
      'While Drive is at One picture or Continuous L, Rate H cannot be used.',
      'While Drive is at One picture or Continuous H, Rate L cannot be used.',
    ])
  })

  it('with these rules the drive is set so that the rate that is wanted counts', () => {
    const ruled = rules.reduce((b, u) => addRule(b, u.rule), rated)
    const at = (rate: number) =>
      resolve(ruled, tinyStandard({ dimension: 'release.rate', value: rate, weight: 'must' }))
    const labels = (rate: number) =>
      Object.entries(at(rate).state).map(
        ([id, o]) => ruled.settings.find(s => s.id === id)?.options.find(x => x.id === o)?.label,
      )
    expect(at(12).outcomes[0]?.grade).toBe('same')
    expect(labels(12)).toEqual(expect.arrayContaining(['Continuous H', '12']))
    expect(at(2).outcomes[0]?.grade).toBe('same')
    expect(labels(2)).toEqual(expect.arrayContaining(['Continuous L', '2']))
  })

  it('is not made of one row, nor of a drive without such modes', () => {
    expect(usualRules({ ...rated, settings: rated.settings.filter(s => s.label !== 'Rate L') })).toEqual([])
    expect(usualRules({ ...rated, settings: rated.settings.filter(s => s.label !== 'Drive') })).toEqual([])
  })
})
