import { describe, expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { coverageOf, gapsOf, gapWords } from './completeness'
import { fieldsThatTell, withEvidence } from './evidence'
import { UNKNOWN_OPTION } from './menu-rows'
import type { Body } from './schema'

const body = tinyBody({
  drive: [
    ['one', { 'mode.drive': 'single' }],
    ['all', { 'mode.drive': 'continuous' }],
  ],
  tone: ['on', 'off'],
})
const kinds = (b: Body) => gapsOf(b).map(g => g.kind)
const undecided = (n: number): Body => ({
  ...tinyBody(Object.fromEntries(Array.from({ length: n }, (_, i) => [`S${i + 1}`, ['a', 'b']]))),
  settings: tinyBody(Object.fromEntries(Array.from({ length: n }, (_, i) => [`S${i + 1}`, ['a', 'b']]))).settings.map(
    s => ({ ...s, undecided: true as const }),
  ),
})

describe('what a body covers', () => {
  const coverage = (b: Body, id: string) => coverageOf(b).find(c => c.dimension.id === id)?.coverage

  it('is set by a setting, fixed, beyond doubt or not said', () => {
    expect(coverage(body, 'mode.drive')).toEqual({ how: 'set', settings: ['drive'] })
    const fixed = tinyBody({}, { fixed: [{ means: { 'mode.drive': 'continuous' }, words: 'It always follows.' }] })
    expect(coverage(fixed, 'mode.drive')).toEqual({ how: 'fixed', words: 'It always follows.' })
    expect(coverage(tinyBody({}), 'mode.drive')).toEqual({ how: 'unmapped' })
    expect(coverageOf(body).some(c => c.coverage.how === 'implied')).toBe(true)
  })
})

describe('what stands between a body and a card', () => {
  it('is nothing once all of it is said', () => {
    const whole: Body = {
      ...body,
      unconfirmed: [],
      interlocks: [{ about: 'af-mf', words: 'Switch at one place only.' }] as never,
    }
    expect(kinds(whole)).not.toContain('undecided')
    expect(kinds(whole)).not.toContain('no-interlock')
    expect(kinds(whole)).not.toContain('no-default-drive')
    expect(kinds(whole)).not.toContain('no-settings')
    expect(kinds(whole)).not.toContain('unconfirmed')
  })

  it('is told thing by thing', () => {
    expect(kinds(tinyBody({}))).toEqual(expect.arrayContaining(['no-settings', 'no-default-drive', 'no-interlock']))
    // An empty menu can hold nothing that focuses, and says so already.
    expect(kinds(tinyBody({}))).not.toContain('cannot-focus')
    expect(kinds(tinyBody({ tone: ['on'] }))).toContain('cannot-focus')
    expect(kinds({ ...body, unconfirmed: ['sensor'] })).toContain('unconfirmed')
    const looked = { ...body, settings: body.settings.map(s => ({ ...s, options: [...s.options] })) }
    looked.settings[1]?.options.push({ id: 'x', label: UNKNOWN_OPTION, means: {} })
    expect(gapsOf(looked)).toContainEqual({ kind: 'unknown-options', settings: [looked.settings[1]] })
  })

  it('names four settings, and says how many more there are', () => {
    const words = (n: number) =>
      gapsOf(undecided(n))
        .map(gapWords)
        .find(w => w.what.startsWith(`${n} settings`))?.todo
    expect(words(4)).toBe('Accept a proposal or say that it has nothing to do with focus: S1, S2, S3, S4.')
    expect(words(6)).toBe('Accept a proposal or say that it has nothing to do with focus: S1, S2, S3, S4 and 2 more.')
    expect(gapWords({ kind: 'unconfirmed', facts: ['sensor', 'frameRates'] }).todo).toBe(
      'Look at the body and confirm: sensor, frame rates.',
    )
  })
})

describe('what pictures tell of settings', () => {
  const told = { field: 'FocusMode', reads: { one: 'Single' } } as never
  it('takes the place of what they told of the same one before', () => {
    const once = withEvidence(body, 'drive', [told])
    const both = withEvidence(once, 'tone', [told])
    expect(both.evidence?.map(e => e.setting)).toEqual(['drive', 'tone'])
    expect(withEvidence(both, 'drive', [told]).evidence?.map(e => e.setting)).toEqual(['tone', 'drive'])
    expect(withEvidence(once, 'drive', [])).toEqual(body)
    expect(withEvidence(body, 'drive', [])).not.toHaveProperty('evidence')
  })

  it('names each field once', () => {
    const once = withEvidence(withEvidence(body, 'drive', [told]), 'tone', [told])
    expect(fieldsThatTell([once, body, once])).toEqual(['FocusMode'])
  })
})
