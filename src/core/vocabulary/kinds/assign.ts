import * as v from 'valibot'
import { dimension } from '../dimensions'
import { spaced } from '../plain-words'
import { PLACE_IDS, placeDistance, PLACES } from '../places'
import { type BoundSubject, DETAILS, type PlaceAssignment } from '../values'
import { areaDistance, areaSchema } from './area'
import { choiceDistance } from './choice'
import type { ValueKind } from './kind'
import { scaleDistance } from './scale'

const binding = {
  area: v.optional(areaSchema),
  subject: v.optional(
    v.strictObject({ class: v.pipe(v.string(), v.minLength(1)), detail: v.optional(v.picklist(DETAILS)) }),
  ),
  press: v.optional(v.picklist(['held', 'toggled'])),
}

const subjectDistance = (target: BoundSubject, got: BoundSubject | undefined): number => {
  if (!got) return 1
  const kind = choiceDistance('subject.class', target.class, got.class)
  if (!target.detail) return kind
  const finest = dimension('subject.detail')
  const detail = got.detail && finest.kind === 'scale' ? scaleDistance(finest.values, target.detail, got.detail) : 1
  return (kind + detail) / 2
}

/**
 * Distance of two assignments: the place, averaged with the area, the subject and the press where the target states them.
 * What is bound to a function may take it further off, and never makes up for the place: a hand that does not find the
 * button is not helped by the right area on it.
 *
 * @example assignDistance({ place: 'thumb-centre', press: 'held' }, { place: 'lens', press: 'held' }) // 0.5
 */
export const assignDistance = (target: PlaceAssignment, got: PlaceAssignment): number => {
  const place = placeDistance(target.place, got.place)
  const parts = [place]
  if (target.area) parts.push(got.area ? areaDistance(target.area, got.area) : 1)
  if (target.subject) parts.push(subjectDistance(target.subject, got.subject))
  if (target.press) parts.push(target.press === (got.press ?? 'held') ? 0 : 1)
  return Math.max(place, parts.reduce((sum, p) => sum + p, 0) / parts.length)
}

const subjectWords = (s: BoundSubject): string => (s.detail ? `${spaced(s.class)} (${s.detail})` : spaced(s.class))

const BY_PLACE: Readonly<Record<string, string>> = {
  '0': 'the same place',
  '0.2': 'a neighbouring place that the same finger reaches',
  '0.5': 'another place reachable with the index finger on the shutter',
  '0.8': 'a place reached only by moving that finger or the grip',
}

/** A function in a place of the hand; on a body, on one of its controls. */
export const assign: ValueKind<'assign'> = {
  schema: () => v.strictObject({ place: v.picklist(PLACE_IDS), ...binding }),
  meaning: () => v.strictObject({ control: v.pipe(v.string(), v.minLength(1)), ...binding }),
  distance: (_, target, got) => assignDistance(target, got),
  words: (_, a, controlLabel) => {
    const where = 'place' in a ? PLACES[a.place].label : (controlLabel?.(a.control) ?? a.control)
    const more = [
      a.area && spaced(a.area.pattern),
      a.subject && subjectWords(a.subject),
      a.press === 'toggled' ? 'press on, press off' : a.press === 'held' ? 'while held' : undefined,
    ].filter(Boolean)
    return more.length ? `${where}: ${more.join(', ')}` : where
  },
  reason: (_, wanted, got) => {
    const place = placeDistance(wanted.place, got.place)
    const more = [
      wanted.area && (got.area ? 'the areas bound to them' : 'no area bound to it'),
      wanted.subject && (got.subject ? 'the subjects bound to them' : 'no subject bound to it'),
      wanted.press && 'held or toggled',
    ].filter(Boolean)
    const words = `${BY_PLACE[String(place)]} (${PLACES[got.place].label}), ${place.toFixed(2)}`
    if (!more.length) return words
    return `${words}; averaged with ${more.join(', ')}${place > 0 ? ', never nearer than the place alone' : ''}`
  },
  start: () => ({ place: 'thumb-upper-right' }),
}
