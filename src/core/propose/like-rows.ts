import { featuresOf, type RowWords } from './features'
import { learn, shares, type Weights } from './softmax'

/** What rows of menus are about, learned from rows whose meaning is known. */

/** A row's meaning as it is learned: a dimension, `keys`, `-` for not about focus, `?` for focus without a word for it. */
export type RowClass = string

/** How likely a row is about each of the classes; together one. */
export type LikeRows = (row: RowWords) => ReadonlyMap<RowClass, number>

export const likeRows =
  (weights: Weights): LikeRows =>
  row =>
    shares(weights, featuresOf(row))

/** @param next random numbers from 0 to 1 */
export const learnRows = (
  rows: readonly { readonly row: RowWords; readonly is: RowClass }[],
  next: () => number,
): Weights =>
  learn(
    rows.map(r => ({ features: featuresOf(r.row), is: r.is })),
    next,
  )
