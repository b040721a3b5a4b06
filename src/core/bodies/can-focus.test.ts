import { expect, it } from 'vitest'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import { canFocus } from './can-focus'

it('finds whatever starts focusing: the shutter, a key, a second key; and nothing where it is off or greyed', () => {
  const body = tinyBody(
    {
      half: ['off', ['af', { 'trigger.shutter': 'starts-af' }], ['light', { 'trigger.shutter': 'meters-only' }]],
      key: ['off', ['af', { 'trigger.start': { control: 'thumb-upper-right' } }]],
      pad: ['off', ['af', { 'trigger.second': { control: 'thumb-centre' } }]],
      drive: ['af', 'mf'],
    },
    { rules: [rule('manual', { drive: 'mf' }, { effect: 'unavailable', setting: 'key' })] },
  )
  const can = (state: Readonly<Record<string, string>>) =>
    canFocus(body, { half: 'off', key: 'off', pad: 'off', drive: 'af', ...state })
  expect(can({})).toBe(false)
  expect(can({ half: 'light' })).toBe(false)
  for (const by of ['half', 'key', 'pad']) expect([by, can({ [by]: 'af' })]).toEqual([by, true])
  expect(can({ key: 'af', drive: 'mf' })).toBe(false)
})
