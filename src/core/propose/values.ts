import { stemsIn, wordsIn } from '../language/language'
import { type Dimension, DIMENSIONS, isSigned } from '../vocabulary/dimensions'
import { LEXICON, NO, TOGGLED, YES } from '../vocabulary/lexicon'
import { BY_SIZE, typicalArea } from '../vocabulary/typical'
import type { FocusRange, Magnify, NeutralValue, Pattern, Position } from '../vocabulary/values'

/** What the options of a setting might mean for one dimension, read from their words, figures and order alone. */

const stemSet = (words: string): ReadonlySet<string> => new Set(stemsIn(words))
const [yes, no, toggled] = [YES, NO, TOGGLED].map(stemSet) as [
  ReadonlySet<string>,
  ReadonlySet<string>,
  ReadonlySet<string>,
]

/** The stems that point to each value of a dimension. */
const VALUE_STEMS = new Map(
  DIMENSIONS.map(d => [
    d.id,
    Object.entries(LEXICON[d.id]?.values ?? {}).map(([value, words]) => ({
      value,
      stems: stemSet(`${words} ${value.replaceAll('-', ' ')}`),
    })),
  ]),
)

const hits = (label: readonly string[], stems: ReadonlySet<string>): number => label.filter(w => stems.has(w)).length

/** The figures in a label with their signs. @example figuresIn('−0.7') // [-0.7] */
export const figuresIn = (label: string): readonly number[] =>
  [...label.replaceAll('−', '-').matchAll(/(?<![\d.])[-+]?\d+(?:\.\d+)?(?:\/\d+)?/g)].map(m => {
    const [top = '', bottom] = m[0].split('/')
    return bottom ? Number((Number(top) / Number(bottom)).toFixed(2)) : Number(top)
  })

const isYes = (stems: readonly string[]) => hits(stems, yes) > 0
const isNo = (stems: readonly string[]) => hits(stems, no) > 0

/** How well the options' words alone fit the values of a dimension, 0 to 1. */
export const fitOfWords = (d: Dimension, options: readonly string[]): number => {
  const stems = options.map(stemsIn)
  if (d.kind === 'flag') return options.length === 2 && stems.some(isYes) && stems.some(isNo) ? 0.35 : 0
  const values = VALUE_STEMS.get(d.id) ?? []
  if (values.length === 0) return 0
  const chosen = stems.map(label => bestValue(values, label))
  const distinct = new Set(chosen.filter(Boolean)).size
  return distinct < 2 ? 0 : distinct / Math.max(options.length, 2)
}

const bestValue = (
  values: readonly { readonly value: string; readonly stems: ReadonlySet<string> }[],
  label: readonly string[],
): string | undefined => {
  const ranked = values
    .map(v => ({ value: v.value, hits: hits(label, v.stems) }))
    .filter(v => v.hits > 0)
    .sort((a, b) => b.hits - a.hits)
  return ranked[0]?.value
}

const between = ([low, high]: readonly [number, number], share: number): number =>
  Number((low * Math.pow(high / low, share)).toPrecision(2))

const places = <T>(list: readonly T[], count: number): readonly T[] =>
  Array.from({ length: count }, (_, i) => list[Math.round((i * (list.length - 1)) / Math.max(1, count - 1))] as T)

/** What each option's words say of a choice; those that say nothing take what is left, where most are told. */
const choiceValues = (d: Dimension, setting: string, options: readonly string[]): readonly (string | undefined)[] => {
  const values = VALUE_STEMS.get(d.id) ?? []
  const own = new Set(stemsIn(setting))
  const told = options.map(o => {
    const stems = stemsIn(o)
    return (
      bestValue(
        values,
        stems.filter(w => !own.has(w)),
      ) ?? bestValue(values, stems)
    )
  })
  if (told.filter(Boolean).length * 2 < options.length) return told
  const left = values.map(v => v.value).filter(v => !told.includes(v))
  return told.map(v => v ?? left.shift())
}

/** Whether the options' own words leave nothing to guess about the values they stand for. */
export const settledByWords = (d: Dimension, options: readonly string[]): boolean => {
  if (d.kind === 'flag') {
    const stems = options.map(stemsIn)
    return stems.some(isYes) && stems.some(isNo) && stems.every(s => isYes(s) !== isNo(s))
  }
  return (d.kind === 'choice' || d.kind === 'scale') && fitOfWords(d, options) === 1
}

