import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generateBody } from '../../../test/fixtures/generate'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import * as edit from './edit'
import { checkBody } from './check'
import { gapsOf, gapWords } from './completeness'
import { bodyFromArchetype } from './archetypes'
import { inMenuOrder } from './menu'
import { UNKNOWN_OPTION } from './menu-rows'
import { ruleWords } from './rule-words'
import type { Body } from './schema'

const demo = (id: string): Body => demoBodies().find(b => b.id === id) as Body
const linnet = demo('linnet')
const labels = (body: Body, tab: string, page: number) =>
  inMenuOrder(body)
    .filter(s => s.at.tab === tab && s.at.page === page)
    .map(s => s.label)

describe('editing a menu', () => {
  it('moves several settings at once and keeps their order', () => {
    const moved = edit.moveSettings(linnet, ['tiptoe', 'ready', 'way'], { tab: 'flight', page: 4, index: 1 })
    expect(labels(moved, 'flight', 4).slice(0, 4)).toEqual(['Kin', 'Way', 'Tiptoe', 'Kin as close as'])
    expect(
      inMenuOrder(moved)
        .filter(s => s.at.tab === 'flight' && s.at.page === 1)
        .map(s => s.at.row),
    ).toEqual([1, 2, 3])
  })

  it('nudges past the end of a page onto the next, and back', () => {
    const last = labels(linnet, 'flight', 1).at(-1)
    const down = edit.nudgeSettings(linnet, ['roost'], 1)
    expect(labels(down, 'flight', 2)[0]).toBe(last)
    expect(labels(edit.nudgeSettings(down, ['roost'], -1), 'flight', 1)).toEqual(labels(linnet, 'flight', 1))
    expect(labels(edit.nudgeSettings(linnet, ['way'], 1), 'flight', 1).slice(0, 2)).toEqual(['Ring at perch', 'Way'])
    expect(edit.nudgeSettings(linnet, ['way'], -1)).toBe(linnet)
  })

  it('adds settings and options with ids of their own', () => {
    const { body, id } = edit.addSetting(linnet, { tab: 'flight', page: 1, index: 1 }, 'Way')
    expect(id).toBe('way-2')
    expect(labels(body, 'flight', 1).slice(0, 3)).toEqual(['Way', 'Way', 'Ring at perch'])
    const withOption = edit.addOption(body, id, 0, 'On')
    expect(withOption.id).toBe('on-2')
    expect(checkBody(withOption.body, 'x')).toEqual([])
  })

  it('takes rules and slots along when a setting or an option goes', () => {
    const gone = edit.removeSettings(demo('tollgate'), ['bank', 'stick'])
    expect(gone.rules.some(r => JSON.stringify(r).includes('"bank"'))).toBe(false)
    expect(gone.slots.stores).not.toContain('stick')
    const tollgate = demo('tollgate')
    const keys = { sets: 1, stores: ['stick', 'drive'] }
    const keyed = edit.removeSettings({ ...tollgate, slots: { ...tollgate.slots, keys } }, ['stick'])
    expect(keyed.slots.keys).toEqual({ sets: 1, stores: ['drive'] })
    const pinned = { ...tollgate, pins: ['stick', 'drive'].map(setting => ({ setting, option: 'x', reason: 'ours' })) }
    expect(edit.removeSettings(pinned, ['stick']).pins?.map(p => p.setting)).toEqual(['drive'])
    expect(edit.removeSettings(tollgate, ['stick'])).not.toHaveProperty('pins')
    const without = edit.removeOption(linnet, 'kin', 'kin-people')
    expect(without.settings.find(s => s.id === 'kin')?.default).toBe('kin-off')
    expect(checkBody({ ...without, updates: [] }, 'x')).toEqual([])
  })

  it('keeps the last option, the last control and a page with settings', () => {
    const wicket = demo('wicket')
    expect(edit.removeOption(wicket, 'as-is', 'yes')).toBe(wicket)
    expect(edit.removePage(wicket, 'page-1', 1)).toBe(wicket)
    const only = { ...wicket, controls: wicket.controls.slice(0, 1) }
    expect(edit.removeControl(only, 'shutter')).toBe(only)
  })

  it('frees what a control carried when it goes', () => {
    const without = edit.removeControl(linnet, 'knurl')
    expect(JSON.stringify(without.settings)).not.toContain('"control":"knurl"')
    expect(checkBody({ ...without, updates: [] }, 'x')).toEqual([])
  })

  it('counts a setting as decided once somebody says what it means, or that it means nothing', () => {
    const open = edit.editSetting(linnet, 'way', s => ({ ...s, undecided: true as const }))
    const decided = edit.setMeaning(open, 'way', 'perch', { 'mode.drive': 'single' })
    expect(decided.settings.find(s => s.id === 'way')).not.toHaveProperty('undecided')
    const nothing = edit.meansNothing(open, 'way')
    expect(nothing.settings.find(s => s.id === 'way')?.options.every(o => Object.keys(o.means).length === 0)).toBe(true)
  })

  it('leaves a setting open until all of its options are told, or the rest is said to say nothing', () => {
    const open = edit.askAgain(linnet, 'way')
    const way = (b: Body) => b.settings.find(s => s.id === 'way')
    expect(way(open)?.options.map(o => o.means)).toEqual(way(open)?.options.map(() => ({})))
    const [first, ...others] = way(open)?.options ?? []
    const one = edit.setMeaning(open, 'way', first?.id ?? '', { 'mode.drive': 'single' })
    expect(way(one)).toMatchObject({ undecided: true })
    const all = others.reduce((b, o) => edit.setMeaning(b, 'way', o.id, { 'mode.drive': 'manual' }), one)
    expect(way(all)).not.toHaveProperty('undecided')
    const rest = edit.restSaysNothing(one, 'way')
    expect(way(rest)).not.toHaveProperty('undecided')
    expect(way(rest)?.options[0]?.means).toEqual({ 'mode.drive': 'single' })
  })

  it('turns a scale round, and says of a setting that there is no word for it', () => {
    const two = tinyBody({
      hold: [
        ['a', { 'track.hold': 1 }],
        ['b', { 'track.hold': 4 }],
      ],
    })
    expect(edit.turnedRound(two, 'hold').settings[0]?.options.map(o => o.means['track.hold'])).toEqual([4, 1])
    expect(edit.meansUnnamed(two, 'hold').settings[0]).toMatchObject({
      unnamed: true,
      options: [{ means: {} }, { means: {} }],
    })
  })

  it('never leaves anything that points nowhere, whatever is done in whatever order', () => {
    const command = fc.record({ what: fc.nat(7), at: fc.nat(30), to: fc.nat(30), up: fc.boolean() })
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.array(command, { maxLength: 12 }), (seed, commands) => {
        let body = generateBody(seed, { settings: 14, rules: 8 })
        const pick = (n: number) => body.settings[n % Math.max(1, body.settings.length)]
        for (const { what, at, to, up } of commands) {
          const s = pick(at)
          const o = s?.options[to % s.options.length]
          if (!s || !o) continue
          if (what === 0) body = edit.removeSettings(body, [s.id])
          if (what === 1) body = edit.nudgeSettings(body, [s.id, pick(to)?.id ?? ''], up ? 1 : -1)
          if (what === 2) body = edit.removeOption(body, s.id, o.id)
          if (what === 3) body = edit.addOption(body, s.id, to % 3, 'Extra').body
          if (what === 4) body = edit.addSetting(body, { tab: s.at.tab, page: s.at.page, index: to % 4 }, 'Extra').body
          if (what === 5) body = edit.moveOption(body, s.id, o.id, up ? 1 : -1)
          if (what === 6) body = edit.moveSettings(body, [s.id], { tab: s.at.tab, page: 1, index: to % 5 })
          if (what === 7) body = edit.removeControl(body, body.controls[at % body.controls.length]?.id ?? '')
        }
        const dangling = checkBody(body, 'x').filter(p =>
          /expected (the id|an option of|one setting|every id|a control)/.test(p.expected),
        )
        expect(dangling).toEqual([])
      }),
      { numRuns: 150 },
    )
  })
})

