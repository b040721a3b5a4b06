import { describe, expect, it } from 'vitest'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { problemOf } from '../resolve/problem'
import { resolve } from '../resolve'
import { factoryState, inMenuOrder } from './index'
import { groupsOf, search, searchInput, SearchTooLargeError, stateOf } from './search'

const hold = (...seconds: readonly number[]) => seconds.map(s => [`s${s * 10}`, { 'track.hold': s }] as const)

describe('groups', () => {
  it('are what rules and shared dimensions connect, and nothing else', () => {
    const body = tinyBody(
      {
        wait: hold(1, 2),
        patience: hold(1, 2),
        tone: [
          ['on', { 'see.tone': true }],
          ['off', { 'see.tone': false }],
        ],
        lamp: [
          ['on', { 'see.lamp': true }],
          ['off', { 'see.lamp': false }],
        ],
        date: ['short', 'long'],
      },
      { rules: [rule('quiet', { tone: 'off' }, { effect: 'excludes', setting: 'lamp', options: ['on'] })] },
    )
    const standard = tinyStandard(
      { dimension: 'track.hold', value: 1, weight: 'must' },
      { dimension: 'see.tone', value: false, weight: 'must' },
    )
    const groups = groupsOf(problemOf(body, standard).input).map(g => g.settings.map(i => body.settings[i]?.id))
    expect(groups).toEqual([['wait', 'patience'], ['tone', 'lamp'], ['date']])
  })
})

