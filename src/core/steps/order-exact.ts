import { Assigner, FORBIDDEN } from '../numeric/assignment'
import {
  type Cost,
  DARK,
  hop,
  improved,
  inOrder,
  nearestFirst,
  type OrderProblem,
  type SettingChange,
  touchedBy,
  walked,
} from './order'
import type { Part } from './parts'

/** The best order of a walk where it can be proven, and what no order goes below where it cannot. */

/** Beyond so many situations an order is improved, not proven. */
const MOST_SITUATIONS = 2 ** 15 * 16
export const MOST_IN_CIRCLES = 60_000

/** The way through more settings than this is bounded, not looked for. */
const MOST_RELAXED = 12

/** Places so that every move leads to a later one; undefined where moves run in a circle. */
const inSequence = (part: Part): Part | undefined => {
  const order: number[] = []
  const state = new Uint8Array(part.places.length)
  const visit = (at: number): boolean => {
    if (state[at] === 1) return false
    if (state[at] === 2) return true
    state[at] = 1
    for (const m of part.places[at]?.moves ?? []) if (!visit(m.next)) return false
    state[at] = 2
    order.unshift(at)
    return true
  }
  if (!visit(0)) return undefined
  const position = new Map(order.map((p, i) => [p, i]))
  const places = order.map(p => {
    const place = part.places[p]
    return {
      left: place?.left ?? Infinity,
      moves: (place?.moves ?? []).map(m => ({ ...m, next: position.get(m.next) ?? 0 })),
    }
  })
  return { ...part, places, goal: position.get(part.goal) ?? part.goal }
}

/** A queue of situations by cost. */
class Heap {
  private readonly items: number[] = []
  private readonly keys: number[] = []

  get size(): number {
    return this.items.length
  }

  push(item: number, key: number): void {
    let i = this.items.length
    while (i > 0) {
      const up = (i - 1) >> 1
      if ((this.keys[up] ?? 0) <= key) break
      this.items[i] = this.items[up] ?? 0
      this.keys[i] = this.keys[up] ?? 0
      i = up
    }
    this.items[i] = item
    this.keys[i] = key
  }

  pop(): number {
    const top = this.items[0] ?? 0
    const item = this.items.pop() ?? 0
    const key = this.keys.pop() ?? 0
    const n = this.items.length
    if (n === 0) return top
    let i = 0
    for (;;) {
      let child = 2 * i + 1
      if (child >= n) break
      if (child + 1 < n && (this.keys[child + 1] ?? 0) < (this.keys[child] ?? 0)) child++
      if ((this.keys[child] ?? 0) >= key) break
      this.items[i] = this.items[child] ?? 0
      this.keys[i] = this.keys[child] ?? 0
      i = child
    }
    this.items[i] = item
    this.keys[i] = key
    return top
  }
}

/** The fewest presses from any setting, or from where pictures are taken, to one. */
const nearest = (hops: Float64Array, n: number, at: number): number => {
  let least = Infinity
  for (let last = 0; last <= n; last++) if (last !== at) least = Math.min(least, hops[at * (n + 1) + last] as number)
  return least
}

/** What a walk costs that is found at once; it ends where it should, or costs more than any that does. */
const quickly = (problem: OrderProblem): number => {
  const menu = inOrder(problem, id => problem.position.get(id) ?? 0)
  return Math.min(...[menu, nearestFirst(problem)].map(o => asCost(walked(problem, improved(problem, o)))))
}
const asCost = ({ failed, dark, presses }: Cost): number => (failed ? Infinity : dark * DARK + presses)

/** From each place of a part to its goal at least, however near the settings of other parts lie. */
const leastToGo = (part: Part, hopTo: (at: number) => number, problem: OrderProblem): Float64Array => {
  const least = new Float64Array(part.places.length).fill(Infinity)
  least[part.goal] = 0
  // In sequence every move leads to a later place; elsewhere nothing is asked of this.
  for (let at = part.places.length - 1; at >= 0; at--)
    for (const m of part.places[at]?.moves ?? []) {
      const cost = hopTo(problem.position.get(m.setting) ?? 0) + m.presses + (m.isDark ? DARK : 0)
      least[at] = Math.min(least[at] as number, (least[m.next] as number) + cost)
    }
  return least
}

