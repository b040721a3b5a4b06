import { findPerson } from './facts'
import type { Job, SceneLight } from './job'
import {
  ABOUT,
  add,
  dayAfter,
  EVERYBODY,
  type ListKnows,
  type Made,
  minutesBetween,
  placeOf,
  plain,
  readLight,
  readMinutes,
  readDay,
  readTime,
  said,
  splitNames,
  standardOf,
  USUAL_MINUTES,
} from './list-words'

/** Scenes from lines that have a time in them. */

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
const isHeading = (line: string): boolean => line.endsWith(':') || line.split(' ').every(word => OF_A_DAY.test(word))
const OF_A_DAY =
  /^(?:the|on|for|day|schedule|programme|program|timetable|running|order|\W+|\d{1,2}(?:st|nd|rd|th)?\W?|[\d-]{10}\W?|(?:sun|mon|tue|wed|thu|fri|sat|jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]{0,6}\W?)$/i
/** A name in front of what somebody does: "Ottoline: 9:00 arrivals". */
const IN_FRONT = /^[ \-–—•*·>]*([^\d:|]{2,60}?):(?: (.+))?$/
/** What people say in place of a name when it only begins. */
const BEGINS = /^(?:(?:we|you|they|it) )?(?:start|begin|meet|open|go on)s?$/i
const MORE_OR_LESS = /^(?:-?ish|sharp)(?!\w) ?/i

