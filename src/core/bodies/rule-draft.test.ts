import { describe, expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { availability } from './availability'
import { addRule } from './edit'
import { type RuleDraft, rulesOf } from './rule-draft'
import type { Body, State } from './schema'

const body = tinyBody({
  mode: ['af', 'mf', 'preset'],
  finder: ['live', 'optical'],
  track: ['off', 'on'],
  link: ['off', 'on'],
})

const greyed = (draft: RuleDraft, state: State): readonly string[] => {
  const bound = rulesOf(body, draft).reduce<Body>(addRule, body)
  return [
    ...availability(bound, { mode: 'af', finder: 'live', track: 'off', link: 'off', ...state }).unavailable.keys(),
  ]
}

describe('a rule as people say it', () => {
  const draft: RuleDraft = {
    when: [{ setting: 'mode', is: ['mf'] }],
    effect: 'unavailable',
    targets: ['track', 'link'],
    options: [],
  }

  it('binds several settings at once, a sentence each', () => {
    expect(rulesOf(body, draft).map(r => r.words)).toEqual([
      'While mode is at mf, track cannot be used.',
      'While mode is at mf, link cannot be used.',
    ])
    expect(greyed(draft, { mode: 'mf' })).toEqual(['track', 'link'])
    expect(greyed(draft, { mode: 'af' })).toEqual([])
  })

  it('knows “is not”', () => {
    const not: RuleDraft = { ...draft, when: [{ setting: 'mode', is: ['af'], isNot: true }], targets: ['track'] }
    expect(rulesOf(body, not)[0]?.words).toBe('While mode is not at af, track cannot be used.')
    expect(['af', 'mf', 'preset'].map(mode => greyed(not, { mode }).length)).toEqual([0, 1, 1])
  })

  it('knows “only while”, also of two things together', () => {
    const only: RuleDraft = {
      when: [
        { setting: 'mode', is: ['af'] },
        { setting: 'finder', is: ['live'] },
      ],
      effect: 'only',
      targets: ['track'],
      options: [],
    }
    expect(new Set(rulesOf(body, only).map(r => r.words))).toEqual(
      new Set(['track can only be used while mode is at af and finder is at live.']),
    )
    for (const mode of ['af', 'mf'])
      for (const finder of ['live', 'optical'])
        expect(greyed(only, { mode, finder })).toEqual(mode === 'af' && finder === 'live' ? [] : ['track'])
  })

  it('forces and excludes on one setting', () => {
    const forced: RuleDraft = { ...draft, effect: 'forced', targets: ['track'], options: ['off'] }
    expect(rulesOf(body, forced)[0]).toMatchObject({
      words: 'While mode is at mf, track is always at off.',
      then: { effect: 'forced', setting: 'track', option: 'off' },
    })
    expect(rulesOf(body, { ...forced, effect: 'excludes', options: ['on'] })[0]?.words).toBe(
      'While mode is at mf, track cannot be set to on.',
    )
  })

  it('is no rule while something is missing, or where it binds what it asks about', () => {
    expect(rulesOf(body, { ...draft, targets: [] })).toEqual([])
    expect(rulesOf(body, { ...draft, when: [{ setting: 'mode', is: [] }] })).toEqual([])
    // One that says all, and one that waits for its setting, or for the options of it.
    const [whole = { setting: '', is: [] }] = draft.when
    for (const waiting of [
      { setting: '', is: [] },
      { setting: '', is: ['live'] },
      { setting: 'finder', is: [] },
      { setting: 'finder', is: [], isNot: true as const },
    ])
      for (const when of [
        [whole, waiting],
        [waiting, whole],
      ])
        expect(rulesOf(body, { ...draft, when })).toEqual([])
    expect(rulesOf(body, { ...draft, targets: ['mode'] })).toEqual([])
    expect(rulesOf(body, { ...draft, targets: ['track', 'mode'] })).toEqual([])
    expect(rulesOf(body, { ...draft, when: [whole, { setting: 'finder', is: ['live'] }], targets: ['mode'] })).toEqual(
      [],
    )
    for (const effect of ['forced', 'excludes'] as const) {
      expect(rulesOf(body, { ...draft, effect, targets: ['track'] })).toEqual([])
      expect(rulesOf(body, { ...draft, effect, targets: ['track', 'link'], options: ['on'] })).toEqual([])
      expect(rulesOf(body, { ...draft, effect, targets: ['track'], options: ['on'] })).toHaveLength(1)
    }
    const all = { setting: 'mode', is: ['af', 'mf', 'preset'] }
    expect(rulesOf(body, { ...draft, when: [{ ...all, isNot: true }] })).toEqual([])
    expect(rulesOf(body, { ...draft, effect: 'only', when: [all] })).toEqual([])
  })
})
