import type { Body, Control } from '../bodies'
import { dimension } from '../vocabulary/dimensions'
import { type Finger, type Place, PLACE_IDS, placeDistance, PLACES } from '../vocabulary/places'
import { type Carry, bindingDistance, carriesWith, schoolOnBody, type SchoolOnBody } from './abilities'
import { FORBIDDEN } from './assignment'
import type { FunctionId } from './functions'
import { type BodyProblem, LEFT_OUT, type MapProblem } from './map-problem'
import type { Pin, Plan, PlannedUse, StoredMap } from './plan'
import { SCHOOLS } from './schools'
import { gapOf, solve } from './solve'

/** A body in the hands of a team. */
export interface BodyInHands {
  /** At the firmware that runs. */
  readonly body: Body
  /** How much it counts that it is like the others: who carries it beside another one. */
  readonly weight: number
  /** Where its functions are today. */
  readonly today: Readonly<Record<FunctionId, string>>
}

/**
 * What a press costs in each place, in hundredths of the easiest thumb button.
 *
 * @source common practice, no published source
 */
const EFFORT: Readonly<Record<Place, number>> = {
  shutter: 100,
  'thumb-upper-right': 100,
  'thumb-centre': 120,
  'thumb-lower': 160,
  'index-front': 150,
  'ring-finger-front': 180,
  'top-plate': 240,
  lens: 220,
  'left-hand': 320,
}
/** A left-handed shooter works the lens and the left side with the better hand. */
const BETTER_HAND = 0.7
/** What each second of holding adds to a press, as a share of it. */
const HOLDING = 0.15
/** A slide across the whole hand against one press of the easiest button. */
const SLIDING = 0.5
/** Weights of one, in hundredths of an easy press an hour. */
const AWAY = 4000
const MOVED = 2000
const OTHER_AREA = 3
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

/** One function on one control. */
interface Cell {
  readonly carry: Carry
  readonly effort: number
  readonly binding: number
  readonly relearning: number
}

const EASY_PRESS = 100

const finger = (control: Control): Finger => PLACES[control.place].finger

const effortOf = (plan: Plan, use: PlannedUse, control: Control, carry: Carry): number => {
  const held = carry.press === 'held'
  const hand = plan.hand === 'left' && finger(control) === 'left' ? BETTER_HAND : 1
  const each = held ? 1 + HOLDING * use.secondsEach : use.secondsEach > 0 ? 2 : 1
  return Math.round(use.perHour * EFFORT[control.place] * hand * each)
}

/** Whether a hand can use a function so. */
const canBeUsed = (plan: Plan, use: PlannedUse, control: Control, carry: Carry): boolean => {
  if (use.withIndexOnShutter && PLACES[control.place].reach !== 'index-on-shutter') return false
  if (carry.press === 'toggled' || use.secondsEach === 0) return true
  if (!control.holdable) return false
  return !plan.limits.some(l => l.finger === finger(control) && use.secondsEach > l.seconds)
}

const cellsOf = (plan: Plan, { body, today }: BodyInHands): ReadonlyMap<FunctionId, ReadonlyMap<string, Cell>> => {
  const carries = carriesWith(body, SCHOOLS[plan.school].shutter)
  return new Map(
    plan.uses.map(use => {
      const need = SCHOOLS[plan.school].needs.find(n => n.function === use.function) ?? { function: use.function }
      const cells = new Map<string, Cell>()
      for (const carry of carries) {
        const control = body.controls.find(c => c.id === carry.control)
        if (carry.function !== use.function || !control || !canBeUsed(plan, use, control, carry)) continue
        const moved = today[use.function] !== undefined && today[use.function] !== control.id
        const cell: Cell = {
          carry,
          effort: effortOf(plan, use, control, carry),
          binding: Math.round(use.perHour * EASY_PRESS * OTHER_AREA * bindingDistance(carry, need)),
          relearning: moved ? Math.round(MOVED * plan.relearning) : 0,
        }
        const before = cells.get(control.id)
        if (!before || cell.effort + cell.binding < before.effort + before.binding) cells.set(control.id, cell)
      }
      return [use.function, cells]
    }),
  )
}

/** How far a finger slides between two controls of a body, 0 to 1, as drawn and as the hand lies. */
const slideDistance = (a: Control, b: Control): number => {
  if (a.id === b.id) return 0
  const byPlace = placeDistance(a.place, b.place)
  const drawn = a.at.view === b.at.view ? Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y) : 1
  return finger(a) === finger(b) ? Math.min(1, Math.max(byPlace, drawn)) : 1
}

/** A wish that contradicts itself or a body, in words, with what to do. */
export interface PlanProblem {
  readonly body: string | undefined
  readonly words: string
}

