import type { Body } from '../bodies'
import { gapOf } from '../numeric/gap'
import { type Place, PLACE_IDS } from '../vocabulary/places'
import { type Placement, schoolOnBody, type SchoolOnBody } from './abilities'
import { FORBIDDEN } from '../numeric/assignment'
import { type FleetBody, cellsOf, EASY_PRESS, slideDistance } from './cells'
import type { FunctionId } from '../functions/functions'
import { type BodyProblem, LEFT_OUT, type MapProblem } from './map-problem'
import type { Plan, StoredMap } from '../functions/plan'
import { planProblems } from './plan-problems'
import { solve } from './solve'

/** A slide across the whole hand against one press of the easiest button. */
const SLIDING = 0.5
/** Being away from home, of weight one, in hundredths of an easy press an hour. */
const AWAY = 4000
const OUT = 40_000

/** The parts of what a function costs where it is, in easy presses an hour. */
export interface CostParts {
  readonly effort: number
  /** It brings another area or subject than wanted. */
  readonly binding: number
  readonly relearning: number
  readonly away: number
  readonly leftOut: number
}

/** A plan on bodies as a problem in numbers, with what each cell stands for. */
export const mapProblemOf = (plan: Plan, bodies: readonly FleetBody[]) => {
  const cells = bodies.map(b => cellsOf(plan, b))
  const problem: MapProblem = {
    functions: plan.uses.length,
    places: PLACE_IDS.length,
    slides: plan.slides.flatMap(s => {
      const from = plan.uses.findIndex(u => u.function === s.from)
      const to = plan.uses.findIndex(u => u.function === s.to)
      const often = Math.min(plan.uses[from]?.perHour ?? 0, plan.uses[to]?.perHour ?? 0)
      return from < 0 || to < 0 || from === to ? [] : [{ from, to, weight: Math.round(often * SLIDING * 10) }]
    }),
    bodies: bodies.map(({ body, weight }, b): BodyProblem => {
      const pins = plan.pins.filter(p => p.body === body.id)
      return {
        place: body.controls.map(c => PLACE_IDS.indexOf(c.place)),
        cost: plan.uses.map(use => {
          const pin = pins.find(p => p.function === use.function)
          return body.controls.map(control => {
            const cell = cells[b]?.get(use.function)?.get(control.id)
            if (!cell || (pin && pin.control !== control.id)) return FORBIDDEN
            return cell.effort + cell.binding + cell.relearning
          })
        }),
        leftOut: plan.uses.map(use => {
          if (pins.some(p => p.function === use.function)) return FORBIDDEN
          return cells[b]?.has(use.function) ? OUT + use.perHour * EASY_PRESS * 10 : 0
        }),
        away: plan.uses.map(() => Math.round(AWAY * plan.consistency * weight)),
        distance: body.controls.map(x => body.controls.map(y => Math.round(10 * slideDistance(x, y)))),
      }
    }),
  }
  return { problem, cells }
}

/** One function on one body, as it came out. */
export interface Placed {
  readonly function: FunctionId
  /** Its place in the plan, the same on every body. */
  readonly number: number
  /** Undefined where it is left out. */
  readonly carry: Placement | undefined
  readonly isHome: boolean
  readonly isPinned: boolean
  /** It was somewhere else before. */
  readonly movedFrom: string | undefined
  readonly parts: CostParts
}

export interface MappedBody {
  readonly body: Body
  /** The plan's school on this body, or the nearest it can carry. */
  readonly school: SchoolOnBody
  /** What its school asks of it, in the plan's order. */
  readonly placed: readonly Placed[]
  /** Sliding between functions that follow each other, in easy presses an hour. */
  readonly sliding: number
  readonly cost: number
}

export interface FleetMap {
  /** The house place of each function. */
  readonly house: Readonly<Record<FunctionId, Place>>
  readonly bodies: readonly MappedBody[]
  readonly cost: number
  /** How far the cost may be above the best possible around the pins, as a share; undefined where nobody asked. */
  readonly gap: number | undefined
}

