import { type Body, editSetting, editTab, inMenuOrder, type Option, type Place, type Setting } from '@/core/bodies'

/** The menu as rows of a tree: tabs, pages, settings, and the options of settings that are open. */
export type MenuLine =
  | { readonly kind: 'tab'; readonly key: string; readonly tab: string; readonly label: string }
  | { readonly kind: 'page'; readonly key: string; readonly tab: string; readonly page: number; readonly label: string }
  | { readonly kind: 'setting'; readonly key: string; readonly setting: Setting; readonly label: string }
  | {
      readonly kind: 'option'
      readonly key: string
      readonly setting: Setting
      readonly option: Option
      readonly label: string
    }

export const settingKey = (id: string): string => `setting-${id}`
export const optionKey = (setting: string, option: string): string => `option-${setting}-${option}`

export const LEVEL = { tab: 1, page: 2, setting: 3, option: 4 } as const

export const linesOf = (body: Body, open: ReadonlySet<string>): readonly MenuLine[] => {
  const settings = inMenuOrder(body)
  return body.menu.tabs.flatMap((t): MenuLine[] => [
    { kind: 'tab', key: `tab-${t.id}`, tab: t.id, label: t.label },
    ...t.pages.flatMap((label, i): MenuLine[] => [
      { kind: 'page', key: `page-${t.id}-${i + 1}`, tab: t.id, page: i + 1, label },
      ...settings
        .filter(s => s.at.tab === t.id && s.at.page === i + 1)
        .flatMap((setting): MenuLine[] => [
          { kind: 'setting', key: settingKey(setting.id), setting, label: setting.label },
          ...(open.has(setting.id)
            ? setting.options.map((option): MenuLine => ({
                kind: 'option',
                key: optionKey(setting.id, option.id),
                setting,
                option,
                label: option.label,
              }))
            : []),
        ]),
    ]),
  ])
}

/** The next setting nobody has decided, after this one and then from the top. */
export const nextUndecided = (body: Body, after: string): string | undefined => {
  const order = inMenuOrder(body)
  const at = order.findIndex(s => s.id === after)
  return [...order.slice(at + 1), ...order.slice(0, at + 1)].find(s => s.undecided)?.id
}

/** Where something new or moved goes, after this line. */
export const placeAfter = (body: Body, line: MenuLine): Place => {
  if (line.kind === 'tab') return { tab: line.tab, page: 1, index: 0 }
  if (line.kind === 'page') return { tab: line.tab, page: line.page, index: 0 }
  const { tab, page } = line.setting.at
  const there = inMenuOrder(body).filter(s => s.at.tab === tab && s.at.page === page)
  return { tab, page, index: there.findIndex(s => s.id === line.setting.id) + 1 }
}

/** The body with another name on this line. */
export const renamed = (body: Body, line: MenuLine, label: string): Body => {
  switch (line.kind) {
    case 'tab':
      return editTab(body, line.tab, t => ({ ...t, label }))
    case 'page':
      return editTab(body, line.tab, t => ({ ...t, pages: t.pages.map((p, i) => (i === line.page - 1 ? label : p)) }))
    case 'setting':
      return editSetting(body, line.setting.id, s => ({ ...s, label }))
    case 'option':
      return editSetting(body, line.setting.id, s => ({
        ...s,
        options: s.options.map(o => (o.id === line.option.id ? { ...o, label } : o)),
      }))
  }
}
