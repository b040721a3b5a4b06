import { describe, expect, it } from 'vitest'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { type Body, bodyAt } from '../bodies'
import { PLACES } from '../vocabulary/places'
import { bindingDistance, placementsOf, placementsWith } from './abilities'
import { type FleetBody, canBeUsed, cellsOf, slideDistance } from './cells'
import { bestMaps, mapProblemOf, storedMaps, weighMaps } from './fleet'
import { type Plan, planFor } from '../functions/plan'

/** What the hand pays, part by part, on the bodies of the demo. */
const body = (id: string): Body => {
  const found = demoBodies().find(b => b.id === id)
  if (!found) throw new Error(`no ${id}`)
  return bodyAt(found, found.firmware.to)
}
const inHands = (...ids: string[]): readonly FleetBody[] => ids.map(id => ({ body: body(id), weight: 1, today: {} }))
const FIVE = inHands('sorrel', 'tollgate', 'linnet', 'pebble', 'wicket')
const start = planFor('thumb-start')
const HOUSE: Plan['house'] = { 'trigger.start': 'thumb-upper-right', 'meter.lock': 'thumb-centre' }
/** What one body costs with its functions on these controls. */
const onSorrel = (at: Record<string, string>, plan: Plan = start, house = HOUSE) => {
  const [mapped] = weighMaps(plan, inHands('sorrel'), [{ body: 'sorrel', at }], house).bodies
  if (!mapped) throw new Error('no map')
  return mapped
}
const used = (plan: Plan, f: string, next: Partial<Plan['uses'][number]>): Plan => ({
  ...plan,
  uses: plan.uses.map(u => (u.function === f ? { ...u, ...next } : u)),
})

describe('what a map costs', () => {
  it('is the sum of its parts', () => {
    const mapped = onSorrel({ 'trigger.start': 'pad-3', 'meter.lock': 'heel' })
    const parts = mapped.placed.flatMap(p => Object.values(p.parts) as readonly number[])
    expect(mapped.cost).toBeCloseTo(
      parts.reduce((a, b) => a + b, mapped.sliding),
      9,
    )
  })

  it('counts easy presses: 120 uses of ten seconds on the easiest button are 300, holding adding to each', () => {
    expect(onSorrel({ 'trigger.start': 'pad-1' }).placed[0]?.parts.effort).toBe(300)
    const tapped = used(start, 'trigger.start', { secondsEach: 0 })
    expect(onSorrel({ 'trigger.start': 'pad-1' }, tapped).placed[0]?.parts.effort).toBe(120)
  })

  it('rises with the reach of the place', () => {
    const effort = (control: string) => onSorrel({ 'trigger.start': control }).placed[0]?.parts.effort ?? NaN
    expect(effort('pad-1')).toBeLessThan(effort('pad-2'))
    expect(effort('pad-2')).toBeLessThan(effort('pad-3'))
    expect(effort('pad-3')).toBeLessThan(effort('collar'))
  })

  it('rises and falls with the uses', () => {
    const cost = (perHour: number) => bestMaps(used(start, 'trigger.start', { perHour }), FIVE).cost
    expect(cost(60)).toBeLessThan(cost(120))
    expect(cost(120)).toBeLessThan(cost(240))
  })

  it('is less on the lens for a left-handed shooter', () => {
    const effort = (hand: Plan['hand']) =>
      onSorrel({ 'trigger.start': 'collar' }, { ...start, hand }).placed[0]?.parts.effort ?? NaN
    expect(effort('left')).toBeCloseTo(0.7 * effort('right'), 1)
    const underThumb = (hand: Plan['hand']) => onSorrel({ 'trigger.start': 'pad-1' }, { ...start, hand }).placed[0]
    expect(underThumb('left')?.parts.effort).toBe(underThumb('right')?.parts.effort)
  })

  it('charges a function that is left out more than any place would cost', () => {
    const out = onSorrel({}).placed[0]
    expect(out?.carry).toBeUndefined()
    const dearest = Math.max(
      ...['pad-1', 'pad-2', 'pad-3', 'collar'].map(c => onSorrel({ 'trigger.start': c }).placed[0]?.parts.effort ?? 0),
    )
    expect(out?.parts.leftOut).toBeGreaterThan(dearest)
  })

  it('charges a slide by how far the finger goes', () => {
    const sliding = (lock: string) => onSorrel({ 'trigger.start': 'pad-1', 'meter.lock': lock }).sliding
    expect(sliding('pad-2')).toBeLessThan(sliding('pad-3'))
    expect(sliding('pad-3')).toBeLessThan(sliding('heel'))
    expect(onSorrel({ 'trigger.start': 'pad-1' }).sliding).toBe(0)
  })
})

