/**
 * The rising values that come nearest to what was measured, by pooling neighbours that stand the wrong way round.
 *
 * @param values in the order of the steps
 * @param weights of each, all above nought; the same for all where not given
 * @returns as many values, none below the one before it
 * @throws RangeError where there are not as many weights as values
 * @source pool adjacent violators (Ayer, Brunk, Ewing, Reid and Silverman 1955); R's `isoreg`
 * @example isotonic([1, 0, 4, 3, 3, 5, 4, 2, 0]) // [0.5, 0.5, 3, 3, 3, 3, 3, 3, 3]
 */
export const isotonic = (values: readonly number[], weights: readonly number[] = values.map(() => 1)): number[] => {
  if (weights.length !== values.length)
    throw new RangeError(`invalid weights: ${weights.length}, expected ${values.length}`)
  const pools: { mean: number; weight: number; count: number }[] = []
  values.forEach((value, i) => {
    let pool = { mean: value, weight: weights[i] ?? 1, count: 1 }
    for (let last = pools.at(-1); last && last.mean >= pool.mean; last = pools.at(-1)) {
      pools.pop()
      const weight = last.weight + pool.weight
      pool = {
        mean: (last.mean * last.weight + pool.mean * pool.weight) / weight,
        weight,
        count: last.count + pool.count,
      }
    }
    pools.push(pool)
  })
  return pools.flatMap(p => Array.from({ length: p.count }, () => p.mean))
}
