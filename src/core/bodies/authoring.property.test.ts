import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generateBody } from '../../../test/fixtures/generate'
import { demoBodies } from '../../demo/world'
import { asJson, merge, sameJson } from '../changes/changes'
import { bundleOf, parseBundle } from '../exchange/bundle'
import { ARCHETYPES, bodyFromArchetype } from './archetypes'
import { coverageOf } from './completeness'
import { addOption, addSetting, editSetting, nudgeSettings, removeOption, removeSettings } from './edit'
import { parseBody, parseDraft } from './parse'
import type { Body } from './schema'
import { bodyAt, isWholeInBody, versionsOf, withFormAt, withUpdate } from './versions'

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

interface Command {
  readonly what: number
  readonly at: number
  readonly to: number
}
const commands = fc.array(fc.record({ what: fc.nat(5), at: fc.nat(40), to: fc.nat(40) }), { maxLength: 6 })

/** Edits as a person makes them, from numbers. */
const edited = (body: Body, list: readonly Command[]): Body =>
  list.reduce((b, { what, at, to }) => {
    const setting = b.settings[at % Math.max(1, b.settings.length)]
    const option = setting?.options[to % setting.options.length]
    if (!setting || !option) return b
    switch (what) {
      case 0:
        return editSetting(b, setting.id, s => ({ ...s, label: `Renamed ${to}` }))
      case 1:
        return addOption(b, setting.id, to % 3, 'Added').body
      case 2:
        return removeOption(b, setting.id, option.id)
      case 3:
        return nudgeSettings(b, [setting.id], to % 2 ? 1 : -1)
      case 4:
        return addSetting(b, { tab: setting.at.tab, page: setting.at.page, index: to % 5 }, 'Added').body
      default:
        return removeSettings(b, [setting.id])
    }
  }, body)

const strip = (b: Body) => asJson({ ...b, updates: [], firmware: { from: '1.0', to: '1.0' } })
const seeds = fc.integer({ min: 1, max: 300 })
const small = (seed: number) => generateBody(seed, { settings: 10, rules: 5 })

describe('firmware', () => {
  it('gives back every form as it was edited, each on the one before', () => {
    fc.assert(
      fc.property(seeds, commands, commands, (seed, second, third) => {
        const first = small(seed)
        const formTwo = edited(first, second)
        const formThree = edited(formTwo, third)
        const two = withFormAt(withUpdate(first, '2.5'), '2.5', formTwo)
        const profile = withFormAt(withUpdate(two, '3.0'), '3.0', formThree)
        expect(versionsOf(profile)).toEqual(['1.0', '2.5', '3.0'])
        expect(strip(bodyAt(profile, '1.0'))).toEqual(strip(first))
        expect(sameJson(strip(bodyAt(profile, '2.9')), strip(formTwo))).toBe(true)
        expect(sameJson(strip(bodyAt(profile, '3.0')), strip(formThree))).toBe(true)
      }),
      { numRuns: 120 },
    )
  })

  it('an update that changes nothing is the former one', () => {
    const sorrel = demoBodies().find(b => b.id === 'sorrel') as Body
    expect(strip(bodyAt(withUpdate(sorrel, '9.0'), '9.0'))).toEqual(strip(sorrel))
  })
})

describe('two people', () => {
  it('who edit different settings both find their work again', () => {
    fc.assert(
      fc.property(seeds, fc.string({ minLength: 1, maxLength: 20 }), (seed, label) => {
        const base = small(seed)
        const [one, two] = base.settings
        if (!one || !two) return
        const mine = editSetting(base, one.id, s => ({ ...s, label: `mine ${label}` }))
        const theirs = addOption(
          editSetting(base, two.id, s => ({ ...s, label: `theirs ${label}` })),
          two.id,
          0,
          'New',
        ).body
        const merged = merge(base, mine, theirs, isWholeInBody)
        expect(merged.conflicts).toEqual([])
        const labels = merged.document.settings.map(s => s.label)
        expect(labels[0]).toBe(`mine ${label}`)
        expect(labels[1]).toBe(`theirs ${label}`)
        expect(merged.document.settings[1]?.options[0]?.label).toBe('New')
      }),
      { numRuns: 60 },
    )
  })

  it('who give one option different meanings are asked about the meaning as a whole', () => {
    const base = demoBodies().find(b => b.id === 'linnet') as Body
    const meaning = (body: Body, width: number) =>
      editSetting(body, 'frame', s => ({
        ...s,
        options: s.options.map(o =>
          o.id === 'block' ? { ...o, means: { 'area.pattern': { pattern: 'zone' as const, width, height: 0.5 } } } : o,
        ),
      }))
    const merged = merge(base, meaning(base, 0.2), meaning(base, 0.3), isWholeInBody)
    expect(merged.conflicts.map(c => c.mine.at)).toEqual([
      ['settings', 'frame', 'options', 'block', 'means', 'area.pattern'],
    ])
  })

  it('of whom one removes what the other renames are asked', () => {
    const base = small(3)
    const [first] = base.settings
    if (!first) throw new Error('a generated body has settings')
    const mine = editSetting(base, first.id, s => ({ ...s, label: 'Kept' }))
    const merged = merge(base, mine, removeSettings(base, [first.id]), isWholeInBody)
    expect(merged.conflicts.length).toBeGreaterThan(0)
    expect(merged.document.settings[0]?.label).toBe('Kept')
  })
})

