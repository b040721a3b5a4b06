import {
  SEPARATORS,
  behindName,
  BOX,
  boxed,
  bracketed,
  optionsIn,
  stripped,
  unmarked,
  withDefault,
} from './menu-options'

/**
 * One line of a menu as a setting: where its name ends and its options begin, whatever stands between them. Read in one
 * pass over the line; nothing here goes back over what it has read.
 */

/** What a line says when it is read as a setting: its name, and its options where they stand in the same line. */
export interface SplitLine {
  readonly label: string
  readonly options: readonly string[]
  /** Position of the default among the options; -1 where none is marked. */
  readonly preset: number
  /** Only the words say so; as one of several options it is one. */
  readonly byWords?: true
  /** Something was understood that the words do not say by themselves. */
  readonly remark?: string
}

const PAGE = /^(?:\((?:see )?(?:pp?\.|pages?) ?[\d–-]+\)|\[(?:see )?(?:pp?\.|pages?)? ?[\d–-]+\])$/i
/** Without the page of a manual behind it, as “Beep (p. 47)”. */
const withoutPage = (label: string): string => {
  const open = Math.max(label.lastIndexOf('('), label.lastIndexOf('['))
  return open > 0 && PAGE.test(label.slice(open).trimEnd()) ? label.slice(0, open) : label
}

/** What kind of thing can be chosen, as programs say it. */
const TYPE = /\s\((?:enum|bool|boolean|int|integer|string)\)$/i
/** A name alone, without what goes with it: “Q: AF mode?”, “AF mode (enum)”. */
export const nameIn = (label: string): string => {
  const name = withoutPage(label).trim().replace(TYPE, '')
  return name.startsWith('Q: ') ? name.slice(3).replace(/\?$/, '') : name
}

const asSplit = (label: string, written: readonly string[], remark?: string): SplitLine => {
  const marked = written.map(unmarked).filter(o => o.text)
  return {
    label: unmarked(nameIn(label)).text,
    options: marked.map(o => o.text),
    preset: marked.findIndex(o => o.isDefault),
    ...(remark ? { remark } : {}),
  }
}

