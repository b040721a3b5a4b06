import { expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { type Body, factoryState } from '../bodies'
import { recallKeysOf } from './recall-keys'
import type { SetTo } from './walks'

const tollgate = demoBodies().find(b => b.id === 'tollgate') as Body
const RECALLS = 'side-plate'

/** The same body, whose gate key recalls in another way, or in several. */
const recalling = (...presses: readonly ('held' | 'toggled')[]): Body => ({
  ...tollgate,
  settings: tollgate.settings.map(s => ({
    ...s,
    options: s.options.flatMap(o =>
      o.id === RECALLS
        ? presses.map(press => ({
            ...o,
            id: `${o.id}-${press}`,
            label: `${o.label}, ${press}`,
            means: { 'trigger.recall': { control: 'gate-key', press } },
          }))
        : [o],
    ),
  })),
})

const state = factoryState(tollgate)
const ways: readonly SetTo[] = [
  { key: 'one', state, asked: ['drive'] },
  { key: 'other', state: { ...state, drive: 'other' }, asked: ['drive'] },
]

it('knows a key that is held from one that stays on until it is pressed again', () => {
  const [held] = recallKeysOf(recalling('held'), ways)
  expect(held).toMatchObject({ name: 'Gate key', reaches: { one: ['other'], other: ['one'] } })
  expect(held?.isToggled).toBeUndefined()
  const [toggled] = recallKeysOf(recalling('toggled'), ways)
  expect(toggled).toMatchObject({ name: 'Gate key', isToggled: true, reaches: { one: ['other'], other: ['one'] } })
})

it('would rather have it held, where a key can do both: what is held is not forgotten', () => {
  for (const both of [recalling('toggled', 'held'), recalling('held', 'toggled')])
    expect(recallKeysOf(both, ways).map(k => [k.row[1], k.isToggled])).toEqual([['Side plate, held', undefined]])
})
