import { beforeAll, describe, expect, it } from 'vitest'
import { random } from '../../../test/fixtures/random'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, factoryState } from '../bodies'
import { resolve } from '../resolve'
import { ownLayers, parseStandard, standardProblems } from '../standards'
import { EASY_PRESS, type FleetBody } from './cells'
import { bestMaps, mapProblemOf, storedMaps, weighMaps } from './fleet'
import { planProblems } from './plan-problems'
import { isHigh, type Session, thumbLoad } from './load'
import { movedTo } from './moves'
import { type Plan, planFor, plannedUse, sessionOf, withMaps, withoutFunction, withSchool } from '../functions/plan'
import { placementsOf, placementsWith, schoolOnBody, whyNot } from './abilities'
import { withPlan } from './targets'
import { handoverOf } from '../handover/handover'
import { solve } from './solve'
import { todayOf } from './today'

const body = (id: string): Body => {
  const found = demoBodies().find(b => b.id === id)
  if (!found) throw new Error(`no ${id}`)
  return bodyAt(found, found.firmware.to)
}
const inHands = (...ids: string[]): readonly FleetBody[] => ids.map(id => ({ body: body(id), weight: 1, today: {} }))
const FIVE = ['sorrel', 'tollgate', 'linnet', 'pebble', 'wicket']
const at = (fleet: ReturnType<typeof bestMaps>, id: string) => storedMaps(fleet).find(m => m.body === id)?.at

describe('which school a body can carry', () => {
  it('carries all of them with three thumb buttons that take an area', () => {
    for (const school of ['shutter-start', 'thumb-start', 'thumb-stop', 'two-thumbs', 'three-ways'] as const)
      expect(whyNot(body('sorrel'), school)).toEqual([])
  })

  it('says at once why not, and what comes nearest', () => {
    expect(schoolOnBody(body('tollgate'), 'two-thumbs')).toEqual({
      school: 'thumb-start',
      why: ['no thumb control takes Second AF start'],
      lost: 'One area and one subject for everything; another is chosen by hand.',
    })
    expect(schoolOnBody(body('wicket'), 'thumb-stop')).toMatchObject({ school: 'thumb-start' })
  })

  it('minds the body’s rules: on Pebble thumb keys take other work only where the shutter meters', () => {
    expect(whyNot(body('pebble'), 'thumb-start')).toEqual([])
    expect(whyNot(body('pebble'), 'thumb-stop')).toEqual(['no thumb control takes AF stop while the shutter starts AF'])
  })

  it('counts controls, areas and the shutter', () => {
    const sorrel = body('sorrel')
    const only = (ids: readonly string[]): Body => ({
      ...sorrel,
      controls: sorrel.controls.filter(c => ids.includes(c.id)),
    })
    expect(whyNot(only(['shutter', 'pad-1']), 'two-thumbs')).toEqual([
      'only 1 control for 2 functions that need one each',
    ])
    const dunlin = body('dunlin')
    const two = dunlin.controls.filter(c => ['shutter', 'side-key', 'wing-key'].includes(c.id))
    expect(whyNot({ ...dunlin, controls: two }, 'three-ways')).toEqual([
      'only 2 controls for 3 functions that need one each',
    ])
    const without = (keep: (means: object) => boolean): Body => ({
      ...sorrel,
      settings: sorrel.settings.map(s => ({ ...s, options: s.options.filter(o => keep(o.means)) })),
    })
    const onShutter = without(m => (m as { 'trigger.shutter'?: string })['trigger.shutter'] !== 'meters-only')
    expect(placementsWith(sorrel, 'meters-only').length).toBeGreaterThan(0)
    expect(placementsWith(onShutter, 'meters-only')).toEqual([])
    expect(schoolOnBody(onShutter, 'thumb-start')).toMatchObject({
      school: 'thumb-stop',
      why: ['AF cannot be taken off the shutter'],
    })
    const onThumb = without(m => (m as { 'trigger.shutter'?: string })['trigger.shutter'] !== 'starts-af')
    expect(whyNot(onThumb, 'thumb-stop')).toEqual(['the shutter cannot start AF'])
    const bare = without(m => !('trigger.second' in m) || !(m['trigger.second'] as { area?: object }).area)
    expect(whyNot(bare, 'two-thumbs')[0]).toContain('no thumb control takes Second AF start')
    const inTheSameArea = {
      ...sorrel,
      settings: sorrel.settings.map(s => ({
        ...s,
        options: s.options.map(o => {
          const { area: _, ...second } = (o.means['trigger.second'] ?? {}) as { area?: object }
          return 'trigger.second' in o.means ? { ...o, means: { ...o.means, 'trigger.second': second } } : o
        }),
      })),
    } as Body
    expect(whyNot(inTheSameArea, 'two-thumbs')).toEqual(['Second AF start cannot have an area of its own on a control'])
  })
})

