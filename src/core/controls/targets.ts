import type { Body } from '../bodies'
import type { Standard, Target } from '../standards'
import { withoutTarget, withTarget } from '../standards/edit'
import type { PlaceAssignment } from '../vocabulary/values'
import { FUNCTION_IDS } from './functions'
import { type Plan, schoolFor, usesIn } from './plan'
import { type SchoolId, SCHOOLS } from './schools'

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

/** A target with its function on the control where the map of a body has it; as it is where the map says nothing. */
export const onItsControl = <T extends Target>(plan: Plan, body: Pick<Body, 'id' | 'controls'>, target: T): T => {
  const id = plan.maps.find(m => m.body === body.id)?.at[target.dimension]
  const control = body.controls.find(c => c.id === id)
  return control ? { ...target, value: { ...(target.value as PlaceAssignment), place: control.place } } : target
}

/** What is sought on a body that takes another school than the plan; undefined where it goes with the plan. */
export const ownSchoolOf = (
  plan: Plan,
  body: Pick<Body, 'id' | 'controls'>,
): { readonly school: SchoolId; readonly targets: readonly Target[] } | undefined => {
  const school = schoolFor(plan, body.id)
  if (school === plan.school) return undefined
  return { school, targets: asksOf(plan, school).map(t => onItsControl(plan, body, t)) }
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
