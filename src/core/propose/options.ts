import type { Body } from '../bodies'
import { bestMet, isMet, type Phrase, phrasesIn, tokensOf } from '../language/phrases'
import type { Dimension } from '../vocabulary/dimensions'
import { isSigned } from '../vocabulary/dimensions'
import { LEXICON } from '../vocabulary/lexicon'
import type { Meaning } from '../vocabulary/schema'
import { LITTLE, LONG, MUCH, SHORT } from '../vocabulary/trade-rows'
import { TRADE_WORDS } from '../vocabulary/trade-words'
import type { FocusRange, Magnify, NeutralValue, Pattern, Position } from '../vocabulary/values'
import { areaOf, type ReadArea, smallestOf } from './areas'
import { figuresIn, isYesNo, yesOrNo } from './figures'

/** What the options of a setting say about one dimension, by their own words and figures. */

export interface ReadOptions {
  /** One meaning for each option; empty where its words say nothing. */
  readonly means: readonly Meaning[]
  /** How well the options bear out that this is what they are about, 0 to 1. */
  readonly fit: number
  /** How many different values they name. */
  readonly distinct: number
  /** Amounts without figures in the dimension's unit are guessed from where they stand. */
  readonly isGuess?: boolean
  /** Nothing says which end of the scale is which. */
  readonly isEitherWay?: boolean
  /** Options like one of these mostly say something else. */
  readonly isDoubted?: boolean
}

const [LONG_ENDS, SHORT_ENDS] = [phrasesIn(LONG), phrasesIn(SHORT)]
const [MUCH_ENDS, LITTLE_ENDS] = [phrasesIn(MUCH), phrasesIn(LITTLE)]

const VALUES: ReadonlyMap<string, readonly (readonly [string, readonly Phrase[]])[]> = new Map(
  Object.entries(TRADE_WORDS).map(([id, w]) => [
    id,
    Object.entries(w.values ?? {}).map(([value, words]) => [value, phrasesIn(words)] as const),
  ]),
)

/** What an option's words say: the value whose phrase asks for most; undefined where two say as much. */
const saidBy = (id: string, tokens: readonly string[]): string | undefined => {
  let best: { value: string | undefined; asks: number } = { value: undefined, asks: 0 }
  for (const [value, phrases] of VALUES.get(id) ?? []) {
    const asks = bestMet(phrases, tokens)?.asks ?? 0
    if (asks > best.asks) best = { value, asks }
    else if (asks > 0 && asks === best.asks) best = { value: undefined, asks }
  }
  return best.value
}

const NOTHING: ReadOptions = { means: [], fit: 0, distinct: 0 }

const stated = (
  id: string,
  values: readonly (NeutralValue | undefined)[],
  more: Partial<ReadOptions> = {},
): ReadOptions => {
  const told = values.filter(v => v !== undefined)
  const distinct = new Set(told.map(v => JSON.stringify(v))).size
  return {
    means: values.map((v): Meaning => (v === undefined ? {} : { [id]: v })),
    // One value for all says little: it may be anything else as well.
    fit: (told.length / values.length) * (distinct < 2 && values.length > 1 ? 0.6 : 1),
    distinct,
    ...more,
  }
}

/** Of several counts of points the largest is all of them. */
const counts = (options: readonly string[]): ReadOptions | undefined => {
  const all = named('area.points', options)
  if (all.means.some(m => m['area.points'] === 'all'))
    return stated(
      'area.points',
      options.map(
        (o, i) =>
          (all.means[i]?.['area.points'] as string | undefined) ?? (figuresIn(o).length ? 'reduced' : undefined),
      ),
    )
  const figures = options.map(o => figuresIn(o)[0] ?? 0)
  const most = Math.max(...figures)
  if (figures.some(f => f <= 1) || new Set(figures).size < figures.length) return undefined
  return stated(
    'area.points',
    figures.map(f => (f === most ? 'all' : 'reduced')),
  )
}

/** Choices and scales of named steps. */
const named = (id: string, options: readonly string[]): ReadOptions =>
  stated(
    id,
    options.map(o => saidBy(id, tokensOf(o))),
  )

/** Three or four named steps of much and little, in whatever order they stand. */
const bySteps = (d: Extract<Dimension, { kind: 'scale' }>, options: readonly string[]): ReadOptions => {
  const read = named(d.id, options)
  if (read.fit === 1) return read
  const rest = options.filter((_, i) => Object.keys(read.means[i] ?? {}).length === 0)
  const figures = rest.map(o => figuresIn(o)[0])
  const isRising = figures.every((f, i) => f !== undefined && (i === 0 || f > (figures[i - 1] ?? 0)))
  const left = d.values.filter(v => !read.means.some(m => m[d.id] === v))
  if (!isRising || rest.length === options.length || rest.length > left.length) return read
  // Bare figures that rise take what is left of the scale, from its lower end.
  const taken = [...rest.keys()].map(i => left[Math.round((i * (left.length - 1)) / Math.max(1, rest.length - 1))])
  return stated(
    d.id,
    options.map((_, i) => (read.means[i]?.[d.id] as string | undefined) ?? taken.shift()),
  )
}

