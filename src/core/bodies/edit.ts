import { uniqueSlug } from '../language/language'
import type { Meaning } from '../vocabulary/schema'
import { type CountsIn, withCounts } from './counts'
import { inMenuOrder } from './menu'
import type { Body, Control, Option, Rule, Setting, Stores } from './schema'

/**
 * Everything that can be done to a profile, as functions from one profile to the next. None leaves anything that
 * points nowhere: what goes takes along the rules and lists that spoke of it.
 */

const onPage = (body: Body, tab: string, page: number): readonly Setting[] =>
  inMenuOrder(body).filter(s => s.at.tab === tab && s.at.page === page)

/** Settings of one page in this order, numbered from 1; the others as they are. */
const withPage = (body: Body, tab: string, page: number, order: readonly Setting[]): Body => {
  const row = new Map(order.map((s, i) => [s.id, i + 1]))
  const known = new Set(body.settings.map(s => s.id))
  const kept = body.settings.map(s => {
    const r = row.get(s.id)
    return r === undefined ? s : { ...s, at: { tab, page, row: r } }
  })
  const added = order.filter(s => !known.has(s.id)).map(s => ({ ...s, at: { tab, page, row: row.get(s.id) ?? 1 } }))
  return { ...body, settings: [...kept, ...added] }
}

export interface Place {
  readonly tab: string
  readonly page: number
  /** Position among the settings of the page, from 0. */
  readonly index: number
}

/** Adds a setting with one option at a place of the menu. */
export const addSetting = (body: Body, place: Place, label: string): { readonly body: Body; readonly id: string } => {
  const id = uniqueSlug(label, new Set(body.settings.map(s => s.id)), 'setting')
  const setting: Setting = {
    id,
    label,
    at: { tab: place.tab, page: place.page, row: 1 },
    options: [{ id: 'on', label: 'On', means: {} }],
    default: 'on',
    undecided: true,
  }
  const there = onPage(body, place.tab, place.page)
  const order = [...there.slice(0, place.index), setting, ...there.slice(place.index)]
  return { body: withPage(body, place.tab, place.page, order), id }
}

/** Moves settings, in the order they have, to a place of the menu. */
export const moveSettings = (body: Body, ids: readonly string[], place: Place): Body => {
  const moving = inMenuOrder(body).filter(s => ids.includes(s.id))
  const there = onPage(body, place.tab, place.page)
  const before = there.slice(0, place.index).filter(s => !ids.includes(s.id))
  const after = there.slice(place.index).filter(s => !ids.includes(s.id))
  const from = new Map(moving.map(s => [`${s.at.tab} ${s.at.page}`, s.at]))
  const moved = withPage(body, place.tab, place.page, [...before, ...moving, ...after])
  return [...from.values()].reduce((b, at) => withPage(b, at.tab, at.page, onPage(b, at.tab, at.page)), moved)
}

/** Moves settings one row up or down; past the end of a page they go on to the next. */
export const nudgeSettings = (body: Body, ids: readonly string[], by: 1 | -1): Body => {
  const moving = inMenuOrder(body).filter(s => ids.includes(s.id))
  const edge = by === -1 ? moving[0] : moving.at(-1)
  if (!edge) return body
  const { tab, page } = edge.at
  const there = onPage(body, tab, page)
  const index = there.findIndex(s => s.id === edge.id)
  if (by === -1 && index > 0) return moveSettings(body, ids, { tab, page, index: index - 1 })
  if (by === 1 && index < there.length - 1) return moveSettings(body, ids, { tab, page, index: index + 2 })
  const pages = pagesOf(body)
  const next = pages[pages.findIndex(p => p.tab === tab && p.page === page) + by]
  if (!next) return body
  return moveSettings(body, ids, { ...next, index: by === 1 ? 0 : onPage(body, next.tab, next.page).length })
}

/** Every page of the menu, in order. */
export const pagesOf = (
  body: Body,
): readonly { readonly tab: string; readonly page: number; readonly label: string }[] =>
  body.menu.tabs.flatMap(t => t.pages.map((label, i) => ({ tab: t.id, page: i + 1, label })))

