import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { decodeText, readCsv, writeCsv } from '../reading/csv'
import { problemWords } from '../reading/problem'
import { menuAsTable, menuRowsOf, parseMenuTable } from './menu-table'

const FILE = 'menu.csv'
const parse = (text: string) => parseMenuTable(readCsv(text, FILE), FILE)
const complaints = (text: string) => {
  const parsed = parse(text)
  return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
}
const HEAD = 'Tab,Page,Row,Setting,Options,Default\n'

describe('a menu from a spreadsheet', () => {
  it('is read by its headings, whatever their order and case, and by the numbers of its rows', () => {
    const parsed = parse('SETTING;options;tab;page;row\nLast;a|b;T;P;2\nFirst;"c\nd";T;P;1\n')
    expect(parsed.ok && parsed.value.map(r => [r.label, r.options, r.place])).toEqual([
      ['First', ['c', 'd'], 'row 3'],
      ['Last', ['a', 'b'], 'row 2'],
    ])
  })

  it.each([
    ['Tab,Page,Setting\nT,P,S\n', 'menu.csv, row 1: Tab, Page, Setting stands there; expected a column “Options”'],
    ['', 'expected the headings Tab, Page, Row, Setting, Options, Default'],
    [HEAD, 'expected at least one row below the heading'],
    [`${HEAD}T,P,x,S,a|b,a\n`, 'row 2, column Row: x stands there; expected a whole number'],
    [`${HEAD},P,1,S,a|b,a\n`, 'row 2, column Tab: expected the name of the tab'],
    [`${HEAD}T,P,1,,a|b,a\n`, 'row 2, column Setting: expected the name of the setting'],
    [`${HEAD}T,P,1,S,a|b,c\n`, 'row 2, column Default: c stands there; expected one of the options: a, b'],
    [`${HEAD}T,P,1,S,a|b,a\nT,P,2,S,c|d,c\n`, 'row 3: S stands there; expected each setting once on a page'],
    [`${HEAD}T,P,1,"S,a|b\n`, 'a quotation mark opens here and does not close'],
    [`Tab,Tab,Page,Setting,Options\n`, 'expected each heading once'],
    [HEAD + 'T,P,1,S,a|b,a\n'.repeat(10_000), 'row 2002: 10000 rows stands there; expected at most 2000 rows'],
  ])('says where it is wrong (%#)', (text, words) => {
    expect(complaints(text)).toContain(words)
  })

  it('keeps pages in the order they come, each with its rows together', () => {
    const parsed = parse(`${HEAD}T,Q,,S1,a|b,b\nT,P,,S2,a|b,\nT,Q,,S3,a|b,\nU,,,S4,"a, b",\n`)
    expect(parsed.ok && parsed.value.map(r => [r.page, r.label, r.preset])).toEqual([
      ['Q', 'S1', 1],
      ['Q', 'S3', 0],
      ['P', 'S2', 0],
      ['U', 'S4', 0],
    ])
  })

  it('says fifty things that are wrong, and no more', () => {
    const parsed = parse(HEAD + 'T,P,x,S,a|b,a\n'.repeat(60))
    expect(parsed.ok ? 0 : parsed.problems.length).toBe(50)
  })

  it('reads back as it was written, for every body of the demo', () => {
    for (const body of demoBodies()) {
      const parsed = parse(writeCsv(menuAsTable(body)))
      const plain = (rows: readonly object[]) => rows.map(r => ({ ...r, place: '' }))
      expect(parsed.ok && plain(parsed.value), body.model).toEqual(plain(menuRowsOf(body)))
    }
  })
})

describe('text files', () => {
  const bytes = (...parts: (string | number[])[]) =>
    Uint8Array.from(parts.flatMap(p => (typeof p === 'string' ? [...new TextEncoder().encode(p)] : p)))

  it('may be UTF-8 with or without a mark, or UTF-16 with one', () => {
    const utf16 = Uint8Array.from([0xff, 0xfe, ...[...'Tür'].flatMap(c => [c.charCodeAt(0), 0])])
    expect(decodeText(bytes('Tür'), FILE)).toEqual({ ok: true, value: 'Tür' })
    const decoded = decodeText(utf16, FILE)
    expect(decoded.ok && decoded.value.replace('\uFEFF', '')).toBe('Tür')
  })

  it('in another encoding are refused with the place where it shows', () => {
    const latin1 = decodeText(bytes('Tab,Page\nGarten,T', [0xfc], 'r\n'), FILE)
    expect(latin1.ok ? '' : latin1.problems.map(problemWords).join()).toContain('line 2, after “Garten,T”')
  })

  it('are written so that a spreadsheet runs nothing, and read back as they were', () => {
    const rows = [
      ['=1+1', '+cmd', '-2', '@sum', "'quoted", 'plain', '−0.7', '+0.7'],
      ['a,b', 'say "x"', 'two\nlines', '', "'=x", '\tx', '-', '--'],
    ]
    const text = writeCsv(rows)
    expect(text.split(/[,\r\n]+/).filter(cell => /^"?[=+@]\D/.test(cell))).toEqual([])
    expect(readCsv(text, FILE).rows.slice(0, 2)).toEqual(rows)
  })
})
