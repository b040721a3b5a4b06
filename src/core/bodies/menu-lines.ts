/**
 * One line of a menu as people write or copy it: bullets, numbers, brackets, columns, dotted leaders, table rows. Read in
 * one pass over the line; nothing here goes back over what it has read.
 */

export interface MenuLine {
  readonly text: string
  readonly indent: number
  /** Counted from 1. */
  readonly number: number
}

/** What a line says when it is read as a setting: its name, and its options where they stand in the same line. */
export interface SplitLine {
  readonly label: string
  readonly options: readonly string[]
  /** Position of the default among the options; -1 where none is marked. */
  readonly preset: number
  /** Something was understood that the words do not say by themselves. */
  readonly remark?: string
}

const TAB_WIDTH = 4
/** Marks of direction, of nothing, and what terminals leave behind. */
// eslint-disable-next-line no-control-regex -- they are what is taken out
const INVISIBLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufeff]/g
const BULLET = /^(?:[-–—•‣◦▪►▸*·✓☐]\s+|\(?\d{1,3}[.)]\s+)/
/** Deeper than any indentation: all that follows belongs to a heading. */
const HEADING_INDENT = -100

const trimmedEnd = (text: string): string => text.trimEnd()

export const linesOf = (text: string): readonly MenuLine[] =>
  text
    .replaceAll(INVISIBLE, '')
    .replaceAll('\u00a0', ' ')
    .split(/\r\n|\r|\n/)
    .flatMap((raw, i): readonly MenuLine[] => {
      const body = raw.trimStart()
      if (!body) return []
      const lead = raw.slice(0, raw.length - body.length)
      const heading = /^#{1,6}(?=\s)/.exec(body)?.[0]
      if (heading)
        return [{ text: body.slice(heading.length).trim(), indent: HEADING_INDENT + heading.length, number: i + 1 }]
      const plain = trimmedEnd(body.replace(BULLET, ''))
      return plain ? [{ text: plain, indent: lead.replaceAll('\t', ' '.repeat(TAB_WIDTH)).length, number: i + 1 }] : []
    })

const STARRED = /^\*\*(.+)\*\*$/
const DEFAULT_WORDS = [' (default)', ' (factory)', ' (standard setting)', '*']

/** An option without its mark, and whether it had one. */
const unmarked = (option: string): { readonly text: string; readonly isDefault: boolean } => {
  const text = option.trim()
  const bold = STARRED.exec(text)?.[1]
  if (bold) return { text: bold, isDefault: true }
  const mark = DEFAULT_WORDS.find(m => text.toLowerCase().endsWith(m) && text.length > m.length)
  return mark ? { text: text.slice(0, -mark.length).trim(), isDefault: true } : { text, isDefault: false }
}

/** The parts between square brackets, where a line has several; a star may stand behind each. */
const bracketed = (text: string): readonly string[] | undefined => {
  const parts: string[] = []
  let rest = ''
  let at = 0
  while (at < text.length) {
    const open = text.indexOf('[', at)
    const close = open < 0 ? -1 : text.indexOf(']', open)
    if (close < 0) break
    rest += text.slice(at, open)
    const star = text[close + 1] === '*' ? '*' : ''
    parts.push(text.slice(open + 1, close).trim() + star)
    at = close + 1 + star.length
  }
  rest += text.slice(at)
  return parts.length > 1 && !/[\p{L}\p{N}]/u.test(rest.replaceAll(/\b(?:or|and)\b/g, '')) ? parts : undefined
}

const MOST_STEPS = 25
const STEP = /^([-+−±]?\d{1,3})\s?(\([^()]{1,40}\))?$/
/** A scale told by its ends, as `-2 ... +2` or `1 (locked on) ... 5 (responsive)`; undefined where it is none. */
const spanned = (text: string): readonly string[] | undefined => {
  const sign = ['...', '…', ' to ', '–'].find(s => text.includes(s))
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

const SEPARATORS: readonly RegExp[] = [/\|/, /;/, / \/ | \/|\/ /, /,(?!\d)/, /\t/, / {2}/]

/** Options in one text, by whatever stands between them. */
export const optionsIn = (text: string): readonly string[] => {
  const inBrackets = bracketed(text)
  if (inBrackets) return inBrackets
  const separator = SEPARATORS.find(s => s.test(text))
  if (!separator) return spanned(text.replace(/\*$/, '')) ?? [text]
  return text
    .split(separator)
    .map(o => o.trim())
    .filter(Boolean)
}

const asSplit = (label: string, written: readonly string[], remark?: string): SplitLine => {
  const marked = written.map(unmarked).filter(o => o.text)
  return {
    label: label.trim(),
    options: marked.map(o => o.text),
    preset: marked.findIndex(o => o.isDefault),
    ...(remark ? { remark } : {}),
  }
}

/** Where a name ends and a run of dots, tabs or spaces leads to what stands behind it; undefined where nothing does. */
const leader = (text: string): readonly [string, string] | undefined => {
  for (const lead of ['....', '. . .', '…', '\t', '   ']) {
    const at = text.indexOf(lead)
    if (at > 0) return [text.slice(0, at), text.slice(at).replace(/^[.…\s]+/, '')]
  }
  return undefined
}

const isTable = (text: string) => text.startsWith('|') && text.endsWith('|') && text.length > 2

/** The label and the options of a line that has both; undefined where it is a name alone. */
export const splitLine = (text: string): SplitLine | undefined => {
  if (isTable(text)) {
    const cells = text
      .slice(1, -1)
      .split('|')
      .map(c => c.trim())
    const [label = '', ...rest] = cells.filter(Boolean)
    if (!rest.length || /^[-:\s]+$/.test(rest.join(''))) return undefined
    const last = rest.at(-1) ?? ''
    return asSplit(label, rest.length > 1 && optionsIn(last).length < 2 ? rest : optionsIn(last))
  }
  const colon = text.indexOf(': ')
  if (colon > 0) {
    const rest = text.slice(colon + 2).trim()
    return rest ? asSplit(text.slice(0, colon), optionsIn(rest)) : undefined
  }
  const open = text.indexOf('[')
  const inBrackets = open > 0 ? bracketed(text.slice(open)) : undefined
  if (inBrackets) return asSplit(text.slice(0, open), inBrackets)
  const led = leader(text)
  if (!led) return undefined
  const [label, rest] = led
  if (/^\d+$/.test(rest)) return asSplit(label, [], 'the figure behind it looks like the number of a page')
  const options = optionsIn(rest)
  return options.length > 1 ? asSplit(label, options) : undefined
}

/** An option that stands on a line of its own. */
export const loneOption = unmarked