describe('a slide between two controls', () => {
  const control = (place: Body['controls'][number]['place'], view: 'back' | 'top', x: number, y: number) => ({
    ...(body('sorrel').controls[0] as Body['controls'][number]),
    id: `${place}-${view}-${x}-${y}`,
    place,
    at: { view, x, y },
  })
  const upper = control('thumb-upper-right', 'back', 0.8, 0.2)

  it('is nothing on the same one, the whole way for another finger or another side of the body', () => {
    expect(slideDistance(upper, upper)).toBe(0)
    expect(slideDistance(upper, control('index-front', 'back', 0.8, 0.2))).toBe(1)
    expect(slideDistance(upper, control('thumb-centre', 'top', 0.8, 0.2))).toBe(1)
  })

  it('is as far as it is drawn, but never less than the places are apart, nor more than the whole way', () => {
    expect(slideDistance(upper, control('thumb-centre', 'back', 0.8, 0.25))).toBe(0.2)
    expect(slideDistance(upper, control('thumb-centre', 'back', 0.5, 0.6))).toBeCloseTo(0.5, 12)
    expect(slideDistance(upper, control('thumb-lower', 'back', 0.8, 0.25))).toBe(0.5)
    expect(slideDistance(upper, control('thumb-lower', 'back', 0, 1))).toBe(1)
    const [a, b] = [control('thumb-centre', 'back', 0.1, 0.1), control('thumb-lower', 'back', 0.4, 0.9)]
    expect(slideDistance(a, b)).toBe(slideDistance(b, a))
  })
})

describe('what a hand can do', () => {
  const [pad] = body('sorrel').controls.filter(c => c.place === 'thumb-upper-right')
  const [use] = start.uses
  if (!pad || !use) throw new Error('no pad')
  const carry = { control: pad.id, function: use.function, press: 'held' } as unknown as Parameters<typeof canBeUsed>[3]
  const can = (plan: Partial<Plan>, of: Partial<typeof use> = {}, on: Partial<typeof pad> = {}, how = carry) =>
    canBeUsed({ ...start, ...plan }, { ...use, secondsEach: 10, ...of }, { ...pad, ...on }, how)

  it('is to hold what can be held, no longer than the finger may', () => {
    expect(can({})).toBe(true)
    expect(can({}, {}, { holdable: false })).toBe(false)
    expect(can({ limits: [{ finger: 'thumb', seconds: 10 }] })).toBe(true)
    expect(can({ limits: [{ finger: 'thumb', seconds: 9 }] })).toBe(false)
    expect(can({ limits: [{ finger: 'index', seconds: 1 }] })).toBe(true)
  })

  it('is to tap and to toggle anything within reach', () => {
    expect(can({}, { secondsEach: 0 }, { holdable: false })).toBe(true)
    expect(
      can({ limits: [{ finger: 'thumb', seconds: 1 }] }, {}, { holdable: false }, { ...carry, press: 'toggled' }),
    ).toBe(true)
    expect(can({}, { withIndexOnShutter: true }, { place: 'top-plate' })).toBe(false)
    expect(can({}, { withIndexOnShutter: false }, { place: 'top-plate' })).toBe(true)
  })
})

describe('of several ways to have a function on one key', () => {
  const way = (press: 'held' | 'toggled', subject?: string) =>
    ({ control: 'thumb', press, ...(subject === undefined ? {} : { subject: { class: subject } }) }) as const
  /** The option that is taken of these, in the order they stand in the menu. */
  const taken = (
    plan: Plan,
    function_: 'trigger.start' | 'trigger.second',
    ways: readonly ReturnType<typeof way>[],
  ) => {
    const options = ways.map((w, i) => [`way-${i}`, { [function_]: w }] as const)
    const tiny = tinyBody({ key: ['none', ...options] })
    const control = tiny.controls.map(c => ({ ...c, functions: [function_] }))
    const cells = cellsOf(plan, { body: { ...tiny, controls: control }, weight: 1, today: {} })
    return cells.get(function_)?.get('thumb')?.carry.option
  }

  it('the one that is less work is taken, wherever it stands: ten seconds are held at a price', () => {
    expect(taken(start, 'trigger.start', [way('held'), way('toggled')])).toBe('way-1')
    expect(taken(start, 'trigger.start', [way('toggled'), way('held')])).toBe('way-0')
    expect(taken(start, 'trigger.start', [way('held'), way('held')])).toBe('way-0')
  })

  it('looking for something else is work as well', () => {
    const plan = used(planFor('two-thumbs'), 'trigger.second', { secondsEach: 6 })
    // Toggling is a little more work here than holding for six seconds, but less than having the other subject.
    expect(taken(plan, 'trigger.second', [way('held', 'birds'), way('toggled', 'people')])).toBe('way-1')
    expect(taken(plan, 'trigger.second', [way('toggled', 'people'), way('held', 'birds')])).toBe('way-0')
    expect(taken(plan, 'trigger.second', [way('toggled', 'people'), way('held', 'people')])).toBe('way-1')
  })
})

