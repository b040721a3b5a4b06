import { describe, expect, it } from 'vitest'
import { demoStandards } from '../../demo/world'
import { problemWords } from '../reading/problem'
import { effectiveTargets, ownLayers, parseStandard, type Standard, standardProblems } from '../standards'
import { compareLayers, describeStandardChanges } from '../standards/compare'
import { mergeStandards } from '../standards/merge'
import { FUNCTION_IDS } from '../functions/functions'
import { type Plan, planFor, withMaps, withoutFunction, withPin, withSchool, withSchoolOn } from '../functions/plan'
import { NEAREST, SCHOOL_IDS, SCHOOLS } from '../functions/schools'
import { targetsOf, withPlan } from './targets'

const base = demoStandards().find(s => s.id === 'ring-action')
if (!base) throw new Error('no ring action')
const layer = ownLayers(base)[0]?.id ?? ''
const HOUSE: Plan['house'] = {
  'trigger.start': 'thumb-upper-right',
  'trigger.stop': 'thumb-upper-right',
  'trigger.second': 'thumb-lower',
  'trigger.manual': 'thumb-centre',
  'meter.lock': 'thumb-centre',
}
const kept = (plan: Plan): Standard => withPlan(base, layer, { ...plan, house: HOUSE })
const asked = (s: Standard) => effectiveTargets(s).map(t => t.dimension)
const complaints = (controls: unknown): string => {
  const parsed = parseStandard({ ...base, controls }, 'f')
  return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
}

describe('the schools', () => {
  it('all have a plan to begin with, which a standard can hold', () => {
    for (const school of SCHOOL_IDS) {
      const plan = planFor(school)
      expect(complaints(plan), school).toBe('')
      const functions = plan.uses.map(u => u.function)
      for (const need of SCHOOLS[school].needs) expect(functions).toContain(need.function)
      expect(new Set(functions).size).toBe(functions.length)
    }
  })

  it('lead to nearer ones, and every way ends at the shutter', () => {
    for (const school of SCHOOL_IDS) {
      expect(NEAREST[school]).not.toContain(school)
      if (school !== 'shutter-start') expect(NEAREST[school].at(-1)).toBe('shutter-start')
    }
  })

  it('keep the index finger on the shutter for all that is held during a passage', () => {
    const plan = planFor('three-ways')
    const free = plan.uses.filter(u => !u.withIndexOnShutter).map(u => u.function)
    expect(free).toEqual(['trigger.manual', 'meter.lock'])
  })
})

describe('a plan in a file', () => {
  const plan = planFor('thumb-start')

  it.each([
    ['a school nobody knows', { ...plan, school: 'elbow-start' }, 'school'],
    ['a function twice', { ...plan, uses: [plan.uses[0], plan.uses[0]] }, 'every function only once'],
    ['a use longer than an hour', { ...plan, uses: [{ ...plan.uses[0], secondsEach: 4000 }] }, 'secondsEach'],
    ['a share above all', { ...plan, session: { ...plan.session, followingShare: 1.2 } }, 'followingShare'],
    [
      'a function that no control takes',
      { ...plan, pins: [{ body: 'sorrel', function: 'area.size', control: 'x' }] },
      'pins',
    ],
    ['a place no hand has', { ...plan, house: { 'trigger.start': 'knee' } }, 'house'],
    [
      'one person with two sessions',
      { ...plan, sessions: [1, 2].map(() => ({ person: 'imelda-frost', session: plan.session })) },
      'every person only once',
    ],
  ])('is refused with %s, and told where', (_, wrong, words) => {
    expect(complaints(wrong)).toContain(words)
    expect(complaints(wrong)).toContain('controls')
  })
})

describe('the targets of a plan', () => {
  it('say what the shutter does, and where each function is at home', () => {
    const targets = targetsOf({ ...planFor('thumb-stop'), house: HOUSE })
    expect(targets.map(t => [t.dimension, t.weight])).toEqual([
      ['trigger.shutter', 'must'],
      ['trigger.stop', 'must'],
      ['meter.lock', 'should'],
    ])
    expect(targets[0]?.value).toBe('starts-af')
    expect(targets[1]?.value).toEqual({ place: 'thumb-upper-right', press: 'held' })
    for (const t of targets) expect(t.school).toBe('thumb stop')
  })

  it('bring an area and a subject where the school has one for the button', () => {
    const second = targetsOf({ ...planFor('two-thumbs'), house: HOUSE }).find(t => t.dimension === 'trigger.second')
    expect(second).toMatchObject({ weight: 'should', value: { area: { pattern: 'full' }, subject: { detail: 'eye' } } })
  })

  it('ask nothing of a function that has no home', () => {
    expect(targetsOf(planFor('thumb-start')).map(t => t.dimension)).toEqual(['trigger.shutter'])
  })
})

