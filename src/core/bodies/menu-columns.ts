import Papa from 'papaparse'
import { stripped } from './menu-options'
import { plainLines } from './menu-plain'
import { asSetting } from './menu-split'
import type { MenuRow } from './menu-rows'

/** A menu copied from a sheet: columns with heads, one setting in each row. */

const HEADS: Readonly<Record<'tab' | 'page' | 'setting' | 'options' | 'preset', RegExp>> = {
  tab: /^(?:tab|menu|chapter)s?$/i,
  page: /^(?:page|group|section|submenu|screen|category)s?$/i,
  setting: /^(?:settings?|name|(?:menu )?items?|keys?|buttons?|controls?|functions?|parameters?|option name)$/i,
  options:
    /^(?:(?:available |possible )?(?:options?|values?|choices?|settings)|settings available|available|range|selections?)$/i,
  preset: /^(?:defaults?|(?:factory|initial|preset|standard|original)(?: default| value| setting)?|as delivered)$/i,
}
type Head = keyof typeof HEADS

/** “Options: On, Off” below a name: what is said there of it; undefined for what may be a setting of its own. */
export const fieldOf = (text: string): { readonly head: 'options' | 'preset'; readonly told: string } | undefined => {
  const colon = text.indexOf(':')
  if (colon === -1) return undefined
  const name = text.slice(0, colon).trim()
  const head = (['options', 'preset'] as const).find(h => HEADS[h].test(name))
  return head && { head, told: text.slice(colon + 1).trim() }
}

/** How the cells of a line are parted. */
const PARTED: readonly ((line: string) => readonly string[])[] = [
  line => line.split('\t'),
  line => line.split(/\s{3,}/),
  line => (/^\s*\|/.test(line) ? stripped(line.trim(), '|').split(/\|+/) : []),
  ...[',', ';'].map(delimiter => (line: string) => Papa.parse<string[]>(line, { delimiter, preview: 1 }).data[0] ?? []),
]
const trimmed = (cells: readonly string[]): readonly string[] => cells.map(c => c.trim())
/** What stands under a name of this kind; undefined where it is none of those. */
export const headFor = (name: string): Head | undefined => (Object.keys(HEADS) as Head[]).find(h => HEADS[h].test(name))
const headOf = (cell: string, _: number, [first = '']: readonly string[]): Head | undefined =>
  // Of a key it is the function that is chosen.
  /^functions?$/i.test(cell) && /^(?:key|button|control)s?$/i.test(first) ? 'options' : headFor(cell)

export interface InColumns {
  readonly rows: readonly (MenuRow & { readonly line: number })[]
  /** The line of the heads, and those that hold no setting. */
  readonly head: number
  readonly leftOut: readonly number[]
}

/** How many lines may stand before the heads. */
const MOST_BEFORE = 5

/** Rows one after the other; a tab or page that is not told is that of the row before. */
const rowsFrom = (told: readonly { readonly number: number; readonly of: (head: Head) => string }[]) => {
  let [tab, page] = ['', '']
  return told.map(({ number, of }): InColumns['rows'][number] => {
    if (of('tab')) [tab, page] = [of('tab'), '']
    page = of('page') || page
    const { label, options, preset } = asSetting(of('setting'), of('options'))
    const said = options.findIndex(o => o.toLowerCase() === of('preset').toLowerCase())
    const under = tab || page || 'Menu'
    return {
      tab: under,
      page: page || under,
      label,
      options,
      preset: Math.max(0, said >= 0 ? said : preset),
      place: `line ${number}`,
      line: number,
    }
  })
}

/** @returns undefined where the text has no heads that name a column of settings and one of options */
export const inColumns = (text: string): InColumns | undefined => {
  const lines = plainLines(text)
  for (const [head, line] of lines.slice(0, MOST_BEFORE).entries())
    for (const cellsOf of PARTED) {
      const heads = trimmed(cellsOf(line)).map(headOf)
      const at = (h: Head) => heads.indexOf(h)
      if (at('setting') < 0 || at('options') < 0) continue
      const told = lines.slice(head + 1).flatMap((words, i) => {
        if (/^[-:|\s]*$/.test(words)) return []
        const cells = trimmed(cellsOf(words))
        // Options may go on in cells of their own, behind the last head.
        const goOn = at('options') === heads.length - 1
        const of = (h: Head) => (h === 'options' && goOn ? cells.slice(at(h)).join('|') : (cells[at(h)] ?? ''))
        return [{ number: head + i + 2, of }]
      })
      // A row may hold nothing but the tab of those below it.
      const rows = rowsFrom(told).filter(r => r.label)
      const leftOut = told.flatMap(t => (t.of('setting') ? [] : [t.number]))
      return rows.length ? { rows, head: head + 1, leftOut } : undefined
    }
  return undefined
}

/** One setting after the other, each in lines of its own that say what they hold: “Name: …”, “Options: …”. */
export const inRecords = (text: string): InColumns | undefined => {
  const records: { readonly number: number; readonly fields: Map<Head, string> }[] = []
  plainLines(text).forEach((line, i) => {
    const colon = line.indexOf(': ')
    const head = colon > 0 ? headOf(line.slice(0, colon).trim(), 0, []) : undefined
    if (head === 'setting') records.push({ number: i + 1, fields: new Map() })
    const fields = records.at(-1)?.fields
    if (head && fields && !fields.has(head)) fields.set(head, line.slice(colon + 2).trim())
  })
  if (records.filter(r => r.fields.has('options')).length < 2) return undefined
  const rows = rowsFrom(records.map(({ number, fields }) => ({ number, of: head => fields.get(head) ?? '' })))
  return { rows, head: 0, leftOut: [] }
}
