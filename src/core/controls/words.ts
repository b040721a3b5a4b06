import type { Body } from '../bodies'
import type { Standard } from '../standards'
import { dimension } from '../vocabulary/dimensions'
import { PLACES } from '../vocabulary/places'
import { whyNot } from './abilities'
import { mapOn } from './map-on'
import { schoolFor } from '../functions/plan'
import { SCHOOLS } from '../functions/schools'

/** What the plan for the fingers has to do with a target on a body; empty where it has nothing to do with it. */
export const planWords = (body: Body, { controls: plan }: Standard, dimensionId: string): string => {
  if (!plan) return ''
  const { label, kind } = dimension(dimensionId)
  const said: string[] = []
  const own = schoolFor(plan, body.id)
  const isAboutSchool =
    dimensionId === 'trigger.shutter' || SCHOOLS[plan.school].needs.some(n => n.function === dimensionId)
  if (own !== plan.school && isAboutSchool) {
    const reasons = whyNot(body, plan.school)
    said.push(
      `${body.model} takes ${SCHOOLS[own].label} here instead of ${SCHOOLS[plan.school].label}${reasons.length ? `: ${reasons.join('; ')}` : ''}.`,
    )
  }
  if (kind !== 'assign') return said.join(' ')
  const map = mapOn(plan, body)
  const control = body.controls.find(c => c.id === map?.at[dimensionId])
  const home = plan.house[dimensionId]
  if (map && !control) said.push(`The control map of ${body.model} has no place for ${label}.`)
  if (control && home)
    said.push(
      control.place === home
        ? `The control map has ${label} on ${control.label}, its home place on every body.`
        : `The control map has ${label} on ${control.label}; its home place is ${PLACES[home].label}.`,
    )
  return said.join(' ')
}
