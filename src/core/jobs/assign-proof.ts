import { type Assignment, type Board, changesHands, costOf, NO_UNIT } from './assign-board'

/** Nodes of the tree that are looked at before what was found is taken as it is; a number, so that every machine agrees. */
const MOST_NODES = 20_000

/** Branch and bound from what was found; where it finishes, nothing is better. */
export const bestFrom = ({ needs, units, unitOf, beside, before }: Board): Assignment => {
  const cheapestFirst = needs.map(n =>
    n.fixed === undefined
      ? Array.from({ length: units }, (_, u) => u)
          .filter(u => Number.isFinite(n.cost[u]))
          .sort((a, b) => (n.cost[a] ?? 0) - (n.cost[b] ?? 0))
      : [],
  )
  const least = needs.map((n, i) =>
    n.fixed === undefined ? Math.min(NO_UNIT, n.cost[cheapestFirst[i]?.[0] ?? -1] ?? NO_UNIT) : 0,
  )
  const rest = [...least, 0]
  for (let i = needs.length - 1; i >= 0; i--) rest[i] = (least[i] ?? 0) + (rest[i + 1] ?? 0)
  const now = needs.map(n => n.fixed)
  let best: Omit<Assignment, 'isBest'> = { unitOf: [...unitOf], cost: costOf(needs, unitOf) }
  let nodes = 0
  const go = (i: number, sum: number): void => {
    if (nodes > MOST_NODES || sum + (rest[i] ?? 0) >= best.cost - 1e-9) return
    nodes++
    const need = needs[i]
    if (!need) {
      best = { unitOf: [...now], cost: sum }
      return
    }
    const had = now[before[i] ?? -1]
    const takes = (u: number | undefined, own: number) => {
      now[i] = u
      go(i + 1, sum + own + changesHands(had, u))
      now[i] = need.fixed
    }
    if (need.fixed !== undefined) return takes(need.fixed, 0)
    for (const u of cheapestFirst[i] ?? [])
      if (!beside[i]?.some(j => (j < i || needs[j]?.fixed !== undefined) && now[j] === u))
        takes(u, need.cost[u] ?? Infinity)
    takes(undefined, NO_UNIT)
  }
  go(0, 0)
  return { ...best, isBest: nodes <= MOST_NODES }
}
