import { Assigner, FORBIDDEN } from '../numeric/assignment'

/**
 * Which unit everybody has for every scene. Scene by scene exactly, as a linear assignment problem; then improved over
 * the whole job one move or swap at a time, since it also counts that people keep what they have in their hands.
 */

/** Somebody at a scene who needs a unit. */
export interface Need {
  readonly scene: string
  readonly person: string | undefined
  /** Milliseconds since 1970. */
  readonly from: number
  readonly until: number
  /** What each unit costs here; Infinity where it cannot be taken. */
  readonly cost: readonly number[]
  /** The unit that is settled; nothing else is tried. */
  readonly fixed: number | undefined
}

/** Somebody without a unit: worse than any unit that can be taken. */
export const NO_UNIT = 20_000
/** Another unit than one had in the scene before. */
export const CHANGES_HANDS = 25

/** How far those who are pushed out push others, and how many units each of them looks at. */
const DEPTH = 3
const WIDTH = 5
/** A fixed number, so that the answer does not depend on the machine. */
const MOST_LOOKS = 60_000

export interface Assignment {
  /** By need, in the order they came: the unit. */
  readonly unitOf: readonly (number | undefined)[]
  readonly cost: number
  /** Nothing is cheaper. */
  readonly isBest: boolean
}

const atOnce = (a: Need, b: Need): boolean => a.from < b.until && b.from < a.until
const clashes = (a: Need, b: Need): boolean =>
  a !== b && atOnce(a, b) && (a.person === undefined || a.person !== b.person)

/** Needs must come in the order in which their scenes begin. */
export const assign = (needs: readonly Need[], units: number): Assignment => {
  const unitOf: (number | undefined)[] = needs.map(n => n.fixed)
  const beside = needs.map(n => needs.flatMap((m, j) => (clashes(n, m) ? [j] : [])))
  const { before, after } = neighbours(needs)
  const ownCost = (i: number, unit: number | undefined): number => {
    const need = needs[i]
    if (unit === undefined) return NO_UNIT
    return need?.fixed === unit ? 0 : Math.min(need?.cost[unit] ?? Infinity, FORBIDDEN)
  }
  const handsCost = (i: number, unit: number | undefined): number => {
    const others = [before[i], after[i]]
    return others.reduce<number>((sum, j) => {
      const other = j === undefined ? undefined : unitOf[j]
      return sum + (other !== undefined && unit !== undefined && other !== unit ? CHANGES_HANDS : 0)
    }, 0)
  }
  const isBusy = (i: number, unit: number, but?: number): boolean =>
    (beside[i] ?? []).some(j => j !== but && unitOf[j] === unit)

  // Scene by scene, what begins at once together.
  const open = needs.flatMap((n, i) => (n.fixed === undefined ? [i] : []))
  for (let at = 0; at < open.length;) {
    const begins = needs[open[at] ?? 0]?.from
    const group = open.filter((i, k) => k >= at && needs[i]?.from === begins)
    const columns = units + group.length
    const cost = new Float64Array(group.length * columns)
    group.forEach((i, row) => {
      for (let u = 0; u < columns; u++) {
        const own = u < units ? (isBusy(i, u) ? FORBIDDEN : ownCost(i, u)) : NO_UNIT
        cost[row * columns + u] = own >= FORBIDDEN ? FORBIDDEN : own + (u < units ? handsCost(i, u) : 0)
      }
    })
    const assigner = new Assigner(group.length, columns)
    assigner.solve(cost)
    group.forEach((i, row) => {
      const u = assigner.columnOf[row] ?? columns
      unitOf[i] = u < units ? u : undefined
    })
    at += group.length
  }

  // Over the whole job: what gets another unit may push others out, who then look for one.
  let looks = 0
  const isOpen = (i: number) => needs[i]?.fixed === undefined
  const whole = (all: readonly number[]) => all.reduce((sum, i) => sum + ownCost(i, unitOf[i]) + oneWay(i), 0)
  /** Changing hands on the way to this scene, so that each is counted once. */
  const oneWay = (i: number): number => {
    const j = before[i]
    const [one, other] = [unitOf[i], j === undefined ? undefined : unitOf[j]]
    return one !== undefined && other !== undefined && one !== other ? CHANGES_HANDS : 0
  }
  const everything = needs.map((_, i) => i)
  /** Those whose cost may change where these get other units. */
  const around = (all: readonly number[]) => [
    ...new Set(all.flatMap(i => [i, ...(after[i] === undefined ? [] : [after[i]])])),
  ]
  const pushed: { readonly i: number; readonly was: number | undefined }[] = []
  const put = (i: number, u: number | undefined) => {
    pushed.push({ i, was: unitOf[i] })
    unitOf[i] = u
  }
  const backTo = (mark: number) => {
    while (pushed.length > mark) {
      const last = pushed.pop()
      if (last) unitOf[last.i] = last.was
    }
  }
  /** Gives a unit to somebody, and to whoever had it another one. @returns what it costs more than before, at best */
  const place = (i: number, u: number, depth: number, locked: ReadonlySet<number>): number => {
    looks++
    const holders = (beside[i] ?? []).filter(j => unitOf[j] === u)
    if (holders.some(j => !isOpen(j) || locked.has(j)) || (holders.length > 0 && depth === 0)) return Infinity
    const touched = around([i, ...holders])
    const former = whole(touched)
    put(i, u)
    for (const j of holders) put(j, undefined)
    let more = whole(touched) - former
    const now = new Set([...locked, i])
    for (const j of holders) {
      const best = candidates(j).slice(0, WIDTH)
      let gain = 0
      let chosen: number | undefined
      for (const v of best) {
        if (v === u || looks > MOST_LOOKS) continue
        const mark = pushed.length
        const cost = place(j, v, depth - 1, now)
        backTo(mark)
        if (cost < gain - 1e-9) {
          gain = cost
          chosen = v
        }
      }
      if (chosen !== undefined) more += place(j, chosen, depth - 1, now)
    }
    return more
  }
  const candidates = (i: number): readonly number[] =>
    Array.from({ length: units }, (_, u) => u)
      .filter(u => u !== unitOf[i] && ownCost(i, u) < FORBIDDEN)
      .toSorted((a, b) => ownCost(i, a) + handsCost(i, a) - ownCost(i, b) - handsCost(i, b) || a - b)
  const tryMove = (i: number): boolean => {
    for (const u of candidates(i)) {
      if (looks > MOST_LOOKS) return false
      const mark = pushed.length
      if (place(i, u, DEPTH, new Set()) < -1e-9) {
        pushed.length = 0
        return true
      }
      backTo(mark)
    }
    return false
  }
  /** All of one person's open scenes with one unit, where it is free. */
  const tryDay = (first: number): boolean => {
    const mine = open.filter(i => needs[i]?.person !== undefined && needs[i]?.person === needs[first]?.person)
    if (mine.length < 2 || mine[0] !== first) return false
    const former = mine.map(i => unitOf[i])
    const all = everything.filter(i => needs[i]?.person === needs[first]?.person)
    const cost = whole(all)
    for (let u = 0; u < units; u++) {
      if (mine.some(i => ownCost(i, u) >= FORBIDDEN || isBusy(i, u))) continue
      for (const i of mine) unitOf[i] = u
      if (whole(all) < cost - 1e-9) return true
      mine.forEach((i, k) => (unitOf[i] = former[k]))
    }
    return false
  }
  for (let isBetter = true, rounds = 0; isBetter && rounds < 50; rounds++) {
    isBetter = false
    for (const i of open) if (tryMove(i) || tryDay(i)) isBetter = true
  }
  const found = { unitOf, cost: costOf(needs, unitOf) }
  return bestFrom(needs, units, before, beside, found)
}