const inPresses = (hundredths: number): number => hundredths / EASY_PRESS

/** What given maps cost: for each function the parts, and where it is away from home. */
export const weighMaps = (
  plan: Plan,
  bodies: readonly FleetBody[],
  maps: readonly StoredMap[],
  house: Readonly<Record<FunctionId, Place>> = plan.house,
): FleetMap => {
  const { problem, cells } = mapProblemOf({ ...plan, pins: [] }, bodies)
  const mapped = bodies.map((inHands, b): MappedBody => {
    const { body, today } = inHands
    const at = maps.find(m => m.body === body.id)?.at ?? {}
    const numbers = problem.bodies[b]
    const controlOf = (f: FunctionId) => body.controls.findIndex(c => c.id === at[f] && cells[b]?.get(f)?.has(c.id))
    const placed = plan.uses.flatMap((use, f): readonly Placed[] => {
      const ways = cells[b]?.get(use.function)
      if (!ways) return []
      const cell = ways.get(at[use.function] ?? '')
      const control = body.controls.find(c => c.id === cell?.carry.control)
      const isHome = control !== undefined && control.place === house[use.function]
      const parts = {
        effort: inPresses(cell?.effort ?? 0),
        binding: inPresses(cell?.binding ?? 0),
        relearning: inPresses(cell?.relearning ?? 0),
        away: control && !isHome ? inPresses(numbers?.away[f] ?? 0) : 0,
        leftOut: cell ? 0 : inPresses(numbers?.leftOut[f] ?? 0),
      }
      const isPinned = plan.pins.some(p => p.body === body.id && p.function === use.function)
      const movedFrom = cell && cell.relearning > 0 ? today[use.function] : undefined
      return [{ function: use.function, number: f + 1, carry: cell?.carry, isHome, isPinned, movedFrom, parts }]
    })
    const sliding = inPresses(
      problem.slides.reduce((sum, s) => {
        const from = controlOf(plan.uses[s.from]?.function ?? '')
        const to = controlOf(plan.uses[s.to]?.function ?? '')
        // What is left out is nowhere, and nothing slides there.
        return sum + s.weight * (numbers?.distance[from]?.[to] ?? 0)
      }, 0),
    )
    const cost = placed.reduce(
      (sum, { parts: p }) => sum + p.effort + p.binding + p.relearning + p.away + p.leftOut,
      sliding,
    )
    return { body, school: schoolOnBody(body, plan.school), placed, sliding, cost }
  })
  return { house, bodies: mapped, cost: mapped.reduce((sum, m) => sum + m.cost, 0), gap: undefined }
}

/**
 * The best maps for a fleet around its pins.
 *
 * @param bodies each at the firmware that runs
 * @throws RangeError where the plan has problems, see `planProblems`
 */
export const bestMaps = (plan: Plan, bodies: readonly FleetBody[]): FleetMap => {
  const [first] = planProblems(plan, bodies)
  if (first) throw new RangeError(first.words)
  const { problem } = mapProblemOf(plan, bodies)
  const solved = solve(problem)
  const maps = bodies.map(({ body }, b) => ({
    body: body.id,
    at: Object.fromEntries(
      plan.uses.flatMap((use, f) => {
        // Of what is left out there is none.
        const found = body.controls[solved.maps[b]?.[f] ?? LEFT_OUT]
        return found ? [[use.function, found.id]] : []
      }),
    ),
  }))
  const house = Object.fromEntries(
    plan.uses.map((use, f) => [use.function, PLACE_IDS[solved.house[f] ?? 0] ?? 'thumb-upper-right']),
  )
  return { ...weighMaps(plan, bodies, maps, house), gap: gapOf(solved) }
}

/** The maps of a fleet as they are stored with a plan. */
export const storedMaps = (fleet: FleetMap): readonly StoredMap[] =>
  fleet.bodies.map(({ body, placed }) => ({
    body: body.id,
    at: Object.fromEntries(placed.flatMap(p => (p.carry ? [[p.function, p.carry.control]] : []))),
  }))
