import { describe, expect, it } from 'vitest'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt } from '../bodies'
import { asLevel, fleetProblem, levelFleet } from '../level'
import { explain, whyLostWords, resolve } from '../resolve'
import { ownLayers, type Standard } from '../standards'
import type { FleetBody } from './cells'
import { bestMaps, storedMaps } from './fleet'
import { mapOn } from './map-on'
import { planProblems } from './plan-problems'
import {
  type Plan,
  planFor,
  plannedUse,
  schoolFor,
  usesIn,
  withMaps,
  withSchool,
  withSchoolOn,
} from '../functions/plan'
import { SCHOOL_IDS } from '../functions/schools'
import { targetsOf, withPlan } from './targets'
import { planWords } from './words'

/** A body that cannot carry the team's school takes the nearest one. */

const body = (id: string): Body => {
  const found = demoBodies().find(b => b.id === id)
  if (!found) throw new Error(`no ${id}`)
  return bodyAt(found, found.firmware.to)
}
const inHands = (...ids: string[]): readonly FleetBody[] => ids.map(id => ({ body: body(id), weight: 1, today: {} }))
const TWO = inHands('sorrel', 'pebble')
const base = demoStandards().find(s => s.id === 'high-rope')
if (!base) throw new Error('no high rope')
const layer = ownLayers(base)[0]?.id ?? ''
const kept = (plan: Plan): Standard => {
  const fleet = bestMaps(plan, TWO)
  const standard = withPlan(base, layer, withMaps(plan, storedMaps(fleet), fleet.house))
  // The reasons are written: what was a must below gives way.
  return {
    ...standard,
    layers: standard.layers.map(l => ({ ...l, targets: l.targets.map(t => ({ ...t, relaxes: 'Agreed.' })) })),
  }
}
/** Pebble’s thumb keys take other work only while the shutter meters, so that it cannot carry thumb stop. */
const stop = planFor('thumb-stop')
const own = withSchoolOn(stop, 'pebble', 'thumb-start')

describe('one body in another school', () => {
  it('asks of each body what its own school needs, and of the others nothing more', () => {
    expect(schoolFor(own, 'pebble')).toBe('thumb-start')
    expect(schoolFor(own, 'sorrel')).toBe('thumb-stop')
    expect(usesIn(own, 'thumb-start').map(u => u.function)).toEqual(['trigger.start', 'meter.lock'])
    expect(usesIn(own, 'thumb-stop').map(u => u.function)).toEqual(['trigger.stop', 'meter.lock'])
    const fleet = bestMaps(own, TWO)
    const functions = (id: string) => fleet.bodies.find(b => b.body.id === id)?.placed.map(p => p.function)
    expect(functions('pebble')).toEqual(['trigger.start', 'meter.lock'])
    expect(functions('sorrel')).toEqual(['trigger.stop', 'meter.lock'])
    expect(fleet.bodies.flatMap(b => b.placed).every(p => p.carry)).toBe(true)
  })

  it('leaves what is asked of all bodies as it was', () => {
    const house = bestMaps(own, TWO).house
    expect(targetsOf({ ...own, house }).map(t => [t.dimension, t.value])).toEqual(
      targetsOf({ ...stop, house }).map(t => [t.dimension, t.value]),
    )
  })

  it('goes back to the team’s school, without what only the other one needed', () => {
    const back = withSchoolOn(own, 'pebble', 'thumb-stop')
    expect(back.schools).toEqual({})
    expect(back.uses.map(u => u.function).sort()).toEqual(stop.uses.map(u => u.function).sort())
    expect(withSchool(own, 'two-thumbs').schools).toEqual({})
  })

  it('keeps the maps of the others, and has that of its own found anew', () => {
    const fleet = bestMaps(stop, TWO)
    const stored = withMaps(stop, storedMaps(fleet), fleet.house)
    expect(withSchoolOn(stored, 'pebble', 'thumb-start').maps.map(m => m.body)).toEqual(['sorrel'])
  })

  it('names a pin of a function that the body’s own school has no use for', () => {
    const pins = [{ body: 'pebble', function: 'trigger.stop', control: 'whelk' }]
    expect(planProblems({ ...own, pins }, TWO)[0]?.words).toContain('pinned on Pebble and not used')
  })

  it('can be kept for every pair of schools', () => {
    for (const a of SCHOOL_IDS)
      for (const b of SCHOOL_IDS) {
        const plan = withSchoolOn(planFor(a), 'sorrel', b)
        expect(bestMaps(plan, inHands('sorrel', 'teasel')).bodies.map(x => x.body.id)).toEqual(['sorrel', 'teasel'])
        expect(withSchoolOn(plan, 'sorrel', a).schools).toEqual({})
      }
  })
})