/** “high ; low, medium, high”, “high (low/medium/high)”: what it is set to, and behind it all that it can be. */
const nowAndList = (text: string): { readonly list: string; readonly named: string } | undefined => {
  const told = /^([^;([]+)\s(?:;\s([^;]+)|\(([^()]+)\)|\[([^[\]]+)\])$/.exec(text)
  const [named, list] = [told?.[1]?.trim() ?? '', told?.[2] ?? told?.[3] ?? told?.[4] ?? '']
  return named && behindName(list).includes(named) ? { list, named } : undefined
}

/** A name and the text of its options, of which one may be said to be the default. */
export const asSetting = (label: string, text: string): SplitLine => {
  const { list, named } = nowAndList(text) ?? withDefault(text)
  const split = asSplit(label, behindName(list))
  const preset = split.options.findIndex(o => o.toLowerCase() === named.toLowerCase())
  return named && preset >= 0 ? { ...split, preset } : asSplit(label, behindName(text))
}

/** Where a name ends and a run of dots, tabs or spaces leads to what stands behind it; undefined where nothing does. */
const leader = (text: string): readonly [string, string] | undefined => {
  for (const lead of ['....', '. . .', '…', '\t', '   ']) {
    const at = text.indexOf(lead)
    if (at > 0) return [text.slice(0, at), text.slice(at).replace(/^[.…:\s]+/, '')]
  }
  return undefined
}

const isTable = (text: string) => text.startsWith('|') && text.endsWith('|')

const IS_WORD = /\p{L}{2}|^[ai]$/iu
const wordsIn = (text: string): number => text.split(' ').filter(w => IS_WORD.test(w)).length
const MOST_WORDS = 4
const MOST_IN_PAIR = 2
/** Whether a text explains something, rather than names it or lists what can be chosen. */
export const isProse = (text: string): boolean => {
  if (text.endsWith('.') && wordsIn(text) > 2) return true
  const parts = text.split(/[,;|/]/)
  // Of a long list one may well be a long one.
  return parts.length > MOST_IN_PAIR
    ? wordsIn(text) > MOST_WORDS * parts.length
    : parts.some(part => wordsIn(part) > MOST_WORDS)
}

const DASHES = [' – ', ' — ', ' - ']
/** An option and what is said of it behind a colon or a dash; undefined where nothing is. */
export const explained = (text: string): { readonly option: string; readonly by: string } | undefined => {
  for (const sign of [': ', ...DASHES]) {
    const found = around(text, sign)
    if (found) return { option: found[0], by: found[1] }
  }
  return undefined
}

const CHOOSE = /^(?:(?:choose|select|pick)\s(?:from|between|one\sof)|choose(?=\s\S+\sor\s)|one\sof|either)\s/i
const OPENED: Readonly<Record<string, string>> = { ')': '(', '}': '{', ']': '[' }
/** Where the options of a line begin in brackets at its end. */
const inBracketsAtEnd = (line: string): readonly [string, string] | undefined => {
  const text = withoutPage(line).trimEnd()
  const close = text.at(-1) ?? ''
  const opening = OPENED[close]
  if (!opening) return undefined
  let open = text.length - 1
  // Stryker disable next-line EqualityOperator: a bracket at the very beginning opens no list behind a name
  for (let depth = 1; depth > 0 && open > 0;) depth += { [close]: 1, [opening]: -1 }[text[--open] ?? ''] ?? 0
  if (open < 2) return undefined
  const list = text
    .slice(open + 1, -1)
    .trim()
    .replace(CHOOSE, '')
  return [text.slice(0, open), list]
}

const IS_LETTER = /\p{L}/u
/** Before and behind the first of a sign. */
const around = (text: string, sign: string): readonly [string, string] | undefined => {
  const at = text.indexOf(sign)
  return at > 0 ? [text.slice(0, at).trim(), text.slice(at + sign.length).trim()] : undefined
}

const HEADS_A_PART = /^(?:chapter|section|part|page|tab)\s[\w./-]+$/i

type Parts = readonly [label: string, list: string]
const isList = ([, told]: Parts): boolean => {
  const { list } = withDefault(told)
  return behindName(list).length > 1 && !isProse(list.replace(/\s\([^()]{1,60}\)$/, ''))
}
const always = (): boolean => true
/** “16:9” is no name with an option, and neither is the address of a page. */
const areWords = ([label, list]: Parts): boolean =>
  !/^[>/]/.test(list) && IS_LETTER.test(label.at(-1) ?? '') && IS_LETTER.test(list)

/** The signs that stand between a name and its options, and when they do. */
const SIGNS: readonly { readonly sign: string; readonly parts: (found: Parts) => boolean }[] = [
  { sign: ': ', parts: always },
  { sign: ' => ', parts: isList },
  { sign: ' = ', parts: always },
  { sign: ':', parts: areWords },
  { sign: '=', parts: areWords },
  ...DASHES.map(sign => ({ sign, parts: isList })),
]
const SPOKEN = [
  ...[' can be set to ', ' can be ', ' may be ', ' is either ', '? '],
  ...[', where you can pick ', ', where you can choose ', ', one of ', ', either ', ', from '],
]

const opens = (text: string, sign: string): number => text.split(sign).length - 1
/** Whether a list was cut out where it begins and ends. */
const isClean = ([label, list]: Parts): boolean => opens(label, '(') === opens(label, ')') && !/\.{4}| = /.test(list)

/** “AF mode can be set to Single or Continuous” */
const saidOf = (text: string): Parts | undefined => {
  for (const sign of SPOKEN) {
    const both = around(text, sign)
    if (both && isList(both)) return both
  }
  return undefined
}

/** Where the first sign between a name and its options stands; others may stand within an option. */
const firstNamed = (text: string): Parts | undefined => {
  const box = text.search(BOX)
  const boxes: readonly Parts[] = box > 0 && boxed(text.slice(box)) ? [[text.slice(0, box), text.slice(box)]] : []
  const behind = [leader(text), inBracketsAtEnd(text)].flatMap(p => (p && isList(p) ? [p] : []))
  const bySigns = SIGNS.flatMap(({ sign, parts }) => {
    const both = around(text, sign)
    return both && parts(both) ? [both] : []
  })
  const found = [...bySigns, ...boxes, ...behind].sort((a, b) => a[0].length - b[0].length)
  return found.find(isClean) ?? found[0] ?? saidOf(text)
}

/** “Assist: magnifier: On, Off” has a name of two parts, unless the second one begins several options. */
const named = (text: string): Parts | undefined => {
  const first = firstNamed(text)
  if (!first) return undefined
  const [label] = first
  const list = first[1].replace(CHOOSE, '')
  const again = firstNamed(list)
  // Columns are parted once.
  const isTwice =
    again &&
    !/^(?:\t|\s{3})/.test(text.slice(label.length)) &&
    isList(again) &&
    // “Continuous (Single, Continuous)”: what it is set to, and all that it can be.
    !behindName(again[1]).includes(again[0].trim()) &&
    !SEPARATORS.some(s => s.test(again[0])) &&
    opens(list, again[0]) === 1
  if (isTwice) return [`${label.trim()}: ${again[0].trim()}`, again[1]]
  return HEADS_A_PART.test(label) && optionsIn(list).length < 2 ? undefined : [label, list]
}

/** “Focus mode, default On: On, Off” */
const DEFAULT_IN_NAME = /^(.+?)(?:,\s|\s\(|\s\[)(?:default|factory|initially)[:\s]+([^()[\]]{1,40}?)[)\]]?$/i

const USUAL_WORDS = /^(?:on|off|auto|yes|no|none|low|mid|high|enabled?|disabled?)$/i
/** “beep on/off”, “lamp, on or off”: words at the end that nothing but options are. */
const wordsAtEnd = (text: string): readonly [string, string] | undefined => {
  const [first = '', ...others] = text.split(/\/|\sor\s/).map(p => p.trim())
  const words = [first.slice(first.lastIndexOf(' ') + 1), ...others]
  const areUsual = words.every(w => USUAL_WORDS.test(w.replace(/\*$/, '')))
  const label = stripped(first.slice(0, first.lastIndexOf(' ') + 1), ' ,:')
  return label && others.length && areUsual ? [label, words.join(' / ')] : undefined
}

/** Each layout that a text may be in looks at the same lines. */
const MEMORY = new Map<string, SplitLine | undefined>()
const MOST_REMEMBERED = 5000
const LONGEST_REMEMBERED = 500

/** The label and the options of a line that has both; undefined where it is a name alone. */
export const splitLine = (text: string): SplitLine | undefined => {
  // Stryker disable all: what is remembered says what is read anew, sooner
  if (text.length > LONGEST_REMEMBERED) return split(text)
  if (!MEMORY.has(text)) {
    if (MEMORY.size >= MOST_REMEMBERED) MEMORY.clear()
    MEMORY.set(text, split(text))
  }
  return MEMORY.get(text)
  // Stryker restore all
}

const split = (text: string): SplitLine | undefined => {
  if (isTable(text)) {
    const cells = text
      .slice(1, -1)
      .split('|')
      .map(c => c.trim())
    const [label = '', ...rest] = cells.filter(Boolean)
    if (!rest.length || /^[-:\s]+$/.test(rest.join(''))) return undefined
    const last = rest.at(-1) ?? ''
    return rest.length > 1 && optionsIn(last).length < 2 ? asSplit(label, rest) : asSetting(label, last)
  }
  const [name = ''] = text.split('[', 1)
  const inBrackets = name && !name.includes(': ') ? bracketed(text.slice(name.length)) : undefined
  if (inBrackets) return asSplit(name, inBrackets)
  const led = leader(text)
  // What stands in columns behind what it is set to, as a page of a manual, says nothing.
  const [list = '', now = ''] = (led?.[1] ?? '').split(/\t|\s{3,}/).map(c => c.trim())
  const ofList = optionsIn(list)
  if (led && now && ofList.includes(now)) return { ...asSplit(led[0], ofList), preset: ofList.indexOf(now) }
  const found = named(text)
  if (found) {
    const [label, told] = found
    // In columns a dash stands where there is nothing.
    const list = /\s{3}/.test(told)
      ? told
          .split(/\s{3}/)
          .filter(c => !/^[-–—]$/.test(c.trim()))
          .join('   ')
      : told
    const inName = DEFAULT_IN_NAME.exec(label)
    const setting = asSetting(inName?.[1] ?? label, list)
    const preset = setting.options.indexOf(inName?.[2] ?? '')
    return list ? { ...setting, preset: preset >= 0 ? preset : setting.preset } : undefined
  }
  const atEnd = wordsAtEnd(text)
  if (atEnd) return { ...asSetting(...atEnd), byWords: true }
  if (!led) return undefined
  const [label, rest] = led
  const isColumn = text[label.length] === ' ' || text[label.length] === '\t'
  if (!isColumn && /^\d+$/.test(rest)) return asSplit(label, [], 'the figure behind it looks like the number of a page')
  return isColumn && rest && !isProse(rest)
    ? asSplit(label, [rest], 'only what it is set to stands behind it')
    : undefined
}

/** An option that stands on a line of its own. */
export const loneOption = unmarked
