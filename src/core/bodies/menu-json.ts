import { headFor } from './menu-columns'
import type { MenuLine } from './menu-lines'

/** A menu as JSON: names with lists of options, under names; or records, each of which names a setting. */

type Told = Omit<MenuLine, 'number' | 'block'>

const written = (value: unknown): string | undefined =>
  ['string', 'number', 'boolean'].includes(typeof value) ? String(value) : undefined

const under = (value: unknown, indent: number): readonly Told[] => {
  const text = written(value)
  if (text !== undefined) return [{ text, indent }]
  if (typeof value !== 'object' || value === null) return []
  if (Array.isArray(value)) return value.flatMap(v => under(v, indent))
  const entries = Object.entries(value)
  return (
    record(entries, indent) ??
    entries.flatMap(([name, inside]) =>
      // `"settings": [{ ... }]` only holds what is told in it.
      headFor(name) && Array.isArray(inside) && inside.every(i => written(i) === undefined)
        ? under(inside, indent)
        : [{ text: name, indent }, ...under(inside, indent + 1)],
    )
  )
}

/** `{"page": "Focus", "name": "Beep", "options": ["On", "Off"], "default": "Off"}`; undefined for what names no setting. */
const record = (entries: readonly (readonly [string, unknown])[], indent: number): readonly Told[] | undefined => {
  const toldAs = (head: ReturnType<typeof headFor>) =>
    entries.flatMap(([key, value]) => (headFor(key) === head ? (written(value) ?? []) : []))
  const [name] = toldAs('setting')
  if (name === undefined) return undefined
  const path = [...toldAs('tab'), ...toldAs('page'), name].map((text, i) => ({ text, indent: indent + i }))
  const inside = indent + path.length
  const below = entries.flatMap(([key, value]) => {
    const head = headFor(key)
    if (head === 'options' || head === 'preset')
      return [{ text: `${key}:`, indent: inside }, ...under(value, inside + 1)]
    return typeof value === 'object' ? under(value, inside) : []
  })
  return [...path, ...below]
}

/** @returns undefined for what is no JSON with names in it */
export const asLines = (text: string): readonly MenuLine[] | undefined => {
  if (!/^\s*[{[]/.test(text)) return undefined
  try {
    return under(JSON.parse(text), 0).map(line => ({ ...line, number: 1, block: 0 }))
  } catch {
    return undefined
  }
}
