import type { Body } from '../bodies'
import { type Placement, placementsWith } from './abilities'
import type { FunctionId } from '../functions/functions'
import { type Plan, schoolFor, type StoredMap } from '../functions/plan'
import { SCHOOLS } from '../functions/schools'

/** The ways a body can carry a function while the shutter does what its school in the plan wants. */
export const waysOf = (plan: Pick<Plan, 'school' | 'schools'>, body: Body, f: FunctionId): readonly Placement[] =>
  placementsWith(body, SCHOOLS[schoolFor(plan, body.id)].shutter).filter(c => c.function === f)

/**
 * Moves a function by hand. One that is there already changes places with it where it can, and is left out otherwise.
 *
 * @param control undefined to leave the function out
 */
export const movedTo = (
  plan: Pick<Plan, 'school' | 'schools'>,
  body: Body,
  map: StoredMap,
  f: FunctionId,
  control: string | undefined,
): StoredMap => {
  const was = map.at[f]
  const rest = Object.entries(map.at).flatMap(([other, at]) => {
    if (other === f) return []
    if (at !== control) return [[other, at]]
    return was && waysOf(plan, body, other).some(c => c.control === was) ? [[other, was]] : []
  })
  return { body: map.body, at: Object.fromEntries(control ? [...rest, [f, control]] : rest) as StoredMap['at'] }
}
