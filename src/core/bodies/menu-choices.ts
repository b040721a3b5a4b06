import { BOX, FULL } from './menu-options'
import { splitLine } from './menu-split'

/** What is chosen of several lines below a name, told by a mark before it: a full box, or the arrow of a screen. */

const leadOf = (line: string): number => line.length - line.trimStart().length
const isBoxed = (line: string): boolean => line.trimStart().search(BOX) === 0

/** Boxes below a name, as deep as it or less, one of them full: `AF mode`, `[x] Single`, `[ ] Continuous`. */
const boxesBelow = (lines: readonly string[]): readonly string[] => {
  const made = [...lines]
  for (let i = 1; i < made.length; i++) {
    const name = lines[i - 1] ?? ''
    if (!isBoxed(lines[i] ?? '') || !name.trim() || isBoxed(name) || splitLine(name.trim())) continue
    let end = i
    while (isBoxed(lines[end] ?? '')) end++
    const group = lines.slice(i, end)
    // Several full ones are settings of their own, each on or off.
    const isOneFull = group.filter(l => FULL.test(BOX.exec(l.trimStart())?.[0] ?? '')).length === 1
    if (group.length > 1 && isOneFull && leadOf(group[0] ?? '') <= leadOf(name))
      group.forEach((l, k) => (made[i + k] = `${' '.repeat(leadOf(name) + 2)}${l.trimStart()}`))
    i = end
  }
  return made
}

const ARROW = /^\s*[>▶►▸→]\s+(?=\S)/
/** Where the words behind an arrow begin; undefined where there is none. */
const withinOf = (line: string): number | undefined => ARROW.exec(line)?.[0].length

/** The lines with an arrow below each name, by the line of the name. */
const arrowsBelow = (lines: readonly string[]): ReadonlyMap<number, readonly number[]> => {
  const found = new Map<number, number[]>()
  /** The names that stand around a line, each further in than the one before. */
  const around: { readonly at: number; readonly lead: number }[] = []
  lines.forEach((line, i) => {
    const within = withinOf(line)
    const lead = within ?? leadOf(line)
    const isEmpty = !line.trim()
    while (around.length && (isEmpty || (around.at(-1)?.lead ?? 0) >= lead)) around.pop()
    if (isEmpty) return
    if (within === undefined) {
      around.push({ at: i, lead })
      return
    }
    const name = around.at(-1)
    if (name)
      found
        .set(name.at, found.get(name.at) ?? [])
        .get(name.at)
        ?.push(i)
  })
  return found
}

/**
 * A screen's arrow stands where its neighbours have nothing, below a name that stands further out, and there is one of
 * it. Several are before names, and only lead on.
 */
const arrowsBeside = (lines: readonly string[]): readonly string[] => {
  const made = [...lines]
  for (const [i = 0, ...more] of arrowsBelow(lines).values()) {
    const line = lines[i] ?? ''
    const within = withinOf(line) ?? 0
    const isBeside = [lines[i - 1], lines[i + 1]].some(beside => beside?.trim() && leadOf(beside) === within)
    if (!more.length && isBeside) made[i] = `${' '.repeat(within)}${line.slice(within).trimEnd()} *`
  }
  return made
}

export const withChoices = (lines: readonly string[]): readonly string[] => boxesBelow(arrowsBeside(lines))
