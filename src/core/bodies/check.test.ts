import { beforeEach, describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { problemWords } from '../reading/problem'
import { entangledBody } from '../../../test/fixtures/entangled'
import { type Body, parseBody } from './index'
import { checkBody, newEffort } from './check'

/** A profile that can be written to, to break it in one place. */
type Draft = ReturnType<typeof draft>
const draft = () => ({
  ...(structuredClone(demoBodies().find(b => b.id === 'linnet')) as unknown as {
    -readonly [K in keyof Body]: Body[K]
  }),
})

let body: Draft
beforeEach(() => {
  body = draft()
})

const complaints = (value: unknown): string => {
  const parsed = parseBody(value, 'linnet.json')
  return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
}

const setting = (id: string) => body.settings.find(s => s.id === id) as Body['settings'][number]

it('reads the demo profiles without a complaint', () => {
  for (const b of demoBodies()) expect(complaints(b)).toBe('')
})

describe('shape', () => {
  it('names the file, the place, the value and what was expected', () => {
    const broken = JSON.parse(JSON.stringify(body)) as { settings: { options: { means: object }[] }[] }
    const option = broken.settings[0]?.options[0]
    if (option) option.means = { 'track.hold': 'soon' }
    expect(complaints(broken)).toContain(
      'linnet.json, settings.0.options.0.means.track.hold: "soon" stands there; expected a number of at least 0, "never" or "always"',
    )
  })

  it('names an unknown dimension and its neighbours', () => {
    const broken = JSON.parse(JSON.stringify(body)) as { settings: { options: { means: object }[] }[] }
    const option = broken.settings[0]?.options[0]
    if (option) option.means = { 'track.patience': 1 }
    expect(complaints(broken)).toContain('unknown dimension track.patience; the vocabulary has track.hold')
  })

  it('refuses another version of the format', () => {
    expect(complaints({ ...body, format: 'coherion.body/2' })).toContain(
      '"coherion.body/2" stands there; this file was written by a later version; expected coherion.body/1',
    )
  })

  it.each([null, 7, 'text', [], {}])('refuses %j', value => {
    expect(complaints(value)).not.toBe('')
  })
})

describe('contradictions', () => {
  it('names the rules that run in a circle', () => {
    body.rules = [
      {
        id: 'one',
        words: 'A sleeps while B wakes.',
        when: [{ setting: 'kin', is: ['kin-off'] }],
        then: { effect: 'unavailable', setting: 'temper' },
      },
      {
        id: 'two',
        words: 'B sleeps while A is first.',
        when: [{ setting: 'temper', is: ['temper-1'] }],
        then: { effect: 'unavailable', setting: 'kin' },
      },
    ]
    expect(complaints(body)).toMatch(/run in a circle: “A sleeps while B wakes.”, then “B sleeps while A is first.”/)
    expect(complaints(body)).toContain('Kin > Temper > Kin')
  })

  it('names a rule that forces a setting which then greys it out', () => {
    body.rules = [
      {
        id: 'one',
        words: 'Kin forces Temper 2.',
        when: [{ setting: 'kin', is: ['kin-off'] }],
        then: { effect: 'forced', setting: 'temper', option: 'temper-2' },
      },
      {
        id: 'two',
        words: 'Temper 2 rests Kin.',
        when: [{ setting: 'temper', is: ['temper-2'] }],
        then: { effect: 'unavailable', setting: 'kin' },
      },
    ]
    expect(complaints(body)).toContain('circle')
  })

  it('names defaults that break a rule', () => {
    body.rules = [
      {
        id: 'one',
        words: 'Perch keeps Temper 3.',
        when: [{ setting: 'way', is: ['perch'] }],
        then: { effect: 'forced', setting: 'kin', option: 'kin-off' },
      },
    ]
    expect(complaints(body)).toContain('the factory defaults break the rule “Perch keeps Temper 3.”')
  })

  it('names an option that no state can reach', () => {
    const never = setting('way').options.map(o => o.id)
    body.rules = [
      {
        id: 'one',
        words: 'Whirr never runs.',
        when: [{ setting: 'way', is: never }],
        then: { effect: 'excludes', setting: 'run', options: ['whirr'] },
      },
    ]
    expect(complaints(body)).toMatch(/Run: Whirr.*no way to reach this option.*Whirr never runs/)
  })

  it('spends no more than its effort on a profile, says what it could not prove, and looks at the rest', () => {
    const effort = newEffort()
    const knot = entangledBody(50)
    // Four firmware more, and all of them share the one effort.
    const updates = ['1.1', '1.2', '1.3', '1.4'].map(id => ({ id, changes: [] }))
    const problems = checkBody({ ...knot, firmware: { from: '1.0', to: '1.4' }, updates }, 'knot', { effort })
    expect(problems).toEqual([])
    expect(effort.left).toBeGreaterThan(-2000)
    expect(effort.unproven.map(problemWords)[0]).toMatch(
      /knot, rules.*could not be proven within 1,000,000 steps whether Setting/,
    )
    expect(effort.unproven).toHaveLength(5)
    const parsed = parseBody(knot, 'knot')
    expect([parsed.ok, parsed.ok && parsed.notes?.length]).toEqual([true, 1])
  })

  it('names a control that accepts nothing, and a function where the control does not accept it', () => {
    body.controls = body.controls.map(c => (c.id === 'beak' ? { ...c, functions: [] } : c))
    expect(complaints(body)).toContain('"beak"'.slice(1, -1))
    expect(complaints(body)).toContain('expected at least one function that this control accepts')
    expect(complaints(body)).toContain('expected a control that accepts meter.lock; Beak accepts')
  })

  it('reads what profiles called a function before it had a name of its own', () => {
    const recall = { id: 'back-to-branch', label: 'Back to branch', means: { 'area.recall': { control: 'beak' } } }
    body.settings = body.settings.map(s => (s.id === 'key-beak' ? { ...s, options: [...s.options, recall] } : s))
    expect(complaints(body)).toContain('expected a control that accepts area.recall')
    body.controls = body.controls.map(c =>
      c.id === 'beak' ? { ...c, functions: [...c.functions, 'area.home' as const] } : c,
    )
    expect(complaints(body)).toBe('')
  })

  it('names what points nowhere', () => {
    body.rules = [
      {
        id: 'one',
        words: 'Nothing.',
        when: [{ setting: 'gone', is: ['x'] }],
        then: { effect: 'unavailable', setting: 'kin' },
      },
    ]
    expect(complaints(body)).toContain('rules.0.when.0: gone stands there; expected the id of a setting of this body')
    body.settings = body.settings.map(s => (s.id === 'kin' ? { ...s, default: 'nobody' } : s))
    expect(complaints(body)).toContain('expected an option of kin: kin-off, kin-people, kin-beasts')
  })

  it('names two settings in one menu row', () => {
    const first = setting('way')
    body.settings = body.settings.map(s => (s.id === 'kin' ? { ...s, at: first.at } : s))
    expect(complaints(body)).toContain('Way and Kin stands there; expected one setting in each menu row')
  })

  it('names a factory default that is newer than the firmware, or than its own setting', () => {
    const firmware = body.firmware.from
    body.settings = body.settings.map(s =>
      s.id === 'kin' ? { ...s, options: s.options.map(o => (o.id === s.default ? { ...o, since: '9.0' } : o)) } : s,
    )
    expect(complaints(body)).toContain(
      `expected an option that is there with firmware ${firmware}: kin-off, kin-beasts`,
    )
    body.settings = body.settings.map(s => (s.id === 'kin' ? { ...s, since: '9.0' } : s))
    expect(complaints(body)).toBe('')
  })
})
