import { ABOUT, readDay, readTime } from './list-words'

/** When a line of a list is: the times, days and headings in it. */

const CLOCK = String.raw`\d{1,2}[:.h]\d{2}(?::\d{2})?(?: ?[ap](?:\.?m\.?)?(?!\w))?|\d{1,2} ?[ap]\.?m\.?(?!\w)`
const UNTIL = String.raw`(?: ?(?:-|–|—|to|until) ?(${CLOCK}|[0-2]\d[0-5]\d))?(?: ?(?:h|hrs|uhr|o'clock)(?!\w))?`
/** In front a time may be four digits; elsewhere those are a year, or so many metres. */
const AT_FRONT = new RegExp(String.raw`^(${CLOCK}|[0-2]\d[0-5]\d)${UNTIL}(?![\w]|:\d)`, 'i')
/** Anywhere a number with a point is as likely an amount: it needs its colon, its h or its half of the day. */
const COLON = String.raw`\d{1,2}[:h]\d{2}(?: ?[ap](?:\.?m\.?)?(?!\w))?|\d{1,2}(?:\.\d{2})? ?[ap]\.?m\.?(?!\w)`
const ANYWHERE = new RegExp(String.raw`(?<![\w.:])(${COLON})${UNTIL}(?![\w]|:\d)`, 'i')
/** What stands before a time in front: bullets, numbers of a list, a day, brackets. */
const BULLETS = /^[ \-–—•*·>]*(?:\d{1,3}[.)] )?/
const DAY_IN_FRONT =
  /^(?:(?:sun|mon|tue|wed|thu|fri|sat)[a-z]{0,6}\.?|day \d{1,2}|\d{4}-\d{2}-\d{2})(?: \d{1,2}(?:st|nd|rd|th)?\.?(?: [a-z]{3,9})?)?[,:]? /i

/** What heads the lines below it says nothing but a day, or ends in a colon; a sentence that mentions a day is a note. */
export const isDayHeading = (line: string): boolean =>
  line.endsWith(':') || line.split(' ').every(word => OF_A_DAY.test(word))
const OF_A_DAY =
  /^(?:the|on|for|day|schedule|programme|program|timetable|running|order|\W+|\d{1,2}(?:st|nd|rd|th)?\W?|[\d-]{10}\W?|(?:sun|mon|tue|wed|thu|fri|sat|jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]{0,6}\W?)$/i
/** What people say in place of a name when it only begins. */
const BEGINS =
  /^(?:(?:we|you|they|it) )?(?:start|begin|meet|open|go on)s?$|^(?:and )?(?:then|next|afterwards|after that|later|finally)$/i
const MORE_OR_LESS = /^(?:-?ish|sharp)(?!\w) ?/i

const FROM_TO = /^(\d{1,2})(?:[.:h](\d{2}))? ?(?:-|–|—|to|until|till) ?(\d{1,2})(?:[.:h](\d{2}))?h?(?= [\p{L}])/iu
const AN_HOUR = /^(\d{1,2})h(?= \p{L})/iu
const HOURS = /(?<![\w.:])(\d{1,2})h(\d{2})? ?(?:-|–|—|to|until) ?(\d{1,2})h(\d{2})?(?!\w)/gi
const HOUR_CELL = /(?<=^|\| )(\d{1,2})h(?= \||$)/i
/** Of these there may be ten to twelve as well. */
const COUNTED =
  /^ (?:people|persons|guests|children|kids|players|pupils|students|pictures|shots|frames|min(?:ute)?s?|hours?|h|m|km|metres?|years?)(?!\w)/i
/** Before six a number in front is hardly ever an hour. */
const FIRST_HOUR = 6

/**
 * Whole hours in front as a clock says them: "8-9 assembly", "9 to 9.45 maths", "11h arrival".
 *
 * @example asClock('8-9 assembly') // '08:00-09:00 assembly'
 */