/**
 * The best walk: dynamic programming over the places of all parts together and the setting last touched; by Dijkstra's
 * method where moves run in circles.
 *
 * @returns undefined where there are too many situations
 */
export const bestOrder = (problem: OrderProblem): readonly SettingChange[] | undefined => {
  const n = problem.settings.length
  const sizes = problem.parts.map(p => p.places.length)
  const situations = sizes.reduce((a, b) => a * b, n + 1)
  if (situations > MOST_SITUATIONS) return undefined
  const ordered = problem.parts.map(inSequence)
  const isStraight = ordered.every(p => p !== undefined)
  if (!isStraight && situations > MOST_IN_CIRCLES) return undefined
  const parts = isStraight ? ordered : problem.parts
  const strides: number[] = []
  sizes.reduce((stride, size, i) => ((strides[i] = stride), stride * size), 1)
  const total = situations / (n + 1)
  const cost = new Float64Array(situations).fill(Infinity)
  const cameFrom = new Int32Array(situations).fill(-1)
  const goal = parts.reduce((sum, p, i) => sum + p.goal * (strides[i] ?? 0), 0)
  const moves = parts.map(p =>
    p.places.map(place =>
      place.moves.map(m => ({
        next: m.next,
        at: problem.position.get(m.setting) ?? 0,
        cost: m.presses + (m.isDark ? DARK : 0),
      })),
    ),
  )
  /** Presses to a setting from the one last touched; the last of a row is from where pictures are taken. */
  const hops = new Float64Array(n * (n + 1))
  for (let at = 0; at < n; at++) {
    hops[at * (n + 1) + n] = problem.enter[at] ?? 0
    for (let last = 0; last < n; last++) hops[at * (n + 1) + last] = problem.between[last]?.[at] ?? 0
  }
  const placeOf = (places: number, p: number): number => Math.floor(places / (strides[p] ?? 1)) % (sizes[p] ?? 1)
  const known = isStraight ? quickly(problem) : Infinity
  const toGo = parts.map(part => leastToGo(part, at => nearest(hops, n, at), problem))
  /** Node: places * (n + 1) + the setting last touched; n is where pictures are taken. */
  const after = (places: number, place: number, p: number, m: { readonly next: number; readonly at: number }): number =>
    (places + (m.next - place) * (strides[p] ?? 1)) * (n + 1) + m.at
  /** Every move from here, each after whatever may have been touched last: one move at a time, which is quick. */
  const relaxAll = (places: number): void => {
    const here = places * (n + 1)
    let least = Infinity
    for (let last = 0; last <= n; last++) least = Math.min(least, cost[here + last] as number)
    for (let p = 0; p < parts.length && least <= known; p++) least += toGo[p]?.[placeOf(places, p)] ?? 0
    // Whatever comes after, a walk that is known takes no more.
    if (least > known) return
    for (let p = 0; p < parts.length; p++) {
      const place = placeOf(places, p)
      for (const m of moves[p]?.[place] ?? []) {
        const next = after(places, place, p, m)
        let best = cost[next] as number
        let from = -1
        const row = m.at * (n + 1)
        for (let last = 0; last <= n; last++) {
          const sum = (cost[here + last] as number) + (hops[row + last] as number) + m.cost
          if (sum < best) {
            best = sum
            from = here + last
          }
        }
        if (from < 0) continue
        cost[next] = best
        cameFrom[next] = from
      }
    }
  }
  const relax = (node: number, improved: (node: number, cost: number) => void): void => {
    const last = node % (n + 1)
    const places = (node - last) / (n + 1)
    for (let p = 0; p < parts.length; p++) {
      const place = placeOf(places, p)
      for (const m of moves[p]?.[place] ?? []) {
        const next = after(places, place, p, m)
        const sum = (cost[node] as number) + (hops[m.at * (n + 1) + last] as number) + m.cost
        if (sum >= (cost[next] as number)) continue
        cost[next] = sum
        cameFrom[next] = node
        improved(next, sum)
      }
    }
  }
  cost[n] = 0
  if (isStraight) for (let places = 0; places < total; places++) relaxAll(places)
  else {
    const heap = new Heap()
    const isDone = new Uint8Array(situations)
    heap.push(n, 0)
    while (heap.size) {
      const node = heap.pop()
      if (isDone[node]) continue
      isDone[node] = 1
      relax(node, (next, sum) => heap.push(next, sum))
    }
  }
  let end = goal * (n + 1)
  for (let last = 0; last <= n; last++)
    if ((cost[goal * (n + 1) + last] ?? Infinity) < (cost[end] ?? Infinity)) end = goal * (n + 1) + last
  if (cost[end] === Infinity) return undefined
  return changesTo(end, n, cameFrom, parts, strides, problem)
}

