import type { Body } from '../bodies'
import { knownAlong, type UnitEvent } from './known'

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

/**
 * Where something that came in late belongs among what happened, newest looked at first: behind all that was done before
 * it. What claims to be later than now was written down while the clock of the server was wrong, and was done before.
 *
 * @param times of what happened, in order
 * @param at when it was done
 * @param received when it came in
 * @returns how many stand before it
 */
export const placeOf = (times: readonly string[], at: string, received: string): number => {
  let place = times.length
  for (; place > 0; place--) {
    const time = times[place - 1] ?? ''
    if (time <= at || time > received) break
  }
  return place
}

/** Events with one more that came in late, where it belongs. @param events oldest first */
export const withLate = (events: readonly UnitEvent[], event: UnitEvent, received: string): readonly UnitEvent[] => {
  const from = placeOf(
    events.map(e => e.at),
    event.at,
    received,
  )
  return [...events.slice(0, from), event, ...events.slice(from)]
}

/**
 * What happened after somebody set something that makes it not hold any more; undefined where it holds.
 *
 * @param events what happened to the unit, oldest first, without this one
 * @param received when it came in
 */
export const overruledBy = (
  profile: Body,
  firmware: string,
  events: readonly UnitEvent[],
  event: SetEvent,
  received: string,
): UnitEvent | undefined => {
  const from = placeOf(
    events.map(e => e.at),
    event.at,
    received,
  )
  const later = events.slice(from)
  if (later.length === 0) return undefined
  let first: UnitEvent | undefined
  let holds = true
  let i = -from - 1
  for (const { facts } of knownAlong(profile, firmware, [...events.slice(0, from), event, ...later])) {
    holds = facts.get(event.setting)?.option === event.option
    if (i >= 0 && !holds) first ??= later[i]
    i++
  }
  // What was taken away may have been set so again by something still later.
  return holds ? undefined : first
}
