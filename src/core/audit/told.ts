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

/** Evidence as it is compared: its value made plain once, not for every picture. */
interface Rule extends Evidence {
  readonly wanted: string
  /** A rule that names its group is about that group alone; in a table without groups, about the field. */
  readonly group: string | undefined
}

const groupOf = (field: string): string | undefined =>
  field.includes(':') ? field.slice(0, field.lastIndexOf(':')).toLowerCase() : undefined

const holds = ({ sign, wanted }: Rule, is: string): boolean => {
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

const toldBy = (rules: ReadonlyMap<string, readonly Rule[]>, telling: readonly (readonly [string, string])[]): Told => {
  const found = new Map<string, Set<string>>()
  for (const [field, said] of telling) {
    const [is, group] = [plain(said), groupOf(field)]
    for (const rule of rules.get(bareName(field).toLowerCase()) ?? [])
      if ((rule.group === undefined || group === undefined || rule.group === group) && holds(rule, is))
        found.set(rule.setting, (found.get(rule.setting) ?? new Set()).add(rule.option))
  }
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
  const rules = new Map<string, Rule[]>()
  for (const e of evidence) {
    const name = bareName(e.field).toLowerCase()
    rules.set(name, [...(rules.get(name) ?? []), { ...e, wanted: plain(e.value), group: groupOf(e.field) }])
  }
  return fields => {
    const telling = Object.entries(fields).filter(([key]) => rules.has(bareName(key).toLowerCase()))
    const key = JSON.stringify(telling)
    const known = read.get(key)
    if (known) return known
    const told = toldBy(rules, telling)
    read.set(key, told)
    return told
  }
}