const withoutInRule = (rule: Rule, settingId: string, optionId: string | undefined): readonly Rule[] => {
  const isGone = (setting: string) => setting === settingId
  if (optionId === undefined) return isGone(rule.then.setting) || rule.when.some(c => isGone(c.setting)) ? [] : [rule]
  const when = rule.when.map(c => (isGone(c.setting) ? { ...c, is: c.is.filter(o => o !== optionId) } : c))
  if (when.some(c => c.is.length === 0)) return []
  const { then } = rule
  if (!isGone(then.setting) || then.effect === 'unavailable') return [{ ...rule, when }]
  if (then.effect === 'forced') return then.option === optionId ? [] : [{ ...rule, when }]
  const options = then.options.filter(o => o !== optionId)
  return options.length ? [{ ...rule, when, then: { ...then, options } }] : []
}

const withoutStored = (stores: Stores, ids: readonly string[]): Stores =>
  stores === 'everything' ? stores : stores.filter(id => !ids.includes(id))

/** Removes settings, the rules that speak of them, and their place in the memory slots. */
export const removeSettings = (body: Body, ids: readonly string[]): Body => {
  const places = body.settings.filter(s => ids.includes(s.id)).map(s => s.at)
  const left: Body = {
    ...body,
    settings: body.settings.filter(s => !ids.includes(s.id)),
    rules: ids.reduce<Rule[]>((rules, id) => rules.flatMap(r => withoutInRule(r, id, undefined)), body.rules),
    slots: {
      ...body.slots,
      stores: withoutStored(body.slots.stores, ids),
      ...(body.slots.keys ? { keys: { ...body.slots.keys, stores: withoutStored(body.slots.keys.stores, ids) } } : {}),
    },
    ...(body.pins ? { pins: body.pins.filter(p => !ids.includes(p.setting)) } : {}),
    ...(body.evidence ? { evidence: body.evidence.filter(e => !ids.includes(e.setting)) } : {}),
  }
  return places.reduce((b, at) => withPage(b, at.tab, at.page, onPage(b, at.tab, at.page)), left)
}

/** Changes one setting. */
export const editSetting = (body: Body, id: string, change: (s: Setting) => Setting): Body => ({
  ...body,
  settings: body.settings.map(s => (s.id === id ? change(s) : s)),
})

/** Marks a setting as decided. */
export const decided = (s: Setting): Setting => {
  const copy = { ...s }
  delete copy.undecided
  delete copy.unnamed
  return copy
}

/** Asks again what a setting means, from the beginning. */
export const askAgain = (body: Body, id: string): Body =>
  editSetting(body, id, s => ({
    ...decided(s),
    undecided: true,
    options: s.options.map(o => withoutGuess({ ...o, means: {} })),
  }))

export const addOption = (
  body: Body,
  settingId: string,
  index: number,
  label: string,
): { readonly body: Body; readonly id: string } => {
  const setting = body.settings.find(s => s.id === settingId)
  const id = uniqueSlug(label, new Set(setting?.options.map(o => o.id)), 'option')
  const option = { id, label, means: {} }
  return {
    id,
    body: editSetting(body, settingId, s => ({
      ...s,
      options: [...s.options.slice(0, index), option, ...s.options.slice(index)],
    })),
  }
}

export const moveOption = (body: Body, settingId: string, optionId: string, by: 1 | -1): Body =>
  editSetting(body, settingId, s => {
    const from = s.options.findIndex(o => o.id === optionId)
    const to = from + by
    const [option, other] = [s.options[from], s.options[to]]
    if (!option || !other) return s
    return { ...s, options: s.options.map((o, i) => (i === from ? other : i === to ? option : o)) }
  })

/** Removes an option; the last one stays, since a setting always is at something. */
export const removeOption = (body: Body, settingId: string, optionId: string): Body => {
  const setting = body.settings.find(s => s.id === settingId)
  if (!setting || setting.options.length < 2) return body
  const options = setting.options.filter(o => o.id !== optionId)
  return {
    ...editSetting(body, settingId, s => ({
      ...s,
      options,
      default: s.default === optionId ? (options[0]?.id ?? s.default) : s.default,
    })),
    rules: body.rules.flatMap(r => withoutInRule(r, settingId, optionId)),
    ...(body.pins ? { pins: body.pins.filter(p => p.setting !== settingId || p.option !== optionId) } : {}),
    ...(body.evidence ? { evidence: body.evidence.filter(e => e.setting !== settingId || e.option !== optionId) } : {}),
  }
}

/** Says what an option means. A setting that was undecided stays so until all of its options have been told. */
export const setMeaning = (body: Body, settingId: string, optionId: string, means: Meaning): Body =>
  editSetting(body, settingId, s => {
    const options = s.options.map(o => (o.id === optionId ? withoutGuess({ ...o, means: { ...means } }) : o))
    const isTold = options.every(o => Object.keys(o.means).length > 0)
    return { ...(s.undecided && !isTold ? s : decided(s)), options }
  })

