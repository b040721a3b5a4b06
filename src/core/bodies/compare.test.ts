import { describe, expect, it } from 'vitest'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import { differencesBetween, formDifferencesBetween } from './compare'
import type { Body } from './schema'

const body = tinyBody(
  {
    grip: [
      ['short', { 'track.hold': 1 }],
      ['long', { 'track.hold': 2 }],
    ],
    beep: ['on', 'off'],
  },
  { rules: [rule('quiet', { beep: 'off' }, { effect: 'unavailable', setting: 'grip' })] },
)

const edited = (change: (b: Body) => Partial<Body>): Body => ({ ...body, ...change(body) })
const setting = (id: string, change: (s: Body['settings'][number]) => Partial<Body['settings'][number]>) =>
  edited(b => ({ settings: b.settings.map(s => (s.id === id ? { ...s, ...change(s) } : s)) }))
const option = (change: (o: Body['settings'][number]['options'][number]) => object) =>
  setting('grip', s => ({ options: s.options.map(o => (o.id === 'long' ? { ...o, ...change(o) } : o)) }))
const control = (change: object) => edited(b => ({ controls: b.controls.map(c => ({ ...c, ...change })) }))

const told = (after: Body) =>
  differencesBetween(body, after).map(d => `${d.breaks ? 'breaks' : 'keeps'} · ${d.kind} · ${d.words}`)

describe('what differs between two profiles, in words', () => {
  it.each<[string, Body, string]>([
    ['nothing', body, ''],
    ['a setting’s name', setting('grip', () => ({ label: 'Hold' })), 'keeps · renames · setting “grip” is now “Hold”'],
    [
      'a setting’s place',
      setting('grip', s => ({ at: { ...s.at, row: 9 } })),
      'keeps · moves · “grip” stands elsewhere in the menu',
    ],
    [
      'a default',
      setting('grip', () => ({ default: 'long' })),
      'breaks · means · “grip” leaves the factory at another option',
    ],
    ['a note', setting('grip', () => ({ note: 'Stiff.' })), 'keeps · facts · “grip”: note changes'],
    [
      'a setting more',
      edited(b => ({
        settings: [...b.settings, { ...(b.settings[1] as Body['settings'][number]), id: 'new', label: 'New' }],
      })),
      'keeps · adds · setting “New”',
    ],
    ['a setting less', edited(b => ({ settings: b.settings.slice(0, 1) })), 'breaks · removes · setting “beep”'],
    [
      'another order of settings',
      edited(b => ({ settings: [...b.settings].reverse() })),
      'keeps · moves · the settings stand in another order',
    ],
    [
      'another order of options',
      setting('grip', s => ({ options: [...s.options].reverse() })),
      'keeps · moves · the options of “grip” stand in another order',
    ],
    [
      'an option more',
      setting('grip', s => ({ options: [...s.options, { id: 'own', label: 'own', means: {} }] })),
      'keeps · adds · option “grip”: “own”',
    ],
    [
      'an option less',
      setting('grip', s => ({ options: s.options.slice(0, 1) })),
      'breaks · removes · option “grip”: “long”',
    ],
    ['an option’s name', option(() => ({ label: 'Far' })), 'keeps · renames · “grip”: “long” is now “Far”'],
    [
      'what an option means',
      option(() => ({ means: { 'track.hold': 4 } })),
      'breaks · means · “grip”: “long” means hold when blocked 4 s, formerly hold when blocked 2 s',
    ],
    [
      'that an option means more',
      option(o => ({ means: { ...(o as { means: object }).means, 'see.tone': true } })),
      'keeps · means · “grip”: “long” means focus tone yes, formerly nothing',
    ],
    ['when an option came', option(() => ({ since: '1.5' })), 'keeps · facts · “grip”: “long”: since changes'],
    [
      'a rule more',
      edited(b => ({
        rules: [...b.rules, rule('more', { grip: 'long' }, { effect: 'unavailable', setting: 'beep' })],
      })),
      'breaks · binds · rule “Rule more.”',
    ],
    ['a rule less', edited(() => ({ rules: [] })), 'keeps · removes · rule “Rule quiet.”'],
    [
      'what a rule is about',
      edited(b => ({ rules: b.rules.map(r => ({ ...r, when: [{ setting: 'beep', is: ['on'] }] })) })),
      'breaks · binds · rule “Rule quiet.”',
    ],
    ['a control’s name', control({ label: 'Pad' }), 'keeps · renames · control “Thumb” is now “Pad”'],
    ['where it is drawn', control({ at: { view: 'back', x: 0.1, y: 0.2 } }), 'keeps · moves · control “Thumb”: at'],
    ['where it sits', control({ place: 'thumb-lower' }), 'keeps · moves · control “Thumb”: place'],
    ['that it can be held', control({ holdable: false }), 'keeps · facts · control “Thumb”: holdable'],
    ['what it accepts', control({ functions: ['menu'] }), 'breaks · facts · control “Thumb”: accepts other functions'],
    [
      'frame rates',
      edited(() => ({ frameRates: [{ label: 'Only', framesPerSecond: 9, focusBetweenFrames: true }] })),
      'keeps · facts · frame rates',
    ],
    ['its finder', edited(() => ({ viewfinder: 'optical' })), 'keeps · facts · finder'],
  ])('%s', (_, after, words) => expect(told(after).join('\n')).toContain(words))

  it('names a control that is given work, by its label', () => {
    const given = option(() => ({ means: { 'track.hold': 2, 'trigger.start': { control: 'thumb' } } }))
    expect(told(given).join()).toContain('“grip”: “long” means AF start Thumb, formerly nothing')
    const lost = option(() => ({ means: { 'track.hold': 2, 'trigger.start': { control: 'gone' } } }))
    expect(told(lost).join()).toContain('means AF start gone')
  })

  it('comes with what breaks first', () => {
    const both = edited(b => ({
      viewfinder: 'optical' as const,
      settings: b.settings.map(s => (s.id === 'grip' ? { ...s, label: 'Hold', default: 'long' } : s)),
    }))
    expect(differencesBetween(body, both).map(d => d.breaks)).toEqual([true, false, false])
  })

  it('between two firmware leaves out which firmware it is', () => {
    const later: Body = { ...body, firmware: { from: '1.0', to: '3.0' } }
    expect(formDifferencesBetween(body, later)).toEqual([])
    expect(differencesBetween(body, later)).toHaveLength(1)
  })
})
