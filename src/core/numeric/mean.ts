/** @param none what the mean of nothing is @example mean([1, 2, 6], 0) // 3 */
export const mean = (numbers: readonly number[], none: number): number =>
  numbers.length ? numbers.reduce((sum, n) => sum + n, 0) / numbers.length : none
