import type { Body, Condition, Rule, State } from './schema'

/**
 * What the rules of a body make of a state: which settings are greyed out, which are forced, which choices cannot
 * stand together. Rules must not run in a circle (see `checkBody`); settings are judged after those that can grey
 * them out, and a greyed-out setting counts as set to nothing.
 */
export interface Availability {
  /** Greyed-out settings and the rules that do it. */
  readonly unavailable: ReadonlyMap<string, readonly Rule[]>
  /** Rules that force another option than the state has. */
  readonly broken: readonly Rule[]
  /** Rules whose conditions hold. */
  readonly fired: readonly Rule[]
}

/** For each setting, the settings whose value can grey it out. */
const blockersOf = (rules: readonly Rule[]): Map<string, Set<string>> => {
  const blockers = new Map<string, Set<string>>()
  for (const rule of rules) {
    if (rule.then.effect !== 'unavailable') continue
    const set = blockers.get(rule.then.setting) ?? new Set()
    for (const c of rule.when) set.add(c.setting)
    blockers.set(rule.then.setting, set)
  }
  return blockers
}

/**
 * Settings ordered so that each comes after all that can grey it out.
 *
 * @throws RangeError naming the circle, where the rules run in one
 */
export const inBlockingOrder = (settingIds: readonly string[], rules: readonly Rule[]): readonly string[] => {
  const blockers = blockersOf(rules)
  const done = new Set<string>()
  const order: string[] = []
  const visit = (id: string, path: readonly string[]): void => {
    if (done.has(id)) return
    if (path.includes(id))
      throw new RangeError(`rules run in a circle: ${[...path.slice(path.indexOf(id)), id].join(' > ')}`)
    for (const blocker of blockers.get(id) ?? []) visit(blocker, [...path, id])
    done.add(id)
    order.push(id)
  }
  for (const id of settingIds) visit(id, [])
  return order
}

/** Rules never change, and states are judged by the thousand: which settings they grey out is put in order once. */
const greyingOrders = new WeakMap<readonly Rule[], readonly (readonly [setting: string, by: readonly Rule[]])[]>()

const greyingOrder = (rules: readonly Rule[]) => {
  const known = greyingOrders.get(rules)
  if (known) return known
  const greying = rules.filter(r => r.then.effect === 'unavailable')
  const order = inBlockingOrder([...new Set(greying.map(r => r.then.setting))], rules).flatMap(id => {
    const by = greying.filter(r => r.then.setting === id)
    return by.length ? [[id, by] as const] : []
  })
  greyingOrders.set(rules, order)
  return order
}

/** Judges a state by the rules of a body. */
export const availability = (body: Body, state: State): Availability => {
  const unavailable = new Map<string, Rule[]>()
  const holds = (c: Condition) => !unavailable.has(c.setting) && c.is.includes(state[c.setting] ?? '')
  for (const [id, rules] of greyingOrder(body.rules)) {
    const by = rules.filter(r => r.when.every(holds))
    if (by.length) unavailable.set(id, by)
  }
  const fired = body.rules.filter(r => r.when.every(holds))
  const broken = fired.filter(r => {
    const { then } = r
    if (then.effect === 'unavailable' || unavailable.has(then.setting)) return false
    const option = state[then.setting] ?? ''
    return then.effect === 'forced' ? option !== then.option : then.options.includes(option)
  })
  return { unavailable, broken, fired }
}
