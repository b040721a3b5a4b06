/**
 * What can be chosen, as it is written behind the name of a setting: lists with any sign between them, brackets, boxes,
 * scales told by their figures or their ends, and what is said of the default.
 */

const STARRED = /^\*\*([^*]+)\*\*$|^\*([^*]+)\*$/
const DEFAULT_WORDS = ['default', 'factory', 'standard setting']
  .flatMap(w => [` (${w})`, ` [${w}]`, ` – ${w}`, ` - ${w}`, ` ← ${w}`, ` <- ${w}`])
  .concat(' ✓', ' ✔', ' ●', ' ←', ' <-', '*')
const QUOTES = ['""', "''", '“”', '‘’', '«»', '„“', '<>']
const unquoted = (text: string): string =>
  text.length > 2 && QUOTES.includes((text[0] ?? '') + (text.at(-1) ?? '')) ? text.slice(1, -1).trim() : text
/** Boxes and rings as forms have them, before what can be chosen; full where it is. */
export const BOX = /(?<!\S)(?:\([ xX•*●]\)|\[[ xX•*]\]|[○◯◉●☐☑☒✓✔□■])\s/
const BOXES = new RegExp(BOX.source, 'g')
/** Of these the full ones. */
export const FULL = /[xX•*●◉☑☒✓✔■]/

/** An option without its mark, and whether it had one. */
export const unmarked = (option: string): { readonly text: string; readonly isDefault: boolean } => {
  // What is said of it in brackets, some way behind, is not its name.
  const [told = ''] = option.split('  (')
  const written = unquoted(told.trim())
  const box = BOX.exec(written)
  const text = box?.index === 0 ? written.slice(box[0].length).trim() : written
  if (text !== written) return { text, isDefault: FULL.test(box?.[0] ?? '') }
  const starred = STARRED.exec(text)
  const bold = starred?.[1] ?? starred?.[2]
  if (bold) return { text: bold, isDefault: true }
  const mark = DEFAULT_WORDS.find(m => text.toLowerCase().endsWith(m) && text.length > m.length)
  if (text.toLowerCase().endsWith(' (standard)')) return { text, isDefault: true }
  return mark ? { text: text.slice(0, -mark.length).trim(), isDefault: true } : { text, isDefault: false }
}

/** What stands behind boxes in one line, each with its box; undefined where there are no two of them. */
export const boxed = (text: string): readonly string[] | undefined => {
  const starts = [...text.matchAll(BOXES)].map(m => m.index)
  return starts.length > 1 && starts[0] === 0 ? starts.map((at, i) => text.slice(at, starts[i + 1]).trim()) : undefined
}

const DEFAULT_SAID = ['default', 'factory', 'initially', 'as delivered', 'ex works']
/** Without any of these signs at its ends. */
export const stripped = (text: string, signs: string): string => {
  let [from, to] = [0, text.length]
  while (from < to && signs.includes(text[from] ?? '')) from++
  while (to > from && signs.includes(text[to - 1] ?? '')) to--
  return text.slice(from, to)
}
/** “On, Off; default On”: the list, and what is said behind it of how it leaves the factory. */
export const withDefault = (text: string): { readonly list: string; readonly named: string } => {
  const word = DEFAULT_SAID.find(w => text.toLowerCase().includes(w))
  if (!word) return { list: text, named: '' }
  const at = text.toLowerCase().lastIndexOf(word)
  const named = stripped(text.slice(at + word.length), ' :=.()[]').replace(/^is:? /, '')
  return named ? { list: stripped(text.slice(0, at), ' ([;,.–-'), named } : { list: text, named: '' }
}

/** The parts between square brackets, where a line has several; a star may stand behind each. */
export const bracketed = (text: string, [left, right] = ['[', ']']): readonly string[] | undefined => {
  const parts: string[] = []
  let rest = ''
  let at = 0
  for (;;) {
    const open = text.indexOf(left ?? '[', at)
    const close = open < 0 ? -1 : text.indexOf(right ?? ']', open)
    if (close === -1) break
    rest += text.slice(at, open)
    const star = text[close + 1] === '*' ? '*' : ''
    parts.push(text.slice(open + 1, close) + star)
    at = close + 1 + star.length
  }
  rest += text.slice(at)
  return parts.length > 1 && !/[\p{L}\p{N}]/u.test(rest.replaceAll(/\b(?:or|and)\b/g, '')) ? parts : undefined
}

