import Papa from 'papaparse'
import type { Parsed } from './problem'
import type { Sheet } from './table'

/** Comma-separated values (RFC 4180), as text that a spreadsheet opens and does not run. */

/** Spreadsheets run cells that begin like this. */
const LIKE_A_FORMULA = /^[=+\-@\t\r]/
const GUARD = "'"
const isAmount = (text: string): boolean => /^[+-]?\d+(?:[.,]\d+)?$/.test(text)

const guarded = (cell: string): string =>
  (LIKE_A_FORMULA.test(cell) && !isAmount(cell)) || cell.startsWith(GUARD) ? GUARD + cell : cell
const unguarded = (cell: string): string =>
  cell.startsWith(GUARD) && (LIKE_A_FORMULA.test(cell.slice(1)) || cell.startsWith(GUARD + GUARD))
    ? cell.slice(1)
    : cell

const DELIMITERS = [',', ';', '\t'] as const

export const writeCsv = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(
    rows.map(r => r.map(guarded)),
    // Marked as one cell where it holds another program's delimiter: a heading full of them would be taken for theirs.
    { newline: '\r\n', quotes: cell => DELIMITERS.some(d => String(cell).includes(d)) },
  ) + '\r\n'

/** Bytes as text: UTF-8, or UTF-16 where the file says so at its start. */
export const decodeText = (bytes: Uint8Array, file: string): Parsed<string> => {
  const [first, second] = bytes
  const encoding =
    first === 0xff && second === 0xfe ? 'utf-16le' : first === 0xfe && second === 0xff ? 'utf-16be' : 'utf-8'
  try {
    return { ok: true, value: new TextDecoder(encoding, { fatal: true }).decode(bytes) }
  } catch {
    const good = longestPrefix(bytes, encoding)
    const lines = good.split('\n')
    return {
      ok: false,
      problems: [
        {
          file,
          path: `line ${lines.length}, after “${(lines.at(-1) ?? '').slice(-20)}”`,
          value: '',
          expected: 'this is not UTF-8 text; save the table as “CSV UTF-8” or as XLSX',
        },
      ],
    }
  }
}

const longestPrefix = (bytes: Uint8Array, encoding: string): string => {
  let [low, high] = [0, bytes.length]
  const read = (n: number): string | undefined => {
    try {
      return new TextDecoder(encoding, { fatal: true }).decode(bytes.subarray(0, n), { stream: true })
    } catch {
      return undefined
    }
  }
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if (read(middle) === undefined) high = middle - 1
    else low = middle
  }
  return read(low) ?? ''
}

/** The delimiter that the heading uses most, outside of quotation marks. */
const delimiterOf = (text: string): string => {
  const heading = /^(?:"(?:[^"]|"")*"|[^"\r\n])*/.exec(text)?.[0].replaceAll(/"(?:[^"]|"")*"/g, '') ?? ''
  const count = (d: string) => heading.split(d).length
  return DELIMITERS.reduce((best, d) => (count(d) > count(best) ? d : best), DELIMITERS[0] as string)
}

/**
 * The rows of a CSV text; commas, semicolons or tabs, as the file has them.
 *
 * @param mostRows reading stops after so many; all of them where 0
 */
export const readCsv = (text: string, file: string, mostRows = 0): Sheet => {
  const plain = text.replace(/^\uFEFF/, '')
  const { data, errors } = Papa.parse<string[]>(plain, { delimiter: delimiterOf(plain), preview: mostRows })
  const serious = errors.filter(e => e.type === 'Quotes')
  return {
    // The line break at the end of a file is no row.
    rows: (data.at(-1)?.join('') === '' ? data.slice(0, -1) : data).map(r => r.map(unguarded)),
    problems: serious.slice(0, 20).map(e => ({
      file,
      path: `row ${(e.row ?? 0) + 1}`,
      value: '',
      expected: 'a quotation mark opens here and does not close',
    })),
  }
}
