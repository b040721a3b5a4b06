import type { State } from '../bodies'

/** What can happen to a unit; `events` says all else of each kind. */

export type Told = 'card' | 'person' | 'file'

export interface Happened {
  readonly at: string
  /** Who, by name; null where nobody said. */
  readonly by: string | null
}

/** What is written down of each kind of event; a new kind begins here. */
export interface Events {
  readonly set: { readonly setting: string; readonly option: string; readonly how: Told }
  /** All that a file says it is set to. */
  readonly read: { readonly settings: State }
  /** A picture it took shows what it was set to. */
  readonly pictured: { readonly settings: State; readonly file: string }
  /** Back to factory defaults. */
  readonly reset: object
  readonly firmware: { readonly from: string; readonly to: string }
  /** Another camera under the same tag: another model, or another serial number. */
  readonly exchanged: { readonly what: 'model' | 'serial'; readonly from: string; readonly to: string }
  readonly repaired: object
  /** Back from a loan. */
  readonly returned: object
  /** What it was set to was kept in a memory slot. */
  readonly stored: { readonly slot: string; readonly standard: string; readonly version: number }
  /** Walked to the end and proved: it is set to this version. */
  readonly signed: {
    readonly standard: string
    readonly version: number
    /** How long the walk took, and of how many steps, where somebody timed it. */
    readonly minutes: number | null
    readonly steps?: number | undefined
  }
}
export type UnitEventKind = keyof Events

/** An event of one kind. */
export type EventOf<K extends UnitEventKind> = Happened & { readonly kind: K } & Events[K]
export type UnitEvent = { [K in UnitEventKind]: EventOf<K> }[UnitEventKind]