it('says a rule in words made of the body’s own labels', () => {
  const words = ruleWords(linnet, {
    when: [{ setting: 'kin', is: ['kin-people', 'kin-beasts'] }],
    then: { effect: 'excludes', setting: 'shade', options: ['one-star'] },
  })
  expect(words).toBe('While Kin is at Kin: people or Kin: beasts, Shade by cannot be set to One star.')
  expect(
    ruleWords(linnet, { when: [{ setting: 'way', is: ['perch'] }], then: { effect: 'unavailable', setting: 'tail' } }),
  ).toBe('While Way is at Perch, Tail cannot be used.')
})

describe('how far a profile is', () => {
  it('names everything that is missing in a blank one, and what to do', () => {
    const gaps = gapsOf(bodyFromArchetype('optical', { id: 'x', maker: 'X', model: 'X' }))
    expect(gaps.map(g => g.kind)).toEqual(['no-settings', 'unconfirmed', 'no-default-drive', 'no-interlock'])
    for (const gap of gaps) expect(gapWords(gap).todo.length).toBeGreaterThan(10)
  })

  it('finds nothing missing in a full one but what its maker does not say', () => {
    expect(gapsOf(demo('sorrel'))).toEqual([])
    expect(gapsOf(linnet).map(g => g.kind)).toEqual(['no-interlock'])
    // One option that nobody looked at is enough, and a drive that is only ever one way is known.
    const looked = edit.addOption(linnet, 'way', 0, UNKNOWN_OPTION).body
    expect(gapsOf(looked).map(g => g.kind)).toContain('unknown-options')
    expect(gapsOf({ ...linnet, settings: [], fixed: [] }).map(g => g.kind)).toContain('no-settings')
  })

  it('notices that nothing starts focusing', () => {
    const deaf = edit.removeSettings(demo('wicket'), ['half-press'])
    expect(gapsOf(deaf).map(g => g.kind)).toContain('cannot-focus')
  })
})