const DENIED = /\b(?:not|never|without)\b/i

const flags = (id: string, options: readonly string[]): ReadOptions => {
  const said = options.map(o => {
    const own = saidBy(id, tokensOf(o))
    // "Not enabled" is no, whatever the rest of it says.
    if (own === 'true' && DENIED.test(o)) return false
    return own === undefined ? yesOrNo(tokensOf(o)) : own === 'true'
  })
  // Counted from nothing, nothing is no.
  const amounts = options.map(o => figuresIn(o)[0])
  const isCounted = amounts.every(a => a !== undefined && a >= 0) && amounts.includes(0)
  // Beside a plain no, everything else is a way of yes: how long a picture is shown, how loud a tone is.
  const hasNo = said.includes(false)
  const isAmount = (o: string) =>
    figuresIn(o).length > 0 || /\b(?:hold|low|mid|high|quick|continuous|until|all|only|seconds?)\b/i.test(o)
  return stated(
    id,
    isCounted
      ? amounts.map(a => a !== 0)
      : said.map((v, i) => v ?? (hasNo && isAmount(options[i] ?? '') ? true : undefined)),
  )
}

const between = ([low, high]: readonly [number, number], share: number): number =>
  Number((low * Math.pow(high / low, share)).toPrecision(2))

/** Which way a scale runs: 1 where the last end is most, -1 where the first is, 0 where nothing says it. */
const directionOf = (options: readonly string[], polarity: number, isHeld: boolean): number => {
  const signs = options.map(o => {
    const tokens = tokensOf(o)
    const has = (ends: readonly Phrase[]) => ends.some(p => isMet(p, tokens))
    if (isHeld) {
      // Locked on and responsive say it whatever the row is called; high and low go by what the row names.
      if (has(LONG_ENDS)) return 1
      if (has(SHORT_ENDS)) return -1
    }
    if (has(MUCH_ENDS)) return polarity
    if (has(LITTLE_ENDS)) return -polarity
    return 0
  })
  const half = Math.floor(options.length / 2)
  const sum = (from: number, to: number) => signs.slice(from, to).reduce((a: number, b) => a + b, 0)
  const difference = Math.sign(sum(options.length - half, options.length) - sum(0, half))
  if (difference !== 0) return difference
  // Counting from nothing, the figure is how much there is of what the row names.
  const figures = options.map(o => figuresIn(o)[0])
  const isCount = figures.every((f, i) => f !== undefined && f >= 0 && (i === 0 || f > (figures[i - 1] ?? 0)))
  return isCount && figures[0] === 0 ? polarity : 0
}

const SCALE_WORDS = phrasesIn('standard, normal, medium, mid, middle')
const isStep = (o: string): boolean => {
  const tokens = tokensOf(o)
  const ends = [...LONG_ENDS, ...SHORT_ENDS, ...MUCH_ENDS, ...LITTLE_ENDS, ...SCALE_WORDS]
  return figuresIn(o).length > 0 || ends.some(p => isMet(p, tokens))
}

const SECONDS = /\d\s*(?:s|sec|seconds?)\b/i

/** Amounts for the options of a scale, least first; undefined where they cannot be one. */
export const spread = (d: Dimension, options: readonly string[]): readonly number[] | undefined => {
  const usual = LEXICON[d.id]?.usual
  // A yes and a no are no amounts.
  if (!usual || options.length < 2 || isYesNo(options)) return undefined
  return options.map((_, i) => between(usual, i / (options.length - 1)))
}

const amounts = (
  d: Extract<Dimension, { kind: 'physical' }>,
  options: readonly string[],
  polarity: number,
): ReadOptions => {
  const figures = options.map(o => figuresIn(o))
  const first = figures.map(f => f[0])
  if (d.id === 'release.rate') {
    // Figures with a p behind them are of film.
    if (options.some(o => /\dp\b/i.test(o))) return NOTHING
    // Beside "single", a row chooses how pictures are taken, not only how fast.
    if (options.length > 2 && options.some(o => /^(?:1|s|single)$/i.test(o.trim()))) return NOTHING
    const read = stated(
      d.id,
      first.map(f => (f !== undefined && f > 0 && f <= 200 ? f : undefined)),
    )
    return options.length === 1 && read.distinct === 1 ? { ...read, fit: 1 } : read
  }
  if (d.id === 'range.stored')
    return stated(
      d.id,
      first.map(f => (f !== undefined && f > 0 ? f : undefined)),
    )
  if (isSigned(d)) {
    const read = stated(d.id, first)
    return first.some(f => f !== undefined && f < 0) || first.every(f => f === undefined || Math.abs(f) <= 20)
      ? read
      : { ...read, fit: 0 }
  }
  const withUnit = options.filter(o => SECONDS.test(o)).length
  if (d.unit === 's' && withUnit > options.length / 2) return stated(d.id, first)
  const rising = spread(d, options)
  const fit = options.filter(isStep).length / options.length
  if (!rising || fit < 0.6) return NOTHING
  const isHeld = d.id === 'track.hold' || d.id === 'video.shift'
  const isTime = d.id === 'video.transition'
  const direction = directionOf(options, isTime || d.id === 'track.switch' ? -1 : polarity, isHeld)
  const values = direction < 0 !== isTime ? rising.toReversed() : rising
  return stated(d.id, values, { fit: Math.min(1, fit), isGuess: true, isEitherWay: direction === 0 })
}

