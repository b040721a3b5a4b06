import type { Problem } from '../reading/problem'
import { isDay } from './clock'
import { idFor, type Job, LIGHTS, type Place, type Scene, type SceneLight } from './job'

/** Words of a list: times, lengths, names, light, places. */

/** What names in a list may mean. */
export interface ListKnows {
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly units: readonly string[]
  readonly standards: readonly { readonly id: string; readonly name: string }[]
}

export interface ReadList {
  readonly scenes: readonly Scene[]
  /** Places that the job did not have. */
  readonly places: readonly Place[]
  /** What could not be read, and where it stands; the rest was. */
  readonly problems: readonly Problem[]
}

/** Where nobody said how long. */
export const USUAL_MINUTES = 15

/** `19:30`, `7.30 pm`, `14h30`, `0715`; seconds are left aside. */
const CLOCK = /^(\d{1,2})(?:[:.h](\d{2})(?::\d{2})?)?\s?([ap](?:\.?m\.?)?)?$/i
const FOUR_DIGITS = /^([0-2]\d)([0-5]\d)$/

/**
 * A time as people write it.
 *
 * @example
 *   readTime('7.30 pm') // '19:30'
 *   readTime('25:00') // undefined
 */
export const readTime = (text: string): string | undefined => {
  const bare = text.trim().replace(/\s?(?:h|uhr|o'clock)$/i, '')
  const match = CLOCK.exec(bare.replace(FOUR_DIGITS, '$1:$2'))
  if (!match) return undefined
  const [, hours = '', minutes = '00', half] = match
  if (half === undefined && match[2] === undefined) return undefined
  const said = Number(hours)
  if (half !== undefined && (said < 1 || said > 12)) return undefined
  const hour = half === undefined ? said : (said % 12) + (/^p/i.test(half) ? 12 : 0)
  if (hour > 23 || Number(minutes) > 59) return undefined
  return `${String(hour).padStart(2, '0')}:${minutes}`
}

export const minutesBetween = (from: string, until: string): number => {
  const at = (t: string) => Number(t.slice(0, 2)) * 60 + Number(t.slice(3))
  const span = at(until) - at(from)
  return span > 0 ? span : span + 1440
}

/** A time or a length that is only said to be near. */
export const ABOUT = /^(?:ca\.?|c\.|circa|approx\.?|approximately|about|around|~) ?/i

/** @example readMinutes('1 h 20') // 80 */
export const readMinutes = (text: string): number | undefined => {
  const plain = text.trim().toLowerCase().replace(/^for /, '').replace(ABOUT, '')
  const hours = /^(\d{1,2}) ?(?:h|hours?)(?: ?(\d{1,2}) ?(?:m|min|minutes?)?)?$/.exec(plain)
  if (hours) return Number(hours[1]) * 60 + Number(hours[2] ?? 0)
  const minutes = /^(\d{1,4}) ?(?:m|min|mins|minutes?|')?$/.exec(plain)
  return minutes ? Number(minutes[1]) : undefined
}

export const plain = (text: string): string => text.trim().toLowerCase().replaceAll(/\s+/g, ' ')
export const EVERYBODY = /^(?:all|everybody|everyone|whole team)$/i
/** What stands where there is nobody, or nothing. */
export const isNobody = (text: string): boolean => /^(?:[-–—.?]+|n\/?a|none|nobody|no one|tb[acd])$/i.test(text.trim())
export const splitNames = (text: string): readonly string[] =>
  text
    .split(/[;+&/]|,|\band\b/)
    .map(t => t.trim())
    .filter(Boolean)

const LIGHT_WORDS: Readonly<Record<string, SceneLight>> = {
  'against the light': 'back-lit',
  'back light': 'back-lit',
  backlit: 'back-lit',
  night: 'dark',
  dim: 'low',
  dusk: 'low',
  daylight: 'day',
  spotlight: 'stage',
  spot: 'stage',
}
export const readLight = (text: string): SceneLight | undefined =>
  LIGHTS.find(l => l === plain(text)) ?? LIGHT_WORDS[plain(text)]

export const standardOf = (text: string, knows: ListKnows): string | undefined => {
  const [name = '', version] = text.split('@')
  const found = knows.standards.find(s => s.id === plain(name) || plain(s.name) === plain(name))
  return found && (version ? `${found.id}@${version}` : found.id)
}

export interface Made {
  /** The day that lines below a heading are of, and the time of the last one: after midnight is the next day. */
  day?: string | undefined
  last?: string | undefined
  /** The day that a heading said. */
  headed?: string | undefined
  /** Whose lines those below a name in front are. */
  whose?: string | undefined
  readonly scenes: Scene[]
  readonly places: Place[]
  readonly problems: Problem[]
}

export const placeOf = (text: string, job: Job, made: Made): string => {
  const all = [...job.places, ...made.places]
  const found = all.find(p => plain(p.name) === plain(text) || p.id === plain(text))
  if (found) return found.id
  const place: Place = {
    id: idFor(
      text,
      all.map(p => p.id),
    ),
    name: text.slice(0, 80),
    indoors: false,
    cautions: [],
  }
  made.places.push(place)
  return place.id
}

/** A running order goes on past midnight: from an evening to a small hour is to the next day. */
const EVENING = '18:00'
const SMALL_HOUR = '06:00'

export const add = (scene: Omit<Scene, 'id'>, job: Job, made: Made): void => {
  const taken = [...job.scenes, ...made.scenes].map(s => s.id)
  const isAfterMidnight = made.last !== undefined && made.last >= EVENING && scene.at < SMALL_HOUR
  if (scene.day === undefined && isAfterMidnight) {
    made.day = dayAfter(made.day ?? job.day, 1)
    const expected = `it stands behind ${made.last} and is taken as past midnight, on ${made.day}`
    made.problems.push({ file: 'list', path: scene.name, value: scene.at, expected })
  }
  made.last = scene.at
  const day = scene.day ?? made.day
  const { day: _, ...rest } = scene
  made.scenes.push({ id: idFor(scene.name, taken), ...rest, ...(day === undefined || day === job.day ? {} : { day }) })
}

export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)

const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'] as const
const WEEKDAY = /\b(sun|mon|tue|wed|thu|fri|sat)(?:day|nesday|rsday|sday|urday|s|r|rs)?\b/i
const NTH_DAY = /\bday (\d{1,2})\b/i
const DATE = /\b\d{4}-\d{2}-\d{2}\b/
const MONTH = '(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)(?:uary|ruary|ch|il|e|y|ust|t|tember|ober|ember)?'
const DAY_MONTH = new RegExp(String.raw`\b(\d{1,2})(?:st|nd|rd|th)?\.? (?:of )?${MONTH}\b`, 'i')
const MONTH_DAY = new RegExp(String.raw`\b${MONTH}\.? (\d{1,2})(?:st|nd|rd|th)?\b`, 'i')
const HALF_YEAR = 183 * 86_400_000

/** A day of the year that is nearest to another: "18 June" on a list for a job in that month. */
const nearestTo = (first: string, month: number, day: number): string | undefined => {
  const year = Number(first.slice(0, 4))
  const said = (y: number) => `${y}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`
  return [year, year + 1, year - 1]
    .map(said)
    .find(d => isDay(d) && Math.abs(Date.parse(d) - Date.parse(first)) <= HALF_YEAR)
}

/**
 * The day that some words name: a date, a day of the month, "day 2" of the job, or a day of the week from its first day
 * on.
 *
 * @example
 *   readDay('Thursday 18 June', '2026-06-20') // '2026-06-18'
 *
 * @returns undefined where they name none
 */
export const readDay = (text: string, first: string): string | undefined => {
  const date = DATE.exec(text)?.[0]
  if (date !== undefined && isDay(date)) return date
  const [, day, month] = DAY_MONTH.exec(text) ?? []
  const [, monthBefore, dayBehind] = MONTH_DAY.exec(text) ?? []
  const named = MONTHS.findIndex(m => m === (month ?? monthBefore)?.toLowerCase())
  if (named >= 0) return nearestTo(first, named + 1, Number(day ?? dayBehind))
  const nth = Number(NTH_DAY.exec(text)?.[1] ?? 0)
  if (nth > 0) return dayAfter(first, nth - 1)
  const said = WEEKDAY.exec(text)?.[1]?.toLowerCase()
  if (said === undefined) return undefined
  const wanted = WEEKDAYS.findIndex(d => d === said)
  const begins = new Date(`${first}T00:00:00Z`).getUTCDay()
  return dayAfter(first, (wanted - begins + 7) % 7)
}

/** Fields that are there; a scene says nothing of what nobody said. */
export const said = <T extends object>(fields: T): { readonly [K in keyof T]?: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== undefined)) as never

export const onlyOne = <T>(all: readonly T[]): T | undefined => (all.length === 1 ? all[0] : undefined)
