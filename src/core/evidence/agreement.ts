/** How two counters judged the same passes: rows the first one's judgement, columns the second one's. */
export type Judged = readonly (readonly number[])[]

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0)

/**
 * Agreement of two counters beyond chance.
 *
 * @returns 1 for full agreement, 0 for chance; undefined where both gave one judgement only, and nothing was counted
 * @source Cohen (1960), Educational and Psychological Measurement 20:37-46
 */
export const kappa = (judged: Judged): number | undefined => {
  const all = sum(judged.map(sum))
  if (all === 0) return undefined
  const agreed = sum(judged.map((row, i) => row[i] ?? 0)) / all
  const chance = sum(judged.map((row, i) => (sum(row) / all) * (sum(judged.map(r => r[i] ?? 0)) / all)))
  return chance === 1 ? undefined : (agreed - chance) / (1 - chance)
}
