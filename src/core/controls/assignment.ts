/** A cost that rules a cell out. Sums of real costs stay far below it, so that it is never taken while another is left. */
export const FORBIDDEN = 1e9

export interface Assignment {
  /** The column of each row. */
  readonly columns: Int32Array
  readonly cost: number
  /** Prices of rows and columns: no cell costs less than its row's and its column's together, and those taken just that. */
  readonly rowPrice: Float64Array
  readonly columnPrice: Float64Array
}

/** How much more it costs, at least, to put a row in a column than the best assignment costs. */
export const atLeast = (found: Assignment, row: number, column: number, cost: number): number =>
  Math.max(0, cost - (found.rowPrice[row] ?? 0) - (found.columnPrice[column] ?? 0))

/**
 * The linear assignment problem: each row gets a column of its own at the least total cost. Exact, by shortest
 * augmenting paths, in rows^2 x columns steps.
 *
 * @param cost rows x columns, row by row; at least as many columns as rows
 * @source Jonker and Volgenant 1987, Computing 38:325-340; Crouse 2016, IEEE Trans. Aerosp. Electron. Syst. 52:1679-1696
 */
export const assign = (cost: Float64Array, rows: number, columns: number): Assignment => {
  const rowPrice = new Float64Array(rows)
  const columnPrice = new Float64Array(columns)
  const rowOf = new Int32Array(columns).fill(-1)
  const columnOf = new Int32Array(rows).fill(-1)
  // The column before each on the shortest path to it; -1 where the path begins there.
  const before = new Int32Array(columns)
  const least = new Float64Array(columns)
  const open = new Int32Array(columns)
  for (let start = 0; start < rows; start++) {
    for (let c = 0; c < columns; c++) {
      least[c] = Infinity
      open[c] = c
    }
    let opened = columns
    let row = start
    let came = -1
    let walked = 0
    let end = -1
    while (end < 0) {
      // From this row to every column that is not reached yet; the nearest one is reached next.
      const base = row * columns
      const price = (rowPrice[row] as number) - walked
      let nearest = Infinity
      let at = 0
      for (let i = 0; i < opened; i++) {
        const c = open[i] as number
        const far = (cost[base + c] as number) - price - (columnPrice[c] as number)
        let l = least[c] as number
        if (far < l) {
          least[c] = l = far
          before[c] = came
        }
        if (l < nearest || (l === nearest && rowOf[c] === -1)) {
          nearest = l
          at = i
        }
      }
      walked = nearest
      const column = open[at] as number
      open[at] = open[--opened] as number
      open[opened] = column
      if (rowOf[column] === -1) end = column
      else {
        row = rowOf[column] as number
        came = column
      }
    }
    // Columns reached on the way get cheaper by what the path was shorter to them, their rows dearer.
    for (let i = opened; i < columns; i++) {
      const c = open[i] as number
      const shorter = walked - (least[c] as number)
      columnPrice[c] = (columnPrice[c] as number) - shorter
      const r = rowOf[c] as number
      if (r >= 0) rowPrice[r] = (rowPrice[r] as number) + shorter
    }
    rowPrice[start] = (rowPrice[start] as number) + walked
    // Passes each row on the way to the next column.
    for (let c = end; ;) {
      const previous = before[c] as number
      const r = previous < 0 ? start : (rowOf[previous] as number)
      rowOf[c] = r
      columnOf[r] = c
      if (previous < 0) break
      c = previous
    }
  }
  let total = 0
  for (let r = 0; r < rows; r++) total += cost[r * columns + (columnOf[r] as number)] as number
  return { columns: columnOf, cost: total, rowPrice, columnPrice }
}
