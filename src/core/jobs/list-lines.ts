import { findPerson } from './facts'
import type { Job, SceneLight } from './job'
import { isDayHeading, linesOf, type Timed, timeOf } from './list-clock'
import {
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

/** A name in front of what somebody does: "Ottoline: 9:00 arrivals". */
const IN_FRONT = /^[ \-–—•*·>]*([^\d:|]{2,60}?):(?: (.+))?$/

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
      .split(/[,;|→]| [-–—] /)
      .map(part => part.trim())
      .filter(Boolean),
    ...(length?.[1] ? [length[1]] : []),
    ...inBrackets
      .flatMap(b => b.split(/[,;|]/))
      .map(b => b.trim())
      .filter(Boolean),
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
  readonly notes?: string
  /** It says something, and nothing that a scene holds. */
  readonly nothing?: true
}

/** Where somebody stands, behind their name: "Bram gallery". It goes into the notes as it is written. */
const STANDS =
  / (?:(?:at|in|on|from) )?(?:the )?(?:front|back|left|right|side|middle|centre|top|gallery|balcony|stage|pit|wings?|aisle|roof|stands?|stairs|door|entrance|exit|floor|audience)$/i

const BY = /^(?:(?:covered |shot )?by|photographer:?) /i

/** What a part of a line is; undefined where it is only words. */
const readPart = (part: string, job: Job, made: Made, knows: ListKnows): Said | undefined => {
  const minutes = readMinutes(part)
  if (minutes !== undefined) return { minutes }
  if (EVERYBODY.test(part)) return { nothing: true }
  const people = splitNames(part.replace(BY, '')).map(p => {
    const [who = '', ...rest] = p.replace(STANDS, '').split(/ (?:with|on) /)
    // A last name by itself may be a place or a thing as well.
    const found = isLastName(who, knows) ? undefined : findPerson(knows.people, who)
    const unit = rest.find(r => knows.units.some(u => plain(u) === plain(r)))
    return found && { person: found.id, remote: false, ...(unit ? { unit } : {}) }
  })
  if (people.length > 0 && people.every(p => p !== undefined))
    return { covers: people.flatMap(p => p ?? []), ...(STANDS.test(part) ? { notes: part } : {}) }
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

const lastNameOf = (name: string): string => name.split(' ').slice(1).join(' ')
const isLastName = (text: string, { people }: ListKnows): boolean =>
  people.some(p => plain(lastNameOf(p.name)) === plain(text)) && !people.some(p => plain(p.name) === plain(text))

/** Somebody whose first name stands among other words, or whose last name does with its capital. */
const mentionedIn = (text: string, knows: ListKnows): ListKnows['people'][number] | undefined => {
  const written = new Set(text.split(/[^\p{L}]+/u))
  const words = new Set([...written].map(plain))
  return knows.people.find(p => words.has(plain(p.name).split(' ')[0] ?? '') || written.has(lastNameOf(p.name)))
}

/** No scene takes more words than this. */
const LONGEST_LINE = 2000
/** More days than this from the first of a job is worth a word. */
const FAR_DAYS = 3

export const fromLine = (text: string, row: number, job: Job, knows: ListKnows, file: string, made: Made): void => {
  const say = (expected: string) =>
    void made.problems.push({ file, path: `line ${row}`, value: text.trim().slice(0, 80), expected })
  if (text.trim().length > LONGEST_LINE)
    return say(`expected a line of at most ${LONGEST_LINE} characters for each scene; the line is left out`)
  // Columns are parted by what is wider than a space; single spaces then, so that nothing below looks at stretches of them.
  const line = text
    .trim()
    .replaceAll(/\t| {2,}|\.{2,}/g, ' | ')
    .replaceAll(/\s+/g, ' ')
    .replace(/(?<=\p{L}{2}|[)\]])\.$/u, '')
  const [, named = line, behind] = IN_FRONT.exec(line) ?? []
  const person = findPerson(knows.people, named.trim())
  // Whoever stands above the lines has a running order of their own, on the day that stands above it.
  if (behind === undefined && (person || EVERYBODY.test(named))) {
    made.whose = person?.id
    made.day = made.headed
    made.last = undefined
    return
  }
  const whose = person?.id ?? made.whose
  for (const one of linesOf(person ? (behind ?? '') : line)) {
    const found = timeOf(one, job.day)
    if (found) fromTimed(found, whose, job, knows, made, say)
    else fromHeading(one, job, made, say)
  }
}

/** A day that heads what stands below it, or nothing that could be read. */
const fromHeading = (line: string, job: Job, made: Made, say: (expected: string) => void): void => {
  const day = isDayHeading(line) ? readDay(line, job.day) : undefined
  if (day === undefined) return say('expected a time such as 19:30 and a name; the line is left out')
  made.day = day
  made.headed = day
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
  const { at, rest } = found
  if (found.day !== undefined) made.day = found.day
  const parts = [...partsOf(rest)]
  // In columns the end stands behind the beginning, without a word between.
  const until = found.until ?? (parts.length > 1 ? readTime(parts[0] ?? '') : undefined)
  if (until !== undefined && found.until === undefined) parts.shift()
  const [first = '', ...others] = parts
  const people = namedAtEnd(first, knows)
  let name = people ? first.slice(0, -people.length).trim() : first
  if (people) others.unshift(people)
  let minutes = until === undefined ? undefined : minutesBetween(at, until)
  const fields: { place?: string; light?: SceneLight; standard?: string } = {}
  const covers: { person: string; remote: boolean; unit?: string }[] = []
  const words: string[] = []
  const stands: string[] = []
  let unit: string | undefined
  for (const part of others) {
    const read = readPart(part, job, made, knows)
    if (read?.notes !== undefined) stands.push(read.notes)
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
    say(`${mentioned.name} is mentioned, and not taken as covering it: write the whole name behind a comma`)
  add(
    {
      name: name.slice(0, 120),
      at,
      minutes: Math.min(1440, Math.max(1, minutes ?? USUAL_MINUTES)),
      covers,
      ...fields,
      ...said({
        moves: words.join(', ').slice(0, 300) || undefined,
        notes: stands.join(', ').slice(0, 400) || undefined,
      }),
    },
    job,
    made,
  )
}
