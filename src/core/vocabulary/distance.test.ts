import { describe, expect, it } from 'vitest'
import { DIMENSIONS, dimension } from './dimensions'
import { areaDistance } from './kinds/area'
import { areaSetDistance } from './kinds/areas'
import { assignDistance } from './kinds/assign'
import { choiceDistance } from './kinds/choice'
import { distance } from './distance'
import { positionDistance } from './kinds/position'
import { rangeDistance } from './kinds/range'
import { ratioDistance } from './kinds/physical'
import { scaleDistance } from './kinds/scale'
import { sizeDistance } from './kinds/size'
import { heldUpTo } from '../standards'
import { gradeOf } from './grade'
import { PLACE_IDS, placeDistance } from './places'
import { RELATIVES } from './relatives'
import * as v from 'valibot'
import { distanceReason, sameValue } from './distance'
import { targetSchema } from './schema'
import type { Area, NeutralValue } from './values'
import { toleranceWords } from './words'

describe('amounts', () => {
  it('counts a factor of two as half way to another behaviour, a factor of four as another one', () => {
    expect(ratioDistance(1.2, 2.4)).toBeCloseTo(0.5, 12)
    expect(ratioDistance(1.2, 0.6)).toBeCloseTo(0.5, 12)
    expect(ratioDistance(1, 4)).toBe(1)
    expect(ratioDistance(1, 40)).toBe(1)
  })

  it('takes zero, never and always as names, not as amounts', () => {
    for (const named of [0, 'never', 'always'] as const) {
      expect(ratioDistance(named, named)).toBe(0)
      expect(ratioDistance(named, 0.001)).toBe(1)
      expect(ratioDistance(4.5, named)).toBe(1)
    }
    expect(ratioDistance('never', 'always')).toBe(1)
  })

  it('compares response by how much of a change of speed is taken up, alike at both ends', () => {
    const response = dimension('track.response')
    expect(distance(response, 0.05, 0.1)).toBeCloseTo(distance(response, 0.9, 0.95), 12)
    expect(distance(response, 0.3, 0.8)).toBe(1)
  })

  it('allows just the tolerance that it says, in the unit it says', () => {
    const bias = dimension('meter.bias')
    const limit = heldUpTo({ dimension: 'meter.bias', tolerance: 0.3 })
    expect(distance(bias, -0.7, -1)).toBeLessThanOrEqual(limit + 1e-12)
    expect(distance(bias, -0.7, -1.1)).toBeGreaterThan(limit)
    expect(toleranceWords(bias, 0.3)).toBe('± 0.3 stops')
  })

  it('compares exposure in stops: two stops are a factor of four in light', () => {
    // f/2.8 to f/5.6 is two stops: common practice, no published source.
    const bias = dimension('meter.bias')
    expect(distance(bias, 0, -1)).toBe(0.5)
    expect(distance(bias, 0, 2)).toBe(1)
    expect(distance(bias, 0, 2)).toBeCloseTo(ratioDistance(1, (5.6 / 2.8) ** 2), 12)
  })
})

