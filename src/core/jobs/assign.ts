import { Assigner, FORBIDDEN } from '../numeric/assignment'
import { type Assignment, type Board, boardOf, changesHands, type Need, NO_UNIT } from './assign-board'
import { improve } from './assign-moves'
import { bestFrom } from './assign-proof'

/**
 * Which unit everybody has for every scene. Scene by scene exactly, as a linear assignment problem; then improved over
 * the whole job, since it also counts that people keep what they have in their hands; then proven where that is soon done.
 */

/** Scene by scene: what begins at once is handed out together. */
const handOut = ({ needs, units, unitOf, before, after, ownCost, isBusy }: Board): void => {
  const open = needs.flatMap((n, i) => (n.fixed === undefined ? [i] : []))
  for (let at = 0; at < open.length;) {
    const begins = needs[open[at] ?? 0]?.from
    let end = at
    while (end < open.length && needs[open[end] ?? -1]?.from === begins) end++
    const group = open.slice(at, end)
    const columns = units + group.length
    const cost = new Float64Array(group.length * columns)
    group.forEach((i, row) => {
      const beside = [unitOf[before[i] ?? -1], unitOf[after[i] ?? -1]]
      for (let u = 0; u < columns; u++) {
        const own = u >= units ? NO_UNIT : isBusy(i, u) ? FORBIDDEN : ownCost(i, u)
        const hands = u >= units ? 0 : beside.reduce<number>((sum, other) => sum + changesHands(other, u), 0)
        cost[row * columns + u] = own >= FORBIDDEN ? FORBIDDEN : own + hands
      }
    })
    const assigner = new Assigner(group.length, columns)
    assigner.solve(cost)
    group.forEach((i, row) => {
      const u = assigner.columnOf[row] ?? columns
      unitOf[i] = u < units ? u : undefined
    })
    at = end
  }
}

/** Needs must come in the order in which their scenes begin. */
export const assign = (needs: readonly Need[], units: number): Assignment => {
  const board = boardOf(needs, units)
  handOut(board)
  improve(board)
  return bestFrom(board)
}
