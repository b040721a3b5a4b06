import type * as v from 'valibot'
import type { Dimension, Kind } from '../dimensions'
import type {
  Area,
  ControlAssignment,
  FocusRange,
  Magnify,
  NeutralValue,
  Physical,
  PlaceAssignment,
  Position,
  Size,
} from '../values'

/** The dimensions of one kind. */
export type Of<K extends Kind> = Extract<Dimension, { kind: K }>

/** What a value of each kind is written as; a new kind begins here. */
export interface Values {
  readonly choice: string
  readonly scale: string
  readonly flag: boolean
  readonly physical: Physical
  readonly assign: PlaceAssignment
  readonly area: Area
  readonly size: Size
  readonly position: Position
  readonly areas: readonly Area[]
  readonly range: FocusRange
  readonly magnify: Magnify
}

/** What a value of each kind may be on a body, where that is not the same as in a standard. */
export interface ValuesOnBody extends Omit<Values, 'assign'> {
  readonly assign: PlaceAssignment | ControlAssignment
}

export type Schema<T extends NeutralValue> = v.GenericSchema<unknown, T>

/** All that has to be known of a kind of value. Everything that depends on kinds asks here. */
export interface ValueKind<K extends Kind> {
  /** What a standard may ask for. */
  readonly schema: (d: Of<K>) => Schema<Values[K]>
  /** What an option of a body may mean, where that is not the same. */
  readonly meaning?: (d: Of<K>) => Schema<ValuesOnBody[K]>
  /** From 0 (same) to 1 (opposite or absent). */
  distance(d: Of<K>, target: Values[K], got: Values[K]): number
  /** Whether two mean the same however they are written, where a distance of 0 either way does not say it. */
  isSame?(a: Values[K], b: Values[K]): boolean
  /** @param controlLabel turns a control's id into its name on the body */
  words(d: Of<K>, value: ValuesOnBody[K], controlLabel?: (id: string) => string): string
  /** How the distance comes about, in words a person can check. */
  reason(d: Of<K>, wanted: Values[K], got: Values[K]): string
  /** A first value, to be changed. */
  start(d: Of<K>): Values[K]
  /** Where a value lies on a line: its unit, a share of the frame, or a step counted from 0. */
  at?(d: Of<K>, value: Values[K]): number | undefined
  /** The line that bodies' scales are drawn on; absent where they are not. */
  readonly line?: { readonly isRatio: (d: Of<K>) => boolean; readonly unit: (d: Of<K>) => string }
}
