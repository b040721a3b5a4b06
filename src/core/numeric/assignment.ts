/** A cost that rules a cell out. Sums of real costs stay far below it, so that it is never taken while another is left. */
export const FORBIDDEN = 1e9

/**
 * The linear assignment problem: each row gets a column of its own at the least total cost. Exact, by shortest
 * augmenting paths, in rows^2 x columns steps. Made once for a size and used many times over: what it found last is
 * overwritten by the next.
 *
 * @source Jonker and Volgenant 1987, Computing 38:325-340; Crouse 2016, IEEE Trans. Aerosp. Electron. Syst. 52:1679-1696
 */
export class Assigner {
  /** The column of each row. */
  readonly columnOf: Int32Array
  /** No cell costs less than the prices of its row and column together, and those taken cost just that. */
  private readonly rowPrice: Float64Array
  private readonly columnPrice: Float64Array
  private readonly rowOf: Int32Array
  private readonly before: Int32Array
  private readonly least: Float64Array
  private readonly done: Uint8Array

  /** @throws RangeError where there are more rows than columns */
  constructor(
    private readonly rows: number,
    private readonly columns: number,
  ) {
    if (rows > columns) throw new RangeError(`${rows} rows cannot each have one of ${columns} columns`)
    this.columnOf = new Int32Array(rows)
    this.rowPrice = new Float64Array(rows)
    this.columnPrice = new Float64Array(columns)
    this.rowOf = new Int32Array(columns)
    this.before = new Int32Array(columns)
    this.least = new Float64Array(columns)
    this.done = new Uint8Array(columns)
  }

  /**
   * @param cost rows x columns, row by row
   * @returns the least total
   */
  solve(cost: Float64Array): number {
    const { rows, columns, rowPrice, columnPrice, rowOf, columnOf, before, least, done } = this
    rowPrice.fill(0)
    columnPrice.fill(0)
    rowOf.fill(-1)
    for (let start = 0; start < rows; start++) {
      least.fill(Infinity)
      done.fill(0)
      let row = start
      let came = -1
      let walked = 0
      let end = -1
      // Walks to the nearest free column, the distances being costs above the prices.
      while (end < 0) {
        const base = row * columns
        const price = (rowPrice[row] as number) - walked
        let nearest = Infinity
        let column = -1
        for (let c = 0; c < columns; c++) {
          if (done[c] === 1) continue
          const far = (cost[base + c] as number) - price - (columnPrice[c] as number)
          if (far < (least[c] as number)) {
            least[c] = far
            before[c] = came
          }
          if ((least[c] as number) < nearest) {
            nearest = least[c] as number
            column = c
          }
        }
        walked = nearest
        done[column] = 1
        if (rowOf[column] === -1) end = column
        else {
          row = rowOf[column] as number
          came = column
        }
      }
      // Columns reached on the way get cheaper by what the path to them was shorter, their rows dearer.
      for (let c = 0; c < columns; c++) {
        if (done[c] !== 1) continue
        const shorter = walked - (least[c] as number)
        columnPrice[c] = (columnPrice[c] as number) - shorter
        const r = rowOf[c] as number
        if (r >= 0) rowPrice[r] = (rowPrice[r] as number) + shorter
      }
      rowPrice[start] = (rowPrice[start] as number) + walked
      // Passes each row on the way to the next column.
      for (let c = end; c >= 0;) {
        const previous = before[c] as number
        const r = previous < 0 ? start : (rowOf[previous] as number)
        rowOf[c] = r
        columnOf[r] = c
        c = previous
      }
    }
    let total = 0
    for (let r = 0; r < rows; r++) total += cost[r * columns + (columnOf[r] as number)] as number
    return total
  }

  /** How much more than what was found last it costs, at least, to put a row in a column at a cost. */
  atLeast(row: number, column: number, cost: number): number {
    return Math.max(0, cost - (this.rowPrice[row] ?? 0) - (this.columnPrice[column] ?? 0))
  }
}
