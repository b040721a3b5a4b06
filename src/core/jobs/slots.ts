import { gapOf } from '../numeric/gap'

/**
 * Which set-ups go on the few memory slots of a camera, over the scenes it covers in a row, so that as few changes as
 * possible take longer than there is time between two scenes, and then so that all changes take the fewest presses.
 *
 * A change walks the menu, recalls a slot that holds what is wanted, or recalls another and walks on from there. What was
 * set up may be stored in a slot where there is time for it. What is in the slots before the day begins is stored at home.
 */

export interface Cost {
  readonly presses: number
  readonly seconds: number
}

export interface SlotProblem {
  /** The set-up of each scene, in running order: numbers from 0. At most 30 different ones. */
  readonly sequence: readonly number[]
  /** Seconds between one scene and the next; one fewer than there are scenes. */
  readonly gaps: readonly number[]
  /** By set-up, from and to. */
  readonly walk: readonly (readonly Cost[])[]
  /** Recalling a slot that holds `to` while the camera is at `from`, with what a slot does not keep set by hand. */
  readonly recall: readonly (readonly Cost[])[]
  /** Slots keep everything, so that any of them can be recalled to walk on from. */
  readonly isWhole: boolean
  readonly slots: number
  readonly store: Cost
  /** What is in the slots, where the day has begun; undefined where they can be filled at home. */
  readonly holds?: readonly number[] | undefined
}

/** What is done between two scenes. */
export interface SlotChange {
  /** Stored before anything is changed, and what it takes the place of. */
  readonly keeps: Stored | undefined
  /** The set-up that is recalled from a slot first. */
  readonly recalls: number | undefined
  /** What is then walked in the menu, from here to what is wanted; undefined where nothing is left. */
  readonly walks: { readonly from: number; readonly to: number } | undefined
  readonly stores: Stored | undefined
  readonly cost: Cost
  /** It takes longer than there is time. */
  readonly isLate: boolean
}

export interface Stored {
  readonly setUp: number
  readonly instead: number | undefined
}

export interface SlotPlan {
  /** In the slots before the first scene. */
  readonly prepared: readonly number[]
  readonly changes: readonly SlotChange[]
  readonly presses: number
  readonly late: number
  /** No plan is better. */
  readonly isBest: boolean
  /** What no plan goes below, and how far this one is above it; 0 where it is best. */
  readonly atLeast: { readonly late: number; readonly presses: number }
  readonly gap: number
}

/** A late change weighs more than all presses of a day. */
const LATE = 1e6
/** Of equals, the one with fewer slots to fill at home. */
const PREPARED = 1e-3

/** Contents of slots that are looked at one after the other; beyond, only the best go on. */
const MOST_STATES = 12_000
const BEAM = 250
/** Set-ups are bits of a number. */
export const MOST_SET_UPS = 30

const NOTHING: Cost = { presses: 0, seconds: 0 }
const sum = (a: Cost, b: Cost): Cost => ({ presses: a.presses + b.presses, seconds: a.seconds + b.seconds })

const members = new Map<number, readonly number[]>()
/** What is in a set; the same sets are asked for again and again. */
const membersOf = (contents: number): readonly number[] => {
  const known = members.get(contents)
  if (known) return known
  const found: number[] = []
  for (let rest = contents; rest !== 0; rest &= rest - 1) found.push(31 - Math.clz32(rest & -rest))
  if (members.size > MOST_STATES * 4) members.clear()
  members.set(contents, found)
  return found
}
const countOf = (contents: number): number => membersOf(contents).length

interface Way {
  readonly recalls: number | undefined
  readonly walks: { readonly from: number; readonly to: number } | undefined
  readonly cost: Cost
}

const better = (a: Way, b: Way, gap: number): Way => {
  const weight = ({ cost }: Way) => (cost.seconds > gap ? LATE : 0) + cost.presses
  return weight(b) < weight(a) ? b : a
}

