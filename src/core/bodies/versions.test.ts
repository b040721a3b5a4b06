import { describe, expect, it } from 'vitest'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { resolve } from '../resolve'
import { problemWords } from '../reading/problem'
import { formDifferencesBetween } from './compare'
import { editSetting, removeSettings } from './edit'
import { parseBody } from './parse'
import type { Body } from './schema'
import { bodyAt, formBefore, versionsOf, withFormAt, withUpdate } from './versions'

const base: Body = tinyBody({
  seek: [
    ['off', { 'subject.class': 'off' }],
    ['people', { 'subject.class': 'people' }],
  ],
  tone: [
    ['on', { 'see.tone': true }],
    ['off', { 'see.tone': false }],
  ],
})

/** Version 2.0 adds birds and renames the tone; 3.0 takes the tone away and binds the rest. */
const second = withFormAt(withUpdate(base, '2.0', 'Birds.'), '2.0', {
  ...editSetting(
    editSetting(base, 'seek', s => ({
      ...s,
      options: [...s.options, { id: 'birds', label: 'birds', means: { 'subject.class': 'birds' } }],
    })),
    'tone',
    s => ({ ...s, label: 'chirp' }),
  ),
})
const third = withFormAt(withUpdate(second, '3.0'), '3.0', {
  ...removeSettings(bodyAt(second, '2.0'), ['tone']),
  rules: [rule('new', { seek: 'off' }, { effect: 'excludes', setting: 'seek', options: ['birds'] })],
})

describe('firmware', () => {
  it('makes each version a change set on the one before', () => {
    expect(versionsOf(third)).toEqual(['1.0', '2.0', '3.0'])
    expect(third.firmware.to).toBe('3.0')
    const words = (v: string) => bodyAt(third, v).settings.map(s => `${s.label} ${s.options.length}`)
    expect(words('1.0')).toEqual(['seek 2', 'tone 2'])
    expect(words('1.9')).toEqual(words('1.0'))
    expect(words('2.4')).toEqual(['seek 3', 'chirp 2'])
    expect(words('3.0')).toEqual(['seek 3'])
  })

  it('keeps what later versions change when an earlier one is edited', () => {
    const edited = withFormAt(
      third,
      '1.0',
      editSetting(bodyAt(third, '1.0'), 'seek', s => ({ ...s, label: 'look' })),
    )
    expect(bodyAt(edited, '3.0').settings.map(s => s.label)).toEqual(['look'])
    expect(bodyAt(edited, '2.0').settings.map(s => s.label)).toEqual(['look', 'chirp'])
  })

  it('says what a version adds, renames, removes and breaks, what breaks first', () => {
    const at = (v: string) => formDifferencesBetween(formBefore(third, v), bodyAt(third, v))
    expect(at('2.0').map(d => [d.kind, d.words, d.breaks])).toEqual([
      ['adds', 'option “seek”: “birds”', false],
      ['renames', 'setting “tone” is now “chirp”', false],
    ])
    expect(at('3.0').map(d => [d.kind, d.words, d.breaks])).toEqual([
      ['removes', 'setting “chirp”', true],
      ['binds', 'rule “Rule new.”', true],
    ])
  })

  it('counts when a standard is resolved, and tells which version would bring what is missing', () => {
    const birds = tinyStandard({ dimension: 'subject.class', value: 'birds', weight: 'must' })
    expect(resolve(third, birds, { firmware: '2.0' }).state['seek']).toBe('birds')
    expect(resolve(third, birds, { firmware: '1.0' }).mustsHeld).toBe(0)
    const map = tinyStandard({ dimension: 'see.review', value: true, weight: 'nice' })
    const adding = withFormAt(withUpdate(base, '2.0'), '2.0', {
      ...base,
      settings: [
        ...base.settings,
        {
          id: 'review',
          label: 'review',
          at: { tab: 'tab', page: 1, row: 9 },
          options: [{ id: 'on', label: 'on', means: { 'see.review': true } }],
          default: 'on',
        },
      ],
    })
    const [outcome] = resolve(adding, map, { firmware: '1.0' }).outcomes
    expect(outcome?.missing).toEqual({ why: 'needs-firmware', version: '2.0' })
  })

  it('is refused where versions are out of order or lead to a profile that is wrong in itself', () => {
    const complaints = (body: Body) => {
      const parsed = parseBody(JSON.parse(JSON.stringify(body)), 'b.json')
      return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
    }
    expect(complaints(third)).toBe('')
    expect(complaints({ ...third, updates: [...third.updates].reverse() })).toContain('expected a version after 3.0')
    const broken = withUpdate(base, '2.0')
    const changes = [{ at: ['settings', 'seek', 'default'], after: 'nobody' }]
    expect(complaints({ ...broken, updates: [{ id: '2.0', changes }] })).toContain(
      'updates.0 (firmware 2.0), settings.0.default: nobody stands there; expected an option of seek',
    )
  })
})

describe('the demo’s firmware', () => {
  it('moves, renames, adds and frees on Linnet 2.0', () => {
    const linnet = demoBodies().find(b => b.id === 'linnet') as Body
    const kinds = formDifferencesBetween(formBefore(linnet, '2.0'), bodyAt(linnet, '2.0')).map(d => d.kind)
    expect([...new Set(kinds)].sort()).toEqual(['adds', 'facts', 'moves', 'removes', 'renames'])
    expect(bodyAt(linnet, '1.4')).toBe(linnet)
  })
})
