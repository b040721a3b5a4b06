import { type MenuLine, withoutChapter } from './menu-lines'
import { isProse, splitLine } from './menu-split'
import { behindName } from './menu-options'
import { fieldOf } from './menu-columns'

/**
 * Layouts that say by other means than indentation what belongs to what: a path in every line, numbered chapters, blocks
 * with an empty line between, a slash between options that nothing parts from their name. Each is rewritten as
 * indentation, where enough lines of a text have it.
 */

const STEP = 4
const isMost = (few: number, all: number): boolean => few > 1 && 2 * few >= all

const ARROW = /\s(?:>|->|→|›|»|▸|⇒)\s/
/** Behind a colon an arrow parts options, unless there is a setting at the end. */
const segmentsOf = ({ text }: MenuLine): readonly string[] => {
  const segments = text.split(ARROW).map(s => s.trim())
  const last = segments.at(-1) ?? ''
  return segments[0]?.includes(': ') && !splitLine(last) && behindName(last).length < 2 ? [text] : segments
}

/** `Focus > Area > Size: S, M, L` */
const paths = (lines: readonly MenuLine[]): readonly MenuLine[] => {
  const isPath = (l: MenuLine) => segmentsOf(l).length > 1
  const isTrail = (l: MenuLine) => segmentsOf(l).length > 2 && !splitLine(l.text)
  // A path alone is where the page was found.
  if (!isMost(lines.filter(isPath).length, lines.length)) return lines.filter(l => !isTrail(l))
  let path: readonly string[] = []
  return lines.flatMap(line => {
    const segments = segmentsOf(line)
    const kept = segments.findIndex((s, i) => i === segments.length - 1 || s !== path[i])
    path = segments
    return segments.slice(kept).map((text, i) => ({ ...line, text, indent: (kept + i) * STEP }))
  })
}

const numbersIn = (chapter: string): readonly number[] => chapter.split(/[.-]/).map(Number)
const depthOf = (chapter: string): number => numbersIn(chapter).length
const isNext = (before: string | undefined, chapter: string): boolean => {
  const here = numbersIn(chapter)
  const there = numbersIn(before ?? '0')
  const level = here.length - 1
  if (here.length > there.length) return here.at(-1) === 1 || before === undefined
  return here[level] === (there[level] ?? 0) + 1
}

/** `1 Focus`, `1.1 Mode: Single / Continuous`, `1.2 Area` */
const chapters = (lines: readonly MenuLine[]): readonly MenuLine[] => {
  const numbered = lines.flatMap(l => l.chapter ?? [])
  const dotted = numbered.filter(c => depthOf(c) > 1)
  const inTurn = numbered.filter((c, i) => isNext(numbered[i - 1], c))
  // Amounts look alike, and are not counted one after the other.
  if (!isMost(dotted.length, numbered.length) || 5 * inTurn.length < 4 * numbered.length) return lines
  const open: { readonly depth: number; readonly isWhole: boolean }[] = []
  return lines.map(line => {
    const { chapter } = line
    if (chapter === undefined) {
      if (open.at(-1)?.isWhole) open.pop()
      return { ...line, indent: line.indent + open.length * STEP }
    }
    const depth = depthOf(chapter)
    const text = withoutChapter(line.text)
    // A line that holds a setting with its options has nothing below it.
    while (open.length && ((open.at(-1)?.depth ?? 0) >= depth || open.at(-1)?.isWhole)) open.pop()
    const indent = open.length * STEP
    open.push({ depth, isWhole: splitLine(text) !== undefined })
    return { ...line, text, indent }
  })
}

/** A name, below it what can be chosen, and an empty line before the next; what is said of it may come first. */
const blocks = (lines: readonly MenuLine[]): readonly MenuLine[] => {
  const split = lines.filter(l => splitLine(l.text)).length
  if (lines.some(l => l.indent !== 0) || 5 * split > lines.length) return lines
  const found: MenuLine[][] = []
  for (const line of lines) {
    const last = found.at(-1)
    if (last && line.block === last[0]?.block) last.push(line)
    else found.push([line])
  }
  const lists = found.filter(b => b.length > 1)
  if (!isMost(lists.length, found.length)) return lines
  return found.flatMap(block =>
    block
      .filter((line, i) => i !== 1 || block.length < 4 || !isProse(line.text))
      .map((line, i) => ({ ...line, indent: block.length === 1 ? 0 : i === 0 ? STEP : 2 * STEP })),
  )
}

/** `Mode`, below it as far to the left `Options: Single, Continuous` and what else is said of it. */
const fields = (lines: readonly MenuLine[]): readonly MenuLine[] => {
  let name: MenuLine | undefined
  return lines.map(line => {
    if (fieldOf(line.text) === undefined) {
      name = line
      return line
    }
    const isBelow = name && name.indent === line.indent && name.block === line.block
    return isBelow ? { ...line, indent: line.indent + 1 } : line
  })
}

/** `Mode Single* / Continuous / Manual`: of the first part, as many words are an option as the shortest other one has. */
const parted = (text: string): string | undefined => {
  if (splitLine(text)) return undefined
  const [first = '', ...others] = text.split(' / ').map(p => p.trim())
  const words = first.split(' ').filter(Boolean)
  const short = Math.min(...others.map(o => o.split(' ').length))
  if (!others.length || words.length <= short || isProse(text)) return undefined
  const label = words.slice(0, -short).join(' ')
  return `${label}: ${[words.slice(-short).join(' '), ...others].join(' / ')}`
}

/** `Mode: Single/Continuous; Beep: On/Off` */
const packed = (lines: readonly MenuLine[]): readonly MenuLine[] =>
  lines.flatMap(line => {
    const parts = line.text.split(/;\s/).map(p => p.trim())
    return parts.every(p => p.includes(': ')) ? parts.map(text => ({ ...line, text })) : [line]
  })

/** Names, and below each what belongs to it, told from them by the mark of a list and not by indentation. */
const marked = (lines: readonly MenuLine[]): readonly MenuLine[] => {
  const names = new Set<number>()
  return lines.map(line => {
    if (!line.isMarked) names.add(line.indent)
    return line.isMarked && names.has(line.indent) ? { ...line, indent: line.indent + 1 } : line
  })
}

const slashes = (lines: readonly MenuLine[]): readonly MenuLine[] => {
  const rewritten = lines.map(l => parted(l.text))
  const settings = lines.filter((l, i) => rewritten[i] !== undefined || splitLine(l.text)).length
  const slashed = lines.filter(l => l.text.includes(' / ')).length
  if (!isMost(slashed, settings) || 3 * settings < 2 * lines.length) return lines
  return lines.map((l, i) => ({ ...l, text: rewritten[i] ?? l.text }))
}

/** Lines in whatever layout, as lines whose indentation says what belongs to what. */
export const indented = (lines: readonly MenuLine[]): readonly MenuLine[] =>
  [packed, fields, paths, chapters, marked, blocks, slashes].reduce((now, layout) => layout(now), lines)
