import type { Body, Setting } from '../bodies'
import type { Dimension } from '../vocabulary/dimensions'
import type { Meaning } from '../vocabulary/schema'
import type { Area, NeutralValue } from '../vocabulary/values'
import { areaClass, areaOfClass } from './areas'
import { type LikeOptions, likeliest, type Shares } from './like-options'
import { byPhrases, type ReadOptions, spread } from './options'

/** What the options of a setting say about one dimension: by phrases, and where these are silent by their likeness. */

const textOf = (value: NeutralValue): string => (typeof value === 'object' ? areaClass(value as Area) : String(value))

/** A row, what it is taken to be about, and what options at large say. */
interface Asked {
  readonly d: Dimension
  readonly label: string
  readonly options: readonly string[]
  readonly like: LikeOptions
}

/** How far an option counts that is only like others; nearly everything is like a yes or a no. */
const likeOthers = (d: Dimension): number => (d.kind === 'flag' ? 0.4 : 0.7)

/** A phrase that options like this one speak against is not believed; of yes and no, phrases know more. */
const CERTAIN = 0.9
const isContradicted = (d: Dimension, shared: Shares, value: string): boolean => {
  if (d.kind === 'flag') return false
  return shared !== undefined && Math.max(...shared.values()) >= CERTAIN && (shared.get(value) ?? 0) <= 1 - CERTAIN
}

/** Below this share of what options like it say, nobody can be sure of an option. */
const DOUBTED = 0.3

/** Options that no phrase reads, by their likeness to options whose meaning is known. */
const filled = (body: Body, asked: Asked, read: ReadOptions): ReadOptions => {
  const { d, label, options, like } = asked
  const alike = options.map(option => like(d, { label, option }))
  const known = options.map((_, i) => {
    const value = read.means[i]?.[d.id]
    if (value === undefined) return undefined
    const is = textOf(value)
    return isContradicted(d, alike[i], is) ? undefined : is
  })
  const said = likeliest(d, known, alike)
  const means = options.map((o, i): Meaning => {
    const [now, value] = [read.means[i] ?? {}, said[i]]
    if (value === undefined || known[i] !== undefined) return now
    if (d.kind === 'flag') return { [d.id]: value === 'true' }
    return { [d.id]: d.kind === 'area' ? areaOfClass(body, value, o) : value }
  })
  const isDoubted = alike.some((shared, i) => {
    const value = means[i]?.[d.id]
    return shared !== undefined && value !== undefined && (shared.get(textOf(value)) ?? 0) < DOUBTED
  })
  const told = (of: readonly Meaning[]) => of.filter(m => Object.keys(m).length > 0)
  const [now, before] = [told(means), told(read.means)]
  const distinct = new Set(now.map(m => JSON.stringify(m))).size
  const fit = (before.length + likeOthers(d) * (now.length - before.length)) / options.length
  return {
    ...read,
    means,
    distinct,
    isDoubted,
    fit: Math.max(read.fit, fit * (distinct < 2 && options.length > 1 ? 0.6 : 1)),
  }
}

/** So far apart the ends of a scale have to be by what options like them say. */
const CLEARLY = 0.9
/** How well it fits where no phrase knows that these are steps. */
const AS_STEPS = 0.6

/** A scale whose ends no phrase knows, from what options like them say; it stays as it was where they say nothing. */
const ranged = ({ d, label, options, like }: Asked, read: ReadOptions): ReadOptions => {
  const isUnread = read.means.length === 0
  const rising = isUnread || read.isEitherWay ? spread(d, options) : undefined
  const up = (option = '') => {
    const shared = like(d, { label, option })
    return (shared?.get('high') ?? 0) - (shared?.get('low') ?? 0)
  }
  const rise = up(options.at(-1)) - up(options[0])
  if (!rising || Math.abs(rise) < CLEARLY) return read
  const { isEitherWay: _, ...told } = read
  const values = rise > 0 ? rising : rising.toReversed()
  return {
    ...told,
    means: values.map(v => ({ [d.id]: v })),
    distinct: options.length,
    fit: isUnread ? AS_STEPS : read.fit,
    isGuess: true,
  }
}

/**
 * What the options say of a dimension, by its kind.
 *
 * @param like what options at large say that are like these; without it phrases and figures alone tell
 */
export const readOptions = (
  body: Body,
  d: Dimension,
  setting: Pick<Setting, 'label' | 'options'>,
  { polarity = 1, flag, like }: HowRead = {},
): ReadOptions => {
  const options = setting.options.map(o => o.label)
  const read = byPhrases(body, d, options, polarity, flag)
  if (!like) return read
  const asked = { d, label: setting.label, options, like }
  return d.kind === 'physical' ? ranged(asked, read) : filled(body, asked, read)
}

export interface HowRead {
  /** -1 where the row names the opposite of the dimension. */
  readonly polarity?: number
  readonly flag?: readonly [yes: string, no: string] | undefined
  readonly like?: LikeOptions | undefined
}
