import type { MenuLine } from './menu-lines'
import { explained, splitLine } from './menu-split'

/** What stands around a menu where it was copied from: numbers of pages, remarks, explanations, links. */

export const saysSomething = (text: string): boolean => /[\p{L}\p{N}]/u.test(text)
/** What can be chosen for nothing at all. */
const IS_NONE = /^[-–—]{1,3}$/
const IS_NUMBER = /^[\d\s.,:/–-]+$/
/** The heads of columns that only count. */
const COUNTED = /^(?:\s*(?:opt(?:ion)?|value|choice)s?\.?\s?\d{1,2})+$/i
const REMARK = /^(?:notes?|tips?|cautions?|warnings?|important|see|refer to|cf\.)(?::|\s+\S+\s+\S)/i
const FURNITURE = /^(?:back to top|top of page|(?:next|previous) page|(?:table of )?contents|related \p{L}+|home)$/iu
/** The address of a page at the end of a line. */
const LINK = /(?:^|\s)(?:https?:\/\/|www\.)\S+$/i
const MOST_WORDS = 6
const MOST_IN_NAME = 4

/** Why a line holds neither a setting nor a heading; undefined where it may. */
export const whyLeftOut = (
  { text, indent, isMarked }: MenuLine,
  i: number,
  all: readonly MenuLine[],
): string | undefined => {
  const isBelow = indent > 0 || isMarked
  if (!saysSomething(text) && !(isBelow && IS_NONE.test(text))) return 'it names nothing'
  const above = all[i - 1]
  // Among names it is one of them, elsewhere the number of a page.
  if (IS_NUMBER.test(text) && !isBelow && (!above || splitLine(above.text))) return 'it names nothing'
  const words = text.split(' ').length
  if (
    /^(?:\([^()]*\)|\* .*|;.*|.* wrote:)$/.test(text) ||
    REMARK.test(text) ||
    LINK.test(text) ||
    FURNITURE.test(text) ||
    COUNTED.test(text)
  )
    return 'it reads like a remark'
  if (text.endsWith(':') && words > MOST_IN_NAME) return 'it reads like a remark'
  const isSentence = text.endsWith('.') && words > MOST_WORDS
  return isSentence && !explained(text) && !splitLine(text) ? 'it reads like an explanation' : undefined
}
