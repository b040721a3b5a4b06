import type { NeutralValue } from '../vocabulary/values'
import { availability } from './availability'
import type { Body, State } from './schema'

/** What holds on a body in a state, by dimension; what is greyed out does nothing, what is not in the state is not known. */
export const meansIn = (body: Body, state: State): Readonly<Record<string, NeutralValue>> => {
  const greyed = availability(body, state).unavailable
  const said = body.settings
    .filter(s => !greyed.has(s.id))
    .flatMap(s => s.options.filter(o => o.id === state[s.id]).map(o => o.means))
  return Object.assign({}, ...body.fixed.map(f => f.means), ...said) as Readonly<Record<string, NeutralValue>>
}
