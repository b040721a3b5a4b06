import { gapOf } from '../numeric/gap'
import { type Cost, MOST_SET_UPS, type SlotChange, type SlotPlan, type SlotProblem, type Stored } from './slots'

/** The best plan for the slots and the keys of one camera; see slots.ts. */

/** A late change weighs more than all presses of a day. */
const LATE = 1e6
/** Of equals, the one with fewer slots to fill at home. */
const PREPARED = 1e-3

/** Contents of slots that are looked at one after the other; beyond, only the best go on. */
const MOST_STATES = 12_000
const BEAM = 250

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

const weightOf = ({ presses, seconds }: Cost, gap: number): number => (seconds > gap ? LATE : 0) + presses
const better = (a: Way, b: Way, gap: number): Way => (weightOf(b.cost, gap) < weightOf(a.cost, gap) ? b : a)

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
  /** What the camera is set to while no key is held, or on. */
  readonly base: number
  /** The toggled key that is on. */
  readonly on: number | undefined
  readonly weight: number
  readonly before: Node | undefined
  readonly change: SlotChange | undefined
}
/** Nodes that go on from the same. */
const stateOf = ({ contents, base, on = -1 }: Pick<Node, 'contents' | 'base' | 'on'>): number =>
  ((on + 1) * MOST_SET_UPS + base) * 2 ** MOST_SET_UPS + contents

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

type OnKeys = SlotPlan['onKeys']

/** The keys that do for a scene, from what the camera is set to. */
const keysFor = (p: SlotProblem, on: OnKeys, base: number, scene: number): readonly number[] => {
  const to = p.sequence[scene] ?? 0
  return on.flatMap((held, key) => (held === to && canHold(p, key, base, scene) ? [key] : []))
}

const canHold = (p: SlotProblem, key: number, base: number, scene: number): boolean =>
  (p.keys?.[key]?.isToggled === true || p.holdable?.[scene] !== false) &&
  p.keys?.[key]?.reaches[base]?.[p.sequence[scene] ?? 0] === true

/** What may be done between two scenes, each with what comes of it. */
const deedsAt = function* (
  p: SlotProblem,
  on: OnKeys,
  node: Node,
  { i, slowest }: { readonly i: number; readonly slowest: number },
): Generator<Node> {
  const gap = p.gaps[i] ?? 0
  const to = p.sequence[i + 1] ?? 0
  const from = node.base
  const costOf = (key: number | undefined): Cost => p.keys?.[key ?? -1]?.cost ?? NOTHING
  for (const key of from === to ? [] : keysFor(p, on, from, i + 1)) {
    const stays = key === node.on
    const back = stays ? undefined : node.on
    const cost = stays ? NOTHING : sum(costOf(back), costOf(key))
    const isLate = cost.seconds > gap
    const change = {
      from,
      back,
      key,
      stays,
      keeps: undefined,
      recalls: undefined,
      walks: undefined,
      stores: undefined,
      cost,
      isLate,
    }
    const weight = node.weight + cost.presses + (isLate ? LATE : 0)
    yield { ...node, on: p.keys?.[key]?.isToggled === true ? key : undefined, weight, before: node, change }
  }
  const back = node.on
  // Where there was time to store it on arriving, nothing is gained by storing it on leaving.
  const hasArrived = from === p.sequence[i]
  const hadTime = hasArrived && (i > 0 ? (p.gaps[i - 1] ?? 0) >= slowest + p.store.seconds : p.holds === undefined)
  for (const keeps of hadTime ? [undefined] : storings(node.contents, from, p.slots)) {
    const kept = after(node.contents, keeps)
    const way = wayTo(p, from, to, membersOf(kept), gap)
    const off = sum(costOf(back), way.cost)
    const spent = keeps ? sum(off, p.store) : off
    if (keeps && spent.seconds > gap) continue
    for (const stores of storings(kept, to, p.slots)) {
      const cost = stores ? sum(spent, p.store) : spent
      if (stores && cost.seconds > gap) continue
      const isLate = cost.seconds > gap
      const { recalls, walks } = way
      yield {
        contents: after(kept, stores),
        base: to,
        on: undefined,
        weight: node.weight + cost.presses + (isLate ? LATE : 0),
        before: node,
        change: { from, back, key: undefined, stays: false, keeps, recalls, walks, stores, cost, isLate },
      }
    }
  }
}

