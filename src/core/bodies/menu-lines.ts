import { behindName, stripped } from './menu-options'
import { withChoices } from './menu-choices'
import { plainLines } from './menu-plain'
import { splitLine } from './menu-split'

/** The lines of a menu as people write or copy it, without what is only there to be looked at. */

export interface MenuLine {
  readonly text: string
  readonly indent: number
  /** Counted from 1. */
  readonly number: number
  /** The number before it, where it is one of chapters: “1.2”. */
  readonly chapter?: string | undefined
  /** It has a mark of a list before it. */
  readonly isMarked?: true
  /** How many empty lines stand before it in the text: those with as many stand together. */
  readonly block: number
}

const TAB_WIDTH = 4
const BULLET = /^(?:[-–—•‣◦▪►▸*·]\s+|;\s(?=[^\s:][^:]*:\s)|[+>]\s+(?=\p{L})|\(?\d{1,3}[.)]\s+)/u
const CHAPTER = /^(\d{1,2}(?:[.-]\d{1,2}){0,4})\.?\s+(?=\p{L})/u
/** Letters and small Roman numbers, where several lines have them. */
const LETTERED = /^\(?(?:[A-H][.):]|[a-z]\)|(?:i{1,3}|iv|vi{0,3}|ix|x)[.)])\s+/
/** What somebody noted behind a line. */
const COMMENT = /\s(?:\/\/|#)\s/
/** Deeper than any indentation: all that follows belongs to a heading. */
const HEADING_INDENT = -100

/** A name alone between signs, as `[Focus]` or `== Focus ==`. */
const sectionIn = (text: string): string | undefined => {
  if (/^\[[^[\]]{2,}\]$/.test(text)) return text.slice(1, -1).trim()
  const isBetween = /^[=~_-]{2}/.test(text) && /[=~_-]{2}$/.test(text)
  return isBetween ? stripped(text, '=~_- ') || undefined : undefined
}

/** All that a name above it can be at, in brackets of its own: `[On / Off]`, `(On / Off)`. */
const IN_BRACKETS = /^(?:\[[^[\]]+\]|\([^()]+\)|\{[^{}]+\})$/
/**
 * Such a list without its brackets, where the line before is a name that has no options yet; else a section is named so.
 *
 * @param before the line right above; undefined where there is none, or an empty one
 */
const listIn = (text: string, before: string | undefined): string | undefined => {
  if (!IN_BRACKETS.test(text) || before === undefined || IN_BRACKETS.test(before) || splitLine(before)) return undefined
  const inside = text.slice(1, -1).trim()
  return behindName(inside).length > 1 ? inside : undefined
}

/** “Under Focus you find:” and “In the Focus menu:” are names with words around them. */
const IN_WORDS = /^(?:under|in(?: the)?)\s(.+?)(?:\s(?:you find|there (?:is|are)|menu|tab|page)){1,2}:$/i

/** Menus mark what leads on. */
const withoutTriangle = (text: string): string =>
  text
    .trimEnd()
    .replace(/\s[>›»→▶►▸]$/, '')
    .trimEnd()

const trimmedEnd = (text: string): string => text.trimEnd()

export const linesOf = (text: string): readonly MenuLine[] => {
  const all = withChoices(plainLines(text))
  // One star alone is no mark of a list: it stands before a footnote.
  const lettered = all.filter(raw => LETTERED.test(raw.trimStart()))
  const isBullet = lettered.some(raw => /^\s*\(?[Aai]/.test(raw)) && lettered.length > 1 ? LETTERED : BULLET
  const hasFootnote = all.filter(raw => raw.startsWith('* ')).length === 1
  let block = 0
  return all.flatMap((written, i): readonly MenuLine[] => {
    if (!written.trim()) block++
    const raw = written.slice(0, COMMENT.exec(written)?.index)
    const body = raw.trimStart()
    if (/^[-–—]\s?\d{1,4}\s?[-–—]$/.test(body.trimEnd())) return [{ text: '—', indent: 0, number: i + 1, block }]
    const lead = raw.slice(0, raw.length - body.length)
    const heading = /^#{1,6}(?=\s)/.exec(body)?.[0]
    if (heading)
      return [
        { text: body.slice(heading.length).trim(), indent: HEADING_INDENT + heading.length, number: i + 1, block },
      ]
    const list = listIn(trimmedEnd(body), all[i - 1]?.trim() || undefined)
    const indent = lead.replaceAll('\t', ' '.repeat(TAB_WIDTH)).length
    if (list) return [{ text: list, indent, number: i + 1, block }]
    const section = sectionIn(trimmedEnd(body)) ?? IN_WORDS.exec(trimmedEnd(body))?.[1]
    if (section) return [{ text: section, indent: HEADING_INDENT + 3, number: i + 1, block }]
    const chapter = CHAPTER.exec(body)?.[1]
    const plain = withoutTriangle(
      hasFootnote && raw.startsWith('* ') ? raw : body.replace(isBullet, '').replace(BULLET, ''),
    )
    return plain
      ? [
          {
            text: plain,
            indent,
            number: i + 1,
            block,
            ...(chapter ? { chapter } : {}),
            ...(isBullet.test(body) || BULLET.test(body) ? { isMarked: true } : {}),
          },
        ]
      : []
  })
}

/** A line of chapters without its number. */
export const withoutChapter = (text: string): string => text.replace(CHAPTER, '')
