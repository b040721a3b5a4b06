import { errorFunction } from 'simple-statistics'

/** Share of the standard normal distribution below z. @returns 0 to 1, good to about 1e-7 */
export const below = (z: number): number => (1 + errorFunction(z / Math.SQRT2)) / 2

/** Value below which a share of the standard normal distribution lies. @param share between 0 and 1, both excluded */
export const quantileOf = (share: number): number => {
  let [low, high] = [-8, 8]
  while (high - low > 1e-9) {
    const middle = (low + high) / 2
    if (below(middle) < share) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Two-sided 95 %. */
export const Z95 = 1.959963984540054
