import { readCsv } from '../reading/csv'
import { cellPlace, type Column, readRecords, type Sheet, type TableRecord } from '../reading/table'
import type { Problem } from '../reading/problem'
import { idFor, type Job, LIGHTS, type Place, type Scene, type SceneLight } from './job'
import { isDay } from './clock'

/** Scenes from a list as people write it: lines with a time in front, or a table with headings. */

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
const USUAL_MINUTES = 15

export const LIST_COLUMNS: readonly Column[] = [
  { key: 'at', heading: 'Time', also: ['start', 'begins', 'from', 'at', 'beginning'], required: true },
  { key: 'name', heading: 'Scene', also: ['name', 'title', 'what', 'programme', 'act', 'item'], required: true },
  { key: 'day', heading: 'Day', also: ['date'], required: false },
  { key: 'until', heading: 'Until', also: ['end', 'ends', 'to'], required: false },
  { key: 'minutes', heading: 'Minutes', also: ['length', 'duration', 'min', 'mins'], required: false },
  { key: 'place', heading: 'Place', also: ['where', 'location', 'stage', 'venue'], required: false },
  { key: 'moves', heading: 'Moves', also: ['what moves', 'movement', 'subject', 'action'], required: false },
  { key: 'light', heading: 'Light', required: false },
  { key: 'facing', heading: 'Facing', also: ['looks', 'direction'], required: false },
  { key: 'near', heading: 'Near', also: ['nearest', 'near m'], required: false },
  { key: 'far', heading: 'Far', also: ['farthest', 'far m'], required: false },
  { key: 'standard', heading: 'Standard', required: false },
  { key: 'who', heading: 'Who', also: ['people', 'person', 'photographer', 'covers', 'shooter'], required: false },
  { key: 'unit', heading: 'Unit', also: ['camera', 'body', 'units', 'cameras'], required: false },
  { key: 'lens', heading: 'Lens', also: ['lenses'], required: false },
  { key: 'remote', heading: 'Remote', required: false },
  { key: 'notes', heading: 'Notes', also: ['note', 'remarks'], required: false },
]

const CLOCK = /^(\d{1,2})(?:[:.h](\d{2}))?\s?(am|pm)?$/i

/**
 * A time as people write it.
 *
 * @example
 *   readTime('7.30 pm') // '19:30'
 *   readTime('25:00') // undefined
 */
