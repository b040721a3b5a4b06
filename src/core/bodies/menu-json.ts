import type { MenuLine } from './menu-lines'

/** A menu as JSON: names with lists of options, under names. */

const written = (value: unknown): string | undefined =>
  ['string', 'number', 'boolean'].includes(typeof value) ? String(value) : undefined

const under = (value: unknown, indent: number): readonly Omit<MenuLine, 'number' | 'block'>[] => {
  const text = written(value)
  if (text !== undefined) return [{ text, indent }]
  if (typeof value !== 'object' || value === null) return []
  if (Array.isArray(value)) return value.flatMap(v => under(v, indent))
  return Object.entries(value).flatMap(([name, inside]) => [{ text: name, indent }, ...under(inside, indent + 1)])
}

/** @returns undefined for what is no JSON with names in it */
export const asLines = (text: string): readonly MenuLine[] | undefined => {
  if (!text.trimStart().startsWith('{')) return undefined
  try {
    return under(JSON.parse(text), 0).map(line => ({ ...line, number: 1, block: 0 }))
  } catch {
    return undefined
  }
}
