import { cellPlace, type Column, isHeadingOf, readRecords, type Sheet, type TableRecord } from '../reading/table'
import type { Problem } from '../reading/problem'
import { findPerson } from './facts'
import { type Job, LIGHTS } from './job'
import {
  add,
  EVERYBODY,
  isNobody,
  type ListKnows,
  type Made,
  minutesBetween,
  placeOf,
  readDay,
  type ReadList,
  readLight,
  readMinutes,
  readTime,
  said,
  splitNames,
  standardOf,
  USUAL_MINUTES,
} from './list-words'

/** Scenes from a table with headings. */

export const LIST_COLUMNS: readonly Column[] = [
  {
    key: 'at',
    heading: 'Time',
    also: ['start', 'begins', 'from', 'at', 'beginning', 'call', 'on', 'start time', 'stage time', 'time of day'],
    required: true,
  },
  {
    key: 'name',
    heading: 'Scene',
    also: ['name', 'title', 'what', 'programme', 'program', 'act', 'artist', 'item', 'event', 'session', 'activity'],
    required: true,
  },
  { key: 'day', heading: 'Day', also: ['date'], required: false },
  { key: 'until', heading: 'Until', also: ['end', 'ends', 'to', 'wrap', 'finish', 'off', 'end time'], required: false },
  { key: 'minutes', heading: 'Minutes', also: ['length', 'duration', 'dur', 'min', 'mins'], required: false },
  { key: 'place', heading: 'Place', also: ['where', 'location', 'stage', 'venue', 'room', 'hall'], required: false },
  { key: 'moves', heading: 'Moves', also: ['what moves', 'movement', 'subject', 'action'], required: false },
  { key: 'light', heading: 'Light', required: false },
  { key: 'facing', heading: 'Facing', also: ['looks', 'direction'], required: false },
  { key: 'near', heading: 'Near', also: ['nearest', 'near m'], required: false },
  { key: 'far', heading: 'Far', also: ['farthest', 'far m'], required: false },
  { key: 'standard', heading: 'Standard', required: false },
  {
    key: 'who',
    heading: 'Who',
    also: [
      'people',
      'person',
      'photographer',
      'covers',
      'shooter',
      'lead photographer',
      'lead',
      'assigned to',
      'assigned',
      'crew',
    ],
    required: false,
  },
  { key: 'unit', heading: 'Unit', also: ['camera', 'body', 'units', 'cameras', 'kit', 'gear'], required: false },
  { key: 'lens', heading: 'Lens', also: ['lenses'], required: false },
  { key: 'remote', heading: 'Remote', required: false },
  { key: 'notes', heading: 'Notes', also: ['note', 'remarks'], required: false },
]

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
  const minutes = readMinutes(value('minutes').replace(/^(\d):(\d\d)$/, '$1 h $2'))
  if (value('minutes') && (minutes === undefined || minutes < 1 || minutes > 1440))
    wrong('minutes', 'expected a length such as 12 or 1 h 20')
  if ((ends ?? value('until')) && until === undefined) wrong('until', 'expected a time such as 19:45')
  const day = readDay(value('day'), job.day)
  if (value('day') && day === undefined) wrong('day', 'expected a day such as 2026-11-28; the first day is taken')
  const light = readLight(value('light'))
  if (value('light') && !light) wrong('light', `expected one of ${LIGHTS.join(', ')}`)
  const standard = value('standard') ? (standardOf(value('standard'), knows) ?? value('standard')) : undefined
  // A dash stands for nobody, and in its place for no camera.
  const split = (key: Parameters<typeof value>[0]) =>
    isNobody(value(key)) ? [] : splitNames(value(key)).map(t => (isNobody(t) ? undefined : t))
  const [units, lenses] = [split('unit'), split('lens')]
  const who = EVERYBODY.test(value('who')) ? [] : split('who')
  const length = minutes !== undefined && minutes >= 1 && minutes <= 1440 ? minutes : undefined
  add(
    {
      name: value('name').slice(0, 120),
      at,
      minutes: length ?? (until === undefined ? USUAL_MINUTES : minutesBetween(at, until)),
      covers: who.slice(0, 40).flatMap((person, i) =>
        person === undefined
          ? []
          : {
              person: findPerson(knows.people, person)?.id ?? person.slice(0, 120),
              remote: /^(?:yes|y|true|x|1)$/i.test(value('remote')),
              ...said({ unit: units[i]?.slice(0, 120), lens: lenses[i]?.slice(0, 120) }),
            },
      ),
      ...said({
        day,
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

/** A column that only counts the rows. */
const COUNTS = /^(?:no|nr|num|number|#|order)?\.?$/i

const known = (heading: string): boolean => LIST_COLUMNS.some(c => isHeadingOf(c, heading))

/** Columns with a heading that nobody knows: they are named, so that nothing is lost in silence. */
const unreadColumns = ({ rows }: Sheet, file: string): Problem[] =>
  (rows[0] ?? []).flatMap(h =>
    !h.trim() || COUNTS.test(h.trim()) || known(h)
      ? []
      : [{ file, path: 'row 1', value: h.slice(0, 80), expected: 'no column of this name is known; it is left out' }],
  )
/** A table with headings, from a spreadsheet or a file. */
export const readSceneTable = (sheet: Sheet, job: Job, knows: ListKnows, file: string, most: number): ReadList => {
  const records = readRecords(sheet, LIST_COLUMNS, file, most)
  if (!records.ok) return { scenes: [], places: [], problems: records.problems }
  const made: Made = { scenes: [], places: [], problems: unreadColumns(sheet, file) }
  for (const record of records.value) fromRecord(record, job, knows, file, made)
  return made
}