describe('maps of the demo fleet', () => {
  it('puts AF start under the upper thumb wherever there is such a button, and says where not', () => {
    const fleet = bestMaps(planFor('thumb-start'), inHands(...FIVE))
    expect(fleet.gap).toBe(0)
    expect(fleet.house['trigger.start']).toBe('thumb-upper-right')
    expect(FIVE.map(id => at(fleet, id)?.['trigger.start'])).toEqual([
      'pad-1',
      'rear-key-a',
      'side-key',
      'thumb-f',
      'rear-dial',
    ])
    const away = fleet.bodies.filter(b => b.placed.some(p => p.function === 'trigger.start' && !p.isHome))
    expect(away.map(b => b.body.id)).toEqual(['wicket'])
  })

  it('leaves out what a body cannot do, and never puts two functions on one control', () => {
    const fleet = bestMaps(planFor('three-ways'), inHands(...FIVE))
    expect(at(fleet, 'wicket')).not.toHaveProperty('trigger.second')
    for (const { at: map } of storedMaps(fleet)) expect(new Set(Object.values(map)).size).toBe(Object.keys(map).length)
  })

  it('keeps pins, and costs more or the same for them', () => {
    const plan = planFor('thumb-start')
    const free = bestMaps(plan, inHands(...FIVE))
    const pinned = bestMaps(
      { ...plan, pins: [{ body: 'sorrel', function: 'trigger.start', control: 'pad-3' }] },
      inHands(...FIVE),
    )
    expect(at(pinned, 'sorrel')?.['trigger.start']).toBe('pad-3')
    expect(pinned.cost).toBeGreaterThan(free.cost)
  })

  it('keeps any pins a body can keep, on 40 drawings of lots', () => {
    const plan = planFor('three-ways')
    const bodies = inHands('sorrel', 'linnet', 'pebble')
    for (let seed = 1; seed <= 40; seed++) {
      const { pick, chance } = random(seed)
      const pins = bodies.flatMap(({ body: b }) => {
        const taken = new Set<string>()
        return plan.uses.flatMap(u => {
          const ways = placementsOf(b).filter(
            c =>
              c.function === u.function &&
              !taken.has(c.control) &&
              /^(pad|knurl|side|wing|thumb|limpet)/.test(c.control),
          )
          if (!ways.length || chance(0.5)) return []
          const { control } = pick(ways)
          taken.add(control)
          return [{ body: b.id, function: u.function, control }]
        })
      })
      if (planProblems({ ...plan, pins }, bodies).length) continue
      const fleet = bestMaps({ ...plan, pins }, bodies)
      for (const p of pins) expect(at(fleet, p.body)?.[p.function], `seed ${seed}`).toBe(p.control)
    }
  })

  it.each(['shutter-start', 'thumb-start', 'two-thumbs', 'three-ways'] as const)(
    'looks for what it is weighed by: the maps of %s cost what was found',
    school => {
      const plan = planFor(school)
      const bodies = [...inHands(...FIVE), { body: body('dunlin'), weight: 3, today: { 'trigger.start': 'wing-key' } }]
      const found = bestMaps(plan, bodies)
      expect(found.cost * EASY_PRESS).toBeCloseTo(solve(mapProblemOf(plan, bodies).problem).cost, 6)
      if (school === 'two-thumbs') expect(found.bodies.some(b => b.placed.some(p => p.parts.binding > 0))).toBe(true)
    },
  )

  it('weighs a map moved by hand part by part', () => {
    const plan = planFor('thumb-start')
    const bodies = inHands(...FIVE)
    const best = bestMaps(plan, bodies)
    const maps = storedMaps(best).map(m =>
      m.body === 'sorrel' ? { ...m, at: { ...m.at, 'trigger.start': 'pad-3' } } : m,
    )
    const moved = weighMaps(plan, bodies, maps, best.house)
    const sorrel = moved.bodies.find(b => b.body.id === 'sorrel')
    expect(sorrel?.placed[0]).toMatchObject({ isHome: false, parts: { away: 40 } })
    expect(moved.cost).toBeGreaterThan(best.cost)
    expect(weighMaps(plan, bodies, storedMaps(best), best.house).cost).toBeCloseTo(best.cost, 6)
  })

  it('holds on to today’s map when relearning weighs much', () => {
    const today = { 'trigger.start': 'pad-2' }
    const [sorrel] = inHands('sorrel')
    if (!sorrel) throw new Error('no body')
    const plan = planFor('thumb-start')
    expect(at(bestMaps({ ...plan, relearning: 0 }, [{ ...sorrel, today }]), 'sorrel')?.['trigger.start']).toBe('pad-1')
    const held = bestMaps({ ...plan, relearning: 10 }, [{ ...sorrel, today }])
    expect(at(held, 'sorrel')?.['trigger.start']).toBe('pad-2')
    expect(held.bodies[0]?.placed[0]?.movedFrom).toBeUndefined()
  })

  it('keeps long holds off a finger that must not hold', () => {
    const plan: Plan = { ...planFor('thumb-start'), limits: [{ finger: 'thumb', seconds: 5 }] }
    const start = bestMaps(plan, inHands('sorrel')).bodies[0]?.placed[0]
    expect(start?.carry?.control).toBe('collar')
  })

  it.each([
    [
      'a control that is gone',
      [{ body: 'sorrel', function: 'trigger.start', control: 'pad-9' }],
      'no control “pad-9” any more',
    ],
    [
      'a control that cannot',
      [{ body: 'wicket', function: 'meter.lock', control: 'shutter' }],
      'cannot take Exposure hold',
    ],
    [
      'two functions on one control',
      [
        { body: 'sorrel', function: 'trigger.start', control: 'pad-1' },
        { body: 'sorrel', function: 'meter.lock', control: 'pad-1' },
      ],
      'pinned twice, for AF start and Exposure hold',
    ],
    [
      'one function on two controls',
      [
        { body: 'sorrel', function: 'trigger.start', control: 'pad-1' },
        { body: 'sorrel', function: 'trigger.start', control: 'pad-2' },
      ],
      'AF start is pinned to two controls',
    ],
    ['a function nobody uses', [{ body: 'sorrel', function: 'video.freeze', control: 'heel' }], 'not used; use it'],
  ])('names %s', (_, pins, words) => {
    const plan = { ...planFor('thumb-start'), pins }
    expect(
      planProblems(plan, inHands(...FIVE))
        .map(p => p.words)
        .join(),
    ).toContain(words)
    expect(() => bestMaps(plan, inHands(...FIVE))).toThrow(RangeError)
  })

  it('lets a pin stand on a key that cannot be held, where the body can switch the function on and off there', () => {
    const sorrel = body('sorrel')
    const isKey = (s: { readonly id: string }) => s.id === 'key-pad-1'
    const on = (more: Body['settings'][number]['options']): readonly FleetBody[] => {
      const controls = sorrel.controls.map(c => (c.id === 'pad-1' ? { ...c, holdable: false } : c))
      const settings = sorrel.settings.map(s => (isKey(s) ? { ...s, options: [...s.options, ...more] } : s))
      return [{ body: { ...sorrel, controls, settings }, weight: 1, today: {} }]
    }
    const plan: Plan = {
      ...planFor('thumb-start'),
      pins: [{ body: 'sorrel', function: 'trigger.start', control: 'pad-1' }],
    }
    const switched = {
      id: 'x',
      label: 'X',
      means: { 'trigger.start': { control: 'pad-1', press: 'toggled' as const } },
    }
    expect(planProblems(plan, on([])).map(p => p.words.split(' cannot ')[1])).toEqual([
      expect.stringContaining('be used on Pad 1'),
    ])
    expect(planProblems(plan, on([switched]))).toEqual([])
  })
})

