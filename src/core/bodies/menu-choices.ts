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
    while (end < lines.length && isBoxed(lines[end] ?? '')) end++
    const group = lines.slice(i, end)
    // Several full ones are settings of their own, each on or off.
    const isOneFull = group.filter(l => FULL.test(BOX.exec(l.trimStart())?.[0] ?? '')).length === 1
    if (group.length > 1 && isOneFull && leadOf(group[0] ?? '') <= leadOf(name))
      group.forEach((l, k) => (made[i + k] = `${' '.repeat(leadOf(name) + 2)}${l.trimStart()}`))
    i = end
  }
  return made
}

const ARROW = /^(\s*)[>▶►▸→](\s+)\S/
/** A screen's arrow stands where its neighbours have nothing; names with as many arrows are a list. */
const arrowsBeside = (lines: readonly string[]): readonly string[] =>
  lines.map((line, i) => {
    const [, lead, gap] = ARROW.exec(line) ?? []
    if (lead === undefined || gap === undefined) return line
    const within = lead.length + 1 + gap.length
    const isBeside = [lines[i - 1], lines[i + 1]].some(l => l?.trim() && !ARROW.test(l) && leadOf(l) === within)
    return isBeside ? `${' '.repeat(within)}${line.slice(within).trimEnd()} *` : line
  })

export const withChoices = (lines: readonly string[]): readonly string[] => boxesBelow(arrowsBeside(lines))
