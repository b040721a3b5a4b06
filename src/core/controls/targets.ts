import type { Body } from '../bodies'
import type { Standard, Target } from '../standards'
import { withoutTarget, withTarget } from '../standards/edit'
import type { PlaceAssignment } from '../vocabulary/values'
import { FUNCTION_IDS } from '../functions/functions'
import { mapOn } from './map-on'
import { type Plan, schoolFor, type StoredMap, usesIn } from '../functions/plan'
import { type SchoolId, SCHOOLS } from '../functions/schools'

/**
 * What a school of a plan asks of a body: what the shutter does, and each function in its house place. What a school
 * cannot do without is a must.
 */
const asksOf = (plan: Plan, schoolId: SchoolId): readonly Target[] => {
  const { house } = plan
  const school = SCHOOLS[schoolId]
  const shutter: Target = {
    dimension: 'trigger.shutter',
    value: school.shutter,
    weight: 'must',
    reason: school.about,
    school: school.label,
  }
  return [
    shutter,
    ...usesIn(plan, schoolId).flatMap((use): Target[] => {
      const place = house[use.function]
      if (!place) return []
      const need = school.needs.find(n => n.function === use.function)
      const value: PlaceAssignment = {
        place,
        ...(need?.area ? { area: need.area } : {}),
        ...(need?.subject ? { subject: need.subject } : {}),
        ...(use.secondsEach > 0 ? { press: 'held' as const } : {}),
      }
      return [
        {
          dimension: use.function,
          value,
          weight: need && !need.area ? 'must' : 'should',
          reason: need ? school.about : 'The same place on every body, so that nobody has to look.',
          school: school.label,
        },
      ]
    }),
  ]
}

/** What a plan asks of every body. */
export const targetsOf = (plan: Plan): readonly Target[] => asksOf(plan, plan.school)

/** A target with its function on the control where a map has it. */
const onItsControl = <T extends Target>(map: StoredMap, body: Body, target: T): T => {
  const control = body.controls.find(c => c.id === map.at[target.dimension])
  return control ? { ...target, value: { ...(target.value as PlaceAssignment), place: control.place } } : target
}

/**
 * What is sought on a body in place of the targets a plan settles: each function where the body's map has it, nothing
 * for one that is left out, and what its own school asks where it takes another one than the plan.
 *
 * @returns undefined while the plan has no maps
 */
export const soughtOn = <T extends Target>(
  plan: Plan,
  body: Body,
  targets: readonly T[],
): { readonly map: StoredMap; readonly targets: readonly Target[] } | undefined => {
  const map = mapOn(plan, body)
  if (!map) return undefined
  const school = schoolFor(plan, body.id)
  const isSought = (t: Target) => t.dimension === 'trigger.shutter' || map.at[t.dimension] !== undefined
  if (school === plan.school) return { map, targets: targets.filter(isSought).map(t => onItsControl(map, body, t)) }
  // A function that only its own school needs may have no house place yet.
  const places = body.controls.flatMap(c =>
    Object.entries(map.at).flatMap(([f, id]) => (id === c.id ? [[f, c.place] as const] : [])),
  )
  const asked = asksOf({ ...plan, house: { ...Object.fromEntries(places), ...plan.house } }, school)
  return { map, targets: asked.filter(isSought).map(t => onItsControl(map, body, t)) }
}

/**
 * Keeps a plan in a standard, with the targets that follow from it in one of its layers. What the layer said of other
 * functions before is taken out: the hand cannot do both.
 */
export const withPlan = (standard: Standard, layerId: string, plan: Plan): Standard => {
  const before = standard.layers.find(l => l.id === layerId)?.targets ?? []
  const cleared = before
    .filter(t => FUNCTION_IDS.includes(t.dimension))
    .reduce((s, t) => withoutTarget(s, layerId, t.dimension), standard)
  return targetsOf(plan).reduce<Standard>(
    (s, target) => {
      const relaxes = before.find(t => t.dimension === target.dimension)?.relaxes
      return withTarget(s, layerId, { ...target, ...(relaxes ? { relaxes } : {}) })
    },
    { ...cleared, controls: plan },
  )
}