interface Timed {
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
const timeOf = (line: string, first: string): Timed | undefined => {
  const bare = line.replace(BULLETS, '')
  const dayWords = DAY_IN_FRONT.exec(bare)?.[0] ?? ''
  const day = dayWords ? readDay(dayWords, first) : undefined
  const front = bare
    .slice(day === undefined ? 0 : dayWords.length)
    .replace(/^(?:from |at )?[[(]? ?/i, '')
    .replace(ABOUT, '')
  const inFront = AT_FRONT.exec(front)
  if (inFront) return timed(inFront, behindTime(front.slice(inFront[0].length)), day)
  // "Sunday service 10:00" is what it is called.
  const inside = ANYWHERE.exec(bare)
  if (!inside) return undefined
  const before = bare.slice(0, inside.index).replace(/(?: (?:at|from|@)| ?[@,:(\-–—])? ?$/i, '')
  const behind = behindTime(bare.slice(inside.index + inside[0].length))
  if (BEGINS.test(before)) return timed(inside, behind.replace(/^(?:with|by) (?:the )?/i, ''), undefined)
  return timed(inside, before && behind ? `${before}, ${behind}` : before, undefined)
}

/** A length at the end of a name, without anything that parts it off. */
const LENGTH_AT_END = /(?: for)? (\d{1,2} ?h(?:ours?)?(?: ?\d{1,2} ?(?:min|m)?)?|\d{1,3} ?(?:min|mins|minutes|'))\.?$/i

/** A line behind its time: a name, and whatever stands behind it in commas, brackets or after a dash. */
const partsOf = (text: string): readonly string[] => {
  // Brackets part what stands before them from what stands behind; what is in them is read last.
  const inBrackets = [...text.matchAll(/[([]([^()[\]]*)[)\]]/g)].map(m => m[1] ?? '')
  const bare = text.replaceAll(/ ?[([][^()[\]]*[)\]] ?/g, '; ').replace(/; $/, '')
  const length = LENGTH_AT_END.exec(bare)
  const rest = length ? bare.slice(0, length.index) : bare
  return [
    ...rest
      .split(/[,;|]| [-–—] /)
      .map(part => part.trim())
      .filter(Boolean),
    ...(length?.[1] ? [length[1]] : []),
    ...inBrackets.map(b => b.trim()).filter(Boolean),
  ]
}

/** Names of people that stand behind a name without anything that parts them off: "Bram Tollard", "B. Tollard". */
const namedAtEnd = (text: string, knows: ListKnows): string | undefined => {
  let rest = text
  for (;;) {
    const words = rest.split(' ')
    const last = words.slice(-2).join(' ')
    if (words.length < 3 || !findPerson(knows.people, last))
      return rest === text ? undefined : text.slice(rest.length).trim()
    rest = words
      .slice(0, -2)
      .join(' ')
      .replace(/ (?:and|[+&]|(?:covered |shot )?by)$/, '')
  }
}

interface Said {
  readonly minutes?: number
  readonly covers?: readonly { readonly person: string; readonly remote: boolean; readonly unit?: string }[]
  readonly standard?: string
  readonly light?: SceneLight
  readonly place?: string
  /** It says something, and nothing that a scene holds. */
  readonly nothing?: true
}

const BY = /^(?:(?:covered |shot )?by|photographer:?) /i

/** What a part of a line is; undefined where it is only words. */
const readPart = (part: string, job: Job, made: Made, knows: ListKnows): Said | undefined => {
  const minutes = readMinutes(part)
  if (minutes !== undefined) return { minutes }
  if (EVERYBODY.test(part)) return { nothing: true }
  const people = splitNames(part.replace(BY, '')).map(p => {
    const [who = '', ...rest] = p.split(/ (?:with|on) /)
    const found = findPerson(knows.people, who)
    const unit = rest.find(r => knows.units.some(u => plain(u) === plain(r)))
    return found && { person: found.id, remote: false, ...(unit ? { unit } : {}) }
  })
  if (people.length > 0 && people.every(p => p !== undefined)) return { covers: people.flatMap(p => p ?? []) }
  const unit = knows.units.find(u => plain(u) === plain(part))
  if (unit !== undefined) return { covers: [{ person: '', remote: false, unit }] }
  const standard = standardOf(part, knows)
  if (standard !== undefined) return { standard }
  const light = readLight(part)
  if (light !== undefined) return { light }
  const isPlace = [...job.places, ...made.places].some(p => plain(p.name) === plain(part))
  if (isPlace) return { place: part }
  if (/^(?:at|in) \S/i.test(part)) return { place: part.replace(/^(?:at|in) (?:the )?/i, '') }
  return undefined
}

/** Somebody whose first name stands among other words. */
const mentionedIn = (text: string, knows: ListKnows): ListKnows['people'][number] | undefined => {
  const words = new Set(plain(text).split(/[^\p{L}]+/u))
  return knows.people.find(p => words.has(plain(p.name).split(' ')[0] ?? ''))
}

/** Parts of a line that each have a time and a name: "9:00 arrivals, 9:40 opening". */
const linesOf = (line: string): readonly string[] => {
  const parts = line.split(/(?<=[,;]) /)
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

/** More days than this from the first of a job is worth a word. */
const FAR_DAYS = 3

export const fromLine = (text: string, row: number, job: Job, knows: ListKnows, file: string, made: Made): void => {
  const say = (expected: string) =>
    void made.problems.push({ file, path: `line ${row}`, value: text.trim().slice(0, 80), expected })
  // Columns are parted by what is wider than a space; single spaces then, so that nothing below looks at stretches of them.
  const line = text
    .trim()
    .replaceAll(/\t| {2,}|\.{2,}/g, ' | ')
    .replaceAll(/\s+/g, ' ')
    .replace(/(?<=\p{L}{2}|[)\]])\.$/u, '')
  const [, named = line, behind] = IN_FRONT.exec(line) ?? []
  const person = findPerson(knows.people, named.trim())
  if (person && behind === undefined) return void (made.whose = person.id)
  if (EVERYBODY.test(named) && behind === undefined) return void (made.whose = undefined)
  const whose = person?.id ?? made.whose
  for (const one of linesOf(person ? (behind ?? '') : line)) {
    const found = timeOf(one, job.day)
    if (found) fromTimed(found, whose, job, knows, made, say)
    else fromHeading(one, job, made, say)
  }
}

/** A day that heads what stands below it, or nothing that could be read. */
const fromHeading = (line: string, job: Job, made: Made, say: (expected: string) => void): void => {
  const day = isHeading(line) ? readDay(line, job.day) : undefined
  if (day === undefined) return say('expected a time such as 19:30 and a name; the line is left out')
  made.day = day
  made.last = undefined
  made.whose = undefined
  if (day < job.day || day > dayAfter(job.day, FAR_DAYS)) say(`taken as ${day}; the job begins on ${job.day}`)
}

const fromTimed = (
  found: Timed,
  whose: string | undefined,
  job: Job,
  knows: ListKnows,
  made: Made,
  say: (expected: string) => void,
): void => {
  const { at, until, rest } = found
  if (found.day !== undefined) made.day = found.day
  const [first = '', ...others] = [...partsOf(rest)]
  const people = namedAtEnd(first, knows)
  let name = people ? first.slice(0, -people.length).trim() : first
  if (people) others.unshift(people)
  let minutes = until === undefined ? undefined : minutesBetween(at, until)
  const fields: { place?: string; light?: SceneLight; standard?: string } = {}
  const covers: { person: string; remote: boolean; unit?: string }[] = []
  const words: string[] = []
  let unit: string | undefined
  for (const part of others) {
    const read = readPart(part, job, made, knows)
    if (!read) words.push(part)
    else if (read.minutes !== undefined) minutes ??= read.minutes
    else if (read.covers)
      for (const c of read.covers) {
        // A camera behind a name is that person’s.
        const last = covers.at(-1)
        if (c.person) covers.push({ ...c })
        else if (last && c.unit !== undefined) last.unit ??= c.unit
        else unit ??= c.unit
      }
    else if (read.standard !== undefined) fields.standard = read.standard
    else if (read.light !== undefined) fields.light = read.light
    else if (read.place !== undefined) fields.place = placeOf(read.place, job, made)
  }
  // A number in front only counts the rows.
  if (!name || (/^\d{1,3}\.?$/.test(name) && words.length)) name = words.shift() ?? 'Scene'
  if (!covers.length && whose !== undefined) covers.push({ person: whose, remote: false })
  const [only, another] = covers
  if (unit !== undefined && only && !another) only.unit ??= unit
  else if (unit !== undefined) say(`${unit} stands there before anybody who has it; it is left out`)
  const mentioned = mentionedIn([name, ...words].join(' '), knows)
  if (mentioned && !covers.some(c => c.person === mentioned.id))
    say(`${mentioned.name} is mentioned, and not taken as covering it: no comma stands before the name`)
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
