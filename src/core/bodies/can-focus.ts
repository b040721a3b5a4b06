import { availability } from './availability'
import type { Body, State } from './schema'

/** Whether some press starts focusing in this state. */
export const canFocus = (body: Body, state: State): boolean => {
  const greyed = availability(body, state).unavailable
  const inEffect = body.settings
    .filter(s => !greyed.has(s.id))
    .map(s => s.options.find(o => o.id === state[s.id])?.means)
  return [...inEffect, ...body.fixed.map(f => f.means)].some(
    means =>
      means?.['trigger.shutter'] === 'starts-af' ||
      means?.['trigger.start'] !== undefined ||
      means?.['trigger.second'] !== undefined,
  )
}
