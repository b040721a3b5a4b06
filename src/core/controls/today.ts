import type { Body, State } from '../bodies'
import { PLACE_IDS } from '../vocabulary/places'
import { placementsOf } from './abilities'
import type { FunctionId } from '../functions/functions'

/** Where a body's functions are when it is set so; the one nearest the thumb, where a function is on several controls. */
export const todayOf = (body: Body, state: State): Readonly<Record<FunctionId, string>> => {
  const rank = (control: string) => PLACE_IDS.findIndex(p => p === body.controls.find(c => c.id === control)?.place)
  const set = placementsOf(body)
    .filter(c => state[c.setting] === c.option)
    .sort((a, b) => rank(b.control) - rank(a.control))
  return Object.fromEntries(set.map(c => [c.function, c.control]))
}