/** Nodes of the tree that are looked at before what was found is taken as it is. */
const MOST_NODES = 100_000

/** Branch and bound from what was found; where it finishes, nothing is better. */
const bestFrom = (
  needs: readonly Need[],
  units: number,
  before: readonly (number | undefined)[],
  beside: readonly (readonly number[])[],
  found: Omit<Assignment, 'isBest'>,
): Assignment => {
  const least = needs.map(n => (n.fixed === undefined ? Math.min(NO_UNIT, ...n.cost) : 0))
  const rest = [...least, 0]
  for (let i = needs.length - 1; i >= 0; i--) rest[i] = (least[i] ?? 0) + (rest[i + 1] ?? 0)
  const now: (number | undefined)[] = needs.map(n => n.fixed)
  let best = found
  let nodes = 0
  const go = (i: number, sum: number): void => {
    if (++nodes > MOST_NODES || sum + (rest[i] ?? 0) >= best.cost - 1e-9) return
    const need = needs[i]
    if (!need) {
      best = { unitOf: [...now], cost: sum }
      return
    }
    const had = before[i] === undefined ? undefined : now[before[i]]
    const takes = (u: number | undefined, own: number) => {
      now[i] = u
      go(i + 1, sum + own + (had !== undefined && u !== undefined && had !== u ? CHANGES_HANDS : 0))
      now[i] = need.fixed
    }
    if (need.fixed !== undefined) return takes(need.fixed, 0)
    const open = Array.from({ length: units }, (_, u) => u).filter(
      u =>
        Number.isFinite(need.cost[u]) &&
        !(beside[i] ?? []).some(j => (j < i || needs[j]?.fixed !== undefined) && now[j] === u),
    )
    for (const u of open.toSorted((a, b) => (need.cost[a] ?? 0) - (need.cost[b] ?? 0)))
      takes(u, need.cost[u] ?? Infinity)
    takes(undefined, NO_UNIT)
  }
  go(0, 0)
  return { ...best, isBest: nodes <= MOST_NODES }
}

/** The need of the same person before each, and after it. */
const neighbours = (needs: readonly Need[]) => {
  const before: (number | undefined)[] = []
  const after: (number | undefined)[] = []
  const last = new Map<string, number>()
  needs.forEach((n, i) => {
    const previous = n.person === undefined ? undefined : last.get(n.person)
    before.push(previous)
    after.push(undefined)
    if (previous !== undefined) after[previous] = i
    if (n.person !== undefined) last.set(n.person, i)
  })
  return { before, after }
}

/** What an assignment comes to; Infinity where a unit is in two hands at once. */
export const costOf = (needs: readonly Need[], unitOf: readonly (number | undefined)[]): number => {
  let sum = 0
  const last = new Map<string, number | undefined>()
  needs.forEach((n, i) => {
    const unit = unitOf[i]
    sum += unit === undefined ? NO_UNIT : n.fixed === unit ? 0 : (n.cost[unit] ?? Infinity)
    if (
      unit !== undefined &&
      needs.some((m, j) => j < i && unitOf[j] === unit && clashes(n, m) && n.fixed === undefined)
    )
      sum = Infinity
    if (n.person === undefined) return
    const former = last.get(n.person)
    if (former !== undefined && unit !== undefined && former !== unit) sum += CHANGES_HANDS
    last.set(n.person, unit)
  })
  return sum
}