describe('a menu is edited', () => {
  const three = { ...tinyBody({ a: ['x', 'y'], b: ['x', 'y'], c: ['x', 'y'] }) }
  const rows = (b: Body) => b.settings.toSorted((p, q) => p.at.row - q.at.row).map(s => s.id)
  const at = (index: number) => ({ tab: 'tab', page: 1, index })

  it('by a setting put in between, which pushes the rest down', () => {
    expect(rows(edit.addSetting(three, at(1), 'New').body)).toEqual(['a', 'new', 'b', 'c'])
    expect(rows(edit.addSetting(three, at(0), 'New').body)[0]).toBe('new')
    expect(rows(edit.addSetting(three, at(9), 'New').body).at(-1)).toBe('new')
  })

  it('by settings moved before and behind others, in the order they have', () => {
    expect(rows(edit.moveSettings(three, ['c', 'a'], at(1)))).toEqual(['a', 'c', 'b'])
    expect(rows(edit.moveSettings(three, ['a'], at(3)))).toEqual(['b', 'c', 'a'])
    expect(rows(edit.moveSettings(three, ['c'], at(0)))).toEqual(['c', 'a', 'b'])
    expect(rows(edit.nudgeSettings(three, ['b'], 1))).toEqual(['a', 'c', 'b'])
    expect(rows(edit.nudgeSettings(three, ['b'], -1))).toEqual(['b', 'a', 'c'])
    expect(rows(edit.nudgeSettings(three, ['b', 'c'], -1))).toEqual(['b', 'c', 'a'])
    expect(rows(edit.nudgeSettings(three, ['a', 'b'], 1))).toEqual(['c', 'a', 'b'])
  })

  it('by an option taken out of the rules that name it, and rules that then say nothing going with it', () => {
    const when = { a: 'x' }
    const ruled = (then: Body['rules'][number]['then']): Body => ({ ...three, rules: [rule('r', when, then)] })
    const without = (then: Body['rules'][number]['then'], id: string, option: string) =>
      edit.removeOption(ruled(then), id, option).rules.map(r => r.then)
    const forced = { effect: 'forced', setting: 'b', option: 'x' } as const
    const both: Body['rules'][number]['then'] = { effect: 'excludes', setting: 'b', options: ['x', 'y'] }
    expect(without(forced, 'b', 'x')).toEqual([])
    expect(without(forced, 'b', 'y')).toEqual([forced])
    expect(without(both, 'b', 'x')).toEqual([{ ...both, options: ['y'] }])
    expect(without({ ...both, options: ['x'] }, 'b', 'x')).toEqual([])
    expect(without(forced, 'a', 'x')).toEqual([])
    expect(without(forced, 'a', 'y')).toEqual([forced])
    expect(without({ effect: 'unavailable', setting: 'b' }, 'b', 'x')).toHaveLength(1)
    expect(edit.removeSettings(ruled(forced), ['b']).rules).toEqual([])
    expect(edit.removeSettings(ruled(forced), ['a']).rules).toEqual([])
    expect(edit.removeSettings(ruled(forced), ['c']).rules).toHaveLength(1)
  })

  it('by a meaning given to one option alone', () => {
    const meant = edit.setMeaning(three, 'a', 'y', { 'see.tone': true })
    expect(meant.settings[0]?.options.map(o => o.means)).toEqual([{}, { 'see.tone': true }])
    expect(meant.settings[1]).toEqual(three.settings[1])
  })

  it('by a control taken away, but never the last one', () => {
    expect(edit.removeControl(three, 'thumb')).toBe(three)
    const [thumb] = three.controls
    if (!thumb) throw new Error('no thumb')
    const two = { ...three, controls: [thumb, { ...thumb, id: 'other' }] }
    const used = edit.setMeaning(two, 'a', 'x', { 'trigger.start': { control: 'other' }, 'see.tone': true })
    const left = edit.removeControl(used, 'other')
    expect(left.controls.map(c => c.id)).toEqual(['thumb'])
    expect(left.settings[0]?.options[0]?.means).toEqual({ 'see.tone': true })
  })
})