describe('scales and choices', () => {
  it('counts the steps between', () => {
    expect(scaleDistance(['off', 'low', 'mid', 'high'], 'off', 'mid')).toBeCloseTo(2 / 3, 12)
    expect(() => scaleDistance(['a', 'b'], 'a', 'c')).toThrow('not on the scale a, b: c')
  })

  it('puts automatic switching half way between single and continuous', () => {
    expect(choiceDistance('mode.drive', 'single', 'automatic')).toBe(0.5)
    expect(choiceDistance('mode.drive', 'automatic', 'continuous')).toBe(0.5)
    expect(choiceDistance('mode.drive', 'single', 'continuous')).toBe(1)
  })

  it('never takes continuous for single, whatever is allowed for automatic', () => {
    expect(heldUpTo({ dimension: 'mode.drive', tolerance: 0.5 })).toBeLessThan(
      choiceDistance('mode.drive', 'single', 'continuous'),
    )
  })

  it('knows what finer kinds of subject belong to, by any of their words', () => {
    const off = (a: string, b: string) => choiceDistance('subject.class', a, b)
    expect([off('cars', 'vehicles'), off('aircraft', 'vehicles'), off('dogs', 'animals')]).toEqual([0.25, 0.25, 0.25])
    expect([off('car', 'cars'), off('airplanes', 'aircraft'), off('person', 'people')]).toEqual([0, 0, 0])
    expect([off('cars', 'trains'), off('insects', 'animals'), off('cars', 'automatic')]).toEqual([0.5, 0.5, 0.25])
    expect([off('cars', 'animals'), off('cars', 'off'), off('automatic', 'off')]).toEqual([1, 1, 1])
    // What nobody has placed is like itself and like what looks for anything.
    expect([off('drones', 'cars'), off('people', 'drones'), off('drones', 'automatic')]).toEqual([1, 1, 0.25])
    expect([off('drones', 'boats'), off('people', 'persons')]).toEqual([1, 0])
  })

  it('compares bundles by what they usually do, not by their names', () => {
    const off = (a: string, b: string) => choiceDistance('track.preset', a, b)
    expect(off('versatile', 'changing-speed')).toBeLessThan(off('past-obstacles', 'onto-newcomers'))
    expect(off('past-obstacles', 'past-obstacles')).toBe(0)
    expect(off('versatile', 'past-obstacles')).toBeCloseTo(
      (Math.log(2 / 0.6) / Math.log(4) + 0.2 + Math.log(2 / 0.6) / Math.log(4)) / 3,
      12,
    )
    expect(off('own', 'versatile')).toBe(1)
    expect(off('Setting 2', 'versatile')).toBe(1)
  })

  it('names near relatives only among values that exist, with a reason', () => {
    for (const [id, relatives] of Object.entries(RELATIVES)) {
      const d = dimension(id)
      for (const r of relatives) {
        expect(d.kind === 'choice' && [r.a, r.b].every(x => d.values.includes(x))).toBe(true)
        expect(r.because.length).toBeGreaterThan(10)
      }
    }
  })
})

describe('areas', () => {
  const block: Area = { pattern: 'block', width: 0.15, height: 0.16 }

  it('compares by what they cover and who chooses, not by name', () => {
    expect(areaDistance(block, { pattern: 'cross', width: 0.15, height: 0.16 })).toBe(0)
    expect(areaDistance(block, { ...block, chooser: 'camera' })).toBeCloseTo(0.3, 12)
    expect(areaDistance(block, { ...block, follow: 'automatic' })).toBeCloseTo(0.25, 12)
    expect(areaDistance(block, { ...block, pattern: 'zone' })).toBeCloseTo(0.3, 12)
  })

  it('counts sixteen times the share of the frame as another size', () => {
    expect(sizeDistance({ width: 0.1, height: 0.1 }, { width: 0.4, height: 0.4 })).toBeCloseTo(1, 12)
    expect(sizeDistance({ width: 0.1, height: 0.1 }, { width: 0.2, height: 0.2 })).toBeCloseTo(0.5, 12)
  })

  it('counts a strip as another shape than a square of the same share', () => {
    expect(sizeDistance({ width: 1, height: 0.04 }, { width: 0.2, height: 0.2 })).toBe(1)
    expect(sizeDistance({ width: 0.4, height: 0.1 }, { width: 0.2, height: 0.2 })).toBeCloseTo(0.5, 12)
  })

  it('puts a pinpoint, about half a normal point, nearer than a block', () => {
    // Common practice, no published source: a pinpoint area is about half the size of a normal single point.
    const point: Area = { pattern: 'point', width: 0.05, height: 0.05 }
    const pinpoint: Area = { pattern: 'pinpoint', width: 0.05, height: 0.025 }
    expect(areaDistance(point, pinpoint)).toBeCloseTo((0.45 * Math.log(2)) / Math.log(16), 12)
    expect(areaDistance(point, pinpoint)).toBeLessThan(areaDistance(point, block))
  })

  it('compares lists by the share of members they have in common', () => {
    const zone: Area = { pattern: 'zone', width: 0.35, height: 0.4 }
    const renamed: Area = { pattern: 'group', width: 0.35, height: 0.4, chooser: 'camera' }
    const dot: Area = { pattern: 'pinpoint', width: 0.02, height: 0.02 }
    expect(areaSetDistance([block, zone], [renamed, block])).toBe(0)
    expect(areaSetDistance([block, zone], [block, zone, dot])).toBeCloseTo(1 / 3, 12)
    expect(areaSetDistance([block], [dot])).toBe(1)
  })

  it('does not take an area that follows for the same one that does not', () => {
    const full: Area = { pattern: 'full', width: 0.9, height: 0.92 }
    expect(areaSetDistance([full], [{ ...full, follow: 'automatic' }])).toBe(1)
    expect(areaSetDistance([full, { ...full, follow: 'automatic' }], [full])).toBe(0.5)
  })

  it('matches as many members as possible, whatever their order', () => {
    const a: Area = { pattern: 'block', width: 0.2, height: 0.2 }
    const b: Area = { pattern: 'block', width: 0.3, height: 0.3 }
    const between: Area = { pattern: 'block', width: 0.27, height: 0.27 }
    const wide: Area = { pattern: 'block', width: 0.55, height: 0.55 }
    expect(areaSetDistance([b, a], [between, wide])).toBe(areaSetDistance([a, b], [wide, between]))
  })
})