export const readTime = (text: string): string | undefined => {
  const match = CLOCK.exec(text.trim().replace(/\s?(?:h|uhr|o'clock)$/i, ''))
  if (!match) return undefined
  const [, hours = '', minutes = '00', half] = match
  if (half === undefined && match[2] === undefined) return undefined
  const said = Number(hours)
  if (half !== undefined && (said < 1 || said > 12)) return undefined
  const hour = half === undefined ? said : (said % 12) + (half.toLowerCase() === 'pm' ? 12 : 0)
  if (hour > 23 || Number(minutes) > 59) return undefined
  return `${String(hour).padStart(2, '0')}:${minutes}`
}

const minutesBetween = (from: string, until: string): number => {
  const at = (t: string) => Number(t.slice(0, 2)) * 60 + Number(t.slice(3))
  const span = at(until) - at(from)
  return span > 0 ? span : span + 1440
}

/** @example readMinutes('1 h 20') // 80 */
export const readMinutes = (text: string): number | undefined => {
  const plain = text.trim().toLowerCase()
  const hours = /^(\d{1,2}) ?(?:h|hours?)(?: ?(\d{1,2}) ?(?:m|min|minutes?)?)?$/.exec(plain)
  if (hours) return Number(hours[1]) * 60 + Number(hours[2] ?? 0)
  const minutes = /^(\d{1,4}) ?(?:m|min|mins|minutes?|')?$/.exec(plain)
  return minutes ? Number(minutes[1]) : undefined
}

const plain = (text: string): string => text.trim().toLowerCase().replaceAll(/\s+/g, ' ')
const splitNames = (text: string): readonly string[] =>
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
const readLight = (text: string): SceneLight | undefined =>
  LIGHTS.find(l => l === plain(text)) ?? LIGHT_WORDS[plain(text)]

const standardOf = (text: string, knows: ListKnows): string | undefined => {
  const [name = '', version] = text.split('@')
  const found = knows.standards.find(s => s.id === plain(name) || plain(s.name) === plain(name))
  return found && (version ? `${found.id}@${version}` : found.id)
}

interface Made {
  readonly scenes: Scene[]
  readonly places: Place[]
  readonly problems: Problem[]
}

const placeOf = (text: string, job: Job, made: Made): string => {
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

const add = (scene: Omit<Scene, 'id'>, job: Job, made: Made): void => {
  const taken = [...job.scenes, ...made.scenes].map(s => s.id)
  made.scenes.push({ id: idFor(scene.name, taken), ...scene })
}

/** Fields that are there; a scene says nothing of what nobody said. */
const said = <T extends object>(fields: T): { readonly [K in keyof T]?: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== undefined)) as never

const fromRecord = ({ row, values }: TableRecord, job: Job, knows: ListKnows, file: string, made: Made): void => {
  const value = (key: string) => values[key] ?? ''
  const wrong = (key: string, expected: string) =>
    void made.problems.push({ file, path: cellPlace(row, columnOf(key)), value: value(key), expected })
  const number = (key: string, least: number, most: number): number | undefined => {
    const text = value(key)
      .replace(/ ?(?:m|°|degrees)$/, '')
      .replace(',', '.')
    if (!text) return undefined
    const n = Number(text)
    if (Number.isFinite(n) && n >= least && n <= most) return n
    wrong(key, `expected a number from ${least} to ${most}`)
    return undefined
  }
  const [begins = '', ends] = value('at').split(/\s?[-–]\s?/)
  const at = readTime(begins)
  if (at === undefined) return wrong('at', 'expected a time such as 19:30; the row is left out')
  if (!value('name')) return wrong('name', 'expected what the scene is called; the row is left out')
  const until = readTime(ends ?? value('until'))
  const minutes = readMinutes(value('minutes'))
  if (value('minutes') && (minutes === undefined || minutes < 1 || minutes > 1440))
    wrong('minutes', 'expected a length such as 12 or 1 h 20')
  if ((ends ?? value('until')) && until === undefined) wrong('until', 'expected a time such as 19:45')
  const day = value('day')
  if (day && !isDay(day)) wrong('day', 'expected a day such as 2026-11-28; the first day is taken')
  const light = readLight(value('light'))
  if (value('light') && !light) wrong('light', `expected one of ${LIGHTS.join(', ')}`)
  const standard = value('standard') ? (standardOf(value('standard'), knows) ?? value('standard')) : undefined
  const [units, lenses] = [splitNames(value('unit')), splitNames(value('lens'))]
  const length = minutes !== undefined && minutes >= 1 && minutes <= 1440 ? minutes : undefined
  add(
    {
      name: value('name').slice(0, 120),
      at,
      minutes: length ?? (until === undefined ? USUAL_MINUTES : minutesBetween(at, until)),
      covers: splitNames(value('who'))
        .slice(0, 40)
        .map((person, i) => ({
          person: knows.people.find(p => plain(p.name) === plain(person))?.id ?? person.slice(0, 120),
          remote: /^(?:yes|y|true|x|1)$/i.test(value('remote')),
          ...said({ unit: units[i]?.slice(0, 120), lens: lenses[i]?.slice(0, 120) }),
        })),
      ...said({
        day: isDay(day) && day !== job.day ? day : undefined,
        place: value('place') ? placeOf(value('place'), job, made) : undefined,
        moves: value('moves').slice(0, 300) || undefined,
        light,
        facing: number('facing', 0, 360),
        near: number('near', 0.01, 10_000),
        far: number('far', 0.01, 10_000),
        standard: standard?.slice(0, 80),
        notes: value('notes').slice(0, 400) || undefined,
      }),
    },
    job,
    made,
  )
}

const columnOf = (key: string): string => LIST_COLUMNS.find(c => c.key === key)?.heading ?? key

/** `19:30-19:45 Ring parade, 12 min, tent, Ottoline Marsh + Bram Tollard` */
const LINE =
  /^\W{0,4}(\d{1,2}(?:[:.h]\d{2})?(?:\s?[ap]m)?)(?:\s?[-–]\s?(\d{1,2}(?:[:.h]\d{2})?(?:\s?[ap]m)?))?[\s,:-]+(\S.*)$/i

const fromLine = (text: string, row: number, job: Job, knows: ListKnows, file: string, made: Made): void => {
  const wrong = (expected: string) =>
    void made.problems.push({ file, path: `line ${row}`, value: text.slice(0, 80), expected })
  const match = LINE.exec(text.trim())
  const at = match && readTime(match[1] ?? '')
  if (!match || at === undefined || at === null)
    return wrong('expected a time such as 19:30 in front; the line is left out')
  const until = match[2] === undefined ? undefined : readTime(match[2])
  const [name = '', ...parts] = (match[3] ?? '').split(/\s*[,;\t|]\s*/).filter(Boolean)
  let minutes = until === undefined ? undefined : minutesBetween(at, until)
  const fields: { place?: string; light?: SceneLight; standard?: string } = {}
  const covers: { person: string; remote: boolean; unit?: string }[] = []
  const words: string[] = []
  for (const part of parts) {
    const length = readMinutes(part)
    const standard = standardOf(part, knows)
    const light = readLight(part)
    const people = splitNames(part).map(p => {
      const [who = '', ...rest] = p.split(/\s+(?:with|on)\s+|\s*[()]\s*/)
      const found =
        knows.people.find(x => plain(x.name) === plain(who)) ??
        onlyOne(knows.people.filter(x => plain(x.name).split(' ')[0] === plain(who)))
      const unit = rest.find(r => knows.units.some(u => plain(u) === plain(r)))
      return found && { person: found.id, remote: false, ...(unit ? { unit } : {}) }
    })
    const isPlace =
      job.places.some(p => plain(p.name) === plain(part)) || made.places.some(p => plain(p.name) === plain(part))
    if (length !== undefined && minutes === undefined) minutes = length
    else if (people.every(p => p !== undefined)) covers.push(...people.flatMap(p => p ?? []))
    else if (standard !== undefined) fields.standard = standard
    else if (light !== undefined) fields.light = light
    else if (isPlace) fields.place = placeOf(part, job, made)
    else if (/^(?:at|in) /i.test(part)) fields.place = placeOf(part.replace(/^(?:at|in) (?:the )?/i, ''), job, made)
    else words.push(part)
  }
  add(
    {
      name: name.slice(0, 120),
      at,
      minutes: Math.min(1440, Math.max(1, minutes ?? USUAL_MINUTES)),
      covers,
      ...fields,
      ...said({ moves: words.join(', ').slice(0, 300) || undefined }),
    },
    job,
    made,
  )
}

const onlyOne = <T>(all: readonly T[]): T | undefined => (all.length === 1 ? all[0] : undefined)

/** A table with headings, from a spreadsheet or a file. */
export const readSceneTable = (sheet: Sheet, job: Job, knows: ListKnows, file: string, most: number): ReadList => {
  const records = readRecords(sheet, LIST_COLUMNS, file, most)
  if (!records.ok) return { scenes: [], places: [], problems: records.problems }
  const made: Made = { scenes: [], places: [], problems: [] }
  for (const record of records.value) fromRecord(record, job, knows, file, made)
  return made
}

const isHeading = (cells: readonly string[]): boolean =>
  ['at', 'name'].every(key => {
    const column = LIST_COLUMNS.find(c => c.key === key)
    return cells.some(c =>
      [column?.heading, column?.key, ...(column?.also ?? [])].some(n => n !== undefined && plain(n) === plain(c)),
    )
  })

/**
 * A list that was pasted: with headings as a table, else line by line.
 *
 * @param most scenes that are accepted
 */
export const readSceneList = (text: string, job: Job, knows: ListKnows, most: number): ReadList => {
  const file = 'list'
  const lines = text.split(/\r?\n/)
  const filled = lines.flatMap((line, i) => (line.trim() ? [{ line, row: i + 1 }] : []))
  if (isHeading((filled[0]?.line ?? '').split(/[,;\t]/)))
    return readSceneTable(readCsv(text.trimStart(), file, most + 1), job, knows, file, most)
  const made: Made = { scenes: [], places: [], problems: [] }
  if (filled.length > most)
    made.problems.push({
      file,
      path: `line ${filled[most]?.row ?? most}`,
      value: `${filled.length} lines`,
      expected: `expected at most ${most} scenes`,
    })
  for (const { line, row } of filled.slice(0, most)) fromLine(line, row, job, knows, file, made)
  return made
}
