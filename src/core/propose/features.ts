import { folded } from '../language/language'
import { tokensOf } from '../language/phrases'
import { isYesNo } from './figures'
import { type Features, ofLengthOne } from './softmax'

/** What is seen of a row of a menu when it is compared with rows whose meaning is known: its words, and how many. */

export interface RowWords {
  readonly label: string
  readonly options: readonly string[]
  /** Tab and page. */
  readonly page: string
}

const ENDING = /(?:ations?|itions?|ities|ity|ings?|ed|es|s|ive|ion)$/

/** Shorter than a phrase keeps it: recognise, recognised and recognition are to be one. */
export const bare = (word: string): string =>
  word.length > 6 ? word.replace(ENDING, '').slice(0, 8) : word.replace(/s$/, '')

export const isFigure = (word: string): boolean => /^[a-z]?\d/.test(word)

/** The letters of each word by threes, its ends among them: what is cut short or joined keeps most of them. */
export const lettersOf = (text: string): readonly string[] =>
  [...folded(text).matchAll(/\p{L}+/gu)].flatMap(([word]) => {
    const between = `^${word}$`
    return Array.from({ length: between.length - 2 }, (_, i) => between.slice(i, i + 3))
  })

/** How much each kind of word tells; tried with one set of menus left out after the other. */
const WEIGHTS = {
  label: 1,
  pair: 0.5,
  letters: 0.5,
  option: 1,
  optionInLabel: 0.25,
  page: 0.3,
  shape: 0.3,
  always: 0.2,
}

/**
 * Words of the label, its neighbouring pairs, its letters by threes, words of the options and of the page, and whether it is a yes and a no.
 *
 * @example featuresOf({ label: 'AF lamp', options: ['On', 'Off'], page: '' }).has('label lamp') // true
 */
export const featuresOf = ({ label, options, page }: RowWords): Features => {
  const found = new Map<string, number>()
  const add = (key: string, amount: number) => found.set(key, (found.get(key) ?? 0) + amount)
  const words = tokensOf(label).map(bare)
  for (const w of new Set(words)) if (!isFigure(w)) add(`label ${w}`, WEIGHTS.label)
  words.slice(1).forEach((w, i) => add(`pair ${[words[i], w].sort().join(' ')}`, WEIGHTS.pair))
  const offered = new Set(options.flatMap(o => tokensOf(o).map(bare)))
  const share = 1 / Math.sqrt(Math.max(1, offered.size))
  for (const w of offered) {
    add(`option ${isFigure(w) ? '#' : w}`, WEIGHTS.option * share)
    if (!isFigure(w)) add(`label ${w}`, WEIGHTS.optionInLabel * share)
  }
  for (const w of new Set(tokensOf(page).map(bare))) add(`page ${w}`, WEIGHTS.page)
  const threes = lettersOf(label)
  for (const three of threes) add(`letters ${three}`, WEIGHTS.letters / Math.sqrt(threes.length))
  add(isYesNo(options) ? 'yes and no' : 'other options', WEIGHTS.shape)
  add('always', WEIGHTS.always)
  return ofLengthOne(found)
}
