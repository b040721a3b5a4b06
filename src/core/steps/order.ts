import type { Body, Setting, State } from '../bodies'
import { Assigner, FORBIDDEN } from '../numeric/assignment'
import { type MenuWalk, menuWalk } from './presses'
import { obstacleTo, settled, type Step } from './walk'

/**
 * Putting steps in order is a sequential ordering problem: presses between settings depend on which comes first, and
 * rules say what has to come before what.
 */
export interface OrderProblem {
  readonly count: number
  /** Presses from where pictures are taken to a step, made. */
  readonly enter: readonly number[]
  /** Presses from one step to the next, made. */
  readonly between: readonly (readonly number[])[]
  /** The steps that decide whether a step can be made now, as positions. */
  readonly concerns: readonly (readonly number[])[]
  /** What it costs beside the presses to make a step now; 0 where nothing stands in the way. */
  readonly hurdle: (step: number, isDone: (other: number) => boolean) => number
}

/** A rule in the way weighs more than any number of moments without focus, and each of those more than all presses. */
export const RULE_HURDLE = 1e9
export const FOCUS_HURDLE = 1e5

/** Settings that stand in one rule, directly or through others, and all that have to do with what starts focus. */
const linksOf = (body: Body): ((setting: string) => string) => {
  const parent = new Map(body.settings.map(s => [s.id, s.id]))
  const find = (id: string): string => {
    const up = parent.get(id) ?? id
    return up === id ? id : find(up)
  }
  const join = (ids: readonly string[]) => ids.forEach(id => parent.set(find(id), find(ids[0] ?? id)))
  for (const r of body.rules) join([r.then.setting, ...r.when.map(c => c.setting)])
  const startsFocus = (s: Setting) =>
    s.options.some(o => ['trigger.shutter', 'trigger.start', 'trigger.second'].some(d => d in o.means))
  join(body.settings.filter(startsFocus).map(s => s.id))
  return find
}

export const orderProblem = (
  body: Body,
  from: State,
  steps: readonly Step[],
  walk: MenuWalk = menuWalk(body),
): OrderProblem => {
  const settings = steps.map(s => body.settings.find(x => x.id === s.setting)).filter(s => s !== undefined)
  const change = steps.map((s, i) => {
    const setting = settings[i]
    return setting ? walk.change(setting, s.from, s.to) : 0
  })
  const link = linksOf(body)
  const concerns = steps.map(s => steps.flatMap((o, k) => (link(o.setting) === link(s.setting) ? [k] : [])))
  const known = steps.map(() => new Map<string, number>())
  const hurdleWith = (i: number, done: readonly number[]): number => {
    const step = steps[i]
    if (!step) return 0
    const set = (state: State, k: number): State => {
      const s = steps[k]
      return s ? { ...state, [s.setting]: s.to } : state
    }
    const now = settled(body, done.reduce(set, from))
    if (now[step.setting] === step.to) return 0
    const obstacle = obstacleTo(body, now, step.setting, step.to)
    if (obstacle) return obstacle.kind === 'rule' ? RULE_HURDLE : FOCUS_HURDLE
    const after = settled(body, set(now, i))
    return [...done, i].every(k => after[steps[k]?.setting ?? ''] === steps[k]?.to) ? 0 : RULE_HURDLE
  }
  return {
    count: steps.length,
    enter: settings.map((s, i) => walk.enter(s) + (change[i] ?? 0)),
    between: settings.map(a => settings.map((b, i) => walk.between(a, b) + (change[i] ?? 0))),
    concerns,
    hurdle: (i, isDone) => {
      const done = (concerns[i] ?? []).filter(k => k !== i && isDone(k))
      const key = done.join()
      const before = known[i]?.get(key)
      if (before !== undefined) return before
      const found = hurdleWith(i, done)
      known[i]?.set(key, found)
      return found
    },
  }
}

/** What an order costs: presses and hurdles together. */
export const costOfOrder = (problem: OrderProblem, order: readonly number[]): number => {
  const done = new Uint8Array(problem.count)
  let sum = 0
  order.forEach((i, at) => {
    const before = order[at - 1]
    sum += (before === undefined ? problem.enter[i] : problem.between[before]?.[i]) ?? 0
    sum += problem.hurdle(i, k => done[k] === 1)
    done[i] = 1
  })
  return sum
}

/** Presses alone, without what stands in the way. */
export const pressesOfOrder = (problem: OrderProblem, order: readonly number[]): number =>
  costOfOrder({ ...problem, hurdle: () => 0 }, order)

/** Beyond this many steps, or this many states that a hurdle has to be looked at in, an order is improved, not proven. */
const MOST_EXACT = 15
const MOST_LOOKS = 40_000

