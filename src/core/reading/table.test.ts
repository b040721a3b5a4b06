import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decodeText, readCsv, writeCsv } from './csv'
import { parseDocument, parseJson, problemWords } from './problem'
import { type Column, columnLetters, readRecords } from './table'
import * as v from 'valibot'

const COLUMNS: readonly Column[] = [
  { key: 'name', heading: 'Name', also: ['called'], required: true },
  { key: 'size', heading: 'Size', required: false },
]
const read = (rows: readonly (readonly string[])[], most = 10) =>
  readRecords({ rows, problems: [] }, COLUMNS, 'f', most)
const complaint = (rows: readonly (readonly string[])[], most = 10) => {
  const parsed = read(rows, most)
  return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
}

describe('a table', () => {
  it.each([[['Name', 'Size']], [['size', 'NAME']], [['Extra', 'Called', 'Size']], [[' name ', '']]])(
    'is read under the headings %j',
    heading => {
      const parsed = read([heading, heading.map((_, i) => `v${i}`)])
      const at = heading.findIndex(h => /name|called/i.test(h))
      expect(parsed.ok && parsed.value[0]?.values['name']).toBe(`v${at}`)
    },
  )

  it('has its rows numbered as the spreadsheet numbers them, empty ones left out', () => {
    const parsed = read([['Name'], ['a'], ['', ''], ['b']])
    expect(parsed.ok && parsed.value.map(r => [r.row, r.values['name']])).toEqual([
      [2, 'a'],
      [4, 'b'],
    ])
  })

  it('fills what a short row leaves out, and what a column is missing, with nothing', () => {
    const parsed = read([['Name', 'Size'], ['a']])
    expect(parsed.ok && parsed.value[0]?.values).toEqual({ name: 'a', size: '' })
    const without = read([['Name'], ['a']])
    expect(without.ok && without.value[0]?.values['size']).toBe('')
  })

  it('says what is wrong with it', () => {
    expect(complaint([])).toBe('f, row 1: expected the headings Name, Size')
    expect(complaint([['Size'], ['1']])).toBe('f, row 1: Size stands there; expected a column “Name”')
    expect(complaint([['Name', 'name'], ['1']])).toContain('expected each heading once')
    expect(complaint([['Name']])).toContain('expected at least one row below the heading')
    expect(complaint([['Name'], ['a'], ['b'], ['c']], 2)).toContain('row 4: 3 rows stands there')
  })

  it('of a file that was wrong in itself says only that', () => {
    const problems = [{ file: 'f', path: 'row 2', value: '', expected: 'a formula stands here' }]
    expect(readRecords({ rows: [['Name'], ['a']], problems }, COLUMNS, 'f', 9)).toEqual({ ok: false, problems })
  })

  it('names its columns as spreadsheets do', () => {
    expect([0, 25, 26, 51, 52, 701, 702].map(columnLetters)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA', 'ZZ', 'AAA'])
  })
})

describe('CSV', () => {
  const cell = fc.oneof(
    fc.string({ maxLength: 12 }),
    fc.constantFrom(
      ';;;',
      '\t\t\t\t',
      '=1+1',
      '+49 30',
      '-',
      '@me',
      "'quoted'",
      "'=x",
      ',;\t',
      'a"b',
      'x\ny',
      '  ',
      '−0.7',
      '-12,5',
    ),
  )

  it('written and read again is the same table, whatever stands in it', () => {
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 2, maxLength: 5 }), { minLength: 2, maxLength: 6 }), table => {
        const width = table[0]?.length ?? 0
        const rows = table
          .map(r => Array.from({ length: width }, (_, i) => (r[i] ?? '').replaceAll('\r', '')))
          .map((r, i) => [`row ${i}`, ...r])
        expect(readCsv(writeCsv(rows), 'f').rows).toEqual(rows)
      }),
      { numRuns: 300 },
    )
  })

  it('never gives a spreadsheet something to run', () => {
    fc.assert(
      fc.property(fc.constantFrom('=', '+', '-', '@'), fc.string({ minLength: 1, maxLength: 10 }), (sign, rest) => {
        const [line] = writeCsv([[`${sign}${rest}`, 'x']]).split('\r\n')
        const isAmount = /^[+-]\d+(?:[.,]\d+)?$/.test(`${sign}${rest}`)
        if (!isAmount) expect(line?.replace(/^"/, '').startsWith("'")).toBe(true)
      }),
    )
  })

  it.each([
    ['a,b\n1,2\n', ['1', '2']],
    ['a;b\n1;2\n', ['1', '2']],
    ['a\tb\n1\t2\n', ['1', '2']],
    ['\uFEFFa,b\r\n"1,5","2\n3"\r\n', ['1,5', '2\n3']],
  ])('may be written by other programs: %j', (text, row) => {
    expect(readCsv(text, 'f').rows).toEqual([['a', 'b'], row])
  })

  it('in UTF-16 is read in either byte order', () => {
    const bytes = (big: boolean) =>
      Uint8Array.from([
        ...(big ? [0xfe, 0xff] : [0xff, 0xfe]),
        ...[...'Zäh'].flatMap(c => {
          const code = c.charCodeAt(0)
          return big ? [code >> 8, code & 255] : [code & 255, code >> 8]
        }),
      ])
    for (const big of [true, false]) {
      const decoded = decodeText(bytes(big), 'f')
      expect(decoded.ok && decoded.value.replace('\uFEFF', '')).toBe('Zäh')
    }
  })
})

describe('documents', () => {
  const schema = v.strictObject({ format: v.literal('coherion.thing/2'), name: v.string() })
  const words = (value: unknown) => {
    const parsed = parseDocument(schema, 'coherion.thing/2', value, 'thing.json')
    return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
  }

  it('say when they are of another kind or version, before anything else is wrong', () => {
    expect(words({ format: 'coherion.thing/3', name: 7 })).toBe(
      'thing.json, format: "coherion.thing/3" stands there; this file was written by a later version; expected coherion.thing/2. Update Coherion, or ask for the file in that version',
    )
    expect(words({ format: 'coherion.other/2' })).toContain('this file holds a other; expected coherion.thing/2')
    expect(words({ format: 'something' })).toContain('expected coherion.thing/2')
    expect(words({ format: 'coherion.thing/2' })).toContain('thing.json, name')
    expect(words({ format: 'coherion.thing/2', name: 'x' })).toBe('')
  })

  it('that are no JSON say where they break', () => {
    const parsed = parseJson('{\n  "a": 1,\n  b\n}', 'x.json')
    expect(parsed.ok ? '' : parsed.problems.map(problemWords).join()).toContain('x.json, line 3, column 3')
  })
})
