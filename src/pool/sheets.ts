import { decodeText, readCsv } from '@/core/reading/csv'
import type { Sheet } from '@/core/reading/table'
import { MOST, readXlsx } from './xlsx'

/** Spreadsheets as tables of texts: CSV in any encoding that says what it is, and XLSX. */

const refused = (file: string, expected: string, value = ''): Sheet => ({
  rows: [],
  problems: [{ file, path: '', value, expected }],
})

/** Reads a table from the bytes of a file; what kind it is shows in its first bytes. */
export const readSheet = async ({
  bytes,
  file,
}: {
  readonly bytes: Uint8Array
  readonly file: string
}): Promise<Sheet> => {
  if (bytes.length === 0) return refused(file, 'this file is empty')
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return readXlsx(bytes, file)
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf)
    return refused(file, 'this is the older spreadsheet format; save it as XLSX or CSV')
  const text = decodeText(bytes, file)
  if (!text.ok) return { rows: [], problems: text.problems }
  const sheet = readCsv(text.value, file, MOST.rows + 1)
  if (sheet.rows.length > MOST.rows)
    return refused(file, `expected at most ${MOST.rows} rows`, `more than ${MOST.rows} rows`)
  const wide = sheet.rows.findIndex(r => r.length > MOST.columns)
  if (wide >= 0) return refused(file, `expected at most ${MOST.columns} columns`, `row ${wide + 1}`)
  return sheet
}

/** Writes a table as XLSX; every cell is text, so nothing in it can run. */
export const writeXlsx = async ({
  rows,
  name,
}: {
  readonly rows: readonly (readonly string[])[]
  readonly name: string
}): Promise<Uint8Array> => {
  const { default: ExcelJS } = await import('exceljs')
  const book = new ExcelJS.Workbook()
  const sheet = book.addWorksheet(name)
  for (const row of rows) sheet.addRow([...row])
  sheet.getRow(1).font = { bold: true }
  sheet.eachRow(row => row.eachCell(cell => (cell.numFmt = '@')))
  return new Uint8Array(await book.xlsx.writeBuffer())
}
