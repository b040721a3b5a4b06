import type { AtLarge } from './knowledge'
import { likeOptions, type OptionWeights } from './like-options'
import { likeRows } from './like-rows'
import optionWeights from './option-weights.json' with { type: 'json' }
import rowWeights from './row-weights.json' with { type: 'json' }
import type { Weights } from './softmax'

/** What rows of menus and their options say at large, as learned by `npm run learn-rows`. Large: for servers and workers. */

const ROWS: Weights = rowWeights
const { learnedFrom, ...groups } = optionWeights
const OPTIONS: OptionWeights = groups

export const TRADE_LIKENESS = { likeRows: likeRows(ROWS), likeOptions: likeOptions(OPTIONS) } satisfies AtLarge

/** Of what was learned from, to tell whether it has changed since. */
export const LEARNED_FROM: readonly string[] = [rowWeights.learnedFrom, learnedFrom]
