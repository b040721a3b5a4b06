import type { Parsed, Problem } from '../reading/problem'
import { type Column, readRecords, type Sheet } from '../reading/table'
import { checkMenuRows, type MenuRow } from './menu-rows'
import { inMenuOrder, menuPath } from './menu'
import type { Body } from './schema'

/** A menu as a table: tab, page, row, setting, options with a bar between them, default. */
export const MENU_COLUMNS: readonly Column[] = [
  { key: 'tab', heading: 'Tab', required: true },
  { key: 'page', heading: 'Page', required: true },
  { key: 'row', heading: 'Row', required: false },
  { key: 'setting', heading: 'Setting', also: ['name'], required: true },
  { key: 'options', heading: 'Options', also: ['choices', 'values'], required: true },
  { key: 'default', heading: 'Default', required: false },
]

/** Files longer than this are refused before their rows are looked at. */
const MOST_ROWS = 2000

const splitOptions = (text: string): readonly string[] => {
  const separator = ['|', '\n', ';'].find(s => text.includes(s)) ?? ','
  return text
    .split(separator)
    .map(o => o.trim())
    .filter(Boolean)
}

/** The rows of a menu from a spreadsheet; a wrong file says which row and column is wrong. */
export const parseMenuTable = (sheet: Sheet, file: string): Parsed<readonly MenuRow[]> => {
  const records = readRecords(sheet, MENU_COLUMNS, file, MOST_ROWS)
  if (!records.ok) return records
  const rows: { row: MenuRow; order: number }[] = []
  const problems: Problem[] = []
  for (const { row, values } of records.value) {
    const { tab = '', page = '', setting = '', options: text = '', default: preset = '', row: order = '' } = values
    const options = splitOptions(text)
    const say = (column: string, value: string, expected: string) =>
      problems.push({ file, path: `row ${row}, column ${column}`, value, expected })
    if (!tab) say('Tab', '', 'expected the name of the tab; write it in every row')
    if (!setting) say('Setting', '', 'expected the name of the setting')
    if (order && !/^\d+$/.test(order)) say('Row', order, 'expected a whole number')
    const at = preset ? options.findIndex(o => o.toLowerCase() === preset.toLowerCase()) : 0
    if (at < 0) say('Default', preset, `expected one of the options: ${options.join(', ')}`)
    rows.push({
      row: { tab, page: page || tab, label: setting, options, preset: at, place: `row ${row}` },
      order: order ? Number(order) : row,
    })
  }
  const all = problems.length ? problems : checkMenuRows(inOrder(rows), file)
  return all.length ? { ok: false, problems: all.slice(0, 50) } : { ok: true, value: inOrder(rows) }
}

/** Pages in the order they first appear, rows by their number. */
const inOrder = (rows: readonly { row: MenuRow; order: number }[]): readonly MenuRow[] => {
  const key = (r: MenuRow) => `${r.tab}\n${r.page}`
  const pages = [...new Set(rows.map(r => key(r.row)))]
  return rows
    .toSorted((a, b) => pages.indexOf(key(a.row)) - pages.indexOf(key(b.row)) || a.order - b.order)
    .map(r => r.row)
}

/** The menu of a body as rows, without their meanings. */
export const menuRowsOf = (body: Body): readonly MenuRow[] =>
  inMenuOrder(body).map(s => {
    const [tab, page] = menuPath(body, s)
    return {
      tab,
      page,
      label: s.label,
      options: s.options.map(o => o.label),
      preset: s.options.findIndex(o => o.id === s.default),
      place: s.id,
    }
  })

/** The menu of a body as a table, heading first. */
export const menuAsTable = (body: Body): readonly (readonly string[])[] => [
  MENU_COLUMNS.map(c => c.heading),
  ...inMenuOrder(body).map(s => {
    const [tab, page, row] = menuPath(body, s)
    const preset = s.options.find(o => o.id === s.default)?.label ?? ''
    return [tab, page, String(row), s.label, s.options.map(o => o.label).join(' | '), preset]
  }),
]
