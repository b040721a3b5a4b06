import { type Body, menuPath, type Setting } from '../bodies'
import { findDimension } from '../vocabulary/dimensions'
import { countsOfRow, rowOf, type WordCandidate } from './by-words'
import { type Knowledge, WORK } from './knowledge'
import type { LikeOptions } from './like-options'
import type { RowClass } from './like-rows'
import { readOptions } from './read-options'
import type { Candidate } from './reading'

/** What a row of a menu may be about by its likeness to rows whose meaning is known, and how much that counts. */

/** Candidates of one id are about the same. */
export const idOf = (c: Candidate): string =>
  c.dimensions.length
    ? c.dimensions.some(d => findDimension(d)?.kind === 'assign')
      ? WORK
      : [...c.dimensions].sort().join(' ')
    : (c.about ?? '')

/** What rows are about that are like this one, as far as anybody has seen such rows. */
export const likenesses = (body: Body, setting: Setting, { likeRows }: Knowledge): ReadonlyMap<RowClass, number> =>
  likeRows?.({
    label: setting.label,
    options: setting.options.map(o => o.label),
    page: menuPath(body, setting).join(' '),
  }) ?? new Map()

/** As a class of rows is named in what was learned. */
export const classesOf = (c: Candidate): readonly RowClass[] =>
  idOf(c) === WORK ? ['keys'] : c.dimensions.length ? c.dimensions : [c.about === 'unnamed' ? '?' : '-']

/** A row that is like others is read as they are, where no word of its own says more. */
const LEAST_LIKE = 0.08
const UNTOLD = 0.3
/** From here on a reading none of whose options is understood is offered all the same. */
export const WORTH_ASKING = 0.25

export const byLikeness = (
  body: Body,
  setting: Setting,
  alike: ReadonlyMap<RowClass, number>,
  like: LikeOptions | undefined,
): readonly Candidate[] =>
  [...alike].flatMap(([id, share]): readonly Candidate[] => {
    const d = findDimension(id)
    if (!d || share < LEAST_LIKE) return []
    const read = readOptions(body, d, setting, { like })
    const counts = countsOfRow(rowOf(body, setting), d)
    return [
      {
        dimensions: [id],
        score: UNTOLD,
        because: ['rows worded like it are about this'],
        means: read.means,
        ...(read.isGuess ? { isGuess: true } : {}),
        ...(read.isEitherWay ? { isEitherWay: true } : {}),
        ...(read.isDoubted ? { isDoubted: true } : {}),
        ...(counts ? { counts } : {}),
      },
    ]
  })

/** How much likeness counts beside words, where it is certain; hardly anything where it is not. */
const MOST_LIKENESS = 0.6
/** From here on words tell a row by themselves. */
export const TOLD = 0.8

export const weightOf = (alike: ReadonlyMap<RowClass, number>, found: readonly Candidate[]): number => {
  const [about, most] = [...alike].reduce((a, b) => (b[1] > a[1] ? b : a), ['', 0])
  // What is about nothing here is of many kinds: rows like it say less where words say more.
  const isOutspoken = (about === '-' || about === '?') && found.some(c => c.dimensions.length > 0 && c.score > TOLD)
  return MOST_LIKENESS * most ** 2 * (isOutspoken ? 0.5 : 1)
}

export const withLikeness = (c: WordCandidate, alike: ReadonlyMap<RowClass, number>, weight: number): Candidate => {
  const { isForWantOfWords, ...told } = c
  const share = Math.max(...classesOf(c).map(id => alike.get(id) ?? 0))
  // Where rows like it are about something, that no word says so is no reason against it.
  const nothing = (alike.get('-') ?? 0) + (alike.get('?') ?? 0)
  const base = isForWantOfWords && alike.size > 0 ? c.score * nothing : c.score
  return { ...told, score: (1 - weight) * base + weight * share }
}