const SPOT = phrasesIn('spot')
/** Where nothing else is a point, a plain spot is one. */
const withPlainSpot = (body: Body, options: readonly string[], read: readonly (ReadArea | undefined)[]) => {
  const tiny = read.flatMap((r, i) => (r?.area?.pattern === 'pinpoint' ? [i] : []))
  const [only = -1] = tiny
  const isPlain = tokensOf(options[only] ?? '').length === 1 && SPOT.some(p => isMet(p, tokensOf(options[only] ?? '')))
  if (tiny.length !== 1 || !isPlain || read.some(r => r?.area?.pattern === 'point')) return read
  return read.map((r, i) => (i === only ? areaOf(body, 'point') : r))
}

const areas = (body: Body, options: readonly string[]): ReadOptions => {
  const smallest = smallestOf(options)
  const read = withPlainSpot(
    body,
    options,
    options.map(o => areaOf(body, o, smallest)),
  )
  const means = read.map((r): Meaning => {
    if (!r) return {}
    return r.area ? { 'area.pattern': r.area } : { 'area.follow': 'from-start-point' }
  })
  const distinct = new Set(means.filter(m => Object.keys(m).length).map(m => JSON.stringify(m))).size
  const told = read.filter(Boolean).length
  return { means, distinct, fit: (told / options.length) * (distinct < 2 ? 0.6 : 1) }
}

/** While filming an area is only a size, from the smallest to the whole frame. */
const filmAreas = (body: Body, options: readonly string[]): ReadOptions =>
  stated(
    'video.area',
    options.map((o): Pattern | undefined => {
      const pattern = areaOf(body, o)?.area?.pattern
      return pattern === 'all-sizes' ? undefined : pattern
    }),
  )

const home = (label: string): Position | undefined => {
  const tokens = tokensOf(label)
  const has = (...words: readonly string[]) => words.some(w => tokens.includes(w))
  if (!has('centre', 'middle', 'left', 'right', 'upper', 'lower', 'top', 'bottom')) return undefined
  return {
    x: has('left') ? 0.38 : has('right') ? 0.62 : 0.5,
    y: has('upper', 'top') ? 0.34 : has('lower', 'bottom') ? 0.66 : 0.5,
  }
}

const WHOLE = phrasesIn('off, full, entire, all, none')
const range = (label: string): FocusRange | undefined => {
  const text = label.replace(/(?:on|preset|set|custom)\s*\d\s*:?/i, '')
  const metres = figuresIn(text.replaceAll(/(\d)\s*-\s*(\d)/g, '$1 $2')).filter(n => n > 0)
  const [near, far] = metres.toSorted((a, b) => a - b)
  const isFar = /inf|∞/i.test(text)
  // A bare figure counts what is stored, and is no distance.
  const isDistance = isFar || far !== undefined || /\d\s*(?:m|cm|ft|feet)\b/i.test(text)
  if (near !== undefined && isDistance)
    return { nearMetres: near, farMetres: far === undefined || far > 900 || isFar ? 'infinity' : far }
  return WHOLE.some(p => isMet(p, tokensOf(text))) ? { nearMetres: 0.3, farMetres: 'infinity' } : undefined
}

const magnify = (label: string): Magnify | undefined => {
  const factor = Number(/(?:x\s*)?(\d+(?:\.\d+)?)\s*(?:x|times)?/i.exec(label.replaceAll('×', 'x'))?.[1])
  if (!(factor >= 1) || !/x|times/i.test(label)) return undefined
  return { factor, seconds: 'until-released', onRingTurn: /ring/i.test(label) }
}

/** What the options say of a dimension by phrases and figures alone, by its kind. */
export const byPhrases = (
  body: Body,
  d: Dimension,
  options: readonly string[],
  polarity: number,
  flag?: readonly [yes: string, no: string],
): ReadOptions => {
  if (flag && isYesNo(options)) {
    const [yes, no] = flag.map(v => (v === 'true' ? true : v === 'false' ? false : v)) as [NeutralValue, NeutralValue]
    return stated(
      d.id,
      options.map(o => (yesOrNo(tokensOf(o)) ? yes : no)),
    )
  }
  switch (d.kind) {
    case 'choice':
      return (d.id === 'area.points' ? counts(options) : undefined) ?? named(d.id, options)
    case 'scale':
      return d.id === 'video.area' ? filmAreas(body, options) : bySteps(d, options)
    case 'flag':
      return flags(d.id, options)
    case 'physical':
      return amounts(d, options, polarity)
    case 'area':
      return areas(body, options)
    case 'position':
      return stated(d.id, options.map(home))
    case 'range':
      return stated(d.id, options.map(range))
    case 'magnify':
      return stated(d.id, options.map(magnify))
    case 'areas':
    case 'size':
    case 'assign':
      return NOTHING
  }
}
