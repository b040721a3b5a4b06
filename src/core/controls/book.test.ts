import { describe, it } from 'vitest'
import { expectBook, sure } from '../../../test/fixtures/book'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, factoryState } from '../bodies'
import { dimension } from '../vocabulary/dimensions'
import { FUNCTION_IDS } from '../functions/functions'
import { type Plan, planFor, sessionOf, withMaps, withoutFunction, withPin, withSchoolOn } from '../functions/plan'
import { SCHOOL_IDS } from '../functions/schools'
import { ownLayers } from '../standards'
import { placementsOf, schoolOnBody, whyNot } from './abilities'
import type { FleetBody } from './cells'
import { bestMaps, type FleetMap, storedMaps, weighMaps } from './fleet'
import { isHigh, thumbLoad } from './load'
import { mapOn } from './map-on'
import { movedTo, waysOf } from './moves'
import { planProblems } from './plan-problems'
import { targetsOf, withPlan } from './targets'
import { todayOf } from './today'
import { planWords } from './words'

/** What each body of the demo can carry, and the maps of a fleet under every school. */

const newest = demoBodies().map(b => bodyAt(b, b.firmware.to))
const ids = ['sorrel', 'tollgate', 'linnet', 'pebble', 'wicket']
const bodies = ids.map(id => sure(newest.find(b => b.id === id)))
const fleet: readonly FleetBody[] = bodies.map((body, i) => ({
  body,
  weight: i === 1 ? 2 : 1,
  today: todayOf(body, factoryState(body)),
}))
const n = (x: number | undefined): string => (x === undefined ? '' : String(Number(x.toFixed(3))))

const costs = ({ effort, binding, relearning, away, leftOut }: FleetMap['bodies'][0]['placed'][0]['parts']): string =>
  Object.entries<number>({ effort, binding, relearning, away, leftOut })
    .map(([what, x]) => `${what} ${n(x)}`)
    .join(', ')

const told = ({ house, bodies: mapped, cost, gap }: FleetMap): readonly string[] => [
  `cost ${n(cost)}, gap ${n(gap)}, ${JSON.stringify(house)}`,
  ...mapped.flatMap(m => [
    `${m.body.model} ${m.school.school}, sliding ${n(m.sliding)}, ${n(m.cost)}`,
    ...m.placed.map(
      p =>
        `  ${p.number} ${p.function}: ${p.carry?.control ?? 'nowhere'} ${p.carry?.press ?? ''}${p.isHome ? ', home' : ''}${p.isPinned ? ', pinned' : ''}${p.movedFrom ? `, from ${p.movedFrom}` : ''}; ${costs(p.parts)}`,
    ),
  ]),
]

describe('the book of controls', () => {
  it('says what each body can carry, and why not', () =>
    expectBook(
      'abilities',
      newest.flatMap((b: Body) => [
        `# ${b.model}`,
        ...SCHOOL_IDS.map(s => `${s}: ${JSON.stringify(schoolOnBody(b, s))} ${whyNot(b, s).join('; ')}`),
        ...placementsOf(b).map(p => `${p.function} ${p.control} ${p.press} ${p.setting} ${p.option}`),
        ...FUNCTION_IDS.map(
          f =>
            `${f}: ${waysOf({ school: 'thumb-start', schools: {} }, b, f)
              .map(w => w.control)
              .join(', ')}`,
        ),
      ]),
    ))

  it('gives the maps of a fleet under every school, with pins, without a function, and by hand', () => {
    const plans: readonly (readonly [string, Plan])[] = [
      ...(['thumb-start', 'two-thumbs'] as const).map(s => [s, planFor(s)] as const),
      ['pinned', withPin(planFor('thumb-start'), 'sorrel', 'trigger.start', 'pad-2')],
      ['without', withoutFunction(planFor('thumb-start'), 'meter.lock')],
      ['another school', withSchoolOn(planFor('thumb-stop'), 'pebble', 'thumb-start')],
    ]
    return expectBook(
      'maps',
      plans.flatMap(([what, plan]) => {
        const problems = planProblems(plan, fleet)
        if (problems.length) return [`# ${what}`, ...problems.map(p => p.words)]
        const best = bestMaps(plan, fleet)
        const kept = withMaps(plan, storedMaps(best), best.house)
        const moved = movedTo(plan, sure(bodies[0]), sure(storedMaps(best)[0]), 'trigger.start', 'pad-2')
        const standard = sure(demoStandards().find(s => s.id === 'high-rope'))
        const mine = withPlan(standard, sure(ownLayers(standard)[0]).id, kept)
        return [
          `# ${what}`,
          ...told(best),
          '- by hand',
          ...told(weighMaps(kept, fleet, [moved, ...storedMaps(best).slice(1)])),
          '- asks',
          ...targetsOf(kept).map(t => JSON.stringify(t)),
          ...newest
            .slice(0, 5)
            .flatMap(b =>
              FUNCTION_IDS.flatMap(f => planWords(b, mine, f) || []).concat(JSON.stringify(mapOn(kept, b)?.at)),
            ),
        ]
      }),
    )
  })

  it('counts the minutes of a thumb', () =>
    expectBook(
      'thumbs',
      SCHOOL_IDS.flatMap(school => {
        const plan = planFor(school)
        return [
          sessionOf(plan, 'nobody'),
          { ...sessionOf(plan, 'nobody'), followingShare: 0.9, longestLockSeconds: 80 },
        ].map(s => {
          const load = thumbLoad(school, s)
          return `${school}: ${JSON.stringify(load)} ${isHigh(load)}`
        })
      }).concat(FUNCTION_IDS.map(f => dimension(f).label)),
    ))
})
