import { folded, wordsIn } from '../language/language'
import { type Dimension, DIMENSIONS } from '../vocabulary/dimensions'
import { LEXICON } from '../vocabulary/lexicon'
import { TRADE_WORDS } from '../vocabulary/trade-words'

/** Finding a dimension by any word people use for it, its synonyms, values and definition included. */

const PHRASE_MARKS = /=>.*?(?=,|$)|[!@][^\s,]+|[*/]/g

const ENTRIES = DIMENSIONS.filter(d => d.kind !== 'size' && d.kind !== 'assign').map(d => {
  const trade = TRADE_WORDS[d.id]
  const names = `${trade?.names ?? ''} ${trade?.hints ?? ''}`.replaceAll(PHRASE_MARKS, ' ')
  const values = 'values' in d ? d.values.join(' ') : ''
  return {
    d,
    label: folded(d.label),
    words: new Set(wordsIn(`${LEXICON[d.id]?.words ?? ''} ${names}`)),
    rest: new Set(wordsIn(`${d.about} ${values} ${Object.values(LEXICON[d.id]?.values ?? {}).join(' ')}`)),
  }
})

/**
 * Dimensions that answer a query, the best first; all of them for an empty one.
 *
 * @example findDimensions('limiter')[0].id // 'range.limit'
 */
export const findDimensions = (query: string): readonly Dimension[] => {
  const asked = wordsIn(query)
  if (asked.length === 0) return ENTRIES.map(e => e.d)
  const begins = (words: ReadonlySet<string>, q: string) => [...words].some(w => w.startsWith(q))
  return ENTRIES.map(e => ({
    d: e.d,
    score: asked.reduce(
      (sum, q) =>
        sum +
        (wordsIn(e.label).some(w => w.startsWith(q)) ? 4 : 0) +
        (e.words.has(q) ? 3 : begins(e.words, q) ? 2 : 0) +
        (begins(e.rest, q) ? 1 : 0),
      0,
    ),
    met: asked.filter(q => wordsIn(e.label).some(w => w.startsWith(q)) || begins(e.words, q) || begins(e.rest, q))
      .length,
  }))
    .filter(e => e.met === asked.length)
    .sort((a, b) => b.score - a.score)
    .map(e => e.d)
}
