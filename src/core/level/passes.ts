import type { FlatGraph } from './flat-graph'

/** A list of numbers by position; several times as fast as asking an array to map itself. */
export const numbersBy = (length: number, at: (i: number) => number): Float64Array => {
  const numbers = new Float64Array(length)
  for (let i = 0; i < length; i++) numbers[i] = at(i)
  return numbers
}

/** What one weighing of the cells makes of a state graph; see `weigh`. */
export interface Weighed {
  /** The least cost of any state. */
  readonly least: number
  /** For each cell the least cost of a state that has it; infinite where none has. */
  readonly withCell: Float64Array
}

/** Lists that only live for one pass; they grow with the largest graph. */
const scratch = { atNode: new Float64Array(64), atBranch: new Float64Array(64), around: new Float64Array(64) }

const room = (list: keyof typeof scratch, length: number): Float64Array => {
  // Stryker disable next-line all: more room than it takes
  if (scratch[list].length < length) scratch[list] = new Float64Array(2 * length)
  return scratch[list]
}

/** The least cost below each node, bottom up; a branch costs its cells and the best of each part below it. */
const inside = (g: FlatGraph, cost: Float64Array) => {
  const nodes = g.nodeStart.length - 1
  const atNode = room('atNode', nodes)
  const atBranch = room('atBranch', g.minor.length)
  for (let n = 0; n < nodes; n++) {
    let least = Infinity
    const end = g.nodeStart[n + 1] as number
    for (let b = g.nodeStart[n] as number; b < end; b++) {
      let sum = 0
      const lastDecided = g.decidedStart[b + 1] as number
      for (let i = g.decidedStart[b] as number; i < lastDecided; i++) sum += cost[g.decided[i] as number] as number
      const lastChild = g.childStart[b + 1] as number
      for (let i = g.childStart[b] as number; i < lastChild; i++) sum += atNode[g.child[i] as number] as number
      atBranch[b] = sum
      // Stryker disable next-line EqualityOperator: of two alike, either
      if (sum < least) least = sum
    }
    atNode[n] = least
  }
  return { nodes, atNode, atBranch, least: nodes ? (atNode[nodes - 1] as number) : 0 }
}

export const leastCost = (g: FlatGraph, cost: Float64Array): number => inside(g, cost).least

/** One pass up and one down: the least cost, and the least cost with each cell. */
export const weigh = (g: FlatGraph, cost: Float64Array): Weighed => {
  const { nodes, atNode, atBranch, least } = inside(g, cost)
  const withCell = new Float64Array(g.cells.length).fill(Infinity)
  const around = room('around', nodes).fill(Infinity, 0, nodes)
  around[nodes - 1] = 0
  for (let n = nodes - 1; n >= 0; n--) {
    const outside = around[n] as number
    if (outside === Infinity) continue
    const end = g.nodeStart[n + 1] as number
    for (let b = g.nodeStart[n] as number; b < end; b++) {
      const total = outside + (atBranch[b] as number)
      const lastDecided = g.decidedStart[b + 1] as number
      for (let i = g.decidedStart[b] as number; i < lastDecided; i++) {
        const cell = g.decided[i] as number
        if (total < (withCell[cell] as number)) withCell[cell] = total
      }
      const lastChild = g.childStart[b + 1] as number
      for (let i = g.childStart[b] as number; i < lastChild; i++) {
        const c = g.child[i] as number
        const rest = total - (atNode[c] as number)
        if (rest < (around[c] as number)) around[c] = rest
      }
    }
  }
  return { least, withCell }
}

/** The cells of a cheapest state; among equals the one that changes least against what is known, then the defaults. */
export const cheapest = (g: FlatGraph, cost: Float64Array): readonly number[] => {
  const { nodes, atNode, atBranch } = inside(g, cost)
  const minorAt = new Float64Array(nodes)
  const chosen = new Int32Array(nodes)
  for (let n = 0; n < nodes; n++) {
    let least = Infinity
    for (let b = g.nodeStart[n] as number; b < (g.nodeStart[n + 1] as number); b++) {
      if ((atBranch[b] as number) > (atNode[n] as number)) continue
      let minor = g.minor[b] as number
      for (let i = g.childStart[b] as number; i < (g.childStart[b + 1] as number); i++)
        minor += minorAt[g.child[i] as number] as number
      if (minor >= least) continue
      least = minor
      chosen[n] = b
    }
    minorAt[n] = least
  }
  const cells: number[] = []
  const visit = (n: number) => {
    const b = chosen[n] as number
    for (let i = g.decidedStart[b] as number; i < (g.decidedStart[b + 1] as number); i++)
      cells.push(g.decided[i] as number)
    for (let i = g.childStart[b] as number; i < (g.childStart[b + 1] as number); i++) visit(g.child[i] as number)
  }
  if (nodes) visit(nodes - 1)
  return cells
}