const NUMBER = /(?<!\S)(?:[[(]?(\d{1,2})[\])]\s|(\d{1,2})\s?=\s?)/g
/** What stands behind numbers that count up, as “[1] Single [2] Continuous” or “0=Off 1=On”; undefined where none do. */
const numbered = (text: string): readonly string[] | undefined => {
  const found = [...text.matchAll(NUMBER)]
  if (found.length < 2 || found[0]?.index !== 0) return undefined
  const counted = found.map(m => Number(m[1] ?? m[2]))
  if (!counted.every((n, i) => n === (counted[0] ?? 0) + i)) return undefined
  return found.map((m, i) => stripped(text.slice(m.index + m[0].length, found[i + 1]?.index).trim(), ',;'))
}

const MOST_STEPS = 25
const STEP = /^([-+−±]?\d{1,3})\s?(\([^()]{1,40}\))?$/
/** A scale told by its ends, as `-2 ... +2` or `1 (locked on) ... 5 (responsive)`; undefined where it is none. */
const spanned = (text: string): readonly string[] | undefined => {
  const sign = ['...', '…', ' to ', '–'].find(s => text.includes(s)) ?? (/^\d+\s?-\s?\d+$/.test(text) ? '-' : undefined)
  if (!sign) return undefined
  const [left = '', right = '', ...more] = text.split(sign).map(p => p.trim())
  const [from, to] = [STEP.exec(left), STEP.exec(right)]
  if (more.length || !from || !to) return undefined
  const numberOf = (t: string | undefined) => Number((t ?? '').replace('−', '-').replace('±', ''))
  const [a, b] = [numberOf(from[1]), numberOf(to[1])]
  const steps = Math.abs(b - a) + 1
  if (steps < 2 || steps > MOST_STEPS) return undefined
  const signed = a < 0 || b < 0
  return Array.from({ length: steps }, (_, i) => {
    if (i === 0) return left
    if (i === steps - 1) return right
    const n = a + Math.sign(b - a) * i
    return signed && n > 0 ? `+${n}` : String(n)
  })
}

const FIGURE = /[-+−±]?\d{1,3}(?:[.,]\d{1,2})?\*?(?:\s?\([^()]{1,40}\))?(?:\s+|$)/y
/** A scale told figure by figure, as `1 (locked on) 2 3 4 5 (responsive)`; undefined where it is none. */
const figures = (text: string): readonly string[] | undefined => {
  const found: string[] = []
  FIGURE.lastIndex = 0
  while (FIGURE.lastIndex < text.length) {
    const part = FIGURE.exec(text)?.[0]
    if (part === undefined) return undefined
    found.push(part.trim())
  }
  return found.length ? found : undefined
}

/** “Spot, Zone or Wide (we use Zone)”: what is said behind the last of one of the others belongs to none of them. */
const withoutTold = (options: readonly string[]): readonly string[] => {
  const others = options.slice(0, -1)
  const told = /^(.+?) \((?:\S+ )+(\S+)\)$/.exec(options.at(-1) ?? '')
  return told && others.includes(told[2] ?? '') ? [...others, told[1] ?? ''] : options
}

export const SEPARATORS: readonly RegExp[] = [/\|/, /;/, / \/ | \/|\/ /, /,(?!\d)/, /\t/, / {2}/, / (?:→|⇒|->|·|•) /]

/** Options in one text, by whatever stands between them. */
export const optionsIn = (text: string): readonly string[] => {
  const marked =
    boxed(text) ?? numbered(text) ?? bracketed(text) ?? bracketed(text, ['<', '>']) ?? bracketed(text, ['{', '}'])
  if (marked) return marked
  const separator = SEPARATORS.find(s => s.test(text))
  if (!separator) return spanned(text.replace(/\*$/, '')) ?? figures(text) ?? [text]
  const parts = text
    .split(separator)
    .map(o => o.trim())
    .filter(Boolean)
  const last = (parts.at(-1) ?? '').replace(/^or\s/, '')
  return withoutTold([...parts.slice(0, -1), ...last.split(' or ')])
}

const MOST_LETTERS = 42
/** A slash between two words parts options where nothing else does, and a name stands before them. */
export const behindName = (told: string): readonly string[] => {
  // A full stop may as well end an abbreviation.
  const written = /\b(?:on|off|auto|yes|no|none|manual)\.$/i.test(told) ? told.slice(0, -1) : told
  const isOne = /^(?:\[[^[\]]*\]|\{[^{}]*\})$/.test(written)
  const text = isOne ? written.slice(1, -1) : written
  const options = optionsIn(text)
  const either = text.split(' or ')
  if (options.length === 1 && either.length > 1 && either.every(p => p.split(' ').length < 3)) return either
  const parts = text.split('/').map(p => p.trim())
  // “1/3” is one of something.
  const arePart = parts.length > 2 || parts.every(p => /\p{L}/u.test(p))
  const isList = options.length === 1 && arePart && parts.every(p => p && p.length < MOST_LETTERS)
  return isList ? parts : options
}
