import type { Place } from './places'

/**
 * The values that targets and meanings are written in; `kinds` says all else of each. Numbers carry their unit in the
 * dimension, shares of the frame run from 0 to 1.
 */

/** A number in the dimension's unit, or one of the two named values that no number stands for. */
export type Physical = number | 'never' | 'always'

export const PATTERNS = [
  'pinpoint',
  'point',
  'cross',
  'block',
  'group',
  'zone',
  'wide-zone',
  'full',
  'all-sizes',
] as const
export type Pattern = (typeof PATTERNS)[number]

export const CHOOSERS = ['operator', 'camera'] as const
export type Chooser = (typeof CHOOSERS)[number]

export const FOLLOWS = ['off', 'from-start-point', 'automatic'] as const
export type Follow = (typeof FOLLOWS)[number]

/** Width and height as shares of the frame's width and height. */
export interface Size {
  readonly width: number
  readonly height: number
}

/** An area choice: its name is only a label, it is compared by what it covers, who chooses and whether it follows. */
export interface Area extends Size {
  readonly pattern: Pattern
  readonly chooser?: Chooser | undefined
  readonly follow?: Follow | undefined
}

/** What a bundle of hold, response and switching is for; a body may have others of its own. */
export const PRESETS = ['versatile', 'past-obstacles', 'onto-newcomers', 'changing-speed', 'erratic', 'own'] as const
export type Preset = (typeof PRESETS)[number]

export const SHUTTERS = ['mechanical', 'electronic-first', 'electronic'] as const

export const DETAILS = ['body', 'head', 'face', 'eye'] as const

export interface BoundSubject {
  readonly class: string
  readonly detail?: (typeof DETAILS)[number] | undefined
}

/** What a function brings along when it is put on a control. */
interface Binding {
  readonly area?: Area | undefined
  readonly subject?: BoundSubject | undefined
  readonly press?: 'held' | 'toggled' | undefined
}

/** A function wanted in a place of the hand. */
export interface PlaceAssignment extends Binding {
  readonly place: Place
}

/** A function on a named control of one body. */
export interface ControlAssignment extends Binding {
  readonly control: string
}

/** Resting place of the area, as shares of the frame from its upper left corner, and where the recall control sits. */
export interface Position {
  readonly x: number
  readonly y: number
  readonly recall?: Place | undefined
}

/** Distances from the sensor plane in metres. */
export interface FocusRange {
  readonly nearMetres: number
  readonly farMetres: number | 'infinity'
}

export interface Magnify {
  readonly factor: number
  /** Seconds until it ends by itself, or until the control is released. */
  readonly seconds: number | 'until-released'
  readonly onRingTurn: boolean
}

export type NeutralValue =
  | string
  | number
  | boolean
  | PlaceAssignment
  | ControlAssignment
  | Area
  | Size
  | Position
  | readonly Area[]
  | FocusRange
  | Magnify