/** The cheapest way from one set-up to another with these in the slots. */
const wayTo = (p: SlotProblem, from: number, to: number, contents: readonly number[], gap: number): Way => {
  if (from === to) return { recalls: undefined, walks: undefined, cost: NOTHING }
  const cost = (table: SlotProblem['walk'], a: number, b: number): Cost =>
    table[a]?.[b] ?? { presses: Infinity, seconds: Infinity }
  let best: Way = { recalls: undefined, walks: { from, to }, cost: cost(p.walk, from, to) }
  for (const slot of contents)
    if (slot === to) best = better(best, { recalls: to, walks: undefined, cost: cost(p.recall, from, to) }, gap)
    else if (p.isWhole) {
      const by = sum(cost(p.recall, from, slot), cost(p.walk, slot, to))
      best = better(best, { recalls: slot, walks: { from: slot, to }, cost: by }, gap)
    }
  return best
}

/** Every set of at most so many of these. */
const subsets = (of: readonly number[], most: number): readonly number[] => {
  let made: number[] = [0]
  for (const i of of) made = [...made, ...made.filter(c => countOf(c) < most).map(c => c | (1 << i))]
  return made
}

/** Sets of at most `most` of `n`: how many there are. */
const countSubsets = (n: number, most: number): number => {
  let total = 1
  let ways = 1
  for (let k = 1; k <= Math.min(n, most); k++) {
    ways = (ways * (n - k + 1)) / k
    total += ways
  }
  return total
}

interface Node {
  readonly contents: number
  readonly weight: number
  readonly before: Node | undefined
  readonly change: SlotChange | undefined
}

/** What may be done with a set-up that is there: leave it, or store it in a free slot or in place of another. */
const storings = (contents: number, setUp: number, slots: number): readonly (Stored | undefined)[] => {
  if (contents & (1 << setUp) || slots === 0) return [undefined]
  if (countOf(contents) < slots) return [undefined, { setUp, instead: undefined }]
  return [undefined, ...membersOf(contents).map(instead => ({ setUp, instead }))]
}
const after = (contents: number, stored: Stored | undefined): number =>
  stored === undefined
    ? contents
    : (contents & ~(stored.instead === undefined ? 0 : 1 << stored.instead)) | (1 << stored.setUp)

/**
 * Exact by dynamic programming over what is in the slots; where that would be too many sets, the best of them go on and
 * a bound below is given.
 *
 * @throws RangeError for more than thirty set-ups
 */
export const planSlots = (p: SlotProblem): SlotPlan => {
  const used = [...new Set(p.sequence)].sort((a, b) => a - b)
  if (used.some(s => s >= MOST_SET_UPS)) throw new RangeError(`at most ${MOST_SET_UPS} set-ups on one camera`)
  const isExact = countSubsets(used.length, p.slots) <= MOST_STATES
  const start = (contents: number): Node => ({
    contents,
    weight: p.holds === undefined ? countOf(contents) * PREPARED : 0,
    before: undefined,
    change: undefined,
  })
  const beginnings =
    p.holds === undefined
      ? subsets(isExact ? used : byUse(p, used), p.slots)
      : [p.holds.reduce((contents, s) => contents | (1 << s), 0)]
  let layer = new Map(beginnings.map(c => [c, start(c)]))
  const slowest = slowestOf(p, used)
  p.gaps.forEach((gap, i) => {
    const [from, to] = [p.sequence[i] ?? 0, p.sequence[i + 1] ?? 0]
    // Where there was time to store it on arriving, nothing is gained by storing it on leaving.
    const hadTime = i > 0 ? (p.gaps[i - 1] ?? 0) >= slowest + p.store.seconds : p.holds === undefined
    const next = new Map<number, Node>()
    for (const node of layer.values())
      for (const keeps of hadTime ? [undefined] : storings(node.contents, from, p.slots)) {
        const kept = after(node.contents, keeps)
        const way = wayTo(p, from, to, membersOf(kept), gap)
        const spent = keeps ? sum(way.cost, p.store) : way.cost
        if (keeps && spent.seconds > gap) continue
        for (const stores of storings(kept, to, p.slots)) {
          const cost = stores ? sum(spent, p.store) : spent
          if (stores && cost.seconds > gap) continue
          const contents = after(kept, stores)
          const isLate = cost.seconds > gap
          const weight = node.weight + cost.presses + (isLate ? LATE : 0)
          const there = next.get(contents)
          if (there && there.weight <= weight) continue
          const { recalls, walks } = way
          next.set(contents, {
            contents,
            weight,
            before: node,
            change: { keeps, recalls, walks, stores, cost, isLate },
          })
        }
      }
    layer = isExact ? next : new Map([...next].toSorted(([, a], [, b]) => a.weight - b.weight).slice(0, BEAM))
  })
  const best = [...layer.values()].reduce((a, b) => (b.weight < a.weight ? b : a))
  const changes: SlotChange[] = []
  let first = best
  for (let node = best; node.before; node = node.before) {
    if (node.change) changes.unshift(node.change)
    first = node.before
  }
  const presses = changes.reduce((n, c) => n + c.cost.presses, 0)
  const late = changes.filter(c => c.isLate).length
  const bound = isExact ? { late, presses } : atLeast(p, used)
  return {
    prepared: membersOf(first.contents),
    changes,
    presses,
    late,
    isBest: isExact || (bound.late === late && bound.presses === presses),
    atLeast: bound,
    gap: gapOf({ cost: late * LATE + presses, bound: bound.late * LATE + bound.presses }),
  }
}