/** The best day with these on the keys. */
const bestDay = (p: SlotProblem, used: readonly number[], on: OnKeys, isExact: boolean): Node => {
  const filled = on.filter(held => held !== undefined).length
  const start = (contents: number): Node => ({
    contents,
    base: p.sequence[0] ?? 0,
    on: p.on,
    weight: p.holds === undefined ? (countOf(contents) + filled) * PREPARED : 0,
    before: undefined,
    change: undefined,
  })
  const beginnings =
    p.holds === undefined
      ? subsets(isExact ? used : byUse(p, used), p.slots)
      : [p.holds.reduce((contents, s) => contents | (1 << s), 0)]
  let layer: readonly Node[] = beginnings.map(start)
  const slowest = slowestOf(p, used)
  p.gaps.forEach((_, i) => {
    const next = new Map<number, Node>()
    for (const node of layer)
      for (const then of deedsAt(p, on, node, { i, slowest })) {
        const state = stateOf(then)
        const there = next.get(state)
        if (!there || then.weight < there.weight) next.set(state, then)
      }
    const all = [...next.values()]
    layer = isExact ? all : all.toSorted((a, b) => a.weight - b.weight).slice(0, BEAM)
  })
  return layer.reduce((a, b) => (b.weight < a.weight ? b : a))
}

/** More ways to fill the keys than these are not looked at. */
const MOST_FILLINGS = 40
/** Where not even one filling is looked at to its end: scenes times slots that all that are tried may come to. */
const MOST_TRIED = 600

/** What each key may hold; the set-ups that are come back to most first. */
const choicesOf = (p: SlotProblem, used: readonly number[]): readonly OnKeys[] => {
  const often = used.toSorted((a, b) => timesOf(p, b) - timesOf(p, a) || a - b)
  return (p.keys ?? []).map(({ reaches, holds }) =>
    holds === undefined
      ? [undefined, ...often.filter(to => used.some(from => from !== to && reaches[from]?.[to]))]
      : [holds === 'nothing' ? undefined : holds],
  )
}

interface Filled {
  readonly on: OnKeys
  readonly end: Node
}
const lighter = (a: Filled, b: Filled): Filled => (b.end.weight < a.end.weight ? b : a)

/**
 * One key after the other, each with what is best on it beside those before. A day is planned while somebody looks on, so
 * of long ones little is tried, and of the longest nothing.
 */
const filledInTurn = (p: SlotProblem, used: readonly number[], choices: readonly OnKeys[], without: Filled): Filled => {
  const tried = (on: OnKeys): Filled => ({ on, end: bestDay(p, used, on, false) })
  const most = Math.floor(MOST_TRIED / (p.gaps.length * (p.slots + 1)) / Math.max(1, choices.length))
  const begun = without.on.some(held => held !== undefined) ? lighter(without, tried(without.on)) : without
  return choices.reduce<Filled>((sofar, may, key) => {
    const free = may.length > 1 ? may.slice(1, 1 + most) : []
    return free.map(held => tried(sofar.on.with(key, held))).reduce(lighter, sofar)
  }, begun)
}

/**
 * Exact by dynamic programming over what is in the slots and what the camera is set to, for every way to fill the keys;
 * where that would be too much, the best go on and a bound below is given.
 *
 * @throws RangeError for more than thirty set-ups
 */