describe('places of the hand', () => {
  it('asks little for a neighbour of the same finger and much for leaving the grip', () => {
    expect(placeDistance('thumb-upper-right', 'thumb-upper-right')).toBe(0)
    expect(placeDistance('thumb-upper-right', 'thumb-centre')).toBe(0.2)
    expect(placeDistance('thumb-upper-right', 'ring-finger-front')).toBe(0.5)
    expect(placeDistance('thumb-upper-right', 'left-hand')).toBe(0.8)
  })

  it('takes neighbours both ways', () => {
    for (const a of PLACE_IDS)
      for (const b of PLACE_IDS) expect(placeDistance(a, b) === 0.2).toBe(placeDistance(b, a) === 0.2)
  })

  it('averages in the area and the subject bound to a control', () => {
    const area: Area = { pattern: 'full', width: 0.9, height: 0.9 }
    const wanted = { place: 'thumb-centre', area, subject: { class: 'people', detail: 'eye' } } as const
    expect(assignDistance(wanted, wanted)).toBe(0)
    expect(assignDistance(wanted, { place: 'thumb-centre' })).toBeCloseTo(2 / 3, 12)
    expect(assignDistance(wanted, { ...wanted, subject: { class: 'people', detail: 'face' } })).toBeCloseTo(1 / 18, 12)
  })
})

describe('search ranges', () => {
  it('counts what is cut off whole and what is searched needlessly half, in dioptres', () => {
    const far = { nearMetres: 3, farMetres: 'infinity' } as const
    expect(rangeDistance(far, far)).toBe(0)
    expect(rangeDistance(far, { nearMetres: 1.5, farMetres: 'infinity' })).toBeCloseTo(0.25, 12)
    expect(rangeDistance(far, { nearMetres: 6, farMetres: 'infinity' })).toBeCloseTo(0.5, 12)
    expect(rangeDistance(far, { nearMetres: 0.28, farMetres: 0.5 })).toBe(1)
  })

  it('sees what the limiter of a tele zoom saves', () => {
    // Common practice, no published source: the limiter moves the nearest focus from 0.96 m to 3 m.
    const off = rangeDistance({ nearMetres: 3, farMetres: 'infinity' }, { nearMetres: 0.96, farMetres: 'infinity' })
    expect(off).toBeCloseTo((1 - 0.96 / 3) / 2, 12)
  })
})

it('compares resting places in the frame and the control that calls them back', () => {
  expect(positionDistance({ x: 0.5, y: 0.5 }, { x: 0.5, y: 0.5 })).toBe(0)
  expect(positionDistance({ x: 0.5, y: 0.5 }, { x: 0.5, y: 0.25 })).toBe(0.5)
  expect(positionDistance({ x: 0.5, y: 0.5, recall: 'thumb-lower' }, { x: 0.5, y: 0.5 })).toBe(0.5)
})

it('grades at the limits people were told', () => {
  expect([0, 0.05, 0.051, 0.25, 0.26, 0.6, 0.61, 1].map(gradeOf)).toEqual([
    'same',
    'same',
    'near',
    'near',
    'stand-in',
    'stand-in',
    'different',
    'different',
  ])
})

it('has every dimension once, each with a plain meaning', () => {
  expect(new Set(DIMENSIONS.map(d => d.id)).size).toBe(DIMENSIONS.length)
  expect(new Set(DIMENSIONS.map(d => d.label)).size).toBe(DIMENSIONS.length)
  for (const d of DIMENSIONS) expect(d.about.length, d.id).toBeGreaterThan(10)
})

