import ICAL from 'ical.js'
import type { Problem } from '../reading/problem'
import { clockAt, isZone, momentOf } from './clock'
import { idFor, type Job, type Place, type Scene } from './job'
import { findPerson, type JobFacts } from './facts'
import type { ReadList } from './list-words'

/**
 * Scenes from a calendar file.
 *
 * @source RFC 5545, read by the ical.js library
 */

const problem = (path: string, value: string, expected: string): Problem => ({
  file: 'calendar',
  path,
  value: value.slice(0, 80),
  expected,
})

export const readCalendar = (text: string, job: Job, people: JobFacts['people'], most: number): ReadList => {
  const scenes: Scene[] = []
  const places: Place[] = []
  const problems: Problem[] = []
  const events = (() => {
    try {
      const root = new ICAL.Component(ICAL.parse(text) as unknown[])
      // Zones that the file brings along count before those that are known anyway.
      for (const zone of root.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone)
      return root.getAllSubcomponents('vevent').map(e => new ICAL.Event(e))
    } catch (error) {
      problems.push(
        problem('', '', `this is no calendar: ${error instanceof Error ? error.message : 'it cannot be read'}`),
      )
      return []
    }
  })()
  if (events.length > most) problems.push(problem('', `${events.length} events`, `expected at most ${most}`))
  for (const event of events.slice(0, most)) {
    const name = event.summary?.trim() || 'Without a name'
    const start = event.startDate as ICAL.Time | null
    if (!start || start.isDate) {
      problems.push(problem(name, start?.toString() ?? '', 'expected a time of day; the event is left out'))
      continue
    }
    if (String(event.component.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED') {
      problems.push(problem(name, 'CANCELLED', 'it was called off; the event is left out'))
      continue
    }
    if (event.isRecurring()) problems.push(problem(name, '', 'it repeats; only the first time is taken'))
    const wall = wallOf(event, start, job.timeZone)
    if (wall.isOfUnknownZone)
      problems.push(problem(name, wall.said, 'its time zone is not known; the time is taken by the clock of the place'))
    const seconds = event.duration?.toSeconds() ?? 0
    const location = event.location?.trim()
    scenes.push({
      id: idFor(
        name,
        [...job.scenes, ...scenes].map(s => s.id),
      ),
      name: name.slice(0, 120),
      at: wall.time,
      minutes: Math.min(1440, Math.max(1, Math.round(seconds / 60) || 15)),
      covers: event.attendees.flatMap(a => {
        const said = String(a.getFirstParameter('cn') ?? '').trim()
        return said ? [{ person: findPerson(people, said)?.id ?? said.slice(0, 120), remote: false }] : []
      }),
      ...(wall.day === job.day ? {} : { day: wall.day }),
      ...(location ? { place: placeNamed(location, event, job, places) } : {}),
      ...(event.description?.trim() ? { moves: event.description.trim().slice(0, 300) } : {}),
    })
  }
  return { scenes, places, problems }
}

/** When an event begins by the clock of the place. A time that belongs to no zone is meant so. */
const wallOf = (event: ICAL.Event, start: ICAL.Time, timeZone: string) => {
  const said = String(event.component.getFirstProperty('dtstart')?.getFirstParameter('tzid') ?? '')
  const text = start.toString()
  const [day, time] = [text.slice(0, 10), text.slice(11, 16)]
  if (said && isZone(said)) return { said, isOfUnknownZone: false, ...clockAt(momentOf(day, time, said).at, timeZone) }
  const isFloating = start.zone === ICAL.Timezone.localTimezone
  if (isFloating) return { said, isOfUnknownZone: said !== '', day, time }
  return { said, isOfUnknownZone: false, ...clockAt(start.toJSDate().getTime(), timeZone) }
}

const placeNamed = (name: string, event: ICAL.Event, job: Job, places: Place[]): string => {
  const all = [...job.places, ...places]
  const found = all.find(p => p.name.toLowerCase() === name.toLowerCase())
  if (found) return found.id
  const geo = event.component.getFirstPropertyValue('geo') as unknown
  const [latitude, longitude] = Array.isArray(geo) ? (geo as number[]) : []
  const place: Place = {
    id: idFor(
      name,
      all.map(p => p.id),
    ),
    name: name.slice(0, 80),
    indoors: false,
    cautions: [],
    ...(latitude !== undefined && longitude !== undefined ? { latitude, longitude } : {}),
  }
  places.push(place)
  return place.id
}