/** Says where one option counts, when that is not where its setting does. */
export const setCounts = (body: Body, settingId: string, optionId: string, counts: CountsIn | undefined): Body =>
  editSetting(body, settingId, s => ({
    ...s,
    options: s.options.map(o => (o.id === optionId ? withCounts(o, counts) : o)),
  }))

/** What is still open on a setting says nothing about focus; what was told stays. */
export const restSaysNothing = (body: Body, settingId: string): Body => editSetting(body, settingId, decided)

/** What somebody has stated is no guess any more. */
const withoutGuess = (o: Option): Option => {
  const copy = { ...o }
  delete copy.guessed
  return copy
}

/** Amounts that were guessed are confirmed as they are. */
export const confirmGuesses = (body: Body, settingId: string): Body =>
  editSetting(body, settingId, s => ({ ...s, options: s.options.map(withoutGuess) }))

/** A scale runs the other way: what its last option meant is what its first means. */
export const turnedRound = (body: Body, settingId: string): Body =>
  editSetting(body, settingId, s => {
    const means = s.options.map(o => o.means).reverse()
    return { ...s, options: s.options.map((o, i) => ({ ...o, means: means[i] ?? {} })) }
  })

/** The setting is about focus, and nothing in the vocabulary says it. */
export const meansUnnamed = (body: Body, settingId: string): Body =>
  editSetting(body, settingId, s => ({
    ...decided(s),
    unnamed: true,
    options: s.options.map(o => withoutGuess({ ...o, means: {} })),
  }))

/** The setting has nothing to do with focus. */
export const meansNothing = (body: Body, settingId: string): Body =>
  editSetting(body, settingId, s => ({ ...decided(s), options: s.options.map(o => withoutGuess({ ...o, means: {} })) }))

export const addTab = (body: Body, label: string): Body => ({
  ...body,
  menu: {
    ...body.menu,
    tabs: [
      ...body.menu.tabs,
      { id: uniqueSlug(label, new Set(body.menu.tabs.map(t => t.id)), 'tab'), label, pages: ['Page 1'] },
    ],
  },
})

export const editTab = (
  body: Body,
  id: string,
  change: (t: Body['menu']['tabs'][number]) => Body['menu']['tabs'][number],
): Body => ({ ...body, menu: { ...body.menu, tabs: body.menu.tabs.map(t => (t.id === id ? change(t) : t)) } })

/** Removes a page without settings; a tab without pages goes along, unless it is the last. */
export const removePage = (body: Body, tab: string, page: number): Body => {
  if (onPage(body, tab, page).length) return body
  const pages = body.menu.tabs.find(t => t.id === tab)?.pages ?? []
  if (pages.length === 1)
    return body.menu.tabs.length === 1
      ? body
      : { ...body, menu: { ...body.menu, tabs: body.menu.tabs.filter(t => t.id !== tab) } }
  const shifted = body.settings.map(s =>
    s.at.tab === tab && s.at.page > page ? { ...s, at: { ...s.at, page: s.at.page - 1 } } : s,
  )
  return editTab({ ...body, settings: shifted }, tab, t => ({ ...t, pages: t.pages.filter((_, i) => i !== page - 1) }))
}

export const editControl = (body: Body, id: string, change: (c: Control) => Control): Body => ({
  ...body,
  controls: body.controls.map(c => (c.id === id ? change(c) : c)),
})

/** Removes a control, and the work that options put on it; the last one stays. */
export const removeControl = (body: Body, id: string): Body => {
  if (body.controls.length < 2) return body
  const freed = (means: Meaning): Meaning =>
    Object.fromEntries(Object.entries(means).filter(([, v]) => (v as { control?: string }).control !== id))
  return {
    ...body,
    controls: body.controls.filter(c => c.id !== id),
    settings: body.settings.map(s => ({ ...s, options: s.options.map(o => ({ ...o, means: { ...freed(o.means) } })) })),
    fixed: body.fixed.map(f => ({ ...f, means: { ...freed(f.means) } })).filter(f => Object.keys(f.means).length > 0),
  }
}

export const addRule = (body: Body, rule: Omit<Rule, 'id'>): Body => ({
  ...body,
  rules: [...body.rules, { ...rule, id: uniqueSlug(rule.words, new Set(body.rules.map(r => r.id)), 'rule') }],
})

export const removeRule = (body: Body, id: string): Body => ({ ...body, rules: body.rules.filter(r => r.id !== id) })