describe('values that are read', () => {
  const range = (nearMetres: number, farMetres: number | 'infinity') =>
    v.safeParse(targetSchema(dimension('range.limit')), { nearMetres, farMetres }).success

  it('are ranges from near to far', () => {
    expect([range(1, 5), range(3, 'infinity'), range(5, 5), range(5, 1), range(0, 5), range(1, 0)]).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
    ])
  })

  it('are amounts within what they can be', () => {
    const reads = (id: string, value: unknown) => v.safeParse(targetSchema(dimension(id)), value).success
    expect([reads('track.response', 0), reads('track.response', 1), reads('track.response', 1.1)]).toEqual([
      true,
      true,
      false,
    ])
    expect([reads('track.response', -0.1), reads('track.hold', 'never'), reads('meter.bias', -2)]).toEqual([
      false,
      true,
      true,
    ])
    expect(reads('track.hold', -1)).toBe(false)
  })
})

describe('reasons', () => {
  const why = (id: string, wanted: NeutralValue, got: NeutralValue) => distanceReason(dimension(id), wanted, got)

  it('say how a distance comes about, so that a person can check it', () => {
    expect(why('track.hold', 1, 1)).toBe('exactly what is wanted')
    expect(why('track.hold', 1, 2)).toBe('|ln(2 ÷ 1)| ÷ ln 4; a factor of four counts as another behaviour')
    expect(why('track.hold', 1, 'never')).toBe('never is not an amount that can be compared with 1 s')
    expect(why('track.hold', 0, 2)).toBe('2 s is not an amount that can be compared with 0 s')
    expect(why('track.hold', 2, 0)).toBe('0 s is not an amount that can be compared with 2 s')
    expect(why('meter.bias', -0.7, -1)).toBe('0.30 stops apart; 2 stops count as another behaviour')
    expect(why('mode.drive', 'single', 'automatic')).toContain('half way between')
    expect(why('mode.drive', 'single', 'continuous')).toBe('another choice')
    expect(why('subject.class', 'vehicles', 'cars')).toBe('near relatives: cars are among the vehicles')
    expect(why('subject.class', 'animals', 'birds')).toBe('near relatives: animal detection finds some birds')
    expect(why('see.peaking', 'off', 'mid')).toBe('2 of 3 steps apart')
    expect(why('see.tone', true, false)).toBe('the opposite')
    expect(why('area.size', { width: 0.1, height: 0.1 }, { width: 0.2, height: 0.1 })).toContain(
      '2 % of the frame against 1 %',
    )
    expect(why('range.limit', { nearMetres: 3, farMetres: 'infinity' }, { nearMetres: 1, farMetres: 5 })).toContain(
      'searches 1 m to 5 m',
    )
  })

  it('say where a function went, and what is averaged in', () => {
    const at = { place: 'thumb-upper-right' } as const
    expect(why('trigger.start', at, { place: 'thumb-centre' })).toBe(
      'a neighbouring place that the same finger reaches (thumb, centre), 0.20',
    )
    expect(why('trigger.start', { ...at, press: 'held' }, { ...at, press: 'toggled' })).toBe(
      'the same place (thumb, upper right), 0.00; averaged with held or toggled',
    )
    const area = { pattern: 'point', width: 0.05, height: 0.05 } as const
    const subject = { class: 'people' } as const
    expect(why('trigger.second', { ...at, area, subject }, at)).toContain(
      'averaged with no area bound to it, no subject bound to it',
    )
    expect(why('trigger.second', { ...at, area, subject }, { ...at, area, subject: { class: 'birds' } })).toContain(
      'averaged with the areas bound to them, the subjects bound to them',
    )
  })
})

describe('assignments', () => {
  it('take what is not said about the press for held', () => {
    const at = { place: 'thumb-centre' } as const
    const wants = (press: 'held' | 'toggled') => (got: object) => assignDistance({ ...at, press }, { ...at, ...got })
    expect([wants('held')({}), wants('toggled')({}), wants('toggled')({ press: 'toggled' })]).toEqual([0, 0.5, 0])
    expect(wants('held')({ press: 'toggled' })).toBe(0.5)
  })
})

describe('the same', () => {
  it('is what neither would be off from the other: a key that says nothing of its press, and one that toggles, are two', () => {
    const d = dimension('trigger.start')
    const [plain, toggled] = [{ place: 'thumb-centre' }, { place: 'thumb-centre', press: 'toggled' }] as const
    expect(distance(d, plain, toggled)).toBe(0)
    expect(sameValue(d, plain, toggled)).toBe(false)
    expect(sameValue(d, toggled, plain)).toBe(false)
    expect(sameValue(d, toggled, { ...toggled })).toBe(true)
    expect(sameValue(dimension('track.hold'), 0.5, 0.5)).toBe(true)
    expect(sameValue(dimension('track.hold'), 0.5, 2)).toBe(false)
  })
})
