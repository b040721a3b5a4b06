import { describe, expect, it } from 'vitest'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { type Body, checkBody, isPinnable, removeOption, removeSettings, withPin } from '../bodies'
import { parseStandard, type Standard } from '../standards'
import { compareLayers, compareStandards } from '../standards/compare'
import { withoutPin, withPinIn } from '../standards/edit'
import { resolve } from './resolve'

const body = tinyBody({
  guide: ['off', 'on', 'mono'],
  mode: [
    ['single', { 'mode.drive': 'single' }],
    ['continuous', { 'mode.drive': 'continuous' }],
  ],
})
const asks = tinyStandard({ dimension: 'mode.drive', value: 'continuous', weight: 'must' })
const pinned = (standard: Standard, option: string, of = 'guide'): Standard =>
  withPinIn(standard, 'only', { body: 'tiny', setting: of, option, reason: 'The class is taught with it.' })

const stateOf = (b: Body, s: Standard) => {
  const { state, pins } = resolve(b, s)
  return [state['guide'], state['mode'], pins.map(p => [p.from, p.option, p.holds])]
}

describe('what is set on a body anyway', () => {
  it('is set beside what is asked, by the profile or by a layer of the standard, whose word is last', () => {
    expect(stateOf(body, asks)).toEqual(['off', 'continuous', []])
    const own = withPin(body, 'guide', { option: 'mono', reason: 'Its owner sees no colours.' })
    expect(stateOf(own, asks)).toEqual(['mono', 'continuous', [['Body', 'mono', true]]])
    expect(stateOf(own, pinned(asks, 'on'))).toEqual(['on', 'continuous', [['Only layer', 'on', true]]])
    expect(stateOf(withPin(own, 'guide', undefined), asks)).toEqual(['off', 'continuous', []])
  })

  it('counts for one body, and for whom its layer is', () => {
    expect(stateOf({ ...body, id: 'other' }, pinned(asks, 'on'))[0]).toBe('off')
    const forOne = pinned(asks, 'on')
    const [layer] = forOne.layers
    const only = layer ? { ...forOne, layers: [{ ...layer, applies: { people: ['imelda-frost'] } }] } : forOne
    expect(resolve(body, only).state['guide']).toBe('off')
    expect(resolve(body, only, { context: { people: ['imelda-frost'] } }).state['guide']).toBe('on')
  })

  it('never goes past a target: of what the vocabulary speaks, targets ask', () => {
    expect(body.settings.map(isPinnable)).toEqual([true, false])
    expect(stateOf(body, pinned(asks, 'single', 'mode'))).toEqual(['off', 'continuous', []])
  })

  it('stands back where the rules of the body leave no state with it, and says so', () => {
    const strict = {
      ...body,
      rules: [rule('no-guide', { mode: 'continuous' }, { effect: 'excludes', setting: 'guide', options: ['on'] })],
    }
    // It costs the must, which is what was said: set it anyway.
    expect(stateOf(strict, pinned(asks, 'on'))).toEqual(['on', 'single', [['Only layer', 'on', true]]])
    const never = {
      ...body,
      rules: ['single', 'continuous'].map(mode =>
        rule(mode, { mode }, { effect: 'excludes' as const, setting: 'guide', options: ['on'] }),
      ),
    }
    expect(stateOf(never, pinned(asks, 'on'))).toEqual(['off', 'continuous', [['Only layer', 'on', false]]])
  })

  it('is part of both files, goes with what it is about, and is told when it changes', () => {
    const own = withPin(body, 'guide', { option: 'mono', reason: 'Its owner sees no colours.' })
    expect(checkBody(own, 'tiny')).toEqual([])
    expect(checkBody(withPin(own, 'guide', { option: 'nowhere', reason: 'x' }), 'tiny')[0]).toMatchObject({
      path: 'pins.0.option',
    })
    expect(removeOption(own, 'guide', 'mono').pins).toEqual([])
    expect(removeSettings(own, ['guide']).pins).toEqual([])
    const standard = pinned(asks, 'on')
    const parsed = parseStandard(JSON.parse(JSON.stringify(standard)), 'file')
    expect(parsed.ok && parsed.value).toEqual(standard)
    expect(compareStandards(asks, standard)).toEqual([])
    expect(compareLayers(asks, standard)).toEqual(['Layer “Only layer” sets other things on single bodies anyway.'])
    const [pin] = standard.layers[0]?.pins ?? []
    expect(pin && withoutPin(standard, 'only', pin)).toEqual(asks)
  })
})