export const planSlots = (p: SlotProblem): SlotPlan => {
  const used = [...new Set(p.sequence)].sort((a, b) => a - b)
  if (used.some(s => s >= MOST_SET_UPS)) throw new RangeError(`at most ${MOST_SET_UPS} set-ups on one camera`)
  const choices = choicesOf(p, used)
  const fillings = choices.reduce((n, may) => n * may.length, 1)
  const states = countSubsets(used.length, p.slots)
  const toggled = p.keys?.filter(k => k.isToggled).length ?? 0
  const bases = p.keys?.length ? used.length * (1 + toggled) : 1
  const isExact = fillings <= MOST_FILLINGS && states * bases * fillings <= MOST_STATES
  const fill = (): Filled => {
    if (!isExact) {
      // Where only the best go on, whoever looks at keys as well may lose sight of what goes without them.
      const on = choices.map(may => (may.length === 1 ? may[0] : undefined))
      return filledInTurn(p, used, choices, { on, end: bestDay(p, used, [], states <= MOST_STATES) })
    }
    const every = choices.reduce<readonly OnKeys[]>(
      (all, may) => all.flatMap(on => may.map(held => [...on, held])),
      [[]],
    )
    return every.map(on => ({ on, end: bestDay(p, used, on, true) })).reduce(lighter)
  }
  const best = fill()
  const changes: SlotChange[] = []
  let first = best.end
  for (let node = best.end; node.before; node = node.before) {
    if (node.change) changes.unshift(node.change)
    first = node.before
  }
  const presses = changes.reduce((n, c) => n + c.cost.presses, 0)
  const late = changes.filter(c => c.isLate).length
  const bound = isExact ? { late, presses } : atLeast(p, used)
  return {
    prepared: membersOf(first.contents),
    onKeys: best.on,
    changes,
    presses,
    late,
    isBest: isExact || (bound.late === late && bound.presses === presses),
    atLeast: bound,
    gap: gapOf({ cost: late * LATE + presses, bound: bound.late * LATE + bound.presses }),
  }
}

const timesOf = (p: SlotProblem, setUp: number): number => p.sequence.filter(x => x === setUp).length

/** Set-ups that are come back to most, as many as their sets can be looked at. */
const byUse = (p: SlotProblem, used: readonly number[]): readonly number[] => {
  const ranked = used.toSorted((a, b) => timesOf(p, b) - timesOf(p, a) || a - b)
  let n = ranked.length
  while (n > 1 && countSubsets(n, p.slots) > BEAM * 8) n--
  return ranked.slice(0, n)
}

/** The longest walk, with the key that may have to be pressed before it. */
const slowestOf = (p: SlotProblem, used: readonly number[]): number =>
  Math.max(0, ...(p.keys ?? []).map(k => (k.isToggled ? k.cost.seconds : 0))) +
  Math.max(0, ...used.flatMap(a => used.map(b => (a === b ? 0 : (p.walk[a]?.[b]?.seconds ?? 0)))))

/** As if everything were in a slot, and on every key, all the time. */
const atLeast = (p: SlotProblem, used: readonly number[]): SlotPlan['atLeast'] => {
  const keys = p.keys ?? []
  const reaching = (scene: number) => used.filter(from => keys.some((_, key) => canHold(p, key, from, scene)))
  const least = p.gaps.map((gap, i) => {
    const [here, to] = [p.sequence[i] ?? 0, p.sequence[i + 1] ?? 0]
    const costs = [here, ...reaching(i)].flatMap(from => [
      wayTo(p, from, to, p.slots ? used : [], gap).cost,
      ...keys.flatMap((k, key) => (canHold(p, key, from, i + 1) ? [k.cost] : [])),
    ])
    const best = costs.reduce((a, b) => (weightOf(b, gap) < weightOf(a, gap) ? b : a))
    return { presses: best.presses, isLate: best.seconds > gap }
  })
  return {
    late: least.filter(l => l.isLate).length,
    presses: least.reduce((n, l) => n + l.presses, 0),
  }
}