describe('what the body is set to', () => {
  it('follows its own school, and is still measured against the team’s', () => {
    const { state, outcomes } = resolve(body('pebble'), kept(own))
    const shutter = outcomes.find(o => o.target.dimension === 'trigger.shutter')
    expect(shutter?.target.value).toBe('starts-af')
    expect(shutter?.parts[0]?.got).toBe('meters-only')
    expect(shutter?.held).toBe(false)
    const cast = body('pebble').settings.filter(
      s => s.options.find(o => o.id === state[s.id])?.means['trigger.start'] !== undefined,
    )
    expect(cast).toHaveLength(1)
    const other = resolve(body('sorrel'), kept(own)).outcomes
    expect(other.filter(o => o.target.weight === 'must' && /^trigger/.test(o.target.dimension) && !o.held)).toEqual([])
  })

  it('says why, in words', () => {
    expect(planWords(body('pebble'), kept(own), 'trigger.shutter')).toBe(
      'Pebble takes thumb start here instead of thumb stop: no thumb control takes AF stop while the shutter starts AF.',
    )
    expect(planWords(body('sorrel'), kept(own), 'trigger.shutter')).toBe('')
    expect(planWords(body('sorrel'), kept(own), 'area.pattern')).toBe('')
    expect(planWords(body('sorrel'), base, 'trigger.stop')).toBe('')
  })

  it('goes by a control map away from home, without calling that a conflict of the body', () => {
    const standard = kept(planFor('thumb-start'))
    const plan = standard.controls
    if (!plan) throw new Error('no plan')
    const away: Standard = {
      ...standard,
      layers: standard.layers.map(l => ({
        ...l,
        targets: l.targets.map(t => (t.dimension === 'trigger.start' ? { ...t, tolerance: 0.1 } : t)),
      })),
      controls: { ...plan, maps: [{ body: 'sorrel', at: { 'trigger.start': 'collar' } }] },
    }
    const { outcomes, conflicts } = resolve(body('sorrel'), away)
    expect(outcomes.find(o => o.target.dimension === 'trigger.start')).toMatchObject({ held: false })
    expect(conflicts).toEqual([])
    expect(planWords(body('sorrel'), away, 'trigger.start')).toMatch(
      /^The control map has AF start on Collar; its home/,
    )
    const nearer = explain(body('sorrel'), away, 'trigger.start').alternatives.filter(a => a.distance < 0.1)
    expect(nearer.length).toBeGreaterThan(0)
    for (const a of nearer) expect(whyLostWords(a.lost)).toMatch(/control map has it otherwise|cost more elsewhere/)
  })
})

describe('many functions', () => {
  const many = [
    'area.recall',
    'area.cycle',
    'subject.cycle',
    'see.enlarge',
    'see.outline',
    'range.preset',
    'trigger.manual',
  ].reduce<Plan>((p, f) => ({ ...p, uses: [...p.uses, plannedUse(f)] }), planFor('two-thumbs'))
  const standard = kept(many)

  it('are found on every body, the ones that were not in hand as well', () => {
    for (const profile of demoBodies()) {
      const b = body(profile.id)
      const map = mapOn(standard.controls ?? many, b)
      const { state } = resolve(b, standard)
      const set = Object.entries(map?.at ?? {}).filter(([f, control]) =>
        b.settings.some(s => {
          const value = s.options.find(o => o.id === state[s.id])?.means[f] as { control?: string } | undefined
          return value?.control === control
        }),
      )
      expect(set.map(([f]) => f).sort(), b.model).toEqual(Object.keys(map?.at ?? {}).sort())
    }
  })

  it('are those that were kept, and none before there are house places', () => {
    const plan = standard.controls
    if (!plan) throw new Error('no plan')
    const odd = { body: 'sorrel', at: { 'trigger.start': 'heel' } } as const
    expect(mapOn({ ...plan, maps: [odd] }, body('sorrel'))).toEqual(odd)
    expect(mapOn({ ...plan, maps: [], house: {} }, body('sorrel'))).toBeUndefined()
    expect(mapOn({ ...plan, maps: [] }, body('sorrel'))?.at).not.toEqual(odd.at)
  })

  it('that a map leaves out are not put on a key that is left over', () => {
    const plan = standard.controls
    if (!plan) throw new Error('no plan')
    const bare = { ...standard, controls: { ...plan, maps: [{ body: 'sorrel', at: { 'trigger.start': 'pad-1' } }] } }
    const { state } = resolve(body('sorrel'), bare)
    expect(state['key-pad-1']).toMatch(/^pursue/)
    const recalls = Object.entries(state).filter(([s, o]) => s.startsWith('key-') && o === 'back-to-rest')
    expect(recalls).toEqual([])
    expect(planWords(body('sorrel'), bare, 'area.recall')).toBe(
      'The control map of Sorrel has no place for Recall home.',
    )
  })

  it('are levelled by their maps: the bodies behave on their cards as the slider said', () => {
    const fleet = ['sorrel', 'teasel', 'linnet'].map(id => ({ body: body(id), firmware: body(id).firmware.to }))
    const problem = fleetProblem(fleet, standard)
    const levelled = levelFleet(problem, 300)
    fleet.forEach(({ body: b }, i) => {
      const off = resolve(b, standard, { level: asLevel(problem, levelled) ?? null }).outcomes.map(o => o.distance)
      const said = problem.dimensions.map((d, k) => (d.right[levelled.behaviours[i]?.[k] ?? -1] ?? 0) / 1e6)
      expect(off, b.model).toEqual(said)
    })
  })
})
