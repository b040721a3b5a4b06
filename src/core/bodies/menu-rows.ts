import type { Problem } from '../reading/problem'
import { uniqueSlug } from '../language/language'
import type { Body, Setting } from './schema'

/** A menu as people write it down, before anything in it has a meaning: from a pasted text or from a spreadsheet. */
export interface MenuRow {
  readonly tab: string
  readonly page: string
  readonly label: string
  readonly options: readonly string[]
  /** Position of the default among the options. */
  readonly preset: number
  /** Where it was written, for messages: "line 7" or "row 7". */
  readonly place: string
}

export const MOST_SETTINGS = 400
export const MOST_OPTIONS = 250
export const MOST_LABEL = 80
/** What stands for the options of a setting that was written down without any. */
export const UNKNOWN_OPTION = 'not looked at yet'

/** What is wrong with rows of a menu, whatever they were read from. */
export const checkMenuRows = (rows: readonly MenuRow[], file: string): readonly Problem[] => {
  const say = (path: string, value: string, expected: string): Problem => ({ file, path, value, expected })
  if (rows.length === 0) return [say('', '', 'expected at least one setting with its options')]
  const found: Problem[] = []
  if (rows.length > MOST_SETTINGS)
    found.push(say('', `${rows.length} settings`, `expected at most ${MOST_SETTINGS} settings for one body`))
  const seen = new Map<string, MenuRow>()
  for (const row of rows.slice(0, MOST_SETTINGS)) {
    const key = [row.tab, row.page, row.label].join('\n').toLowerCase()
    const twin = seen.get(key)
    if (twin)
      found.push(
        say(
          row.place,
          row.label,
          `expected each setting once on a page; it stands on ${row.page} already, ${twin.place}`,
        ),
      )
    seen.set(key, row)
    if (row.options.length > MOST_OPTIONS)
      found.push(say(row.place, `${row.options.length} options`, `expected at most ${MOST_OPTIONS} options`))
    const twice = row.options.find((o, i) => row.options.indexOf(o) !== i)
    if (twice !== undefined) found.push(say(row.place, twice, `expected each option of ${row.label} once`))
    for (const text of [row.label, ...row.options, row.tab, row.page])
      if (text.length > MOST_LABEL)
        found.push(say(row.place, `${text.slice(0, 40)}…`, `expected at most ${MOST_LABEL} letters`))
  }
  return found.slice(0, 50)
}

const inLower = (label: string): string => label.trim().toLowerCase()

const placeOf = (row: MenuRow): string => [row.tab, row.page, inLower(row.label)].join('\n')

const unique = (items: readonly string[]): readonly string[] => [...new Set(items)]

/** Where rows stand of which nobody has said yet where they are. */
export const UNPLACED = { tab: 'Menu', page: 'Not placed yet' } as const

/** The setting of a body that a row speaks of again: of its name on the same page, or one that was not placed yet. */
const sameSetting = (body: Body, row: MenuRow): Setting | undefined =>
  body.settings.find(s => {
    if (inLower(s.label) !== inLower(row.label)) return false
    const tab = body.menu.tabs.find(t => t.id === s.at.tab)
    const page = tab?.pages[s.at.page - 1]
    return (tab?.label === row.tab && page === row.page) || page === UNPLACED.page
  })

const optionsFrom = (labels: readonly string[]): Setting['options'] => {
  const ids = new Set<string>()
  return labels.map(label => ({ id: uniqueSlug(label, ids, 'option'), label, means: {} }))
}

/** What was known of a setting stays, in the order of the row; options nobody has decided open it again. */
const mergedWith = (setting: Setting, row: MenuRow): Setting => {
  const labels = row.options.length ? row.options : setting.options.map(o => o.label)
  const ids = new Set(setting.options.map(o => o.id))
  const there = (label: string) => setting.options.find(o => inLower(o.label) === inLower(label))
  const told = labels.map(label => there(label) ?? { id: uniqueSlug(label, ids, 'option'), label, means: {} })
  const left = setting.options.filter(o => !told.includes(o) && o.label !== UNKNOWN_OPTION)
  const options = [...told, ...left]
  const isNew = labels.some(label => !there(label))
  return {
    ...setting,
    label: row.label,
    options,
    // The first of the row may only be there for want of a mark.
    default: row.preset > 0 ? (options[row.preset]?.id ?? setting.default) : setting.default,
    ...(isNew ? { undecided: true as const } : {}),
  }
}

/**
 * Puts the rows into the menu of a body, after what it has there. A row that is there already stays what it was found to
 * be and moves to where it is now said to stand; all others are still to be decided.
 */
export const withMenuRows = (body: Body, rows: readonly MenuRow[]): Body => {
  const again = new Map<string, string>()
  for (const row of rows) {
    const there = sameSetting(body, row)
    if (there && ![...again.values()].includes(there.id)) again.set(placeOf(row), there.id)
  }
  const moving = new Set(again.values())
  const staying = body.settings.filter(s => !moving.has(s.id))
  const pagesLeft = new Set(staying.map(s => `${s.at.tab} ${s.at.page}`))
  // A page that only held what is placed now goes along.
  const tabs = body.menu.tabs.flatMap(t => {
    const last = t.pages.length
    const isEmptied = t.pages[last - 1] === UNPLACED.page && !pagesLeft.has(`${t.id} ${last}`)
    const pages = isEmptied || body.settings.length === 0 ? t.pages.slice(0, isEmptied ? -1 : 0) : [...t.pages]
    return pages.length ? [{ ...t, pages }] : []
  })
  const tabIds = new Set(tabs.map(t => t.id))
  for (const label of unique(rows.map(r => r.tab)))
    if (!tabs.some(t => t.label === label)) tabs.push({ id: uniqueSlug(label, tabIds, 'tab'), label, pages: [] })
  for (const row of rows) {
    const tab = tabs.find(t => t.label === row.tab)
    if (tab && !tab.pages.includes(row.page)) tab.pages.push(row.page)
  }
  const settingIds = new Set(body.settings.map(s => s.id))
  const nextRow = new Map<string, number>()
  for (const s of staying) {
    const key = `${s.at.tab} ${s.at.page}`
    nextRow.set(key, Math.max(nextRow.get(key) ?? 1, s.at.row + 1))
  }
  const joined = new Set<string>()
  const settings = rows.map((row): Setting => {
    const tab = tabs.find(t => t.label === row.tab)
    const at = { tab: tab?.id ?? '', page: (tab?.pages.indexOf(row.page) ?? 0) + 1 }
    const key = `${at.tab} ${at.page}`
    const line = nextRow.get(key) ?? 1
    nextRow.set(key, line + 1)
    const there = body.settings.find(s => s.id === again.get(placeOf(row)))
    if (there && !joined.has(there.id)) {
      joined.add(there.id)
      return { ...mergedWith(there, row), at: { ...at, row: line } }
    }
    const options = optionsFrom(row.options.length ? row.options : [UNKNOWN_OPTION])
    return {
      id: uniqueSlug(row.label, settingIds, 'setting'),
      label: row.label,
      at: { ...at, row: line },
      options,
      default: options[row.preset]?.id ?? options[0]?.id ?? '',
      undecided: true,
    }
  })
  return { ...body, menu: { ...body.menu, tabs }, settings: [...staying, ...settings] }
}
