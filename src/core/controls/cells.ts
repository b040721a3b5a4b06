import type { Body, Control } from '../bodies'
import { type Finger, type Place, placeDistance, PLACES } from '../vocabulary/places'
import { bindingDistance, type Placement, placementsWith } from './abilities'
import type { FunctionId } from '../functions/functions'
import { type Plan, type PlannedUse, schoolFor, usesIn } from '../functions/plan'
import { SCHOOLS } from '../functions/schools'

/** What the hand pays for each function on each control, and what it cannot do at all. */

/** A body in the hands of a team. */
export interface FleetBody {
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
/** Having moved against today, of weight one, in hundredths of an easy press an hour. */
const MOVED = 2000
/** What each use costs with an area or subject that is another thing altogether, in easy presses. */
const OTHER_AREA = 3

/** One function on one control. */
export interface Cell {
  readonly carry: Placement
  readonly effort: number
  readonly binding: number
  readonly relearning: number
}

/** Costs are whole hundredths of an easy press. */
export const EASY_PRESS = 100

const finger = (control: Control): Finger => PLACES[control.place].finger

const effortOf = (plan: Plan, use: PlannedUse, control: Control, carry: Placement): number => {
  const held = carry.press === 'held'
  const hand = plan.hand === 'left' && finger(control) === 'left' ? BETTER_HAND : 1
  const each = held ? 1 + HOLDING * use.secondsEach : use.secondsEach > 0 ? 2 : 1
  return Math.round(use.perHour * EFFORT[control.place] * hand * each)
}

/** Whether a hand can use a function so. */
export const canBeUsed = (plan: Plan, use: PlannedUse, control: Control, carry: Placement): boolean => {
  if (use.withIndexOnShutter && PLACES[control.place].reach !== 'index-on-shutter') return false
  if (carry.press === 'toggled' || use.secondsEach === 0) return true
  if (!control.holdable) return false
  return !plan.limits.some(l => l.finger === finger(control) && use.secondsEach > l.seconds)
}

/** Every way to use what a body's school asks of it; what it does not ask has no entry. */
export const cellsOf = (plan: Plan, { body, today }: FleetBody): ReadonlyMap<FunctionId, ReadonlyMap<string, Cell>> => {
  const school = schoolFor(plan, body.id)
  const carries = placementsWith(body, SCHOOLS[school].shutter)
  return new Map(
    usesIn(plan, school).map(use => {
      const need = SCHOOLS[school].needs.find(n => n.function === use.function) ?? { function: use.function }
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
export const slideDistance = (a: Control, b: Control): number => {
  if (a.id === b.id) return 0
  const byPlace = placeDistance(a.place, b.place)
  const drawn = a.at.view === b.at.view ? Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y) : 1
  return finger(a) === finger(b) ? Math.min(1, Math.max(byPlace, drawn)) : 1
}
