/** Solves a square system by elimination; undefined where it has no single answer. Used by fits of few unknowns. */
export const solve = (matrix: readonly (readonly number[])[], right: readonly number[]): number[] | undefined => {
  const n = right.length
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0])
  for (let c = 0; c < n; c++) {
    const pivot = rows.slice(c).reduce((best, row, i) => {
      return Math.abs(row[c] ?? 0) > Math.abs(rows[best]?.[c] ?? 0) ? c + i : best
    }, c)
    ;[rows[c], rows[pivot]] = [rows[pivot] as number[], rows[c] as number[]]
    const head = rows[c] as number[]
    const lead = head[c] ?? 0
    if (Math.abs(lead) < 1e-12) return undefined
    for (let r = 0; r < n; r++) {
      if (r === c) continue
      const row = rows[r] as number[]
      const times = (row[c] ?? 0) / lead
      for (let k = c; k <= n; k++) row[k] = (row[k] ?? 0) - times * (head[k] ?? 0)
    }
  }
  return rows.map((row, i) => (row[n] ?? 0) / (row[i] ?? 1))
}
