import type { Body } from '../bodies'
import { type Known, knownAfter, type UnitEvent } from './known'

/**
 * What was done away from the network comes in late, from devices whose clocks may be wrong, while others went on. It
 * takes its place among what happened by the time at which it was done.
 */

/** Longer than this nothing waits on a device; a longer time is a clock that was set in between. */
const LONGEST_WAIT_MS = 60 * 24 * 3600 * 1000

/** By so many milliseconds a clock may be off before it is worth saying. */
export const CLOCK_TOLERANCE_MS = 2 * 60 * 1000

/**
 * When something was done, by the clock of the server: as long before it came in as it waited on the device. A device
 * whose clock is wrong still knows how long that was.
 *
 * @param received when it came in, ISO 8601, by the clock of the server
 * @param made when it was done, by the clock of the device
 * @param sent when it was sent, by the same clock
 * @returns `received` where the device does not say, or says what cannot be
 * @example doneAt('2026-03-01T12:00:00.000Z', '2031-01-01T07:00:00.000Z', '2031-01-01T07:30:00.000Z') // 2026-03-01T11:30:00.000Z
 */
export const doneAt = (received: string, made: string | undefined, sent: string | undefined): string => {
  if (made === undefined || sent === undefined) return received
  const waitedMs = Date.parse(sent) - Date.parse(made)
  if (!(waitedMs > 0 && waitedMs <= LONGEST_WAIT_MS)) return received
  return new Date(Date.parse(received) - waitedMs).toISOString()
}

export type SetEvent = Extract<UnitEvent, { kind: 'set' }>

/** Events in the order in which they happened, with one more that came in late. */
const withLate = (events: readonly UnitEvent[], late: UnitEvent): readonly UnitEvent[] => {
  const next = events.findIndex(e => e.at > late.at)
  return next < 0 ? [...events, late] : [...events.slice(0, next), late, ...events.slice(next)]
}

/**
 * What happened after somebody set something that makes it not hold any more; undefined where it holds.
 *
 * @param events what happened to the unit, oldest first, without this one
 */
export const overruledBy = (
  profile: Body,
  firmware: string,
  events: readonly UnitEvent[],
  event: SetEvent,
): UnitEvent | undefined => {
  const all = withLate(events, event)
  const holds = (k: Known) => k.facts.get(event.setting)?.option === event.option
  if (holds(knownAfter(profile, firmware, all))) return undefined
  const from = all.indexOf(event)
  return all.slice(from + 1).find((_, i) => !holds(knownAfter(profile, firmware, all.slice(0, from + i + 2))))
}
