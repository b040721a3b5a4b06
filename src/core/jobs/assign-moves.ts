import { FORBIDDEN } from '../numeric/assignment'
import { type Board, changesHands } from './assign-board'

/** Units handed out better over the whole job: one moves and may push others out, or somebody keeps one for the day. */

/** How far those who are pushed out push others, and how many units each of them looks at. */
const DEPTH = 3
const WIDTH = 5
/** Fixed numbers, so that the answer does not depend on the machine. */
const MOST_LOOKS = 60_000
const MOST_ROUNDS = 50
/** Less than this is no gain. */
const HAIR = 1e-9

/** Hands out anew while that is cheaper. */
export const improve = (board: Board): void => {
  const { needs, units, unitOf, beside, before, after, ownCost, handsCost, isBusy } = board
  const open = needs.flatMap((n, i) => (n.fixed === undefined ? [i] : []))
  const ofPerson = new Map<string, number[]>()
  needs.forEach(({ person }, i) => {
    if (person === undefined) return
    const mine = ofPerson.get(person)
    if (mine) mine.push(i)
    else ofPerson.set(person, [i])
  })
  const costOfAll = (all: Iterable<number>): number => {
    let sum = 0
    for (const i of all) sum += ownCost(i, unitOf[i]) + handsCost(i)
    return sum
  }
  const pushed: { readonly need: number; readonly was: number | undefined }[] = []
  const put = (need: number, unit: number | undefined) => {
    pushed.push({ need, was: unitOf[need] })
    unitOf[need] = unit
  }
  const backTo = (mark: number) => {
    while (pushed.length > mark) {
      const last = pushed.pop()
      if (last) unitOf[last.need] = last.was
    }
  }
  /** Units that somebody could have instead, cheapest first. */
  const candidates = (i: number): readonly { readonly unit: number; readonly cost: number }[] => {
    const [had, has] = [unitOf[before[i] ?? -1], unitOf[after[i] ?? -1]]
    const found: { readonly unit: number; readonly cost: number }[] = []
    for (let unit = 0; unit < units; unit++) {
      const own = unit === unitOf[i] ? FORBIDDEN : ownCost(i, unit)
      if (own < FORBIDDEN) found.push({ unit, cost: own + changesHands(had, unit) + changesHands(has, unit) })
    }
    return found.sort((a, b) => a.cost - b.cost || a.unit - b.unit)
  }
  let looks = 0
  /** Gives a unit to somebody, and to whoever had it another one. @returns what it costs more than before, at best */
  const place = (i: number, u: number, depth: number, locked: ReadonlySet<number>): number => {
    looks++
    const holders = (beside[i] ?? []).filter(j => unitOf[j] === u)
    const isHeld = holders.some(j => needs[j]?.fixed !== undefined || locked.has(j))
    if (isHeld || (holders.length > 0 && depth === 0)) return Infinity
    const touched = new Set([i, ...holders].flatMap(n => [n, after[n] ?? n]))
    const former = costOfAll(touched)
    put(i, u)
    for (const j of holders) put(j, undefined)
    let more = costOfAll(touched) - former
    const now = new Set([...locked, i])
    for (const j of holders) {
      let gain = 0
      let chosen: number | undefined
      for (const { unit: v } of candidates(j).slice(0, WIDTH)) {
        if (v === u || looks > MOST_LOOKS) continue
        const mark = pushed.length
        const cost = place(j, v, depth - 1, now)
        backTo(mark)
        if (cost < gain - HAIR) {
          gain = cost
          chosen = v
        }
      }
      if (chosen !== undefined) more += place(j, chosen, depth - 1, now)
    }
    return more
  }
  const move = (i: number): boolean => {
    const now = ownCost(i, unitOf[i]) + handsCost(i) + (after[i] === undefined ? 0 : handsCost(after[i]))
    for (const { unit: u, cost } of candidates(i)) {
      // What others may gain by it they gain when it is their turn.
      if (looks > MOST_LOOKS || cost >= now - HAIR) return false
      const mark = pushed.length
      if (place(i, u, DEPTH, new Set()) < -HAIR) {
        pushed.length = 0
        return true
      }
      backTo(mark)
    }
    return false
  }
  /** All open scenes of a person with one unit, where it is free. */
  const keepForAll = (all: readonly number[]): boolean => {
    const mine = all.filter(i => needs[i]?.fixed === undefined)
    if (mine.length < 2) return false
    const cost = costOfAll(all)
    const mark = pushed.length
    for (let u = 0; u < units; u++) {
      if (mine.some(i => ownCost(i, u) >= FORBIDDEN || isBusy(i, u))) continue
      for (const i of mine) put(i, u)
      if (costOfAll(all) < cost - HAIR) {
        pushed.length = 0
        return true
      }
      backTo(mark)
    }
    return false
  }
  for (let isBetter = true, round = 0; isBetter && round < MOST_ROUNDS; round++) {
    isBetter = false
    for (const i of open) if (move(i)) isBetter = true
    for (const all of ofPerson.values()) if (keepForAll(all)) isBetter = true
  }
}
