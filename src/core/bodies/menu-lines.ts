import { stripped } from './menu-options'

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
}

const TAB_WIDTH = 4
/** Marks of direction, of nothing, and what terminals leave behind. */
// eslint-disable-next-line no-control-regex -- they are what is taken out
const INVISIBLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufeff]/g
const BULLET = /^(?:[-–—•‣◦▪►▸*·]\s+|\+\s+(?=\p{L})|\(?\d{1,3}[.)]\s+)/u
const CHAPTER = /^(\d{1,2}(?:[.-]\d{1,2}){0,4})\.?\s+(?=\p{L})/u
const LETTERED = /^\(?[A-H][.):]\s+/
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

const trimmedEnd = (text: string): string => text.trimEnd()

/** A list that goes on in the next line, as one line; the lines keep their numbers. */
const unwrapped = (text: string): string => {
  const lines = text.split(/\r\n|\r|\n/)
  for (let i = lines.length - 2; i >= 0; i--) {
    const [line = '', next = ''] = [lines[i], lines[i + 1]]
    if (!/[,|;/]\s*$/.test(line.slice(-3)) || !next.trim() || line.trimStart().startsWith('|')) continue
    lines[i] = `${line.trimEnd()} ${next.trimStart()}`
    lines[i + 1] = ''
  }
  return lines.join('\n')
}

export const linesOf = (text: string): readonly MenuLine[] => {
  const all = unwrapped(text)
    .replaceAll(INVISIBLE, '')
    .replaceAll('\u00a0', ' ')
    // What draws a tree stands where indentation would.
    .replaceAll(/[\u2500-\u257f]/g, ' ')
    .split(/\r\n|\r|\n/)
  // One star alone is no mark of a list: it stands before a footnote.
  const letters = all.filter(raw => LETTERED.test(raw.trimStart())).map(raw => raw.trimStart().replace('(', '')[0])
  const isBullet = letters.includes('A') && letters.includes('B') ? LETTERED : BULLET
  const hasFootnote = all.filter(raw => raw.startsWith('* ')).length === 1
  return all.flatMap((written, i): readonly MenuLine[] => {
    const raw = written.slice(0, COMMENT.exec(written)?.index)
    const body = raw.trimStart()
    if (!body) return []
    if (/^[-–—]\s?\d{1,4}\s?[-–—]$/.test(body.trimEnd())) return [{ text: '—', indent: 0, number: i + 1 }]
    const lead = raw.slice(0, raw.length - body.length)
    const heading = /^#{1,6}(?=\s)/.exec(body)?.[0]
    if (heading)
      return [{ text: body.slice(heading.length).trim(), indent: HEADING_INDENT + heading.length, number: i + 1 }]
    const section = sectionIn(trimmedEnd(body))
    if (section) return [{ text: section, indent: HEADING_INDENT + 3, number: i + 1 }]
    const chapter = CHAPTER.exec(body)?.[1]
    const plain = trimmedEnd(hasFootnote && raw.startsWith('* ') ? raw : body.replace(isBullet, '').replace(BULLET, ''))
    const indent = lead.replaceAll('\t', ' '.repeat(TAB_WIDTH)).length
    return plain
      ? [
          {
            text: plain,
            indent,
            number: i + 1,
            ...(chapter ? { chapter } : {}),
            ...(isBullet.test(body) || BULLET.test(body) ? { isMarked: true } : {}),
          },
        ]
      : []
  })
}

/** A line of chapters without its number. */
export const withoutChapter = (text: string): string => text.replace(CHAPTER, '')