/** Set-ups that are come back to most, as many as their sets can be looked at. */
const byUse = (p: SlotProblem, used: readonly number[]): readonly number[] => {
  const times = (s: number) => p.sequence.filter(x => x === s).length
  const ranked = used.toSorted((a, b) => times(b) - times(a) || a - b)
  let n = ranked.length
  while (n > 1 && countSubsets(n, p.slots) > BEAM * 8) n--
  return ranked.slice(0, n)
}

const slowestOf = (p: SlotProblem, used: readonly number[]): number =>
  Math.max(0, ...used.flatMap(a => used.map(b => (a === b ? 0 : (p.walk[a]?.[b]?.seconds ?? 0)))))

/** As if everything were in a slot all the time. */
const atLeast = (p: SlotProblem, used: readonly number[]): SlotPlan['atLeast'] => {
  const ways = p.gaps.map((gap, i) => ({
    gap,
    way: wayTo(p, p.sequence[i] ?? 0, p.sequence[i + 1] ?? 0, p.slots ? used : [], gap),
  }))
  return {
    late: ways.filter(w => w.way.cost.seconds > w.gap).length,
    presses: ways.reduce((n, w) => n + w.way.cost.presses, 0),
  }
}

/** A slot of the camera and what it holds at first; then which slot each storing goes to. */
export interface SlotNames {
  /** By slot: the set-up it holds when the day begins, or nothing. */
  readonly atFirst: readonly (number | undefined)[]
  /** By change: the slot that is recalled, and those that are stored in. */
  readonly each: readonly {
    readonly keeps: number | undefined
    readonly recalls: number | undefined
    readonly stores: number | undefined
  }[]
}

/**
 * Which slot is which: those that are wanted first come first.
 *
 * @param holds what is in each slot already, where the day has begun
 */
export const nameSlots = (plan: SlotPlan, slots: number, holds?: SlotNames['atFirst']): SlotNames => {
  const firstUse = (setUp: number) => {
    const at = plan.changes.findIndex(c => c.recalls === setUp)
    return at < 0 ? plan.changes.length : at
  }
  const atFirst = holds ?? [
    ...plan.prepared.toSorted((a, b) => firstUse(a) - firstUse(b) || a - b),
    ...Array.from({ length: Math.max(0, slots - plan.prepared.length) }, () => undefined),
  ]
  const now = [...atFirst]
  const put = (stored: Stored | undefined): number | undefined => {
    if (!stored) return undefined
    const slot = now.indexOf(stored.instead)
    now[slot] = stored.setUp
    return slot
  }
  const each = plan.changes.map(c => {
    const keeps = put(c.keeps)
    const recalls = c.recalls === undefined ? undefined : now.indexOf(c.recalls)
    return { keeps, recalls, stores: put(c.stores) }
  })
  return { atFirst, each }
}
