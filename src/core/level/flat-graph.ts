import type { StateGraph } from '../bodies/state-graph'

/** A state graph laid out in flat lists; what a branch decides is named by cells, one for each target and behaviour. */
export interface FlatGraph {
  /** Target and behaviour of each cell. */
  readonly cells: readonly { readonly dimension: number; readonly behaviour: number }[]
  /** Cells of each target that the graph decides. */
  readonly byDimension: ReadonlyMap<number, readonly number[]>
  readonly nodeStart: Int32Array
  readonly minor: Float64Array
  readonly decidedStart: Int32Array
  readonly decided: Int32Array
  readonly childStart: Int32Array
  readonly child: Int32Array
}

/** Lays a graph out; behaviours that nothing tells apart share a cell. */
export const flat = ({ nodes }: StateGraph, kindOf: (dimension: number, behaviour: number) => number): FlatGraph => {
  const cells: { dimension: number; behaviour: number }[] = []
  const cellAt = new Map<number, number>()
  const byDimension = new Map<number, number[]>()
  const cellOf = (dimension: number, behaviour: number): number => {
    const kind = kindOf(dimension, behaviour)
    const key = kind * MOST_DIMENSIONS + dimension
    const known = cellAt.get(key)
    if (known !== undefined) return known
    // What the body itself does stays known, so that it can be told in its own values.
    const cell = cells.push({ dimension, behaviour }) - 1
    cellAt.set(key, cell)
    const others = byDimension.get(dimension)
    if (others) others.push(cell)
    else byDimension.set(dimension, [cell])
    return cell
  }
  const nodeStart = [0]
  const decidedStart = [0]
  const childStart = [0]
  const [minor, decided, child]: [number[], number[], number[]] = [[], [], []]
  for (const { branches } of nodes) {
    for (const b of branches) {
      minor.push(b.minor)
      for (const [t, k] of b.decided) decided.push(cellOf(t, k))
      child.push(...b.children)
      decidedStart.push(decided.length)
      childStart.push(child.length)
    }
    nodeStart.push(minor.length)
  }
  return {
    cells,
    byDimension,
    nodeStart: Int32Array.from(nodeStart),
    minor: Float64Array.from(minor),
    decidedStart: Int32Array.from(decidedStart),
    decided: Int32Array.from(decided),
    childStart: Int32Array.from(childStart),
    child: Int32Array.from(child),
  }
}

const MOST_DIMENSIONS = 1000
