import type { UnitEvent, UnitEventKind } from '../unit-event'
import type { EventKind } from './event-kind'
import { exchanged } from './exchanged'
import { firmware } from './firmware'
import { pictured } from './pictured'
import { read } from './read'
import { repaired } from './repaired'
import { reset } from './reset'
import { returned } from './returned'
import { set } from './set'
import { signed } from './signed'
import { stored } from './stored'

/** Every kind of event. The compiler asks for one that is missing. */
export const EVENTS: { readonly [K in UnitEventKind]: EventKind<K> } = {
  set,
  read,
  pictured,
  reset,
  firmware,
  exchanged,
  repaired,
  returned,
  stored,
  signed,
}

/** What is known of events of this kind. */
export const kindOf = (event: Pick<UnitEvent, 'kind'>): EventKind<UnitEventKind> => EVENTS[event.kind]
