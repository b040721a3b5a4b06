import { type Body, inMenuOrder, menuPath, type Setting } from '../bodies'
import { type PreparedLabel, prepare } from '../language/language'
import { dimension } from '../vocabulary/dimensions'
import type { LikeOptions } from './like-options'
import type { LikeRows } from './like-rows'

/** What other profiles call things and mean by them, as proposals draw on it. */

export interface KnownSetting {
  readonly maker: string
  readonly name: string
  readonly setting: Setting
  readonly label: PreparedLabel
  readonly options: PreparedLabel
  readonly optionLabels: readonly PreparedLabel[]
  readonly page: PreparedLabel
  readonly key: string
}

/** What other profiles know, prepared for many questions. */
export interface Knowledge {
  readonly settings: readonly KnownSetting[]
  /** How often a setting of the second kind comes right after one of the first, as a share. */
  readonly after: ReadonlyMap<string, ReadonlyMap<string, number>>
  /** What rows of menus are about at large, whoever made the body. */
  readonly likeRows?: LikeRows | undefined
  /** What their options say, once it is clear what a row is about. */
  readonly likeOptions?: LikeOptions | undefined
}

export const WORK = 'work'

/** The dimensions a setting speaks about; all functions of a button count as one. */
export const keyOf = (setting: Setting): string => {
  const ids = new Set(setting.options.flatMap(o => Object.keys(o.means)))
  ids.delete('track.preset')
  const kinds = [...ids].map(id => dimension(id).kind)
  return kinds.includes('assign') ? WORK : [...ids].sort().join(' ')
}

export const allOptions = (s: Setting): PreparedLabel => prepare(s.options.map(o => o.label).join(' '))

export const knownOf = (b: Body): readonly KnownSetting[] =>
  inMenuOrder(b)
    .filter(s => !s.undecided)
    .map(setting => ({
      maker: b.maker,
      name: `${b.maker} ${b.model}`,
      setting,
      label: prepare(setting.label),
      options: allOptions(setting),
      optionLabels: setting.options.map(o => prepare(o.label)),
      page: prepare(menuPath(b, setting)[1]),
      key: keyOf(setting),
    }))

/** What is known of menus at large, whoever made the body. */
export type AtLarge = Pick<Knowledge, 'likeRows' | 'likeOptions'>

/** @param atLarge without it words alone tell */
export const knowledgeOf = (bodies: readonly Body[], atLarge: AtLarge = {}): Knowledge => {
  const each = bodies.map(knownOf)
  const counts = new Map<string, Map<string, number>>()
  for (const settings of each)
    settings.forEach((s, i) => {
      const next = settings[i + 1]
      if (!next || next.setting.at.page !== s.setting.at.page || next.setting.at.tab !== s.setting.at.tab) return
      const row = counts.get(s.key) ?? new Map<string, number>()
      counts.set(s.key, row.set(next.key, (row.get(next.key) ?? 0) + 1))
    })
  const shares = [...counts].map(([key, row]) => {
    const total = [...row.values()].reduce((a, b) => a + b, 0)
    return [key, new Map([...row].map(([k, n]) => [k, n / (total + 1)]))] as const
  })
  return { settings: each.flat(), after: new Map(shares), ...atLarge }
}

export const isOfMaker = (known: KnownSetting, body: Body): boolean =>
  known.maker.toLowerCase() === body.maker.toLowerCase()
