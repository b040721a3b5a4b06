import { tzOffset } from '@date-fns/tz/tzOffset'

/** Times by the clock of a place, and the moments they are. */

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/
const TIME = /^([01]\d|2[0-3]):([0-5]\d)$/
const MINUTE_MS = 60_000

/** Whether a text is a day there is. @example isDay('2026-02-30') // false */
export const isDay = (text: string): boolean => {
  const at = Date.parse(`${text}T00:00:00Z`)
  return DAY.test(text) && !Number.isNaN(at) && new Date(at).toISOString().startsWith(text)
}

export const isTime = (text: string): boolean => TIME.test(text)

export const isZone = (text: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: text }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

/** A moment that a clock names, and what to know about it. */
export interface Moment {
  /** Milliseconds since 1970, UTC. */
  readonly at: number
  /** `skipped`: the clock jumps over it, so the time after the jump is meant; `twice`: it comes twice, the first is meant. */
  readonly odd: 'skipped' | 'twice' | undefined
}

/**
 * The moment of a time by the clock of a place.
 *
 * @param day such as 2026-11-28
 * @param time such as 19:30
 * @source RFC 5545, section 3.3.5: a time that is skipped counts by the offset before the jump, one that comes twice is the first
 * @example momentOf('2026-03-29', '02:30', 'Europe/Berlin') // 01:30 UTC, skipped: 03:30 by the clock
 */
export const momentOf = (day: string, time: string, zone: string): Moment => {
  const wall = Date.parse(`${day}T${time}:00Z`)
  // Whatever the zone, half a day on either side has the offsets before and after a jump.
  const offsets = [...new Set([-720, 720].map(m => tzOffset(zone, new Date(wall + m * MINUTE_MS))))]
  const fitting = offsets
    .map(o => wall - o * MINUTE_MS)
    .filter(at => at + tzOffset(zone, new Date(at)) * MINUTE_MS === wall)
    .toSorted((a, b) => a - b)
  const [first, second] = fitting
  if (first === undefined) return { at: wall - (offsets[0] ?? 0) * MINUTE_MS, odd: 'skipped' }
  return { at: first, odd: second === undefined ? undefined : 'twice' }
}

/** What the clock of a place says at a moment. @example clockAt(0, 'UTC') // { day: '1970-01-01', time: '00:00' } */
export const clockAt = (at: number, zone: string): { readonly day: string; readonly time: string } => {
  const text = new Date(at + tzOffset(zone, new Date(at)) * MINUTE_MS).toISOString()
  return { day: text.slice(0, 10), time: text.slice(11, 16) }
}
