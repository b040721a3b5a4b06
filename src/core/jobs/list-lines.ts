import type { Job, SceneLight } from './job'
import {
  add,
  type ListKnows,
  type Made,
  minutesBetween,
  onlyOne,
  placeOf,
  plain,
  readLight,
  readMinutes,
  readTime,
  said,
  splitNames,
  standardOf,
  USUAL_MINUTES,
} from './list-words'

/** Scenes from lines with a time in front. */

/** What stands before the time: bullets, numbers of a list, brackets. */
const BEFORE = /^[ \-–—•*·>]*(?:\d{1,3}[.)] )?(?:from )?[[(]? ?/i
const AT = String.raw`(?:\d{1,2}(?:[:.h]\d{2}(?::\d{2})?)?(?: ?[ap]\.?m\.?)?|[0-2]\d[0-5]\d)`
/** `19:30-19:45 Ring parade, 12 min, tent, Ottoline Marsh + Bram Tollard` */
const TIMES = new RegExp(
  String.raw`^(${AT})(?: ?(?:-|–|—|to|until) ?(${AT}))?(?: ?(?:h|hrs|uhr|o'clock))?(?!\w|:\d)`,
  'i',
)
/** A length at the end of a name, without anything that parts it off. */
const LENGTH_AT_END = / (\d{1,2} ?h(?:ours?)?(?: ?\d{1,2} ?(?:min|m)?)?|\d{1,3} ?(?:min|mins|minutes|'))\.?$/i
const EVERYBODY = /^(?:all|everybody|everyone|whole team)$/i

/** A line behind its time: a name, and whatever stands behind it in commas, brackets or after a dash. */
const partsOf = (text: string): readonly string[] => {
  const inBrackets = [...text.matchAll(/[([]([^()[\]]*)[)\]]/g)].map(m => m[1] ?? '')
  const bare = text
    .replaceAll(/[([][^()[\]]*[)\]]/g, '')
    .replaceAll('  ', ' ')
    .trim()
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

/** Whole names of people that stand behind a name without anything that parts them off. */
const namedAtEnd = (text: string, knows: ListKnows): string | undefined => {
  let rest = text
  for (;;) {
    const found = knows.people.find(p => plain(rest).endsWith(` ${plain(p.name)}`))
    if (!found) return rest === text ? undefined : text.slice(rest.length).trim()
    rest = rest.slice(0, -found.name.length).replace(/ (?:and|[+&])? ?$/, '')
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

/** What a part of a line is; undefined where it is only words. */
const readPart = (part: string, job: Job, made: Made, knows: ListKnows): Said | undefined => {
  const minutes = readMinutes(part)
  if (minutes !== undefined) return { minutes }
  if (EVERYBODY.test(part)) return { nothing: true }
  const people = splitNames(part).map(p => {
    const [who = '', ...rest] = p.split(/ (?:with|on) /)
    const found =
      knows.people.find(x => plain(x.name) === plain(who)) ??
      onlyOne(knows.people.filter(x => plain(x.name).split(' ')[0] === plain(who)))
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

export const fromLine = (text: string, row: number, job: Job, knows: ListKnows, file: string, made: Made): void => {
  const wrong = (expected: string) =>
    void made.problems.push({ file, path: `line ${row}`, value: text.trim().slice(0, 80), expected })
  // Single spaces, so that nothing below has to look at stretches of them.
  const line = text.replaceAll('\t', ', ').replaceAll(/\s+/g, ' ').trim().replace(BEFORE, '')
  const match = TIMES.exec(line)
  const at = match ? readTime(match[1] ?? '') : undefined
  const rest = match ? line.slice(match[0].length).replace(/^[\s\])|,:;\-–—→>]+/, '') : ''
  if (!match || at === undefined || !rest)
    return wrong('expected a time such as 19:30 and a name; the line is left out')
  const until = match[2] === undefined ? undefined : readTime(match[2])
  const [first = '', ...others] = [...partsOf(rest)]
  const people = namedAtEnd(first, knows)
  let name = people ? first.slice(0, -people.length).trim() : first
  if (people) others.unshift(people)
  let minutes = until === undefined ? undefined : minutesBetween(at, until)
  const fields: { place?: string; light?: SceneLight; standard?: string } = {}
  const covers: { person: string; remote: boolean; unit?: string }[] = []
  const words: string[] = []
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
      }
    else if (read.standard !== undefined) fields.standard = read.standard
    else if (read.light !== undefined) fields.light = read.light
    else if (read.place !== undefined) fields.place = placeOf(read.place, job, made)
  }
  if (!name) name = words.shift() ?? 'Scene'
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