export const isSmall = ({ count, concerns }: OrderProblem): boolean =>
  count <= MOST_EXACT && concerns.reduce((sum, c) => sum + 2 ** Math.max(0, c.length - 1), 0) <= MOST_LOOKS

/** The best order, by dynamic programming over the sets of steps made. */
export const bestOrder = (problem: OrderProblem): readonly number[] => {
  const n = problem.count
  if (n === 0) return []
  const sets = 1 << n
  const cost = new Float64Array(sets * n).fill(Infinity)
  const cameFrom = new Int8Array(sets * n).fill(-1)
  const hurdles = new Float64Array(n)
  for (let set = 0; set < sets - 1; set++) {
    for (let i = 0; i < n; i++) if (((set >> i) & 1) === 0) hurdles[i] = problem.hurdle(i, k => ((set >> k) & 1) === 1)
    for (let i = 0; i < n; i++) {
      if ((set >> i) & 1) continue
      const at = (set | (1 << i)) * n + i
      if (set === 0) {
        cost[at] = (problem.enter[i] ?? 0) + (hurdles[i] ?? 0)
        continue
      }
      for (let last = 0; last < n; last++) {
        if (((set >> last) & 1) === 0) continue
        const sum = (cost[set * n + last] ?? 0) + (problem.between[last]?.[i] ?? 0) + (hurdles[i] ?? 0)
        if (sum < (cost[at] ?? 0)) {
          cost[at] = sum
          cameFrom[at] = last
        }
      }
    }
  }
  let set = sets - 1
  let last = 0
  for (let i = 1; i < n; i++) if ((cost[set * n + i] ?? 0) < (cost[set * n + last] ?? 0)) last = i
  const order: number[] = []
  while (last >= 0) {
    order.unshift(last)
    const before = cameFrom[set * n + last] ?? -1
    set &= ~(1 << last)
    last = before
  }
  return order
}

/** Moves runs of up to three steps to where they cost less, until none does (or-opt). */
export const improved = (problem: OrderProblem, start: readonly number[]): readonly number[] => {
  let order = [...start]
  let cost = costOfOrder(problem, order)
  const hop = (a: number | undefined, b: number | undefined): number => {
    if (b === undefined) return 0
    return (a === undefined ? problem.enter[b] : problem.between[a]?.[b]) ?? 0
  }
  for (let better = true; better;) {
    better = false
    for (let length = 1; length <= 3; length++)
      for (let i = 0; i + length <= order.length; i++)
        for (let j = 0; j <= order.length - length; j++) {
          if (j === i) continue
          const run = order.slice(i, i + length)
          const rest = [...order.slice(0, i), ...order.slice(i + length)]
          const first = run[0]
          const last = run.at(-1)
          const closed = hop(order[i - 1], order[i + length]) - hop(order[i - 1], first) - hop(last, order[i + length])
          const opened = hop(rest[j - 1], first) + hop(last, rest[j]) - hop(rest[j - 1], rest[j])
          if (closed + opened >= 0 && cost < FOCUS_HURDLE) continue
          const next = [...rest.slice(0, j), ...run, ...rest.slice(j)]
          const sum = costOfOrder(problem, next)
          if (sum < cost) {
            order = next
            cost = sum
            better = true
          }
        }
  }
  return order
}

/** Goes on to the nearest step that nothing stands in the way of. */
export const nearestFirst = (problem: OrderProblem): readonly number[] => {
  const order: number[] = []
  const left = new Set(Array.from({ length: problem.count }, (_, i) => i))
  while (left.size) {
    const last = order.at(-1)
    let best = -1
    let least = Infinity
    for (const i of left) {
      const sum =
        ((last === undefined ? problem.enter[i] : problem.between[last]?.[i]) ?? 0) +
        problem.hurdle(i, k => !left.has(k))
      if (sum < least) {
        least = sum
        best = i
      }
    }
    order.push(best)
    left.delete(best)
  }
  return order
}

/** No order takes fewer presses: every step is come to from another one or from outside, each of which leads on once. */
export const fewestPresses = (problem: OrderProblem): number => {
  const n = problem.count
  if (n === 0) return 0
  const cost = new Float64Array(n * (n + 1)).fill(FORBIDDEN)
  for (let i = 0; i < n; i++) {
    cost[i * (n + 1)] = problem.enter[i] ?? 0
    for (let k = 0; k < n; k++) if (k !== i) cost[i * (n + 1) + k + 1] = problem.between[k]?.[i] ?? 0
  }
  return new Assigner(n, n + 1).solve(cost)
}
