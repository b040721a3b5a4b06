import type { Body } from '../bodies'
import { dimension } from '../vocabulary/dimensions'
import { type FleetBody, canBeUsed } from './cells'
import type { FunctionId } from '../functions/functions'
import { waysOf } from './moves'
import { type Pin, type Plan, schoolFor, usesIn } from '../functions/plan'

/** A wish that contradicts itself or a body, in words, with what to do. */
export interface PlanProblem {
  readonly body: string
  readonly words: string
}

/** Pins that cannot be kept, each with the reason. Those of bodies that are not in hand rest. */
export const planProblems = (plan: Plan, bodies: readonly FleetBody[]): readonly PlanProblem[] => {
  const problems: PlanProblem[] = []
  const tell = (body: Body, words: string) => problems.push({ body: body.id, words })
  for (const { body } of bodies) {
    const pins = plan.pins.filter(p => p.body === body.id)
    const seen = new Map<string, Pin>()
    const placed = new Map<FunctionId, Pin>()
    for (const pin of pins) {
      const label = dimension(pin.function).label
      const control = body.controls.find(c => c.id === pin.control)
      if (!control) {
        tell(body, `${body.model} has no control “${pin.control}” any more; take the pin of ${label} out.`)
        continue
      }
      const use = usesIn(plan, schoolFor(plan, body.id)).find(u => u.function === pin.function)
      if (!use) tell(body, `${label} is pinned on ${body.model} and not used; use it, or take the pin out.`)
      const ways = waysOf(plan, body, pin.function).filter(c => c.control === pin.control)
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
  return problems
}
