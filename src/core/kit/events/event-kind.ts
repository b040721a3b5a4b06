import type { Body } from '../../bodies'
import type { Fold, Known } from '../fold'
import type { EventOf, UnitEventKind } from '../unit-event'

/** What things are called, for sentences about events. */
export interface Names {
  readonly setting: (id: string) => string
  readonly option: (setting: string, id: string) => string
  readonly standard: (id: string) => string
}

/** All that has to be known of a kind of event. Everything that depends on kinds asks here. */
export interface EventKind<K extends UnitEventKind> {
  /** In the history of the house, in a few words. */
  readonly short: string
  words(event: EventOf<K>, names: Names): string
  /** Whether it may have changed what a unit is set to; what was only looked at, and was as known, did not. */
  mayTouch(known: Known, event: EventOf<K>): boolean
  /** What is known after it. */
  after(fold: Fold, event: EventOf<K>, profile: Body): Fold
  /** Whether a card that is being walked begins anew after it. */
  readonly closesWalks: boolean
  /** Why what was signed before it has to be proved again; absent where it takes no proof away. */
  readonly unproves?: string
}
