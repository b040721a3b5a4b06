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
const withinOf = (line: string): number | undefined => {
  const [, lead, gap] = ARROW.exec(line) ?? []
  return lead === undefined || gap === undefined ? undefined : lead.length + 1 + gap.length
}

/**
 * A screen's arrow stands where its neighbours have nothing, below a name that stands further out, and there is one of
 * it. Several are before names, and only lead on.
 */
const arrowsBeside = (lines: readonly string[]): readonly string[] => {
  /** The names that stand around a line, each further in than the one before. */
  const around: number[] = []
  const leave = (lead: number) => {
    while (around.length && leadOf(lines[around.at(-1) ?? 0] ?? '') >= lead) around.pop()
  }
  const below = new Map<number, number[]>()
  lines.forEach((line, i) => {
    const within = withinOf(line)
    if (!line.trim()) around.length = 0
    else leave(within ?? leadOf(line))
    const name = around.at(-1)
    if (within === undefined && line.trim()) around.push(i)
    if (within !== undefined && name !== undefined) below.set(name, [...(below.get(name) ?? []).slice(-1), i])
  })
  const made = [...lines]
  for (const [i, ...more] of below.values()) {
    const line = lines[i ?? -1] ?? ''
    const within = withinOf(line) ?? 0
    const isBeside = [-1, 1].some(k => {
      const beside = lines[(i ?? 0) + k] ?? ''
      return beside.trim() && withinOf(beside) === undefined && leadOf(beside) === within
    })
    if (i !== undefined && !more.length && isBeside) made[i] = `${' '.repeat(within)}${line.slice(within).trimEnd()} *`
  }
  return made
}

export const withChoices = (lines: readonly string[]): readonly string[] => boxesBelow(arrowsBeside(lines))
