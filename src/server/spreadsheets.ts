import 'server-only'
import ExcelJS from 'exceljs'
import { decodeText, readCsv } from '@/core/formats/csv'
import type { Problem } from '@/core/formats/problem'
import { cellPlace, columnLetters, type Sheet } from '@/core/formats/table'
import { RequestError } from './problems'

/** Spreadsheets as tables of texts: CSV in any encoding that says what it is, and XLSX. */

export const MOST_SHEET_BYTES = 5 * 1024 * 1024
/** Longer sheets are refused before their cells are read. */
const MOST_ROWS = 20_000

const problem = (file: string, path: string, value: string, expected: string): Problem => ({
  file,
  path,
  value,
  expected,
})

const textOf = (value: ExcelJS.CellValue): string | undefined => {
  if (value === null || value === undefined) return ''
  if (value instanceof Date) return value.toISOString().slice(0, 10)
  if (typeof value === 'object') {
    if ('richText' in value) return value.richText.map(r => r.text).join('')
    if ('text' in value) return typeof value.text === 'string' ? value.text : textOf(value.text)
    return undefined
  }
  return String(value)
}

const readXlsx = async (bytes: Uint8Array, file: string): Promise<Sheet> => {
  const book = new ExcelJS.Workbook()
  try {
    await book.xlsx.load(bytes as unknown as ArrayBuffer)
  } catch {
    return {
      rows: [],
      problems: [problem(file, '', '', 'this file cannot be read as XLSX; open it and save it again')],
    }
  }
  const [sheet] = book.worksheets
  if (!sheet) return { rows: [], problems: [problem(file, '', '', 'expected a sheet with a table')] }
  if (sheet.rowCount > MOST_ROWS)
    return {
      rows: [],
      problems: [problem(file, '', `${sheet.rowCount} rows`, `expected at most ${MOST_ROWS} rows in the first sheet`)],
    }
  const rows: string[][] = []
  const problems: Problem[] = []
  sheet.eachRow({ includeEmpty: true }, (row, number) => {
    const cells: string[] = []
    row.eachCell({ includeEmpty: true }, (cell, column) => {
      const place = cellPlace(number, columnLetters(column - 1))
      if (cell.isMerged) {
        if (cell.master.address === cell.address)
          problems.push(
            problem(
              file,
              place,
              String(textOf(cell.value) ?? ''),
              'merged cells stand here; write the value in every row',
            ),
          )
        return
      }
      const text = textOf(cell.value)
      if (text === undefined)
        problems.push(
          problem(
            file,
            place,
            cell.formula ? `=${cell.formula}` : '',
            'a formula stands here; put its value in its place',
          ),
        )
      cells[column - 1] = text ?? ''
    })
    rows[number - 1] = Array.from(cells, c => c ?? '')
  })
  return { rows: Array.from(rows, r => r ?? []), problems }
}

/** Reads a table from the bytes of a file; what kind it is shows in its first bytes. */
export const readSheet = async (bytes: Uint8Array, file: string): Promise<Sheet> => {
  if (bytes.length === 0) return { rows: [], problems: [problem(file, '', '', 'this file is empty')] }
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return readXlsx(bytes, file)
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf)
    return {
      rows: [],
      problems: [problem(file, '', '', 'this is the older spreadsheet format; save it as XLSX or CSV')],
    }
  const text = decodeText(bytes, file)
  return text.ok ? readCsv(text.value, file) : { rows: [], problems: text.problems }
}

/** Writes a table as XLSX; every cell is text, so nothing in it can run. */
export const writeXlsx = async (rows: readonly (readonly string[])[], name: string): Promise<Uint8Array> => {
  const book = new ExcelJS.Workbook()
  const sheet = book.addWorksheet(name)
  for (const row of rows) sheet.addRow([...row])
  sheet.getRow(1).font = { bold: true }
  sheet.eachRow(row => row.eachCell(cell => (cell.numFmt = '@')))
  return new Uint8Array(await book.xlsx.writeBuffer())
}

/** The bytes of a request, bounded. */
export const readBytes = async (request: Request): Promise<Uint8Array> => {
  const tooLarge = new RequestError(413, 'Too large', 'A spreadsheet may have at most 5 MB.')
  if (Number(request.headers.get('content-length') ?? 0) > MOST_SHEET_BYTES) throw tooLarge
  const bytes = new Uint8Array(await request.arrayBuffer())
  if (bytes.length > MOST_SHEET_BYTES) throw tooLarge
  return bytes
}

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  text: 'text/plain; charset=utf-8',
  json: 'application/json',
} as const

/** A file to be saved by the browser. */
export const fileResponse = (content: string | Uint8Array, name: string, type: keyof typeof TYPES): Response =>
  new Response(content as BodyInit, {
    headers: { 'content-type': TYPES[type], 'content-disposition': `attachment; filename="${name}"` },
  })