const scaleValues = (d: Extract<Dimension, { kind: 'scale' }>, options: readonly string[]) => {
  const values = VALUE_STEMS.get(d.id) ?? []
  const byWord = options.map(o => bestValue(values, stemsIn(o)))
  const byOrder = places(d.values, options.length)
  const named = byWord.filter(Boolean)
  return new Set(named).size === options.length ? byWord : byOrder.map((v, i) => (named.length ? (byWord[i] ?? v) : v))
}

/** Which options say yes; the first where no word tells. */
export const flagsByWords = (options: readonly string[]): readonly (boolean | undefined)[] => {
  if (options.length > 2) return options.map(o => (isNo(stemsIn(o)) ? false : true))
  const said = options.map(o => (isNo(stemsIn(o)) ? false : isYes(stemsIn(o)) ? true : undefined))
  const known = said.find(v => v !== undefined)
  return said.map((v, i) => v ?? (known !== undefined ? !known : i === 0))
}

const amounts = (d: Extract<Dimension, { kind: 'physical' }>, options: readonly string[]) => {
  const figures = options.map(o => figuresIn(o))
  if (isSigned(d)) return figures.map(f => f[0])
  const hasUnit = options.filter(o => /\d\s*(?:s|sec|seconds?|fps|\/s|frames)\b/i.test(o)).length > options.length / 2
  if (hasUnit || d.id === 'release.rate')
    if (figures.every(f => f[0] !== undefined && f[0] > 0)) return figures.map(f => f[0])
  const usual = LEXICON[d.id]?.usual
  if (!usual) return options.map(() => undefined)
  return options.map((_, i) => between(usual, options.length < 2 ? 0.5 : i / (options.length - 1)))
}

const patternOf = (label: string): Pattern | undefined =>
  bestValue(VALUE_STEMS.get('area.pattern') ?? [], stemsIn(label.replaceAll('×', 'x'))) as Pattern | undefined

const areas = (options: readonly string[]) => {
  const named = options.map(patternOf)
  const byOrder = places(BY_SIZE, options.length)
  const isSettled = new Set(named.filter(Boolean)).size === options.length
  return options.map((_, i) => typicalArea((isSettled ? named[i] : byOrder[i]) ?? 'point'))
}

const home = (label: string): Position => {
  const words = wordsIn(label).join(' ')
  const x = /left/.test(words) ? 0.38 : /right/.test(words) ? 0.62 : 0.5
  const y = /upper|high|top|fore/.test(words) ? 0.34 : /low|bottom/.test(words) ? 0.66 : 0.5
  return { x, y }
}

const range = (label: string): FocusRange => {
  const metres = figuresIn(label).filter(n => n > 0)
  const [near = 0.3, far] = metres.toSorted((a, b) => a - b)
  return { nearMetres: near, farMetres: far ?? 'infinity' }
}

const magnify = (label: string): Magnify => {
  const factor = /(\d+(?:\.\d+)?)\s*(?:times|x|×)/i.exec(label)?.[1] ?? String(figuresIn(label)[0] ?? 5)
  const seconds = /(\d+(?:\.\d+)?)\s*s/i.exec(label)?.[1]
  return {
    factor: Math.max(1, Number(factor)),
    seconds: seconds ? Number(seconds) : 'until-released',
    onRingTurn: /ring/i.test(label),
  }
}

/** For each option the value it may stand for; undefined where it says nothing about the dimension. */
export const valuesByWords = (
  d: Dimension,
  setting: string,
  options: readonly string[],
): readonly (NeutralValue | undefined)[] => {
  switch (d.kind) {
    case 'choice':
      return choiceValues(d, setting, options)
    case 'scale':
      return scaleValues(d, options)
    case 'flag':
      return flagsByWords(options)
    case 'physical':
      return amounts(d, options)
    case 'area':
      return areas(options)
    case 'areas': {
      const area = typicalArea(patternOf(setting) ?? 'point')
      return flagsByWords(options).map(isOffered => (isOffered ? [area] : undefined))
    }
    case 'position':
      return options.map(home)
    case 'range':
      return options.map(range)
    case 'magnify':
      return options.map(magnify)
    case 'size':
    case 'assign':
      return options.map(() => undefined)
  }
}

/** Whether a button's work is meant to stay after the press, by its words. */
export const pressOf = (label: string): 'held' | 'toggled' => (hits(stemsIn(label), toggled) ? 'toggled' : 'held')
