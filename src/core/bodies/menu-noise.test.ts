import { expect, it } from 'vitest'
import type { MenuLine } from './menu-lines'
import { whyLeftOut } from './menu-noise'

const line = (text: string, more: Partial<MenuLine> = {}): MenuLine => ({
  text,
  indent: 0,
  number: 1,
  block: 0,
  ...more,
})
const why = (text: string, more: Partial<MenuLine> = {}, above?: string) =>
  whyLeftOut(line(text, more), above === undefined ? 0 : 1, [...(above === undefined ? [] : [line(above)]), line(text)])

it.each([
  ['…', 'it names nothing'],
  ['—', 'it names nothing'],
  ['57', 'it names nothing'],
  ['12/11/2026', 'it names nothing'],
  ['(all of them)', 'it reads like a remark'],
  ['* at night', 'it reads like a remark'],
  ['; old', 'it reads like a remark'],
  ['Ada wrote:', 'it reads like a remark'],
  ['Note: at night', 'it reads like a remark'],
  ['See page twelve', 'it reads like a remark'],
  ['Back to top', 'it reads like a remark'],
  ['https://menus.example/af', 'it reads like a remark'],
  ['Manual online: www.menus.example', 'it reads like a remark'],
  ['Option 1  Option 2', 'it reads like a remark'],
  ['What we set on every camera:', 'it reads like a remark'],
  ['This turns the lamp on when it is dark.', 'it reads like an explanation'],
])('leaves out %s', (text, what) => {
  expect(why(text)).toBe(what)
})

it.each([
  ['Tone'],
  ['Tone:'],
  ['What we always set:'],
  ['See all'],
  ['Send to: www, card'],
  ['(one) and (two) x'],
  ['Turns the lamp on when dark.'],
  ['Lamp: on when it is dark, or always off.'],
  ['On – this turns the lamp on when it is dark.'],
  ['This turns the lamp on when it is dark'],
])('keeps %s', text => {
  expect(why(text)).toBeUndefined()
})

it('keeps a dash and a figure where they are what can be chosen', () => {
  expect(why('—', { indent: 2 })).toBeUndefined()
  expect(why('—', { isMarked: true })).toBeUndefined()
  expect(why('…', { indent: 2 })).toBe('it names nothing')
  expect(why('57', { indent: 2 })).toBeUndefined()
  expect(why('57', {}, 'Tone')).toBeUndefined()
  expect(why('57', {}, 'Tone: a, b')).toBe('it names nothing')
})