describe('files', () => {
  it('of generated bodies read back as they were written', () => {
    let read = 0
    for (let seed = 1; seed <= 80; seed++) {
      const parsed = parseBody(plain(small(seed)), `${seed}`)
      if (!parsed.ok) continue
      read++
      expect(parseBundle(plain(bundleOf([parsed.value], [])), `${seed}`)).toEqual({
        ok: true,
        value: { bodies: [parsed.value], lenses: [] },
      })
    }
    expect(read).toBeGreaterThan(20)
  })

  it('of a draft are read with what is wrong in it, so that it can be kept', () => {
    const [wicket] = demoBodies().filter(b => b.id === 'wicket')
    const draft = parseDraft(
      { ...(plain(wicket) as object), rules: [{ ...wicket?.rules[0], when: [{ setting: 'ghost', is: ['x'] }] }] },
      'w',
    )
    expect(draft.ok && draft.value.problems.map(p => p.expected)).toEqual(['expected the id of a setting of this body'])
    expect(parseDraft({ id: 'wicket' }, 'w').ok).toBe(false)
  })
})

describe('where a profile can begin', () => {
  it.each(ARCHETYPES.map(a => [a.label, a.id] as const))(
    '%s: right in itself, with a shutter and every fact open',
    (_, id) => {
      const body = bodyFromArchetype(id, { id: 'new', maker: 'New', model: 'New' })
      expect(parseBody(plain(body), 'new')).toEqual({ ok: true, value: body })
      expect(body.controls[0]?.place).toBe('shutter')
      expect(body.unconfirmed.length).toBe(7)
      for (const c of body.controls) {
        expect(c.at.x).toBeGreaterThan(0)
        expect(c.at.y).toBeLessThan(1)
      }
    },
  )

  it('differs where the kinds of body differ', () => {
    const finders = ARCHETYPES.map(a => bodyFromArchetype(a.id, { id: 'x', maker: 'X', model: 'X' }).viewfinder)
    expect(finders).toEqual(['electronic', 'optical', 'screen-only', 'electronic'])
  })
})

describe('what a profile covers', () => {
  const how = (body: Body, id: string) => coverageOf(body).find(c => c.dimension.id === id)?.coverage.how
  const demo = (id: string) => demoBodies().find(b => b.id === id) as Body

  it('is told apart: set, fixed, implied or not at all', () => {
    expect(how(demo('sorrel'), 'track.hold')).toBe('set')
    expect(how(demo('tollgate'), 'see.exposure')).toBe('fixed')
    expect(how(demo('wicket'), 'area.follow')).toBe('implied')
    expect(how(demo('wicket'), 'track.hold')).toBe('unmapped')
  })

  it('counts choosing and following where an area brings them along', () => {
    expect(how(demo('linnet'), 'area.chooser')).toBe('set')
    expect(how(demo('sorrel'), 'area.chooser')).toBe('set')
  })

  it('never gets smaller by deciding one more setting', () => {
    for (const body of demoBodies()) {
      const count = (b: Body) => coverageOf(b).filter(c => c.coverage.how === 'set').length
      let former = 0
      for (let n = 0; n <= body.settings.length; n += 8) {
        const now = count({ ...body, settings: body.settings.slice(0, n) })
        expect(now).toBeGreaterThanOrEqual(former)
        former = now
      }
    }
  })
})