describe('the search', () => {
  const input = (body: ReturnType<typeof tinyBody>) => {
    const settings = inMenuOrder(body)
    const domains = settings.map(s => s.options.map((_, o) => o))
    return searchInput({ settings, rules: body.rules, domains, known: factoryState(body), terms: [] })
  }

  it('mends a known state that breaks a rule with the fewest changes', () => {
    const forced = { effect: 'forced', setting: 'b', option: 'on' } as const
    const body = tinyBody(
      { a: ['on', 'off'], b: ['off', 'on'], c: ['off', 'on'] },
      { rules: [rule('one', { a: 'on' }, forced)] },
    )
    const found = search(input(body))
    expect(found && stateOf(input(body), found.choice)).toMatchObject({ c: 'off' })
    const state = found ? stateOf(input(body), found.choice) : {}
    expect(Number(state['a'] === 'off') + Number(state['b'] === 'on')).toBe(1)
  })

  it('finds nothing where the rules leave nothing', () => {
    const body = tinyBody(
      { a: ['on'], b: ['x', 'y'] },
      { rules: [rule('never', { a: 'on' }, { effect: 'excludes', setting: 'b', options: ['x', 'y'] })] },
    )
    expect(search(input(body))).toBeUndefined()
    expect(() => resolve(body, tinyStandard({ dimension: 'see.tone', value: true, weight: 'nice' }))).toThrow(
      'the rules of Tiny Body leave no state that satisfies them',
    )
  })

  it('unlocks a setting where that pays', () => {
    const body = tinyBody(
      {
        bank: ['closed', 'open'],
        key: [
          ['idle', {}],
          ['focus', { 'trigger.start': { control: 'thumb' } }],
        ],
      },
      { rules: [rule('bank', { bank: 'closed' }, { effect: 'unavailable', setting: 'key' })] },
    )
    const wanted = tinyStandard({ dimension: 'trigger.start', value: { place: 'thumb-upper-right' }, weight: 'must' })
    expect(resolve(body, wanted).state).toEqual({ bank: 'open', key: 'focus' })
  })

  it('greys a setting out on purpose where its absence is what is wanted', () => {
    const body = tinyBody(
      {
        eco: ['off', 'on'],
        follow: [
          ['a', { 'area.follow': 'automatic' }],
          ['b', { 'area.follow': 'from-start-point' }],
        ],
      },
      { rules: [rule('eco', { eco: 'on' }, { effect: 'unavailable', setting: 'follow' })] },
    )
    const { state, unavailable, outcomes } = resolve(
      body,
      tinyStandard({ dimension: 'area.follow', value: 'off', weight: 'should' }),
    )
    expect(state['eco']).toBe('on')
    expect(unavailable).toEqual(['follow'])
    expect(outcomes[0]?.distance).toBeCloseTo(0, 5)
  })

  it('takes nothing for greyed out because a rule that forces it holds', () => {
    const body = tinyBody(
      {
        eco: [
          ['off', { 'see.tone': true }],
          ['on', { 'see.tone': false }],
        ],
        lamp: ['off', 'on'],
        follow: [
          ['a', { 'area.follow': 'automatic' }],
          ['b', { 'area.follow': 'from-start-point' }],
        ],
      },
      {
        rules: [
          rule('eco', { eco: 'on' }, { effect: 'unavailable', setting: 'follow' }),
          rule('lamp', { lamp: 'on' }, { effect: 'forced', setting: 'follow', option: 'b' }),
        ],
      },
    )
    const { state, unavailable } = resolve(
      body,
      tinyStandard(
        { dimension: 'see.tone', value: true, weight: 'must' },
        { dimension: 'area.follow', value: 'off', weight: 'should' },
      ),
    )
    expect(unavailable).toEqual([])
    expect(state).toMatchObject({ eco: 'off', lamp: 'off' })
  })

  it('walks a long chain of linked settings at once', () => {
    const names = Array.from({ length: 60 }, (_, i) => `s${String(i).padStart(2, '0')}`)
    const body = tinyBody(Object.fromEntries(names.map((n, i) => [n, i === 59 ? hold(1, 2, 3) : ['a', 'b', 'c']])), {
      rules: names.slice(1).map((n, i) => {
        const last = i === 58
        const options = last ? ['s20'] : ['c']
        return rule(n, { [names[i] ?? '']: 'b' }, { effect: 'excludes', setting: n, options })
      }),
    })
    const began = performance.now()
    expect(resolve(body, tinyStandard({ dimension: 'track.hold', value: 3, weight: 'must' })).state['s59']).toBe('s30')
    expect(performance.now() - began).toBeLessThan(2000)
  })

  it('finds the best of a long list of areas', () => {
    const area = (i: number) => ({ pattern: 'block', width: 0.1 * 1.5 ** i, height: 0.01 }) as const
    const offers = Array.from(
      { length: 6 },
      (_, i) =>
        [
          `offer${i}`,
          [
            ['in', { 'area.offered': [area(i)] }],
            ['out', {}],
          ],
        ] as const,
    )
    const value = [area(0), area(5)]
    const { state, outcomes } = resolve(
      tinyBody(Object.fromEntries(offers)),
      tinyStandard({ dimension: 'area.offered', value, weight: 'should' }),
    )
    expect(outcomes[0]?.distance).toBe(0)
    expect(Object.values(state).filter(o => o === 'in')).toHaveLength(2)
  })

  it('refuses what it cannot search exactly, and names the settings', () => {
    const body = tinyBody(
      { a: ['off', 'on'], b: ['off', 'on'], c: ['off', 'on'] },
      {
        rules: [
          rule('ab', { a: 'on' }, { effect: 'forced', setting: 'b', option: 'on' }),
          rule('bc', { b: 'on' }, { effect: 'forced', setting: 'c', option: 'on' }),
        ],
      },
    )
    expect(() => search(input(body), undefined, 20)).toThrow(SearchTooLargeError)
    expect(() => search(input(body), undefined, 20)).toThrow('too many combinations among the linked settings a, b, c')
    // Of very many it names as many as somebody reads.
    const many = new SearchTooLargeError([...'abcdefghijkl'], 'Linnet')
    expect(many.message).toMatch(/^Linnet: .*settings a, b, c, d, e, f, g, h\. Leave it out/)
  })

  it('gives up within seconds on what is too entangled, instead of holding up everybody else', () => {
    const area = (i: number) => ({ pattern: 'block', width: 0.1 + i / 100, height: 0.1 + i / 90 }) as const
    const offers = Array.from(
      { length: 26 },
      (_, i) =>
        [
          `offer${i}`,
          [
            ['in', { 'area.offered': [area(i)] }],
            ['out', {}],
          ],
        ] as const,
    )
    const value = Array.from({ length: 13 }, (_, i) => area(i * 2))
    const standard = tinyStandard({ dimension: 'area.offered', value, weight: 'should' })
    const began = performance.now()
    expect(() => resolve(tinyBody(Object.fromEntries(offers)), standard)).toThrow(SearchTooLargeError)
    expect(performance.now() - began).toBeLessThan(30_000)
  })
})
