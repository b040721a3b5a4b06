import type { Parsed } from '../reading/problem'
import { fieldOf, inColumns, inRecords } from './menu-columns'
import { indented } from './menu-layouts'
import { saysSomething, whyLeftOut } from './menu-noise'
import { behindName, BOX, unmarked } from './menu-options'
import { asLines } from './menu-json'
import { linesOf, type MenuLine } from './menu-lines'
import { plainLines } from './menu-plain'
import { asSetting, explained, isProse, loneOption, nameIn, type SplitLine, splitLine } from './menu-split'
import { type MenuRow, MOST_LABEL, MOST_OPTIONS, MOST_SETTINGS } from './menu-rows'

/**
 * Reads a menu written or copied as text: tabs, in them pages, in them settings, in them options, by their indentation;
 * or one setting a line under headings, its options behind a colon, in brackets, in columns or after dots. It reads as
 * far as it goes: what it had to guess or leave out is told line by line, and nothing else is refused for it.
 *
 *     Gaze
 *       Patch
 *         Patch: XS | S* | M | L
 *         Trail
 *           none *
 *           from the patch
 */

/** Something in a line that somebody should look at. */
export interface Remark {
  readonly line: number
  readonly text: string
  readonly what: string
}

export interface ReadMenu {
  readonly rows: readonly MenuRow[]
  readonly remarks: readonly Remark[]
}

interface Node extends MenuLine {
  readonly children: Node[]
}

const treeOf = (lines: readonly MenuLine[]): readonly Node[] => {
  const roots: Node[] = []
  const path: Node[] = []
  for (const line of lines) {
    const node: Node = { ...line, children: [] }
    while ((path.at(-1)?.indent ?? -Infinity) >= node.indent) path.pop()
    ;(path.at(-1)?.children ?? roots).push(node)
    path.push(node)
  }
  return roots
}

/** Tab, page, setting: what stands deeper is an option, whatever signs are in it. */
const OPTION_DEPTH = 3

const splitAt = (node: Node, depth: number) =>
  depth >= OPTION_DEPTH || node.children.length ? undefined : splitLine(node.text)
const isLeaf = (n: Node) => n.children.length === 0
/** Options below a setting, each with a sentence that says what it does. */
const areExplained = ({ children }: Node): boolean => {
  const told = children.flatMap(c => explained(c.text) ?? [])
  const prose = told.filter(t => isProse(t.by)).length
  return (
    prose > 0 &&
    2 * prose >= told.length &&
    2 * told.length >= children.length &&
    told.every(t => isProse(t.by) || behindName(t.by).length < 2) &&
    children.every(c => isLeaf(c) && (explained(c.text) ?? !isProse(c.text)))
  )
}
/** Names below a name that are its options, though one or the other has a colon in it. */
const areOptions = ({ children }: Node, depth: number): boolean => {
  if (children.length === 0 || !children.every(isLeaf)) return false
  const split = children.map(c => splitAt(c, depth + 1)).map(s => (s?.byWords ? undefined : s))
  const labels = new Set(split.map(s => s?.label))
  const areNames = split.some(s => s === undefined) || labels.size < split.length
  return areNames && !split.some(s => (s?.options.length ?? 0) > 1)
}
/** What is said of a setting below it, field by field: what can be chosen, and how it leaves the factory. */
const fieldsOf = ({ text, children }: Node): SplitLine | undefined => {
  const told = (head: 'options' | 'preset'): string | undefined => {
    const at = children.find(c => fieldOf(c.text)?.head === head)
    return at && (fieldOf(at.text)?.told || at.children.map(c => c.text).join(' | '))
  }
  const list = told('options')
  if (list === undefined) return undefined
  const split = asSetting(text.replace(/:$/, ''), list)
  const preset = split.options.findIndex(o => o.toLowerCase() === told('preset')?.toLowerCase())
  return { ...split, preset: preset >= 0 ? preset : split.preset }
}
const isSetting = (n: Node, depth: number): boolean =>
  splitAt(n, depth) !== undefined || fieldsOf(n) !== undefined || areExplained(n) || areOptions(n, depth)

/** Lines of one depth under headings that stand at the same depth: a name alone leads the settings behind it. */
const underHeadings = (
  nodes: readonly Node[],
  depth: number,
  remark: (n: Node, what: string) => void,
): readonly Node[] => {
  if (depth >= OPTION_DEPTH - 1) return nodes
  const isName = (n: Node | undefined) => n !== undefined && isLeaf(n) && !splitAt(n, depth)
  const leads = (n: Node, i: number): boolean => {
    const next = nodes[i + 1]
    return isName(n) && next !== undefined && (i === 0 ? isSetting(next, depth) : splitAt(next, depth) !== undefined)
  }
  const grouped: Node[] = []
  let heading: Node | undefined
  nodes.forEach((n, i) => {
    if (leads(n, i)) {
      heading = { ...n, children: [] }
      remark(n, 'read as a heading, since settings follow it')
      grouped.push(heading)
    } else (heading?.children ?? grouped).push(n)
  })
  return grouped
}

