import type { Body } from '../bodies'
import { PLACE_IDS } from '../vocabulary/places'
import { bestOnBody } from './best-on-body'
import { type FleetBody } from './cells'
import { mapProblemOf } from './fleet'
import { LEFT_OUT } from './map-problem'
import type { Plan, StoredMap } from '../functions/plan'
import { planProblems } from './plan-problems'

/** Plans and bodies never change, so that a body that joined is mapped once. */
const joined = new WeakMap<Plan, WeakMap<Body, StoredMap>>()

/**
 * The map of a body under a plan: the one that was kept, else the best for the plan's house places.
 *
 * @param body at the firmware that runs
 * @returns undefined while the plan has no house places: nothing was kept yet
 */
export const mapOn = (plan: Plan, body: Body): StoredMap | undefined => {
  const kept = plan.maps.find(m => m.body === body.id)
  if (kept || Object.keys(plan.house).length === 0) return kept
  const known = joined.get(plan) ?? new WeakMap<Body, StoredMap>()
  joined.set(plan, known)
  const map = known.get(body) ?? bestAtHome(plan, body)
  known.set(body, map)
  return map
}

const bestAtHome = (plan: Plan, body: Body): StoredMap => {
  const inHands: readonly FleetBody[] = [{ body, weight: 1, today: {} }]
  const pins = planProblems(plan, inHands).length ? [] : plan.pins
  const { problem } = mapProblemOf({ ...plan, pins }, inHands)
  const [numbers] = problem.bodies
  if (!numbers) return { body: body.id, at: {} }
  const { places, slides } = problem
  const extra = new Float64Array(plan.uses.length * places)
  plan.uses.forEach((use, f) => {
    const home = plan.house[use.function]
    if (!home) return
    extra.fill(numbers.away[f] ?? 0, f * places, (f + 1) * places)
    extra[f * places + PLACE_IDS.indexOf(home)] = 0
  })
  const { map } = bestOnBody(numbers, slides, places, extra)
  const at = plan.uses.flatMap((use, f) => {
    const control = body.controls[map[f] ?? LEFT_OUT]
    return control ? [[use.function, control.id]] : []
  })
  return { body: body.id, at: Object.fromEntries(at) as StoredMap['at'] }
}