describe('changing a plan', () => {
  const plan = planFor('thumb-start')
  const typed: Plan = {
    ...plan,
    uses: [...plan.uses.map(u => ({ ...u, perHour: 77 })), plannedUse('trigger.manual')],
    hand: 'left',
    consistency: 3,
    session: { ...plan.session, minutes: 45 },
    pins: [
      { body: 'sorrel', function: 'trigger.start', control: 'pad-2' },
      { body: 'sorrel', function: 'trigger.manual', control: 'brow' },
    ],
    house: { 'trigger.start': 'thumb-centre' },
    maps: [{ body: 'sorrel', at: { 'trigger.start': 'pad-2' } }],
  }

  it('keeps what was typed when another school is chosen, and finds the maps anew', () => {
    const stop = withSchool(typed, 'thumb-stop')
    expect(stop.uses.map(u => [u.function, u.perHour])).toEqual([
      ['trigger.stop', 60],
      ['meter.lock', 77],
      ['trigger.manual', 6],
    ])
    expect(stop).toMatchObject({ hand: 'left', consistency: 3, session: { minutes: 45 }, maps: [], house: {} })
    expect(stop.pins.map(p => p.function)).toEqual(['trigger.manual'])
    expect(stop.slides).toEqual([{ from: 'trigger.stop', to: 'meter.lock' }])
    expect(withSchool(typed, 'thumb-start')).toBe(typed)
    expect(withSchool(typed, 'two-thumbs').uses.map(u => u.function)).toEqual(
      expect.arrayContaining(['trigger.start', 'trigger.second', 'meter.lock']),
    )
  })

  it('takes a function out wherever it is named', () => {
    const bare = withoutFunction(typed, 'meter.lock')
    expect(bare.uses.map(u => u.function)).toEqual(['trigger.start', 'trigger.manual'])
    expect(bare.slides).toEqual([])
    expect(bare.pins).toEqual(typed.pins)
  })

  it('leaves the maps and pins of bodies that are not in hand as they are', () => {
    const five = [{ body: 'linnet', at: { 'trigger.start': 'side-key' } }]
    expect(withMaps(typed, five, typed.house).maps.map(m => m.body)).toEqual(['sorrel', 'linnet'])
    expect(planProblems(typed, inHands('linnet', 'pebble'))).toEqual([])
    expect(at(bestMaps(typed, inHands('linnet')), 'linnet')).toHaveProperty('trigger.start')
  })

  it('changes two functions over by hand where each can take the other’s place, and leaves out what cannot', () => {
    const map = { body: 'sorrel', at: { 'trigger.start': 'pad-1', 'meter.lock': 'pad-2' } }
    expect(movedTo(plan, body('sorrel'), map, 'trigger.start', 'pad-2').at).toEqual({
      'trigger.start': 'pad-2',
      'meter.lock': 'pad-1',
    })
    const onHeel = { body: 'sorrel', at: { 'meter.lock': 'heel', 'trigger.start': 'pad-1' } }
    expect(movedTo(plan, body('sorrel'), onHeel, 'meter.lock', 'pad-1').at).toEqual({ 'meter.lock': 'pad-1' })
    expect(movedTo(plan, body('sorrel'), map, 'trigger.start', undefined).at).toEqual({ 'meter.lock': 'pad-2' })
  })
})

