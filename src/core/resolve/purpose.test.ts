import { expect, it } from 'vitest'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { problemOf } from './problem'
import { purposeOf } from './purpose'
import { resolve } from './resolve'

const shut = (on: string) => rule('shuts', { quiet: on }, { effect: 'unavailable', setting: 'hold' })
const body = tinyBody(
  {
    quiet: ['off', 'on'],
    tone: [
      ['beeps', { 'see.tone': true }],
      ['still', { 'see.tone': false }],
    ],
    hold: [
      ['one', { 'track.hold': 1 }],
      ['four', { 'track.hold': 4 }],
    ],
  },
  { rules: [shut('off')] },
)
const standard = tinyStandard(
  { dimension: 'track.hold', value: 4, weight: 'must' },
  { dimension: 'see.tone', value: false, weight: 'nice' },
)
const purpose = (setting: string, before: string) =>
  purposeOf(problemOf(body, standard), resolve(body, standard), setting, before)

it('names the targets that a setting serves, what matters most first', () => {
  expect(purpose('tone', 'beeps')).toEqual({ targets: ['see.tone'], frees: [] })
  expect(purpose('hold', 'one')).toEqual({ targets: ['track.hold'], frees: [] })
})

it('takes the first of options that serve alike, not the one that shuts another setting', () => {
  const same = { 'see.tone': false } as const
  const two = tinyBody(
    { hold: ['one', 'four'], tone: ['beeps', ['still', same], ['quiet', same]] },
    { rules: [rule('shuts', { tone: 'quiet' }, { effect: 'unavailable', setting: 'hold' })] },
  )
  const silent = tinyStandard({ dimension: 'see.tone', value: false, weight: 'must' })
  expect(resolve(two, silent).state).toEqual({ hold: 'one', tone: 'still' })
})

it('names what a change lets be as it is, and the rule that says so', () => {
  expect(purpose('quiet', 'off')).toEqual({
    targets: ['track.hold'],
    frees: [{ setting: 'hold', rule: 'Rule shuts.' }],
  })
})

it('says nothing of a setting that serves nothing', () => {
  const idle = tinyBody({ colour: ['red', 'blue'], hold: [['four', { 'track.hold': 4 }]] })
  expect(purposeOf(problemOf(idle, standard), resolve(idle, standard), 'colour', 'blue')).toEqual({
    targets: [],
    frees: [],
  })
})

it('turns a rule round that would be broken by the setting itself', () => {
  const torn = tinyBody(
    {
      way: [
        ['calm', { 'track.hold': 4 }],
        ['quick', { 'track.hold': 1 }],
      ],
      beep: ['on', 'off'],
    },
    { rules: [rule('calm-off', { way: 'calm' }, { effect: 'forced', setting: 'beep', option: 'off' })] },
  )
  expect(purposeOf(problemOf(torn, standard), resolve(torn, standard), 'beep', 'on').frees).toEqual([
    { setting: 'way', rule: 'Rule calm-off.' },
  ])
})
