import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { MENU_SETS, type Row, tradeMenus } from '../../../test/fixtures/trade-menus'
import { readMenuText } from './menu-text'

/**
 * Every menu of the trade, written down in every layout in which people have theirs, and read again. What is lost has
 * the layout's own sign within an option, as “Dog, cat” in a list with commas.
 */

type Rows = readonly Row[]
const byPage = (rows: Rows): readonly (readonly [string, Rows])[] =>
  [...new Set(rows.map(r => r.page))].map(page => [page, rows.filter(r => r.page === page)])
const onPages = (rows: Rows, heading: (page: string) => string, line: (r: Row) => readonly string[]): string =>
  byPage(rows)
    .flatMap(([page, on]) => [heading(page), ...on.flatMap(line)])
    .join('\n')
const asIs = (page: string): string => page
const inOneLine = (line: (r: Row) => string) => (rows: Rows) => onPages(rows, asIs, r => [line(r)])

/** How each is written, and the share of rows, in hundredths, that come back word for word. */
const LAYOUTS: Readonly<Record<string, readonly [(rows: Rows) => string, number]>> = {
  'a path in every line': [rows => rows.map(r => `${r.page} > ${r.label}: ${r.options.join(', ')}`).join('\n'), 98],
  'behind an equals sign': [inOneLine(r => `${r.label} = ${r.options.join(' / ')}`), 99],
  'behind a colon': [inOneLine(r => `${r.label}: ${r.options.join(' | ')}`), 99],
  'with commas': [inOneLine(r => `${r.label}: ${r.options.join(', ')}`), 98],
  'with slashes': [inOneLine(r => `${r.label}: ${r.options.join('/')}`), 92],
  'columns of a sheet': [
    rows => ['Page\tSetting\tOptions', ...rows.map(r => `${r.page}\t${r.label}\t${r.options.join(' | ')}`)].join('\n'),
    100,
  ],
  'comma-separated values': [
    rows => Papa.unparse([['Page', 'Setting', 'Options'], ...rows.map(r => [r.page, r.label, r.options.join('; ')])]),
    100,
  ],
  'blocks with an empty line between': [rows => rows.map(r => [r.label, ...r.options].join('\n')).join('\n\n'), 99],
  'marks of a list': [rows => rows.map(r => [r.label, ...r.options.map(o => `- ${o}`)].join('\n')).join('\n'), 99],
  indentation: [rows => onPages(rows, asIs, r => [`  ${r.label}`, ...r.options.map(o => `    ${o}`)]), 99],
  boxes: [
    rows => onPages(rows, asIs, r => [`  ${r.label}`, ...r.options.map((o, i) => `    ${i ? '( )' : '(x)'} ${o}`)]),
    99,
  ],
  'headings and marks': [
    rows =>
      onPages(
        rows,
        page => `# ${page}`,
        r => [`## ${r.label}`, ...r.options.map(o => `- ${o}`)],
      ),
    99,
  ],
  'round brackets': [inOneLine(r => `${r.label} (${r.options.join(', ')})`), 97],
  'a list in square brackets': [inOneLine(r => `${r.label} [${r.options.join(', ')}]`), 97],
  'a dash': [inOneLine(r => `${r.label} – ${r.options.join(', ')}`), 97],
  'numbered chapters': [
    rows =>
      byPage(rows)
        .flatMap(([page, on], i) => [
          `${i + 1} ${page}`,
          ...on.map((r, j) => `${i + 1}.${j + 1} ${r.label}: ${r.options.join(', ')}`),
        ])
        .join('\n'),
    96,
  ],
  'dotted leaders': [rows => rows.map(r => `${r.label} ........ ${r.options.join(', ')}`).join('\n'), 97],
  'a table': [
    rows =>
      ['| Setting | Options |', '|---|---|', ...rows.map(r => `| ${r.label} | ${r.options.join(', ')} |`)].join('\n'),
    98,
  ],
  'square brackets': [rows => rows.map(r => `${r.label} ${r.options.map(o => `[${o}]`).join(' / ')}`).join('\n'), 98],
  JSON: [
    rows =>
      JSON.stringify(
        Object.fromEntries(
          byPage(rows).map(([page, on]) => [page, Object.fromEntries(on.map(r => [r.label, r.options]))]),
        ),
        null,
        2,
      ),
    99,
  ],
  'columns of spaces': [rows => rows.map(r => `${r.label.padEnd(40)}${r.options.join(' / ')}`).join('\n'), 97],
}

const menus = MENU_SETS.flatMap(set => tradeMenus(set)).map(({ rows }) =>
  rows.filter((r, i) => rows.findIndex(x => x.label === r.label) === i),
)
const said = (label: string, options: readonly string[]): string => `${label}: ${options.join(' | ')}`
/** Chapters count rows, and are no part of a name. */
const unnumbered = (label: string): string => label.replace(/^\d+(?:\.\d+)+\s/, '')

describe('menus of the trade', () => {
  it.each(Object.entries(LAYOUTS))('are read again from %s', (_, [write, least]) => {
    let [all, found] = [0, 0]
    for (const rows of menus) {
      const read = new Set(readMenuText(write(rows)).rows.map(r => said(r.label, r.options)))
      all += rows.length
      found += rows.filter(r => [r.label, unnumbered(r.label)].some(l => read.has(said(l, r.options)))).length
    }
    expect(all).toBeGreaterThan(1900)
    expect(Math.floor((1000 * found) / all) / 10).toBeGreaterThanOrEqual(least)
  })
})
