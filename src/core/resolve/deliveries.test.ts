import { describe, expect, it } from 'vitest'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { withPin } from '../bodies'
import { withPinIn } from '../standards/edit'
import { resolve } from './resolve'
import { askedOf, listedBy } from './listed'

const ON = { 'mode.drive': 'continuous' } as const
const asks = tinyStandard(
  { dimension: 'release.rate', value: 10, weight: 'must' },
  { dimension: 'mode.drive', value: 'continuous', weight: 'should' },
)

describe('the settings that a standard turns on', () => {
  const body = tinyBody({
    guide: ['off', 'on'],
    burst: [
      ['slow', { 'release.rate': 4 }],
      ['fast', { 'release.rate': 10 }],
    ],
    mode: [
      ['one', { 'mode.drive': 'single' }],
      ['all', ON],
    ],
  })

  it('stand in the order of what they bring about, not in that of the menu; what is pinned comes last, and nothing else', () => {
    expect(listedBy(resolve(body, asks))).toEqual(['mode', 'burst'])
    const pinned = withPin(body, 'guide', { option: 'on', reason: 'Its owner likes lines.' })
    expect(listedBy(resolve(pinned, asks))).toEqual(['mode', 'burst', 'guide'])
    // Asked for and pinned as well, it stands once.
    const twice = withPinIn(asks, 'only', { body: 'tiny', setting: 'mode', option: 'all', reason: 'As it is taught.' })
    expect(listedBy(resolve(body, twice))).toEqual(['mode', 'burst'])
  })

  it('are asked of nobody where they can be at one thing only', () => {
    const fixed = tinyBody({
      mode: [['all', ON]],
      burst: [
        ['slow', { 'release.rate': 4 }],
        ['fast', { 'release.rate': 10 }],
      ],
    })
    const resolution = resolve(fixed, asks)
    expect(listedBy(resolution)).toEqual(['mode', 'burst'])
    expect(askedOf(fixed, resolution)).toEqual(['burst'])
  })
})

describe('what brings a thing about', () => {
  const deliveriesOf = (body: Parameters<typeof resolve>[0], dimension: string) =>
    resolve(body, asks).outcomes.flatMap(o =>
      o.target.dimension === dimension ? o.parts.flatMap(p => p.deliveries.map(d => d.setting)) : [],
    )

  it('is what holds it back, where two settings speak of it and one does so more', () => {
    const body = tinyBody({ second: [['four', { 'release.rate': 4 }]], first: [['nine', { 'release.rate': 9 }]] })
    expect(deliveriesOf(body, 'release.rate')).toEqual(['second'])
    const same = tinyBody({ second: [['nine', { 'release.rate': 9 }]], first: [['also nine', { 'release.rate': 9 }]] })
    expect(deliveriesOf(same, 'release.rate').toSorted()).toEqual(['first', 'second'])
  })

  it('does not depend on the order in which the rules of a body are written', () => {
    const rules = [
      rule('a', { mode: 'one' }, { effect: 'unavailable', setting: 'burst' }),
      rule('b', { guide: 'off' }, { effect: 'unavailable', setting: 'burst' }),
      rule('c', { guide: 'on' }, { effect: 'forced', setting: 'mode', option: 'one' }),
    ]
    const made = (order: readonly number[]) =>
      tinyBody(
        {
          guide: ['off', 'on'],
          mode: [
            ['one', { 'mode.drive': 'single' }],
            ['all', ON],
          ],
          burst: [
            ['slow', { 'release.rate': 4 }],
            ['fast', { 'release.rate': 10 }],
          ],
        },
        { rules: order.flatMap(i => rules[i] ?? []) },
      )
    const { body: _, ...first } = resolve(made([0, 1, 2]), asks)
    for (const order of [
      [0, 2, 1],
      [1, 0, 2],
      [1, 2, 0],
      [2, 0, 1],
      [2, 1, 0],
    ]) {
      const { body: __, ...other } = resolve(made(order), asks)
      expect(other).toEqual(first)
    }
  })
})
