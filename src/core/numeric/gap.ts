/** What was found, and what nothing can be less than. */
export interface Bounded {
  readonly cost: number
  readonly bound: number
}

/** How far the cost may be above the best possible, as a share of it; 0 where it is proven best. */
export const gapOf = ({ cost, bound }: Bounded): number => (cost <= bound ? 0 : (cost - bound) / cost)

export const gapWords = (gap: number): string =>
  gap === 0 ? 'That is the best possible.' : `Within ${(100 * gap).toFixed(2)} % of the best possible; that is proven.`
