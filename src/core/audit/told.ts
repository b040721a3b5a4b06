import type { Evidence, State } from '../bodies'
import type { Picture } from './picture'
import { bareName } from './table'

/** What a picture tells of how the camera was set, by the evidence of its body. */

export interface Told {
  /** Setting to option. */
  readonly state: State
  /** Settings of which the picture says two things at once: nothing is believed of them. */
  readonly torn: readonly string[]
}

const plain = (text: string): string => text.trim().toLowerCase().replaceAll(/\s+/g, ' ')

const holds = ({ sign, value }: Evidence, said: string): boolean => {
  const [wanted, is] = [plain(value), plain(said)]
  switch (sign) {
    case 'is':
      return is === wanted
    case 'contains':
      return is.includes(wanted)
    case 'at-least':
    case 'at-most': {
      const [a, b] = [Number(is), Number(wanted)]
      if (is === '' || !Number.isFinite(a)) return false
      return sign === 'at-least' ? a >= b : a <= b
    }
  }
}

/** What a field says; a rule that names its group is about that group alone, in a table without groups about the field. */
const saidIn = (fields: Picture['fields'], names: ReadonlyMap<string, readonly string[]>, field: string): string[] => {
  const own = Object.hasOwn(fields, field) ? fields[field] : undefined
  if (own !== undefined) return [own]
  const isGrouped = field.includes(':')
  return (names.get(bareName(field).toLowerCase()) ?? []).flatMap(key =>
    isGrouped && key.includes(':') && key.toLowerCase() !== field.toLowerCase() ? [] : [fields[key] ?? ''],
  )
}

const namesIn = (fields: Picture['fields']): ReadonlyMap<string, readonly string[]> => {
  const names = new Map<string, string[]>()
  for (const key of Object.keys(fields)) {
    const name = bareName(key).toLowerCase()
    names.set(name, [...(names.get(name) ?? []), key])
  }
  return names
}

const toldBy = (evidence: readonly Evidence[], fields: Picture['fields']): Told => {
  const names = namesIn(fields)
  const found = new Map<string, Set<string>>()
  for (const e of evidence)
    if (saidIn(fields, names, e.field).some(said => holds(e, said)))
      found.set(e.setting, (found.get(e.setting) ?? new Set()).add(e.option))
  const state: Record<string, string> = {}
  const torn: string[] = []
  for (const [setting, options] of found) {
    const [option] = options
    if (options.size === 1 && option !== undefined) state[setting] = option
    else torn.push(setting)
  }
  return { state, torn }
}

/** Reads many pictures by the same evidence: most say what others said, and that is looked at once. */
export const teller = (evidence: readonly Evidence[]): ((fields: Picture['fields']) => Told) => {
  const read = new Map<string, Told>()
  const wanted = new Set(evidence.map(e => bareName(e.field).toLowerCase()))
  return fields => {
    const telling = Object.entries(fields).filter(([key]) => wanted.has(bareName(key).toLowerCase()))
    const key = JSON.stringify(telling)
    const known = read.get(key)
    if (known) return known
    const told = toldBy(evidence, Object.fromEntries(telling))
    read.set(key, told)
    return told
  }
}