describe('a map in a standard', () => {
  const base = demoStandards().find(s => s.id === 'ring-action')
  if (!base) throw new Error('no ring action')
  const bodies = inHands(...FIVE)
  const plan = { ...planFor('thumb-stop'), pins: [{ body: 'sorrel', function: 'trigger.stop', control: 'heel' }] }
  let standard = base
  beforeAll(() => {
    const fleet = bestMaps(plan, bodies)
    const layer = ownLayers(base)[0]?.id ?? ''
    standard = withPlan(base, layer, { ...plan, house: fleet.house, maps: [...storedMaps(fleet)] })
  })

  it('can be written, read and approved like any other', () => {
    const parsed = parseStandard(JSON.parse(JSON.stringify(standard)), 'f')
    expect(parsed.ok && parsed.value).toEqual(standard)
    expect(standardProblems(standard, 'f').filter(p => !p.path.includes('relaxes'))).toEqual([])
  })

  it('brings the school’s targets, and each body to its own control', () => {
    for (const { body: b } of bodies) {
      const { state } = resolve(b, standard)
      const map = standard.controls?.maps.find(m => m.body === b.id)?.at ?? {}
      const set = placementsOf(b).filter(c => state[c.setting] === c.option)
      for (const [f, control] of Object.entries(map))
        expect(
          set.some(c => c.function === f && c.control === control),
          `${b.id} ${f}`,
        ).toBe(true)
      const shutter = b.settings.flatMap(s => s.options.filter(o => o.id === state[s.id] && o.means['trigger.shutter']))
      expect(shutter[0]?.means['trigger.shutter'], b.id).toBe('starts-af')
    }
  })

  it('takes a function off the other controls, where they can do without', () => {
    const sorrel = body('sorrel')
    expect(todayOf(sorrel, factoryState(sorrel))['trigger.stop']).toBe('collar')
    const { state } = resolve(sorrel, standard)
    const on = placementsOf(sorrel).filter(c => c.function === 'trigger.stop' && state[c.setting] === c.option)
    expect(on.map(c => c.control)).toEqual(['heel'])
  })

  it('still measures against the house place', () => {
    const stop = resolve(body('sorrel'), standard).outcomes.find(o => o.target.dimension === 'trigger.stop')
    expect(stop?.distance).toBeGreaterThan(0)
  })
})