/** The changes that led to a situation. */
const changesTo = (
  end: number,
  n: number,
  cameFrom: Int32Array,
  parts: readonly Part[],
  strides: readonly number[],
  problem: OrderProblem,
): readonly SettingChange[] => {
  const changes: SettingChange[] = []
  for (let node = end; (cameFrom[node] ?? -1) >= 0; node = cameFrom[node] ?? -1) {
    const before = cameFrom[node] ?? 0
    const [to, from] = [Math.floor(node / (n + 1)), Math.floor(before / (n + 1))]
    const setting = problem.settings[node % (n + 1)]?.id ?? ''
    const part = parts.findIndex((p, i) => placeAt(to, strides[i], p) !== placeAt(from, strides[i], p))
    const p = parts[part]
    const move = p?.places[placeAt(from, strides[part], p)]?.moves.find(
      m => m.setting === setting && m.next === placeAt(to, strides[part], p),
    )
    if (move) changes.unshift({ part, setting, option: move.option })
  }
  return changes
}

const placeAt = (places: number, stride: number | undefined, part: Part): number =>
  Math.floor(places / (stride ?? 1)) % part.places.length

/** The same problem with nothing but the settings that its parts touch. */
const narrowed = (problem: OrderProblem): OrderProblem => {
  const settings = touchedBy(problem.parts, problem.settings)
  const was = settings.map(s => problem.position.get(s.id) ?? 0)
  return {
    ...problem,
    settings,
    position: new Map(settings.map((s, i) => [s.id, i])),
    enter: was.map(i => problem.enter[i] ?? 0),
    between: was.map(i => was.map(k => problem.between[i]?.[k] ?? 0)),
  }
}

/**
 * No walk takes fewer presses, whatever it touches: the shortest way through the settings that have to be touched, as if
 * nothing stood in the way; touching more than those never makes a way shorter. Where there are many, every one is come
 * to from another or from outside, each of which leads on once.
 */
export const fewestPresses = (problem: OrderProblem): number => {
  const needed = problem.parts.flatMap(p => p.needed)
  const n = needed.length
  if (n === 0) return 0
  const free = needed.map(({ setting, presses }): Part => ({
    places: [
      { left: 1, moves: [{ setting, option: '', next: 1, presses, isDark: false }] },
      { left: 0, moves: [] },
    ],
    goal: 1,
    needed: [],
    combinations: 2,
    isWhole: true,
    stuck: [],
  }))
  const relaxed = narrowed({ ...problem, parts: free })
  const shortest = n <= MOST_RELAXED ? bestOrder(relaxed) : undefined
  if (shortest) return walked(relaxed, shortest).presses
  const at = needed.map(s => problem.position.get(s.setting) ?? 0)
  const cost = new Float64Array(n * (n + 1)).fill(FORBIDDEN)
  needed.forEach((s, i) => {
    cost[i * (n + 1)] = hop(problem, -1, at[i] ?? 0) + s.presses
    for (let k = 0; k < n; k++)
      if (k !== i) cost[i * (n + 1) + k + 1] = hop(problem, at[k] ?? 0, at[i] ?? 0) + s.presses
  })
  return new Assigner(n, n + 1).solve(cost)
}
