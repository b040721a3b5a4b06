import ExcelJS from 'exceljs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { problemWords } from '../../src/core/reading/problem'
import { workbookOf } from '../hardship/xlsx'
import { RequestError } from '../../src/server/problems'
import { fileResponse, MOST_SHEET_BYTES, readSheet, readSheetBytes, writeXlsx } from '../../src/server/spreadsheets'

const sheet = async (fill: (sheet: ExcelJS.Worksheet) => void) => {
  const book = new ExcelJS.Workbook()
  fill(book.addWorksheet('First'))
  book.addWorksheet('Second').addRow(['not', 'looked', 'at'])
  return readSheet(new Uint8Array(await book.xlsx.writeBuffer()), 'x.xlsx')
}

describe('an XLSX file', () => {
  it('written and read again is the same table', async () => {
    const cell = fc.string({ maxLength: 12 }).map(t => t.replaceAll(/[^ -~]/g, '').trim() || 'x')
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 5 }), async rows => {
        expect((await readSheet(await writeXlsx(rows, 'X'), 'x')).rows).toEqual(rows)
      }),
      { numRuns: 25 },
    )
  })

  it('is read by what its cells show: numbers, days, yes and no, links and coloured text', async () => {
    const { rows, problems } = await sheet(s =>
      s.addRow([
        7.5,
        new Date('2026-12-24T00:00:00Z'),
        true,
        { text: 'a link', hyperlink: 'somewhere' },
        { richText: [{ text: 'two ' }, { text: 'parts' }] },
        null,
        'end',
      ]),
    )
    expect(problems).toEqual([])
    expect(rows).toEqual([['7.5', '2026-12-24', 'true', 'a link', 'two parts', '', 'end']])
  })

  it('keeps empty rows and cells in their places, so that messages name the right ones', async () => {
    const { rows } = await sheet(s => {
      s.getCell('A1').value = 'Tag'
      s.getCell('C4').value = 'far'
    })
    expect(rows).toEqual([['Tag'], [], [], ['', '', 'far']])
  })

  it('says every formula and every merged cell by its place', async () => {
    const { problems } = await sheet(s => {
      s.addRow(['a', { formula: '1+1', result: 2 }])
      s.addRow(['b', 'c'])
      s.mergeCells('A2:B2')
    })
    expect(problems.map(problemWords)).toEqual([
      'x.xlsx, row 1, column B: =1+1 stands there; a formula stands here; put its value in its place',
      'x.xlsx, row 2, column A: b stands there; merged cells stand here; write the value in every row',
    ])
  })

  it('with too many rows is refused before they are read', async () => {
    const { problems } = await sheet(s => {
      s.getCell('A20001').value = 'last'
    })
    expect(problems.map(problemWords)).toEqual([
      'x.xlsx: row 20001 stands there; expected at most 20000 rows in the first sheet',
    ])
  })
})

describe('days', () => {
  const styles = `<styleSheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main">
    <numFmts><numFmt numFmtId="164" formatCode="[Red]yyyy"/><numFmt numFmtId="165" formatCode="0 &quot;days&quot;"/></numFmts>
    <cellXfs><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="164"/><xf numFmtId="165"/></cellXfs></styleSheet>`
  const shown = async (cells: readonly (readonly [style: number, value: number])[]) => {
    const row = cells.map(([s, v]) => `<c s="${s}"><v>${v}</v></c>`).join('')
    const bytes = workbookOf(`<sheetData><row>${row}</row></sheetData>`, [{ name: 'xl/styles.xml', text: styles }])
    return (await readSheet(bytes, 'x.xlsx')).rows[0]
  }

  it('are numbers that a format shows as days; 1900 has a day that never was', async () => {
    // ECMA-376-1, 18.17.4.1: 1 is 1 January 1900, 2958465 is 31 December 9999, and 60 would be 29 February 1900.
    const serials = [1, 59, 61, 2_958_465] as const
    expect(await shown(serials.map(n => [1, n]))).toEqual(['1900-01-01', '1900-02-28', '1900-03-01', '9999-12-31'])
    // Hours are no day of their own, a word in a format is no day, and a plain number stays one.
    expect(
      await shown([
        [2, 45_000.75],
        [3, 45_000],
        [0, 45_000],
      ]),
    ).toEqual(['2023-03-15', '45000', '45000'])
  })
})

describe('what is sent', () => {
  const request = (body: Uint8Array) =>
    new Request('http://localhost/', {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: body as BodyInit,
    })

  it('may have five megabytes and not one byte more', async () => {
    expect((await readSheetBytes(request(new Uint8Array(10)))).length).toBe(10)
    await expect(readSheetBytes(request(new Uint8Array(MOST_SHEET_BYTES + 1)))).rejects.toThrow(RequestError)
  })

  it('and handed out has a name and a type', async () => {
    const response = fileResponse('a,b\r\n', 'units.csv', 'csv')
    expect(response.headers.get('content-disposition')).toBe('attachment; filename="units.csv"')
    expect(await response.text()).toBe('a,b\r\n')
  })
})