/** Pins that cannot be kept, each with the reason. */
export const planProblems = (plan: Plan, bodies: readonly BodyInHands[]): readonly PlanProblem[] => {
  const problems: PlanProblem[] = []
  const tell = (body: Body | undefined, words: string) => problems.push({ body: body?.id, words })
  for (const { body } of bodies) {
    const pins = plan.pins.filter(p => p.body === body.id)
    const carries = carriesWith(body, SCHOOLS[plan.school].shutter)
    const seen = new Map<string, Pin>()
    const placed = new Map<FunctionId, Pin>()
    for (const pin of pins) {
      const label = dimension(pin.function).label
      const control = body.controls.find(c => c.id === pin.control)
      if (!control) {
        tell(body, `${body.model} has no control “${pin.control}” any more; take the pin of ${label} out.`)
        continue
      }
      const use = plan.uses.find(u => u.function === pin.function)
      if (!use) tell(body, `${label} is pinned on ${body.model} and not used; use it, or take the pin out.`)
      const ways = carries.filter(c => c.function === pin.function && c.control === pin.control)
      if (!ways.length) tell(body, `${control.label} of ${body.model} cannot take ${label}; pin it somewhere else.`)
      else if (use && !ways.some(c => canBeUsed(plan, use, control, c)))
        tell(
          body,
          `${label} cannot be used on ${control.label} of ${body.model} as the hand has to; say so, or pin it elsewhere.`,
        )
      const other = seen.get(pin.control)
      if (other)
        tell(
          body,
          `${control.label} of ${body.model} is pinned twice, for ${dimension(other.function).label} and ${label}; take one out.`,
        )
      const twin = placed.get(pin.function)
      if (twin) tell(body, `${label} is pinned to two controls of ${body.model}; take one out.`)
      seen.set(pin.control, pin)
      placed.set(pin.function, pin)
    }
  }
  for (const pin of plan.pins)
    if (!bodies.some(b => b.body.id === pin.body))
      tell(undefined, `A pin is for “${pin.body}”, which is not in hand; take it out, or take the body in hand.`)
  return problems
}

/** A plan on bodies as a problem in numbers, with what each cell stands for. */
export const mapProblemOf = (plan: Plan, bodies: readonly BodyInHands[]) => {
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
        leftOut: plan.uses.map(use =>
          pins.some(p => p.function === use.function) ? FORBIDDEN : OUT + use.perHour * EASY_PRESS * 10,
        ),
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
  /** Undefined where it is left out. */
  readonly carry: Carry | undefined
  readonly isHome: boolean
  readonly isPinned: boolean
  /** It was somewhere else before. */
  readonly movedFrom: string | undefined
  readonly parts: CostParts
}

export interface MappedBody {
  readonly body: Body
  readonly school: SchoolOnBody
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
  bodies: readonly BodyInHands[],
  maps: readonly StoredMap[],
  house: Readonly<Record<FunctionId, Place>> = plan.house,
): FleetMap => {
  const { problem, cells } = mapProblemOf({ ...plan, pins: [] }, bodies)
  const mapped = bodies.map((inHands, b): MappedBody => {
    const { body, today } = inHands
    const at = maps.find(m => m.body === body.id)?.at ?? {}
    const numbers = problem.bodies[b]
    const controlOf = (f: FunctionId) => body.controls.findIndex(c => c.id === at[f] && cells[b]?.get(f)?.has(c.id))
    const placed = plan.uses.map((use, f): Placed => {
      const cell = cells[b]?.get(use.function)?.get(at[use.function] ?? '')
      const control = body.controls.find(c => c.id === cell?.carry.control)
      const isHome = control !== undefined && control.place === house[use.function]
      return {
        function: use.function,
        carry: cell?.carry,
        isHome,
        isPinned: plan.pins.some(p => p.body === body.id && p.function === use.function),
        movedFrom: cell && cell.relearning > 0 ? today[use.function] : undefined,
        parts: {
          effort: inPresses(cell?.effort ?? 0),
          binding: inPresses(cell?.binding ?? 0),
          relearning: inPresses(cell?.relearning ?? 0),
          away: control && !isHome ? inPresses(numbers?.away[f] ?? 0) : 0,
          leftOut: cell ? 0 : inPresses(numbers?.leftOut[f] ?? 0),
        },
      }
    })
    const sliding = inPresses(
      problem.slides.reduce((sum, s) => {
        const from = controlOf(plan.uses[s.from]?.function ?? '')
        const to = controlOf(plan.uses[s.to]?.function ?? '')
        return from < 0 || to < 0 ? sum : sum + s.weight * (numbers?.distance[from]?.[to] ?? 0)
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
export const bestMaps = (plan: Plan, bodies: readonly BodyInHands[], seed = 1): FleetMap => {
  const [first] = planProblems(plan, bodies)
  if (first) throw new RangeError(first.words)
  const { problem } = mapProblemOf(plan, bodies)
  const solved = solve(problem, { seed })
  const maps = bodies.map(({ body }, b) => ({
    body: body.id,
    at: Object.fromEntries(
      plan.uses.flatMap((use, f) => {
        const control = solved.maps[b]?.[f] ?? LEFT_OUT
        const found = body.controls[control]
        return control === LEFT_OUT || !found ? [] : [[use.function, found.id]]
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
