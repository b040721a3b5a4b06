/** Compares dotted versions by number: 2.9 comes before 2.10. */
export const compareVersions = (a: string, b: string): number => {
  const x = a.split('.').map(Number)
  const y = b.split('.').map(Number)
  for (let i = 0; i < Math.max(x.length, y.length); i++) {
    const difference = (x[i] ?? 0) - (y[i] ?? 0)
    if (difference !== 0) return difference
  }
  return 0
}

/** Whether something that came with `since` is there in `firmware`. */
export const isThere = (since: string | undefined, firmware: string): boolean =>
  since === undefined || compareVersions(since, firmware) <= 0
