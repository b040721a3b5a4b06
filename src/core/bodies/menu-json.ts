import { headFor } from './menu-columns'
import type { MenuLine } from './menu-lines'

/**
 * A menu as JSON: names with lists of options, under names; or lists of things that tell their own names. What is a name
 * is seen by where it stands, since every program calls its keys by other words.
 */

type Told = Omit<MenuLine, 'number' | 'block'>
type Entries = readonly (readonly [key: string, value: unknown])[]

const written = (value: unknown): string | undefined =>
  ['string', 'number', 'boolean'].includes(typeof value) ? String(value) : undefined

const entriesOf = (value: unknown): Entries | undefined =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? Object.entries(value) : undefined

const under = (value: unknown, indent: number): readonly Told[] => {
  const text = written(value)
  if (text !== undefined) return [{ text, indent }]
  if (Array.isArray(value)) return listed(value, indent)
  const entries = entriesOf(value) ?? []
  return (
    record(entries, indent, nameIn(entries, false)) ??
    entries.flatMap(([name, inside]) => {
      const told = entriesOf(inside)
      // `"Beep": { "options": ["On", "Off"], "default": "Off" }`
      if (told?.some(([key]) => headFor(key) === 'options')) return record(told, indent, name) ?? []
      // `"settings": [{ ... }]` only holds what is told in it.
      const isHolder = headFor(name) && Array.isArray(inside) && inside.every(i => entriesOf(i))
      return isHolder ? under(inside, indent) : [{ text: name, indent }, ...under(inside, indent + 1)]
    })
  )
}

/** Words, or names with what is under each, or things that all tell the same of themselves. */
const listed = (list: readonly unknown[], indent: number): readonly Told[] => {
  const [name, inside] = list
  if (list.length === 2 && typeof name === 'string' && Array.isArray(inside))
    return [{ text: name, indent }, ...under(inside, indent + 1)]
  const keys = list.map(v => entriesOf(v)?.map(([key]) => key))
  const areAlike = list.length > 1 && keys.every(k => k?.[0] !== undefined && k[0] === keys[0]?.[0])
  return list.flatMap(v => {
    const entries = entriesOf(v) ?? []
    return record(entries, indent, nameIn(entries, areAlike)) ?? under(v, indent)
  })
}

const SHOWN = /^(?:label|title|caption|text|heading|display ?name)$/i

/** What a thing is called by its own words; of things that are alike whatever they say first. */
const nameIn = (entries: Entries, isOneOfMany: boolean): string | undefined => {
  const texts = entries.filter(([, value]) => typeof value === 'string')
  const found =
    texts.find(([key]) => SHOWN.test(key)) ??
    texts.find(([key]) => headFor(key) === 'setting') ??
    texts.find(([key, value]) => isOneOfMany && headFor(key) === undefined && value !== '')
  return written(found?.[1])
}

/** `{"page": "Focus", "name": "Beep", "options": ["On", "Off"], "default": "Off"}`; undefined for what has no name. */
const record = (entries: Entries, indent: number, name: string | undefined): readonly Told[] | undefined => {
  const toldAs = (wanted: 'tab' | 'page') =>
    entries.flatMap(([key, value]) => (headFor(key) === wanted ? (written(value) ?? []) : []))
  const names = [...toldAs('tab'), ...toldAs('page'), ...(name === undefined ? [] : [name])]
  if (names.length === 0) return undefined
  const path = names.map((text, i) => ({ text, indent: indent + i }))
  const inside = indent + path.length
  const below = entries.flatMap(([key, value]) => {
    const head = headFor(key)
    const isField = head === 'preset' || (head === 'options' && (written(value) ?? ''))
    const coded = entriesOf(value)?.map(([, option]) => option)
    // `"values": { "0": "On", "1": "Off" }`
    const told = coded?.every(option => written(option) !== undefined) ? coded : value
    if (isField || (head === 'options' && Array.isArray(told)))
      return [{ text: `${key}:`, indent: inside }, ...under(told, inside + 1)]
    return typeof value === 'object' ? under(value, inside) : []
  })
  return [...path, ...below]
}

const FENCE = /^\s*```\w*$/

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** @returns undefined for what is no JSON with names in it */
export const asLines = (text: string): readonly MenuLine[] | undefined => {
  const lines = text.split('\n').filter(l => l.trim() && !FENCE.test(l))
  if (!/^\s*[{[]/.test(lines[0] ?? '')) return undefined
  // One whole, or one in each line.
  const told = parsed(lines.join('\n')) ?? lines.map(parsed)
  if (Array.isArray(told) && told.includes(undefined)) return undefined
  try {
    return under(told, 0).map(line => ({ ...line, number: 1, block: 0 }))
  } catch (error) {
    // Deeper than anything that a menu is.
    if (error instanceof RangeError) return undefined
    throw error
  }
}
