/** Throws early, with the bad value in the message. */
export const inRange = (name: string, value: number, least: number, most = Infinity): number => {
  if (!(value >= least && value <= most))
    throw new RangeError(`invalid ${name}: ${value}, expected ${least} to ${most}`)
  return value
}

/** As `inRange`, for what has to be above nought. */
export const positive = (name: string, value: number): number => {
  if (!(value > 0 && value < Infinity)) throw new RangeError(`invalid ${name}: ${value}, expected more than 0`)
  return value
}

/**
 * The value in an interval at which something that grows reaches a goal, by halving.
 *
 * @param grows rises (or stays) from `least` to `most`
 * @returns undefined where it does not reach the goal up to `most`
 * @example whereReaches(x => x * x, 2, 0, 10) // 1.4142
 */
export const whereReaches = (
  grows: (x: number) => number,
  goal: number,
  least: number,
  most: number,
): number | undefined => {
  if (grows(least) >= goal) return least
  if (grows(most) < goal) return undefined
  let [low, high] = [least, most]
  for (let i = 0; i < 50; i += 1) {
    const middle = (low + high) / 2
    if (grows(middle) >= goal) high = middle
    else low = middle
  }
  return high
}
