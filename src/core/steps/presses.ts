import type { Body, Setting } from '../bodies'

/**
 * How many presses it takes to walk a menu. A change of tab or page lands on the first row of the first page; a quick
 * way begins and ends where pictures are taken, and the menu then opens at its first row again. Where it is shorter, a
 * page or the menu is left and come back to.
 *
 * @source common practice, no published source
 */

/** Where a person stands: at a row of the menu, or where pictures are taken. */
type Spot = Setting['at'] | 'outside'

const OPENING = 1
const LEAVING = 1
const AWAY_AND_BACK = 2
/** Opening a row to choose from, and taking the choice. */
const CHOOSING = 2

const apart = (a: number, b: number, length: number, wraps: boolean): number => {
  const straight = Math.abs(a - b)
  return wraps ? Math.min(straight, length - straight) : straight
}

export interface MenuCursor {
  /** From where pictures are taken to a setting, changed there. */
  readonly enter: (setting: Setting) => number
  /** From one setting to another. */
  readonly between: (a: Setting, b: Setting) => number
  /** Choosing another option once there. */
  readonly change: (setting: Setting, from: string, to: string) => number
}

/** The presses of a body's menu. */
export const menuCursor = (body: Body): MenuCursor => {
  const { wraps, tabs, quick = [] } = body.menu
  const tabIndex = new Map(tabs.map((t, i) => [t.id, i]))
  const pages = new Map(tabs.map(t => [t.id, t.pages.length]))
  const rows = new Map<string, number>()
  for (const { at } of body.settings) {
    const page = `${at.tab} ${at.page}`
    rows.set(page, Math.max(rows.get(page) ?? 0, at.row))
  }
  const [firstTab] = tabs
  const first: Setting['at'] = { tab: firstTab?.id ?? '', page: 1, row: 1 }
  const quickly = new Map(quick.map(q => [q.setting, q.presses]))

  const withinMenu = (a: Setting['at'], b: Setting['at']): number => {
    const tab = tabIndex.get(b.tab) ?? 0
    const turned = apart(tabIndex.get(a.tab) ?? 0, tab, tabs.length, wraps)
    const leafed = apart(turned ? 1 : a.page, b.page, pages.get(b.tab) ?? 1, wraps)
    const downTo = (row: number) => apart(row, b.row, rows.get(`${b.tab} ${b.page}`) ?? b.row, wraps)
    const straight = turned + leafed + downTo(turned || leafed ? 1 : a.row)
    // Away and back again lands on the first row, or on the first page.
    const byTab =
      tabs.length > 1 ? AWAY_AND_BACK + apart(1, b.page, pages.get(b.tab) ?? 1, wraps) + downTo(1) : Infinity
    const byPage = (pages.get(b.tab) ?? 1) > 1 ? AWAY_AND_BACK + downTo(1) : Infinity
    if (turned) return straight
    return Math.min(straight, byTab, leafed ? Infinity : byPage)
  }
  const to = (from: Spot, setting: Setting): number => {
    const short = quickly.get(setting.id)
    if (short !== undefined) return short + (from === 'outside' ? 0 : LEAVING)
    const fromOutside = OPENING + withinMenu(first, setting.at)
    return from === 'outside' ? fromOutside : Math.min(withinMenu(from, setting.at), LEAVING + fromOutside)
  }
  return {
    enter: setting => to('outside', setting),
    between: (a, b) => to(quickly.has(a.id) ? 'outside' : a.at, b),
    change: (setting, from, option) => {
      const index = (id: string) =>
        Math.max(
          0,
          setting.options.findIndex(o => o.id === id),
        )
      return CHOOSING + apart(index(from), index(option), setting.options.length, wraps)
    },
  }
}
