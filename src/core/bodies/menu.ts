import type { Body, Setting } from './schema'

/** Settings in the order a person meets them: tab, page, row; then by id, so that the order never depends on the file. */
export const inMenuOrder = (body: Body): readonly Setting[] => {
  const tabIndex = new Map(body.menu.tabs.map((t, i) => [t.id, i]))
  const key = (s: Setting) => [tabIndex.get(s.at.tab) ?? 0, s.at.page, s.at.row] as const
  return [...body.settings].sort((a, b) => {
    const x = key(a)
    const y = key(b)
    return x[0] - y[0] || x[1] - y[1] || x[2] - y[2] || (a.id < b.id ? -1 : 1)
  })
}

/** Where a setting is, as its tab, its page and its row. */
export const menuPath = (body: Body, setting: Setting): readonly [tab: string, page: string, row: number] => {
  const tab = body.menu.tabs.find(t => t.id === setting.at.tab)
  return [tab?.label ?? setting.at.tab, tab?.pages[setting.at.page - 1] ?? String(setting.at.page), setting.at.row]
}
