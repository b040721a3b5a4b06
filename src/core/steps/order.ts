import type { Setting } from '../bodies'
import type { Move, Part } from './parts'
import type { MenuCursor } from './presses'

/**
 * Interleaving the ways through all parts of a walk: presses between settings depend on which comes first, and each
 * part says what can be changed when.
 */
export interface OrderProblem {
  readonly parts: readonly Part[]
  /** Settings that some way touches; they are named by position here. */
  readonly settings: readonly Setting[]
  readonly position: ReadonlyMap<string, number>
  /** Presses from where pictures are taken to a setting, and from one setting to another, without the change itself. */
  readonly enter: readonly number[]
  readonly between: readonly (readonly number[])[]
}

/** One change of a walk. */
export interface SettingChange {
  readonly part: number
  readonly setting: string
  readonly option: string
}

/** What a walk comes to: changes that could not be made or are missing at the end, moments without focus, presses. */
export interface Cost {
  readonly failed: number
  readonly dark: number
  readonly presses: number
}

/** As one number, in that order. */
const FAILED = 1e9
export const DARK = 1e5
export const weigh = ({ failed, dark, presses }: Cost): number => failed * FAILED + dark * DARK + presses

export const orderProblem = (
  parts: readonly Part[],
  bodySettings: readonly Setting[],
  walk: MenuCursor,
): OrderProblem => {
  const settings = touchedBy(parts, bodySettings)
  return {
    parts,
    settings,
    position: new Map(settings.map((s, i) => [s.id, i])),
    enter: settings.map(walk.enter),
    between: settings.map(a => settings.map(b => walk.between(a, b))),
  }
}

/** Settings that some way through these parts touches. */
export const touchedBy = (parts: readonly Part[], settings: readonly Setting[]): readonly Setting[] => {
  const touched = new Set(parts.flatMap(p => p.places.flatMap(l => l.moves.map(m => m.setting))))
  return settings.filter(s => touched.has(s.id))
}

/** Presses from one setting, or from where pictures are taken (-1), to another. */
export const hop = (problem: OrderProblem, from: number, to: number): number =>
  (from < 0 ? problem.enter[to] : problem.between[from]?.[to]) ?? 0

const moveOf = (part: Part | undefined, place: number, change: SettingChange): Move | undefined =>
  part?.places[place]?.moves.find(m => m.setting === change.setting && m.option === change.option)

/**
 * Walks a list of changes as far as the body lets it. What the body has brought about by itself by then, and what cannot
 * be changed at that moment, is left out.
 */
export const walked = (
  problem: OrderProblem,
  changes: readonly SettingChange[],
): Cost & { readonly made: readonly SettingChange[] } => {
  const places = problem.parts.map(() => 0)
  const made: SettingChange[] = []
  let last = -1
  let presses = 0
  let dark = 0
  for (const change of changes) {
    const part = problem.parts[change.part]
    const place = places[change.part] ?? 0
    const move = moveOf(part, place, change)
    if (!move) continue
    const at = problem.position.get(change.setting) ?? 0
    presses += hop(problem, last, at) + move.presses
    dark += Number(move.isDark)
    places[change.part] = move.next
    last = at
    made.push(change)
  }
  const failed = problem.parts.filter((p, i) => places[i] !== p.goal).length
  return { failed, dark, presses, made }
}

/**
 * Goes on to the next change of those that lead each part on by the shortest way, so that it always arrives.
 *
 * @param rank what to prefer among them, the least first
 */
const greedy = (
  problem: OrderProblem,
  rank: (last: number, setting: number, move: Move) => number,
): readonly SettingChange[] => {
  const places = problem.parts.map(() => 0)
  const changes: SettingChange[] = []
  let last = -1
  for (;;) {
    let best: { part: number; move: Move; at: number; rank: number } | undefined
    problem.parts.forEach((p, part) => {
      const here = p.places[places[part] ?? 0]
      for (const move of here?.moves ?? []) {
        const way = (here?.left ?? 0) - (p.places[move.next]?.left ?? Infinity)
        if (way <= 0 || (move.isDark ? way < 2 : way > 1)) continue
        const at = problem.position.get(move.setting) ?? 0
        const r = rank(last, at, move)
        if (!best || r < best.rank) best = { part, move, at, rank: r }
      }
    })
    if (!best) return changes
    const { part, move, at } = best
    changes.push({ part, setting: move.setting, option: move.option })
    places[part] = move.next
    last = at
  }
}

/** The nearest setting first. */
export const nearestFirst = (problem: OrderProblem): readonly SettingChange[] =>
  greedy(problem, (last, at, move) => hop(problem, last, at) + move.presses + (move.isDark ? DARK : 0))

/** In a given order of settings, as far as the body lets it. */
export const inOrder = (problem: OrderProblem, rankOf: (setting: string) => number): readonly SettingChange[] =>
  greedy(problem, (_, __, move) => rankOf(move.setting) + (move.isDark ? DARK : 0))

/** What stands at a place of an order once a run of it is taken out. */
const restAt = (order: readonly SettingChange[], from: number, length: number, at: number): SettingChange | undefined =>
  order[at < from ? at : at + length]

/** Moves runs of up to three changes to where they cost less, until none does (or-opt). */
export const improved = (problem: OrderProblem, start: readonly SettingChange[]): readonly SettingChange[] => {
  let order = [...start]
  let cost = weigh(walked(problem, order))
  const at = (c: SettingChange | undefined) => (c ? (problem.position.get(c.setting) ?? 0) : -1)
  const step = (a: SettingChange | undefined, b: SettingChange | undefined) => (b ? hop(problem, at(a), at(b)) : 0)
  for (let better = true; better;) {
    better = false
    for (let length = 1; length <= 3; length++)
      for (let i = 0; i + length <= order.length; i++)
        for (let j = 0; j <= order.length - length; j++) {
          if (j === i) continue
          const [first, last] = [order[i], order[i + length - 1]]
          const closed =
            step(order[i - 1], order[i + length]) - step(order[i - 1], first) - step(last, order[i + length])
          const [before, behind] = [restAt(order, i, length, j - 1), restAt(order, i, length, j)]
          const opened = step(before, first) + step(last, behind) - step(before, behind)
          if (closed + opened >= 0 && cost < DARK) continue
          const run = order.slice(i, i + length)
          const rest = [...order.slice(0, i), ...order.slice(i + length)]
          const next = [...rest.slice(0, j), ...run, ...rest.slice(j)]
          const result = walked(problem, next)
          if (weigh(result) < cost) {
            order = [...result.made]
            cost = weigh(result)
            better = true
          }
        }
  }
  return order
}
