import { likeRows, type RowWeights } from './like-rows'
import learned from './row-weights.json' with { type: 'json' }

/** What rows of menus are about at large, as learned by `npm run learn-rows`. Large: for servers and workers. */

const WEIGHTS: RowWeights = learned

export const TRADE_LIKENESS = likeRows(WEIGHTS)

/** Of the rows that were learned from, to tell whether they have changed since. */
export const LEARNED_FROM: string = learned.learnedFrom