const fitting = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most - 1)}…` : text)

/** Rows with a name of their own on their page, options that differ, and no more of either than a body can hold. */
const bounded = (
  rows: readonly (MenuRow & { readonly line: number })[],
  remark: (line: number, text: string, what: string) => void,
) => {
  const seen = new Map<string, number>()
  if (rows.length > MOST_SETTINGS)
    remark(
      rows[MOST_SETTINGS]?.line ?? 0,
      '',
      `from here on ${rows.length - MOST_SETTINGS} settings are left out: a body holds ${MOST_SETTINGS}`,
    )
  return rows.slice(0, MOST_SETTINGS).map(({ line, ...row }): MenuRow => {
    const say = (what: string) => remark(line, row.label, what)
    if (row.label.length > MOST_LABEL) say(`cut to ${MOST_LABEL} letters`)
    let label = fitting(row.label, MOST_LABEL)
    const key = [row.tab, row.page, label].join('\n').toLowerCase()
    const twins = seen.get(key) ?? 0
    seen.set(key, twins + 1)
    if (twins) {
      say('stands on this page already; both are kept')
      label = `${fitting(label, MOST_LABEL - 5)} (${twins + 1})`
    }
    const distinct = [...new Set(row.options.map(o => fitting(o, MOST_LABEL)))]
    if (row.options.some(o => o.length > MOST_LABEL)) say(`an option is cut to ${MOST_LABEL} letters`)
    if (distinct.length < row.options.length) say('an option stands twice; it is kept once')
    if (distinct.length > MOST_OPTIONS) say(`the first ${MOST_OPTIONS} of its ${distinct.length} options are kept`)
    const chosen = distinct.indexOf(fitting(row.options[row.preset] ?? '', MOST_LABEL))
    return {
      ...row,
      tab: fitting(row.tab, MOST_LABEL),
      page: fitting(row.page, MOST_LABEL),
      label,
      options: distinct.slice(0, MOST_OPTIONS),
      preset: Math.max(0, chosen < MOST_OPTIONS ? chosen : 0),
    }
  })
}

/** The rows of a menu in a text, and what in it should be looked at. */
export const readMenuText = (text: string): ReadMenu => {
  const remarks: Remark[] = []
  const remark = (line: number, told: string, what: string) => remarks.push({ line, text: fitting(told, 60), what })
  const columns = inColumns(text) ?? inRecords(text)
  if (columns) {
    const told = plainLines(text).map(l => l.trim().replaceAll('\t', ' '))
    if (columns.head) remark(columns.head, told[columns.head - 1] ?? '', 'read as the heads of columns')
    for (const line of columns.leftOut) remark(line, told[line - 1] ?? '', 'left out: it names no setting')
    return { rows: bounded(columns.rows, remark), remarks: remarks.toSorted((a, b) => a.line - b.line) }
  }
  const lines = (asLines(text) ?? linesOf(text)).filter((l, i, all) => {
    const why = whyLeftOut(l, i, all)
    if (why) remark(l.number, l.text, `left out: ${why}`)
    return !why
  })
  const rows: (MenuRow & { line: number })[] = []
  const visit = (nodes: readonly Node[], path: readonly string[]): void => {
    const depth = path.length
    for (const n of underHeadings(nodes, depth, (h, what) => remark(h.number, h.text, what))) {
      if (!isSetting(n, depth) && !isLeaf(n)) {
        visit(n.children, [...path, unmarked(n.text.replace(/:$/, '')).text])
        continue
      }
      const split = fieldsOf(n) ?? splitAt(n, depth)
      if (split?.remark) remark(n.number, n.text, split.remark)
      const told = areExplained(n)
      const [only, ...more] = n.children
      const listed = only && !more.length ? behindName(only.text) : n.children.map(c => c.text)
      const lone = split ? [] : listed.map(text => loneOption((told && explained(text)?.option) || text))
      const options = split?.options ?? lone.map(o => o.text)
      const [tab = 'Menu', ...pages] = path
      const label = split?.label ?? nameIn(n.text.replace(/:$/, ''))
      if (!saysSomething(label)) {
        remark(n.number, n.text, 'left out: it names no setting')
        continue
      }
      // One full box of several may as well be the only setting of a page that is on.
      if (n.children.length && n.children.every(c => c.text.startsWith('[') && c.text.search(BOX) === 0))
        remark(n.number, n.text, 'the boxes below it are read as what can be chosen of it')
      if (options.length === 0 && !split) remark(n.number, n.text, 'no options stand behind it; is it a setting?')
      rows.push({
        tab,
        page: pages.length ? pages.join(' › ') : tab,
        label,
        options,
        preset: Math.max(0, split ? split.preset : lone.findIndex(o => o.isDefault)),
        place: `line ${n.number}`,
        line: n.number,
      })
    }
  }
  visit(treeOf(indented(lines)), [])
  return { rows: bounded(rows, remark), remarks: remarks.toSorted((a, b) => a.line - b.line) }
}

/**
 * The rows of a pasted menu.
 *
 * @param file a name for messages, such as "pasted menu"
 * @returns the rows; a problem only where there is not one of them
 */
export const parseMenuText = (text: string, file: string): Parsed<readonly MenuRow[]> => {
  const { rows } = readMenuText(text)
  return rows.length
    ? { ok: true, value: rows }
    : {
        ok: false,
        problems: [{ file, path: '', value: '', expected: 'expected at least one setting with its options' }],
      }
}

/** A menu as text that reads back as the same menu. */
export const menuAsText = (rows: readonly MenuRow[]): string => {
  const lines: string[] = []
  let [tab, page] = ['', '']
  for (const row of rows) {
    if (row.tab !== tab) {
      lines.push(row.tab)
      page = ''
    }
    if (row.page !== page) lines.push(`  ${row.page}`)
    ;[tab, page] = [row.tab, row.page]
    lines.push(`    ${row.label}`, ...row.options.map((o, i) => `      ${o}${i === row.preset ? ' *' : ''}`))
  }
  return lines.join('\n')
}