describe('what weighs on the best map', () => {
  const away = (consistency: number) =>
    bestMaps({ ...planFor('three-ways'), consistency }, FIVE).bodies.reduce(
      (sum, b) => sum + b.placed.filter(p => p.carry && !p.isHome).length,
      0,
    )

  it('leaves fewer functions away from home the more being alike weighs', () => {
    const found = [0, 1, 5].map(away)
    expect(found[1]).toBeLessThanOrEqual(found[0] ?? 0)
    expect(found[2]).toBeLessThanOrEqual(found[1] ?? 0)
  })

  it('makes those alike first that somebody carries together', () => {
    const weighed = (weight: number) =>
      bestMaps(
        planFor('thumb-start'),
        FIVE.map(b => ({ ...b, weight: b.body.id === 'wicket' ? weight : 1 })),
      )
    expect(weighed(0.25).house['trigger.start']).toBe('thumb-upper-right')
    // Where everybody carried the old compact, the others would follow it.
    expect(weighed(40).house['trigger.start']).toBe('thumb-centre')
  })

  it('keeps functions that need the index finger on the shutter off places it has to leave for', () => {
    for (const { body: b, placed } of bestMaps(planFor('three-ways'), FIVE).bodies)
      for (const p of placed.filter(x => x.carry && ['trigger.start', 'trigger.second'].includes(x.function))) {
        const place = b.controls.find(c => c.id === p.carry?.control)?.place ?? 'shutter'
        expect(PLACES[place].reach, `${b.id} ${p.function}`).toBe('index-on-shutter')
      }
  })

  it('does not hold what cannot be held, unless it can be pressed on and off', () => {
    const { cells } = mapProblemOf(start, FIVE)
    const wicket = cells[4]?.get('meter.lock')?.get('question')
    expect(body('wicket').controls.find(c => c.id === 'question')?.holdable).toBe(false)
    expect(wicket?.carry.press).toBe('toggled')
    expect(cells[4]?.get('trigger.start')?.has('question')).toBe(false)
  })

  it('finds the same each time', () => {
    const one = bestMaps(planFor('two-thumbs'), FIVE)
    expect(storedMaps(bestMaps(planFor('two-thumbs'), FIVE))).toEqual(storedMaps(one))
  })
})

describe('what a button brings along', () => {
  const second = placementsOf(body('sorrel')).filter(c => c.function === 'trigger.second' && c.control === 'pad-2')
  const wanted = {
    function: 'trigger.second',
    area: { pattern: 'full' as const, width: 0.94, height: 0.96, chooser: 'camera' as const, follow: 'off' as const },
    subject: { class: 'people', detail: 'eye' as const },
  }

  it('is nothing where nothing is wanted with it, and nothing where it is just that', () => {
    for (const c of second) expect(bindingDistance(c, { function: 'trigger.second' })).toBe(0)
    expect(Math.min(...second.map(c => bindingDistance(c, wanted)))).toBeCloseTo(0, 6)
  })

  it('is far where it looks for birds instead of people', () => {
    const birds = second.find(c => c.value.subject?.class === 'birds')
    expect(birds && bindingDistance(birds, wanted)).toBeGreaterThan(0.1)
  })

  it('prefers the option that looks for what is wanted', () => {
    const fleet = bestMaps(planFor('two-thumbs'), inHands('sorrel'))
    expect(fleet.bodies[0]?.placed[1]?.carry?.value.subject?.class).toBe('people')
  })
})

describe('what the rules of a body leave', () => {
  it('is everything on Sorrel, whatever the shutter does', () => {
    const all = placementsOf(body('sorrel')).length
    expect(placementsWith(body('sorrel'), 'starts-af')).toHaveLength(all)
    expect(placementsWith(body('sorrel'), 'meters-only')).toHaveLength(all)
  })

  it('is less on Pebble while the shutter starts AF', () => {
    const on = (shutter: 'starts-af' | 'meters-only') =>
      new Set(
        placementsWith(body('pebble'), shutter)
          .filter(c => c.function === 'trigger.stop')
          .map(c => c.control),
      )
    expect([...on('meters-only')]).toEqual(expect.arrayContaining(['thumb-f', 'limpet']))
    expect(on('starts-af').has('thumb-f')).toBe(false)
  })

  it('is asked of each option by itself: one a rule refuses, the next it leaves', () => {
    const given = (id: string) => ({ [id]: { control: 'thumb', press: 'held' as const } })
    const tiny = tinyBody(
      {
        shutter: [
          ['af', { 'trigger.shutter': 'starts-af' }],
          ['light', { 'trigger.shutter': 'meters-only' }],
        ],
        key: ['none', ['start', given('trigger.start')], ['lock', given('meter.lock')]],
      },
      { rules: [rule('one way', { shutter: 'af' }, { effect: 'excludes', setting: 'key', options: ['start'] })] },
    )
    const left = (shutter: 'starts-af' | 'meters-only') => placementsWith(tiny, shutter).map(p => p.function)
    expect(left('meters-only')).toEqual(['trigger.start', 'meter.lock'])
    expect(left('starts-af')).toEqual(['meter.lock'])
  })

  it('minds a shutter of whose options only one is known', () => {
    const given = { 'trigger.start': { control: 'thumb', press: 'held' as const } }
    const tiny = tinyBody(
      { shutter: [['af', { 'trigger.shutter': 'starts-af' }], 'other'], key: ['none', ['start', given]] },
      { rules: [rule('one way', { shutter: 'af' }, { effect: 'excludes', setting: 'key', options: ['start'] })] },
    )
    expect(placementsWith(tiny, 'starts-af')).toEqual([])
  })
})
