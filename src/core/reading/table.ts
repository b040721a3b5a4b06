import type { Parsed, Problem } from './problem'

/** Tables as they come from spreadsheets: rows of texts, and what could not be read in which cell. */
export interface Sheet {
  /** Row by row, the heading first. */
  readonly rows: readonly (readonly string[])[]
  /** What was wrong in the file itself: formulas, merged cells. */
  readonly problems: readonly Problem[]
}

export interface Column {
  readonly key: string
  /** The heading that is written; reading also takes the others, in any case. */
  readonly heading: string
  readonly also?: readonly string[]
  readonly required: boolean
}

export interface TableRecord {
  /** Row in the file, counted from 1, the heading included. */
  readonly row: number
  readonly values: Readonly<Record<string, string>>
}

/** A column's letters. @example columnLetters(27) // 'AB' */
export const columnLetters = (index: number): string =>
  index < 26
    ? String.fromCharCode(65 + index)
    : columnLetters(Math.floor(index / 26) - 1) + String.fromCharCode(65 + (index % 26))

export const cellPlace = (row: number, column: string): string => `row ${row}, column ${column}`

/** The words of a heading, without capitals, signs between them or a stop at the end. */
const headingWords = (heading: string): string =>
  heading
    .trim()
    .replace(/[.:]$/, '')
    .toLowerCase()
    .replaceAll(/[\s_-]+/g, ' ')

export const isHeadingOf = (column: Column, heading: string): boolean =>
  [column.heading, column.key, ...(column.also ?? [])].some(n => headingWords(n) === headingWords(heading))

/**
 * Rows as records by column. Headings are found by name, in any order; columns nobody knows are left aside.
 *
 * @param most rows accepted below the heading
 */
export const readRecords = (
  sheet: Sheet,
  columns: readonly Column[],
  file: string,
  most: number,
): Parsed<readonly TableRecord[]> => {
  if (sheet.problems.length) return { ok: false, problems: sheet.problems.slice(0, 50) }
  const say = (path: string, value: string, expected: string): Problem => ({ file, path, value, expected })
  const [heading, ...rows] = sheet.rows
  if (!heading?.some(c => c.trim()))
    return { ok: false, problems: [say('row 1', '', `expected the headings ${headingsOf(columns)}`)] }
  const places = columns.map(c => {
    return { ...c, index: heading.findIndex(h => isHeadingOf(c, h)) }
  })
  const missing = places.filter(c => c.required && c.index < 0)
  if (missing.length)
    return {
      ok: false,
      problems: missing.map(c =>
        say('row 1', heading.filter(Boolean).join(', ').slice(0, 120), `expected a column “${c.heading}”`),
      ),
    }
  const twice = heading.filter((h, i) => h.trim() && heading.findIndex(x => headingWords(x) === headingWords(h)) !== i)
  if (twice.length) return { ok: false, problems: twice.map(h => say('row 1', h, 'expected each heading once')) }
  if (rows.length > most)
    return {
      ok: false,
      problems: [say(`row ${most + 2}`, `${rows.length} rows`, `expected at most ${most} rows below the heading`)],
    }
  const records = rows.flatMap((cells, i): TableRecord[] => {
    if (!cells.some(c => c.trim())) return []
    const values = Object.fromEntries(places.map(c => [c.key, (cells[c.index] ?? '').trim()]))
    return [{ row: i + 2, values }]
  })
  return records.length
    ? { ok: true, value: records }
    : { ok: false, problems: [say('', '', 'expected at least one row below the heading')] }
}

const headingsOf = (columns: readonly Column[]): string => columns.map(c => c.heading).join(', ')