describe('a plan in a standard', () => {
  it('settles which functions are asked for: what it does not name is not, in any layer', () => {
    expect(asked(base)).toEqual(expect.arrayContaining(['trigger.start', 'trigger.second']))
    const stop = asked(kept(planFor('thumb-stop'))).filter(d => FUNCTION_IDS.includes(d))
    expect(stop).toEqual(['trigger.stop', 'meter.lock'])
    expect(asked(kept(planFor('shutter-start'))).filter(d => FUNCTION_IDS.includes(d))).toEqual(['meter.lock'])
  })

  it('leaves everything else as it was', () => {
    const others = (s: Standard) =>
      effectiveTargets(s).filter(t => !/^trigger\.(start|stop|second|shutter|manual)|meter\.lock/.test(t.dimension))
    expect(others(kept(planFor('thumb-stop')))).toEqual(others(base))
  })

  it('does not let a must of a layer below give way without a reason', () => {
    const words = (s: Standard) =>
      standardProblems(s, 'f')
        .map(p => p.expected)
        .join()
    expect(words(kept(planFor('thumb-start')))).toBe('')
    // Thumb stop puts AF back on the shutter, where this layer had said why it may leave the house’s must.
    const bare = withPlan(
      { ...base, layers: base.layers.map(l => (l.id === layer ? { ...l, targets: [] } : l)) },
      layer,
      { ...planFor('thumb-start'), house: HOUSE },
    )
    expect(words(bare)).toContain('shutter half-press')
  })

  it('is new, different or gone when two versions are compared', () => {
    const start = kept(planFor('thumb-start'))
    expect(compareLayers(base, start)).toEqual(['The control maps are new: thumb start, 2 functions.'])
    expect(compareLayers(start, kept(planFor('three-ways')))).toEqual([
      'The control maps are different: three ways, 4 functions.',
    ])
    expect(compareLayers(start, base)).toEqual(['There are no control maps any more.'])
    expect(compareLayers(start, start)).toEqual([])
  })

  it('merges part by part: one pins while the other changes the session', () => {
    const from = kept(planFor('thumb-start'))
    const plan = from.controls
    if (!plan) throw new Error('no plan')
    const pins = [{ body: 'sorrel', function: 'trigger.start', control: 'pad-2' }]
    const mine = { ...from, controls: { ...plan, pins } }
    const theirs = { ...from, controls: { ...plan, session: { ...plan.session, minutes: 60 } } }
    const { document, conflicts } = mergeStandards(from, mine, theirs)
    expect(document.controls).toMatchObject({ pins, session: { minutes: 60 } })
    expect(conflicts).toEqual([])
  })

  it('conflicts in words where both change the same part', () => {
    const from = kept(planFor('thumb-start'))
    const plan = from.controls
    if (!plan) throw new Error('no plan')
    const mine = { ...from, controls: { ...plan, consistency: 3 } }
    const theirs = { ...from, controls: { ...plan, consistency: 0 } }
    const merged = mergeStandards(from, mine, theirs)
    expect(merged.conflicts).toHaveLength(1)
    expect(
      describeStandardChanges([{ at: ['controls', 'consistency'], before: 1, after: 3 }], from, mine)[0]?.words,
    ).toBe('What the fingers should do, and the control maps')
  })
})

describe('changing a plan', () => {
  const plan: Plan = {
    ...planFor('thumb-start'),
    house: HOUSE,
    pins: [
      { body: 'a', function: 'trigger.start', control: 'thumb' },
      { body: 'a', function: 'meter.lock', control: 'front' },
      { body: 'b', function: 'trigger.start', control: 'thumb' },
    ],
    maps: [
      { body: 'a', at: { 'trigger.start': 'thumb' } },
      { body: 'b', at: { 'trigger.start': 'thumb' } },
    ],
  }
  const pinned = (p: Plan) => p.pins.map(x => `${x.body} ${x.function}`)

  it('another school for all begins the maps anew and keeps what was typed; the same school changes nothing', () => {
    expect(withSchool(plan, 'thumb-start')).toBe(plan)
    const other = withSchool(plan, 'shutter-start')
    expect([other.school, other.maps, other.house]).toEqual(['shutter-start', [], {}])
    expect(other.session).toEqual(plan.session)
  })

  it('another school on one body takes its map, and the pins of what it no longer has, from that body alone', () => {
    const other = withSchoolOn(plan, 'a', 'shutter-start')
    expect(other.schools).toEqual({ a: 'shutter-start' })
    expect(other.maps.map(m => m.body)).toEqual(['b'])
    expect(pinned(other)).toEqual(['a meter.lock', 'b trigger.start'])
    expect(withSchoolOn(other, 'a', 'thumb-start').schools).toEqual({})
  })

  it('a function that is taken out goes wherever it is named', () => {
    const less = withoutFunction({ ...plan, slides: [{ from: 'trigger.start', to: 'meter.lock' }] }, 'meter.lock')
    expect(less.uses.map(u => u.function)).not.toContain('meter.lock')
    expect(less.slides).toEqual([])
    expect(pinned(less)).toEqual(['a trigger.start', 'b trigger.start'])
    const kept = withoutFunction({ ...plan, slides: [{ from: 'trigger.start', to: 'area.recall' }] }, 'meter.lock')
    expect(kept.slides).toHaveLength(1)
    expect(withoutFunction(kept, 'area.recall').slides).toEqual([])
    expect(withoutFunction(kept, 'trigger.start').slides).toEqual([])
  })

  it('a pin replaces the one before, and none takes it out', () => {
    expect(withPin(plan, 'a', 'meter.lock', 'top').pins.find(p => p.function === 'meter.lock')?.control).toBe('top')
    expect(pinned(withPin(plan, 'a', 'trigger.start', undefined))).toEqual(['a meter.lock', 'b trigger.start'])
  })

  it('maps that are found take the places of those bodies only', () => {
    const found = withMaps(plan, [{ body: 'b', at: { 'trigger.start': 'front' } }], {})
    expect(found.maps.map(m => [m.body, m.at['trigger.start']])).toEqual([
      ['a', 'thumb'],
      ['b', 'front'],
    ])
  })
})
