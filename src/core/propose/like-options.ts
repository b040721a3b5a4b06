import { tokensOf } from '../language/phrases'
import { type Dimension, findDimension } from '../vocabulary/dimensions'
import { bare, isFigure, lettersOf } from './features'
import { type Example, type Features, learn, ofLengthOne, shares, type Weights } from './softmax'

/** What the options of a row say, learned from options whose meaning is known, once it is clear what the row is about. */

export interface OptionWords {
  readonly label: string
  readonly option: string
}

/**
 * What options of one kind can say, whatever the dimension: one word for a yes is a yes elsewhere. Undefined for kinds
 * that are read by figures.
 */
export const groupOf = (d: Dimension): string | undefined => {
  switch (d.kind) {
    case 'flag':
      return 'flag'
    case 'choice':
    case 'scale':
      return d.values.join(' ')
    case 'area':
      return 'area'
    case 'physical':
      return 'amount'
    case 'areas':
    case 'size':
    case 'assign':
    case 'position':
    case 'range':
    case 'magnify':
      return undefined
  }
}

/** How much each kind of feature tells; tried with one set of menus left out after the other. */
const WEIGHTS = { word: 1, pair: 0.6, letters: 0.4, own: 0.8, cross: 0.5, always: 0.2 }

/**
 * Words of an option, neighbouring pairs, its letters by threes (for what is cut short), the same for this dimension
 * alone, and what stands together with a word of the label.
 */
export const optionFeatures = (d: string, { label, option }: OptionWords): Features => {
  const found = new Map<string, number>()
  const add = (key: string, amount: number) => found.set(key, (found.get(key) ?? 0) + amount)
  const words = tokensOf(option).map(w => (isFigure(w) ? '#' : bare(w)))
  const share = 1 / Math.sqrt(Math.max(1, words.length))
  for (const w of new Set(words)) {
    add(`w ${w}`, WEIGHTS.word * share)
    add(`${d} ${w}`, WEIGHTS.own * share)
  }
  words.slice(1).forEach((w, i) => add(`p ${words[i]} ${w}`, WEIGHTS.pair * share))
  // Present and prevent have most of their letters in common: of yes and no, only words tell.
  const threes = findDimension(d)?.kind === 'flag' ? [] : lettersOf(option)
  for (const three of threes) add(`l ${three}`, WEIGHTS.letters / Math.sqrt(threes.length))
  const named = [...new Set(tokensOf(label).map(bare))].filter(w => !isFigure(w))
  if (words.length < 3) for (const n of named) add(`x ${n} ${words.join(' ')}`, WEIGHTS.cross / Math.sqrt(named.length))
  add('always', WEIGHTS.always)
  return ofLengthOne(found)
}

/** How likely an option says each of its values; undefined where nothing was learned. */
export type Shares = ReadonlyMap<string, number> | undefined

/** What options at large say that are like one of a row about a dimension. */
export type LikeOptions = (d: Dimension, words: OptionWords) => Shares

export type OptionWeights = Readonly<Record<string, Weights>>

export const likeOptions =
  (weights: OptionWeights): LikeOptions =>
  (d, words) => {
    const of = weights[groupOf(d) ?? '']
    return of && shares(of, optionFeatures(d.id, words))
  }

export interface KnownOption extends OptionWords {
  readonly d: Dimension
  /** A value as a text; for amounts where it stands: low, middle or high. */
  readonly is: string
}

/** @param next random numbers from 0 to 1 */
export const learnOptions = (known: readonly KnownOption[], next: () => number): OptionWeights => {
  const groups = new Map<string, Example[]>()
  for (const k of known) {
    const group = groupOf(k.d)
    if (group === undefined) continue
    const examples = groups.get(group) ?? []
    groups.set(group, examples)
    examples.push({ features: optionFeatures(k.d.id, k), is: k.is })
  }
  return Object.fromEntries([...groups].map(([group, examples]) => [group, learn(examples, next)]))
}

/** From here on what is likeliest is said, and a value that another option of the row has already counts so much less. */
const LEAST_LIKELY = 0.5
const SAID_ALREADY = { flag: 0.6, choice: 0.3, scale: 0.15, area: 0.5, amount: 0 } as const
const YES_TWICE = 0.1

/** Two options of a scale of three are hardly ever its middle. */
const MIDDLE_OF_TWO = 0.3
const withEnds = (d: Dimension, count: number, shared: ReadonlyMap<string, number>): ReadonlyMap<string, number> => {
  const middle = d.kind === 'scale' && d.values.length === 3 && count === 2 ? d.values[1] : undefined
  return new Map([...shared].map(([value, p]) => [value, value === middle ? p * MIDDLE_OF_TWO : p]))
}

/**
 * The values of the options that no phrase reads, likeliest first, each in the light of those that are read.
 *
 * @param read a value as a text for each option, undefined where nothing is read yet
 * @param alike for each option, what options like it say
 */
export const likeliest = (
  d: Dimension,
  read: readonly (string | undefined)[],
  alike: readonly Shares[],
): readonly (string | undefined)[] => {
  const said = [...read]
  const open = new Map(
    alike.flatMap((shared, i) => {
      const isOpen = shared && said[i] === undefined
      return isOpen ? [[i, withEnds(d, alike.length, shared)] as const] : []
    }),
  )
  // A row of two that says yes twice, or no, says nothing.
  const isYesOrNo = d.kind === 'flag' && alike.length === 2
  const again = isYesOrNo ? YES_TWICE : (SAID_ALREADY[d.kind as keyof typeof SAID_ALREADY] ?? 1)
  while (open.size > 0) {
    let best = { i: -1, value: '', share: 0 }
    for (const [i, shared] of open) {
      const weighed = [...shared].map(([value, p]) => [value, said.includes(value) ? p * again : p] as const)
      const sum = weighed.reduce((n, [, p]) => n + p, 0)
      for (const [value, p] of weighed) if (p / sum > best.share) best = { i, value, share: p / sum }
    }
    if (best.share < LEAST_LIKELY) break
    said[best.i] = best.value
    open.delete(best.i)
  }
  return said
}
