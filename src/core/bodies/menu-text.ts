import type { Parsed, Problem } from '../formats/problem'
import { checkMenuRows, type MenuRow } from './menu-rows'

/**
 * Reads a menu written as text, one line each, indented: tabs, in them pages, in them settings, in them options. The
 * options may also stand behind the setting, after a colon. A star marks the default.
 *
 *     Gaze
 *       Patch
 *         Patch: XS | S* | M | L
 *         Trail
 *           none *
 *           from the patch
 */

interface Node {
  readonly text: string
  readonly indent: number
  readonly line: number
  readonly children: Node[]
}

const SEPARATORS = [/\s*\|\s*/, /\s*;\s*/, /\s+\/\s+/, /\s*,\s*/]
const DEFAULT_MARK = /\s*(?:\*|\(default\))$/i

const treeOf = (text: string): readonly Node[] => {
  const roots: Node[] = []
  const path: Node[] = []
  text.split(/\r\n?|\n/).forEach((raw, i) => {
    const body = raw.trimStart()
    if (!body.trim()) return
    const indent = raw.slice(0, raw.length - body.length).replaceAll('\t', '    ').length
    const node: Node = { text: body.replace(/^[-•–]\s+/, '').trim(), indent, line: i + 1, children: [] }
    while ((path.at(-1)?.indent ?? -1) >= indent) path.pop()
    ;(path.at(-1)?.children ?? roots).push(node)
    path.push(node)
  })
  return roots
}

/** Tab, page, setting: what stands deeper is an option, whatever signs are in it. */
const OPTION_DEPTH = 3

/** The options behind a colon; undefined where there are none. */
const inlineOptions = (node: Node, depth: number): { label: string; options: readonly string[] } | undefined => {
  if (depth >= OPTION_DEPTH) return undefined
  const colon = /^(.*?):\s+(.+)$/.exec(node.text)
  if (!colon || node.children.length) return undefined
  const [, label = '', rest = ''] = colon
  const separator = SEPARATORS.find(s => s.test(rest))
  return separator ? { label, options: rest.split(separator).filter(Boolean) } : undefined
}

const isLeaf = (n: Node) => n.children.length === 0
const isSetting = (n: Node, depth: number): boolean =>
  inlineOptions(n, depth) !== undefined ||
  (!isLeaf(n) && n.children.every(c => isLeaf(c) && !inlineOptions(c, depth + 1)))

const withoutMark = (text: string) => text.replace(DEFAULT_MARK, '').trim()

const rowOf = (node: Node, path: readonly string[]): MenuRow => {
  const inline = inlineOptions(node, path.length)
  const single = isLeaf(node) ? /^(.*?):\s+(.+)$/.exec(node.text) : null
  const label = inline?.label ?? single?.[1] ?? node.text.replace(/:$/, '')
  const written = inline?.options ?? (single?.[2] ? [single[2]] : node.children.map(c => c.text))
  const [tab = 'Menu', ...pages] = path
  return {
    tab,
    page: pages.length ? pages.join(' › ') : tab,
    label: label.trim(),
    options: written.map(withoutMark),
    preset: Math.max(
      0,
      written.findIndex(o => DEFAULT_MARK.test(o)),
    ),
    place: `line ${node.line}`,
  }
}

const rowsOf = (nodes: readonly Node[], path: readonly string[]): readonly MenuRow[] =>
  nodes.flatMap(n =>
    isSetting(n, path.length) || isLeaf(n) ? [rowOf(n, path)] : rowsOf(n.children, [...path, n.text.replace(/:$/, '')]),
  )

/**
 * The rows of a pasted menu.
 *
 * @param file a name for messages, such as "pasted menu"
 * @returns the rows, or what is wrong in which line
 */
export const parseMenuText = (text: string, file: string): Parsed<readonly MenuRow[]> => {
  const rows = rowsOf(treeOf(text), [])
  const problems: readonly Problem[] = checkMenuRows(rows, file)
  return problems.length ? { ok: false, problems } : { ok: true, value: rows }
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