describe('handing over to a stranger', () => {
  const standard = demoStandards().find(s => s.id === 'ring-action')

  it('takes three steps or fewer on every body of the demo, and leads back to where it was', () => {
    for (const b of demoBodies()) {
      const form = bodyAt(b, b.firmware.to)
      if (!standard) throw new Error('no standard')
      const { state } = resolve(form, standard)
      const { there, back, lacking } = handoverOf(form, state)
      expect(there.length, b.id).toBeLessThanOrEqual(3)
      expect(there.length, b.id).toBeGreaterThan(0)
      expect(back.length, b.id).toBeGreaterThan(0)
      expect(lacking, b.id).toEqual([])
    }
  })

  it('says the steps in the body’s own words', () => {
    if (!standard) throw new Error('no standard')
    const { there, back } = handoverOf(body('sorrel'), resolve(body('sorrel'), standard).state)
    expect(there.map(s => `${s.setting}: ${s.to}`)).toEqual(['Patch: Whole view', 'Half press: Gaze and light'])
    expect(back.map(s => `${s.setting}: ${s.to}`)).toEqual(['Patch: Patch M', 'Half press: Light alone'])
  })

  it('asks nothing of a body that is as it left the factory', () => {
    expect(handoverOf(body('wicket'), factoryState(body('wicket'))).there.length).toBeLessThanOrEqual(1)
  })
})

describe('where the functions are today', () => {
  it('reads it off the state, the thumb’s button first where a function is on two', () => {
    const sorrel = body('sorrel')
    const pad = placementsOf(sorrel).find(c => c.function === 'trigger.stop' && c.control === 'pad-2')
    const state = { ...factoryState(sorrel), [pad?.setting ?? '']: pad?.option ?? '' }
    expect(todayOf(sorrel, factoryState(sorrel))).toMatchObject({ 'trigger.start': 'pad-1', 'trigger.stop': 'collar' })
    expect(todayOf(sorrel, state)['trigger.stop']).toBe('pad-2')
  })
})

describe('thumb load', () => {
  const session: Session = {
    minutes: 120,
    shootingShare: 0.5,
    followingShare: 0.9,
    secondShare: 0.25,
    longestFollowSeconds: 40,
    longestLockSeconds: 70,
  }

  it('is 90 % of the shooting for thumb start and 10 % for thumb stop when 90 % is following', () => {
    // Common practice, no published source.
    expect(thumbLoad('thumb-start', session).heldMinutes).toBeCloseTo(0.9 * 60, 9)
    expect(thumbLoad('thumb-stop', session).heldMinutes).toBeCloseTo(0.1 * 60, 9)
    expect(thumbLoad('shutter-start', session)).toMatchObject({ heldMinutes: 0, longestSeconds: 0 })
  })

  it('takes a person’s own session where there is one', () => {
    const plan = { session, sessions: [{ person: 'imelda-frost', session: { ...session, followingShare: 0.2 } }] }
    expect(thumbLoad('thumb-start', sessionOf(plan, 'imelda-frost')).heldMinutes).toBeCloseTo(12, 9)
    expect(thumbLoad('thumb-start', sessionOf(plan, 'rufus-quill')).heldMinutes).toBeCloseTo(54, 9)
  })

  it('shares two thumbs out by use, and counts the longest hold apart', () => {
    expect(thumbLoad('two-thumbs', session)).toMatchObject({ first: 40.5, second: 13.5, heldMinutesPerHour: 27 })
    expect(isHigh(thumbLoad('two-thumbs', session))).toBe(false)
    expect(isHigh(thumbLoad('thumb-stop', session))).toBe(true)
    const calm = { heldMinutes: 0, first: 0, second: 0, heldMinutesPerHour: 30, longestSeconds: 60 }
    expect(isHigh(calm)).toBe(false)
    expect(isHigh({ ...calm, heldMinutesPerHour: 31 })).toBe(true)
    expect(isHigh({ ...calm, longestSeconds: 61 })).toBe(true)
    expect(thumbLoad('thumb-start', { ...session, minutes: 0 }).heldMinutesPerHour).toBe(0)
    expect(thumbLoad('thumb-start', { ...session, minutes: 0 }).longestSeconds).toBe(0)
    const mostlySecond = thumbLoad('two-thumbs', { ...session, secondShare: 0.8 })
    expect(mostlySecond.first).toBeLessThan(mostlySecond.second)
    expect(mostlySecond.longestSeconds).toBeGreaterThan(0)
  })
})
