import { describe, expect, it } from 'vitest'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import {
  availability,
  choiceWords,
  choiceWordsById,
  compareVersions,
  factoryState,
  inBlockingOrder,
  inMenuOrder,
  isThere,
  menuPath,
} from './index'

const onOff = ['off', 'on']
const unavailable = (setting: string) => ({ effect: 'unavailable', setting }) as const

describe('rules', () => {
  const chain = tinyBody(
    { a: onOff, b: onOff, c: onOff },
    { rules: [rule('a-greys-b', { a: 'on' }, unavailable('b')), rule('b-greys-c', { b: 'on' }, unavailable('c'))] },
  )

  it('take a greyed-out setting as set to nothing, so that it greys out nothing itself', () => {
    const blocked = availability(chain, { a: 'off', b: 'on', c: 'on' })
    expect([...blocked.unavailable.keys()]).toEqual(['c'])
    const freed = availability(chain, { a: 'on', b: 'on', c: 'on' })
    expect([...freed.unavailable.keys()]).toEqual(['b'])
  })

  it('name who greys out what', () => {
    const { unavailable: greyed } = availability(chain, { a: 'on', b: 'off', c: 'off' })
    expect(greyed.get('b')?.map(r => r.words)).toEqual(['Rule a-greys-b.'])
  })

  it('force and exclude only what can be used', () => {
    const body = tinyBody(
      { a: onOff, b: onOff, c: onOff },
      {
        rules: [
          rule('a-forces-b', { a: 'on' }, { effect: 'forced', setting: 'b', option: 'on' }),
          rule('a-excludes-c', { a: 'on' }, { effect: 'excludes', setting: 'c', options: ['on'] }),
          rule('b-greys-c', { b: 'on' }, unavailable('c')),
        ],
      },
    )
    expect(availability(body, { a: 'on', b: 'off', c: 'on' }).broken.map(r => r.id)).toEqual([
      'a-forces-b',
      'a-excludes-c',
    ])
    expect(availability(body, { a: 'on', b: 'on', c: 'on' }).broken).toEqual([])
    expect(availability(body, { a: 'off', b: 'off', c: 'on' }).broken).toEqual([])
  })

  it('need all of their conditions', () => {
    const body = tinyBody(
      { a: onOff, b: onOff, c: onOff },
      { rules: [rule('both', { a: 'on', b: 'on' }, unavailable('c'))] },
    )
    expect(availability(body, { a: 'on', b: 'off', c: 'on' }).unavailable.size).toBe(0)
    expect(availability(body, { a: 'on', b: 'on', c: 'on' }).unavailable.size).toBe(1)
  })

  it('are judged after what can grey them out, and refuse a circle', () => {
    expect(inBlockingOrder(['c', 'b', 'a'], chain.rules)).toEqual(['a', 'b', 'c'])
    const circle = [rule('one', { a: 'on' }, unavailable('b')), rule('two', { b: 'on' }, unavailable('a'))]
    expect(() => inBlockingOrder(['a', 'b'], circle)).toThrow('rules run in a circle: a > b > a')
  })
})

describe('menus', () => {
  it('have one order, whatever the order of the file', () => {
    const body = tinyBody({ one: onOff, two: onOff, three: onOff })
    const backward = { ...body, settings: body.settings.toReversed() }
    expect(inMenuOrder(backward).map(s => s.id)).toEqual(['one', 'two', 'three'])
    const [, two] = body.settings
    expect(two && menuPath(body, two)).toEqual(['Tab', 'Page', 2])
  })

  it('leave the factory at their defaults', () => {
    expect(factoryState(tinyBody({ a: onOff, b: ['x', 'y'] }))).toEqual({ a: 'off', b: 'x' })
  })
})

describe('words', () => {
  it('name the setting only where the option alone says too little', () => {
    expect(choiceWords({ label: 'Grip' }, { label: 'Grip 5 of 7' })).toBe('Grip 5 of 7')
    expect(choiceWords({ label: 'Friends first' }, { label: 'Yes' })).toBe('Friends first: Yes')
  })

  it('fall back to the ids where the profile has no such pair', () => {
    expect(choiceWordsById(tinyBody({ a: onOff }), 'a', 'on')).toBe('a: on')
    expect(choiceWordsById(tinyBody({ a: onOff }), 'gone', 'on')).toBe('gone: on')
  })
})

it('asks nothing of a rule of two conditions while only one of them holds', () => {
  const body = tinyBody(
    { a: onOff, b: onOff, c: onOff },
    { rules: [rule('both', { a: 'on', b: 'on' }, { effect: 'forced', setting: 'c', option: 'on' })] },
  )
  const told = (state: Readonly<Record<string, string>>) => {
    const { broken, fired } = availability(body, { a: 'off', b: 'off', c: 'off', ...state })
    return [fired.length, broken.length]
  }
  expect(told({ a: 'on' })).toEqual([0, 0])
  expect(told({ b: 'on' })).toEqual([0, 0])
  expect(told({ a: 'on', b: 'on' })).toEqual([1, 1])
  expect(told({ a: 'on', b: 'on', c: 'on' })).toEqual([1, 0])
})

describe('firmware', () => {
  it('is compared by number, not by letter', () => {
    expect(compareVersions('2.9', '2.10')).toBeLessThan(0)
    expect(compareVersions('2.10', '2.10.0')).toBe(0)
    expect(['1.10', '1.2', '1.9'].sort(compareVersions)).toEqual(['1.2', '1.9', '1.10'])
  })

  it('has what came with it or before it', () => {
    expect(isThere(undefined, '1.0')).toBe(true)
    expect(isThere('1.2', '1.10')).toBe(true)
    expect(isThere('2.0', '1.10')).toBe(false)
  })
})
