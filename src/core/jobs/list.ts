import { readCsv } from '../reading/csv'
import { isHeadingOf } from '../reading/table'
import type { Job } from './job'
import { fromLine } from './list-lines'
import { LIST_COLUMNS, readSceneTable } from './list-table'
import { type ListKnows, type Made, type ReadList } from './list-words'

/** Scenes from a list as people write it: lines with a time in front, or a table with headings. */

const isHeading = (cells: readonly string[]): boolean =>
  ['at', 'name'].every(key =>
    LIST_COLUMNS.some(column => column.key === key && cells.some(c => isHeadingOf(column, c))),
  )

/** Cells between upright strokes, as chat programs and wikis write tables; the line under the heading goes. */
const pipedTable = (lines: readonly string[]): readonly (readonly string[])[] =>
  lines
    .map(line =>
      line
        .trim()
        .replace(/^\||\|$/g, '')
        .split('|')
        .map(c => c.trim()),
    )
    .filter(cells => !cells.every(c => /^:?-+:?$/.test(c)))

const MOST_COLUMNS = 40
/** Where the words of a heading begin that is set in columns of spaces. */
const startsOf = (heading: string): readonly number[] => [...heading.matchAll(/(?<=^|\s\s)\S/g)].map(m => m.index)

/**
 * Cells below a heading that is set in columns of spaces: cut where its words begin, or, where a row is wider than that,
 * at stretches of spaces.
 */
const alignedTable = (lines: readonly string[]): readonly (readonly string[])[] => {
  const starts = startsOf(lines[0] ?? '')
  return lines.map(line => {
    const fits = starts.every(at => at === 0 || (line[at - 1] ?? ' ') === ' ')
    return fits ? starts.map((at, i) => line.slice(at, starts[i + 1]).trim()) : line.trim().split(/ {2,}/)
  })
}

/**
 * A list that was pasted: with headings as a table, else line by line.
 *
 * @param most scenes that are accepted
 */
export const readSceneList = (text: string, job: Job, knows: ListKnows, most: number): ReadList => {
  const file = 'list'
  const lines = text.split(/\r?\n/)
  const filled = lines.flatMap((line, i) => (line.trim() ? [{ line, row: i + 1 }] : []))
  const piped = filled[0]?.line.trim().startsWith('|') ? pipedTable(filled.map(f => f.line)) : undefined
  if (piped && isHeading(piped[0] ?? [])) return readSceneTable({ rows: piped, problems: [] }, job, knows, file, most)
  if (isHeading((filled[0]?.line ?? '').split(/[,;\t]/)))
    return readSceneTable(readCsv(text.trimStart(), file, most + 1), job, knows, file, most)
  const first = filled[0]?.line ?? ''
  if (isHeading(first.trim().split(/ {2,}/)) && startsOf(first).length <= MOST_COLUMNS) {
    const rows = alignedTable(filled.slice(0, most + 2).map(f => f.line))
    return readSceneTable({ rows, problems: [] }, job, knows, file, most)
  }
  const made: Made = { scenes: [], places: [], problems: [] }
  for (const { line, row } of filled) {
    if (made.scenes.length + made.problems.length >= most) {
      const left = { path: `line ${row}`, value: `${filled.length} lines` }
      made.problems.push({ file, ...left, expected: `expected at most ${most} scenes; the rest is left out` })
      break
    }
    fromLine(line, row, job, knows, file, made)
  }
  return { ...made, scenes: made.scenes.slice(0, most) }
}
