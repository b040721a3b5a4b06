import type { Standard, Target } from '../standards'
import { withoutTarget, withTarget } from '../standards/edit'
import type { PlaceAssignment } from '../vocabulary/values'
import { FUNCTION_IDS } from './functions'
import type { Plan } from './plan'
import { SCHOOLS } from './schools'

/**
 * What a plan asks of every body: what the shutter does, and each function in its house place. What a school cannot do
 * without is a must.
 */
export const targetsOf = (plan: Plan): readonly Target[] => {
  const { house } = plan
  const school = SCHOOLS[plan.school]
  const shutter: Target = {
    dimension: 'trigger.shutter',
    value: school.shutter,
    weight: 'must',
    reason: school.about,
    school: school.label,
  }
  return [
    shutter,
    ...plan.uses.flatMap((use): Target[] => {
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
