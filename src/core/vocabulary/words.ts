import type { Dimension } from './dimensions'
import { PLACES } from './places'
import type {
  Area,
  BoundSubject,
  ControlAssignment,
  FocusRange,
  Magnify,
  NeutralValue,
  Physical,
  PlaceAssignment,
  Position,
  Size,
} from './values'

/** Neutral values in the words people read. */

const number = (n: number, digits = 2): string => String(Number(n.toFixed(digits)))
/** A label inside a sentence: its first letter small, unless it is an abbreviation. */
export const inSentence = (label: string): string =>
  /^\p{Lu}\p{Lu}/u.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1)

const spaced = (id: string): string => id.replaceAll('-', ' ').replace(/\baf\b/, 'AF')

/** @example percent(0.0241) // '2.4 %' */
export const percent = (share: number): string => {
  const p = share * 100
  return `${p >= 10 ? p.toFixed(0) : number(p, 1)} %`
}

const areaWords = (a: Area): string => {
  const follows = a.follow && a.follow !== 'off' ? ', follows' : ''
  const chooser = a.chooser ? (a.chooser === 'camera' ? ', camera picks' : ', you pick') : ''
  return `${spaced(a.pattern)}, ${percent(a.width * a.height)} of the frame${chooser}${follows}`
}

const subjectWords = (s: BoundSubject): string => (s.detail ? `${spaced(s.class)} (${s.detail})` : spaced(s.class))

const assignmentWords = (a: PlaceAssignment | ControlAssignment, controlLabel?: (id: string) => string): string => {
  const where = 'place' in a ? PLACES[a.place].label : (controlLabel?.(a.control) ?? a.control)
  const more = [
    a.area && spaced(a.area.pattern),
    a.subject && subjectWords(a.subject),
    a.press === 'toggled' ? 'press on, press off' : a.press === 'held' ? 'while held' : undefined,
  ].filter(Boolean)
  return more.length ? `${where}: ${more.join(', ')}` : where
}

/** Metres as people write them, "infinity" in words. */
export const metres = (m: number | 'infinity'): string => (m === 'infinity' ? 'infinity' : `${number(m)} m`)

const physicalWords = (p: Physical, unit: string): string => {
  if (typeof p === 'string') return p
  if (unit === 'of 1') return number(p)
  if (unit === 'of full drive speed') return `${percent(p)} of full speed`
  if (unit === 'stops') return `${p > 0 ? '+' : ''}${number(p, 1)} stops`
  return `${number(p)} ${unit}`
}

/**
 * A value in plain words.
 *
 * @param controlLabel turns a control's id into its name on the body, where the value is bound to a control
 * @example valueWords(dimension('track.hold'), 1.2) // '1.2 s'
 */
export const valueWords = (d: Dimension, value: NeutralValue, controlLabel?: (id: string) => string): string => {
  switch (d.kind) {
    case 'choice':
    case 'scale':
      return spaced(value as string)
    case 'flag':
      return value ? 'yes' : 'no'
    case 'physical':
      return physicalWords(value as Physical, d.unit)
    case 'assign':
      return assignmentWords(value as PlaceAssignment | ControlAssignment, controlLabel)
    case 'area':
      return areaWords(value as Area)
    case 'size': {
      const s = value as Size
      return `${percent(s.width)} × ${percent(s.height)} of the frame`
    }
    case 'position': {
      const p = value as Position
      const where = `${percent(p.x)} from the left, ${percent(p.y)} from the top`
      return p.recall ? `${where}; back with ${PLACES[p.recall].label}` : where
    }
    case 'areas':
      return (value as readonly Area[]).map(a => spaced(a.pattern)).join(', ')
    case 'range': {
      const r = value as FocusRange
      return `${metres(r.nearMetres)} to ${metres(r.farMetres)}`
    }
    case 'magnify': {
      const m = value as Magnify
      const time = m.seconds === 'until-released' ? 'until released' : `${number(m.seconds)} s`
      return `${number(m.factor)}×, ${time}${m.onRingTurn ? ', starts with the ring' : ''}`
    }
  }
}

/** A target's tolerance in words: a share or a difference for amounts, else the largest distance accepted. */
export const toleranceWords = (d: Dimension, tolerance: number): string => {
  if (d.kind !== 'physical') return `up to ${number(tolerance)} off`
  if (d.measure === 'ratio') return `± ${percent(tolerance)}`
  return d.measure.within ? `± ${number(tolerance)}` : `± ${number(tolerance)} ${d.unit}`
}

/** @example counted(1, 'setting', 'settings') // '1 setting' */
export const counted = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n} ${many}`)
