import type { Area, BoundSubject } from '../vocabulary/values'
import type { FunctionId } from './functions'

/** Who starts focusing: the schools of practice, each with what it puts on the hand. */
export const SCHOOL_IDS = ['shutter-start', 'thumb-start', 'thumb-stop', 'two-thumbs', 'three-ways'] as const
export type SchoolId = (typeof SCHOOL_IDS)[number]

export interface Needed {
  readonly function: FunctionId
  /** On a control that a thumb reaches while the index finger rests on the shutter. */
  readonly byThumb: boolean
  /** Its own area, where one belongs to it. */
  readonly area?: Area
  readonly subject?: BoundSubject
}

export interface School {
  readonly id: SchoolId
  readonly label: string
  readonly about: string
  /** What half-pressing the shutter does. */
  readonly shutter: 'starts-af' | 'meters-only'
  readonly needs: readonly Needed[]
  /** What is lost with it against the school before it, for a body that cannot carry that one. */
  readonly lost: string
}

const EVERYWHERE: Area = { pattern: 'full', width: 1, height: 1, chooser: 'camera', follow: 'automatic' }
const EYE: BoundSubject = { class: 'people', detail: 'eye' }

/** @source common practice, no published source */
export const SCHOOLS: Readonly<Record<SchoolId, School>> = {
  'shutter-start': {
    id: 'shutter-start',
    label: 'shutter start',
    about: 'Half-pressing the shutter focuses, as on a body nobody has set up.',
    shutter: 'starts-af',
    needs: [],
    lost: 'Focus cannot be held apart from the shutter: every press focuses anew.',
  },
  'thumb-start': {
    id: 'thumb-start',
    label: 'thumb start',
    about: 'The thumb starts focusing: hold to follow, let go to lock. The shutter only takes the picture.',
    shutter: 'meters-only',
    needs: [{ function: 'trigger.start', byThumb: true }],
    lost: 'One area and one subject for everything; another is chosen by hand.',
  },
  'thumb-stop': {
    id: 'thumb-stop',
    label: 'thumb stop',
    about: 'The shutter follows all the time; holding the thumb button freezes focus.',
    shutter: 'starts-af',
    needs: [{ function: 'trigger.stop', byThumb: true }],
    lost: 'A picture cannot be taken without focusing, unless the thumb holds.',
  },
  'two-thumbs': {
    id: 'two-thumbs',
    label: 'two thumbs',
    about: 'Two thumb buttons: one with the area in hand, one that looks for an eye in the whole frame.',
    shutter: 'meters-only',
    needs: [
      { function: 'trigger.start', byThumb: true },
      { function: 'trigger.second', byThumb: true, area: EVERYWHERE, subject: EYE },
    ],
    lost: 'Manual focus is not one press away.',
  },
  'three-ways': {
    id: 'three-ways',
    label: 'three ways',
    about: 'Detection, plain AF and manual focus, a button each.',
    shutter: 'meters-only',
    needs: [
      { function: 'trigger.start', byThumb: true },
      { function: 'trigger.second', byThumb: true, area: EVERYWHERE, subject: EYE },
      { function: 'trigger.manual', byThumb: false },
    ],
    lost: '',
  },
}

/** The school that a half-press speaks for, where nobody has said one. */
export const schoolByShutter = (halfPress: unknown): SchoolId =>
  halfPress === 'meters-only' ? 'thumb-start' : 'shutter-start'

/** Where a school cannot be carried, these come next, the nearest first. */
export const NEAREST: Readonly<Record<SchoolId, readonly SchoolId[]>> = {
  'three-ways': ['two-thumbs', 'thumb-start', 'thumb-stop', 'shutter-start'],
  'two-thumbs': ['thumb-start', 'thumb-stop', 'shutter-start'],
  'thumb-start': ['thumb-stop', 'shutter-start'],
  'thumb-stop': ['thumb-start', 'shutter-start'],
  'shutter-start': [],
}