export const asClock = (front: string): string => {
  const range = FROM_TO.exec(front)
  const one = AN_HOUR.exec(front)
  const clock = (hour: string, minute = '00') => `${hour.padStart(2, '0')}:${minute}`
  const isHour = (n: number) => n >= FIRST_HOUR && n <= 23
  if (one && isHour(Number(one[1]))) return clock(one[1] ?? '') + front.slice(one[0].length)
  if (!range) return front
  const [whole, from = '', fromMinute, to = '', toMinute] = range
  const rest = front.slice(whole.length)
  const isLater = Number(to) > Number(from) || (to === from && Number(toMinute ?? 0) > Number(fromMinute ?? 0))
  return isHour(Number(from)) && Number(to) <= 24 && isLater && !COUNTED.test(rest)
    ? `${clock(from, fromMinute)}-${clock(to, toMinute)}${rest}`
    : front
}

/**
 * Hours with an h anywhere in a line: "Heats | 10h-10h45". One by itself in a column is an hour where no other time is.
 *
 * @example withHours('Final | 12h | Rufus') // 'Final | 12:00 | Rufus'
 */
export const withHours = (line: string): string => {
  const ranged = line.replaceAll(HOURS, (written, from: string, past: string | undefined, to: string, more?: string) =>
    Number(from) >= FIRST_HOUR ? `${from}:${past ?? '00'}-${to}:${more ?? '00'}` : written,
  )
  return ANYWHERE.test(ranged)
    ? ranged
    : ranged.replace(HOUR_CELL, (written, hour: string) => (Number(hour) >= FIRST_HOUR ? `${hour}:00` : written))
}

/** A line with a time: when, until when, and what else it says. */
export interface Timed {
  readonly at: string
  readonly until: string | undefined
  readonly rest: string
  readonly day: string | undefined
}

const timed = (match: RegExpExecArray, rest: string, day: string | undefined): Timed | undefined => {
  const at = readTime(match[1] ?? '')
  const until = match[2] === undefined ? undefined : readTime(match[2])
  return at === undefined || !rest ? undefined : { at, until, rest, day }
}

const behindTime = (text: string): string =>
  text
    .replace(/^-(?=ish)/i, '')
    .replace(MORE_OR_LESS, '')
    .replace(/^[ \])|,:;\-–—→>]+/, '')

/** The time of a line, and the rest of it: in front, or behind a name ("Opening @ 18:00"). */
export const timeOf = (line: string, first: string): Timed | undefined => {
  const bare = withHours(line.replace(BULLETS, ''))
  const dayWords = DAY_IN_FRONT.exec(bare)?.[0] ?? ''
  const day = dayWords ? readDay(dayWords, first) : undefined
  const front = asClock(
    bare
      .slice(day === undefined ? 0 : dayWords.length)
      .replace(/^(?:from |at )?[[(]? ?/i, '')
      .replace(ABOUT, ''),
  )
  const inFront = AT_FRONT.exec(front)
  if (inFront) return timed(inFront, behindTime(front.slice(inFront[0].length)), day)
  // "Sunday service 10:00" is what it is called.
  const inside = ANYWHERE.exec(bare)
  if (!inside) return undefined
  const before = bare
    .slice(0, inside.index)
    .replace(/(?: (?:at|from|@)| ?[@,:(\-–—])? ?$/i, '')
    .replace(/ (?:at )?(?:around|about|approx\.?|circa|ca\.?)$/i, '')
  const behind = behindTime(bare.slice(inside.index + inside[0].length))
  if (BEGINS.test(before)) return timed(inside, behind.replace(/^(?:with|by) (?:the )?/i, ''), undefined)
  return timed(inside, before && behind ? `${before}, ${behind}` : before, undefined)
}

/** Nobody writes a day into one line. */
const MOST_PARTS = 40

/** Parts of a line that each have a time and a name: "9:00 arrivals, 9:40 opening". */
export const linesOf = (line: string): readonly string[] => {
  const parts = line.split(/(?<=[,;]) /)
  if (parts.length > MOST_PARTS) return [line]
  const clocked = parts.filter(p => ANYWHERE.test(p) && !/^(?:until|till|to|ends?|back)\b/i.test(p))
  if (clocked.length < 2 || !clocked.every(p => /[a-z]{3}/i.test(p.replace(ANYWHERE, '')))) return [line]
  const lines: string[] = []
  for (const part of parts) {
    const last = lines.at(-1)
    if (last !== undefined && !clocked.includes(part)) lines[lines.length - 1] = `${last} ${part}`
    else lines.push(part)
  }
  return lines.map(l => l.replace(/[,;]$/, ''))
}
