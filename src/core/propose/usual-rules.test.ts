import { expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { addRule, availability, factoryState } from '../bodies'
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
