import { MILLIONTHS } from '../bodies/search'
import { absentDistance, type PartOnBody } from '../resolve/problem'
import { listDistance, standsFor } from '../vocabulary/kinds/areas'
import { type Part, partsOf } from '../vocabulary/parts'
import type { Area, NeutralValue, Size } from '../vocabulary/values'
import { numbersBy } from './passes'

/**
 * What a body does about one target, whatever its settings are called: for each channel the target is judged on, all
 * that is said there. Bodies that say the same behave the same.
 */
export interface Behaviour {
  readonly key: string
  /** By part, in the order of `partsOf`. */
  readonly said: readonly (readonly NeutralValue[])[]
}

/** The behaviour of a body about a target under a complete choice. */
export const behaviourUnder = (parts: readonly PartOnBody[], choice: Int32Array): Behaviour => {
  const said = parts.map(({ readings, fixed }) => {
    const values = fixed.map(f => f.value)
    for (const [setting, byOption] of readings) {
      const reading = byOption.get(choice[setting] ?? -1)
      if (reading) values.push(reading.value)
    }
    return values
  })
  return { key: said.map(values => [...new Set(values.map(keyOf))].sort().join('&')).join('|'), said }
}

const keys = new WeakMap<object, string>()

/** Values are shared by many options; each is written out once. */
export const keyOf = (value: NeutralValue): string => {
  if (typeof value !== 'object') return String(value)
  const known = keys.get(value)
  if (known !== undefined) return known
  const key = JSON.stringify(value)
  keys.set(value, key)
  return key
}

/**
 * The value a behaviour comes to, which others can be held to; undefined where the body does nothing about it. Where
 * a body says several things at once, the one that counted against the target.
 */
export const valueOfBehaviour = (
  dimensionId: string,
  target: NeutralValue,
  { said }: Behaviour,
): NeutralValue | undefined => {
  const each = partsOf(dimensionId, target).map((part, i): NeutralValue | undefined => {
    const values = said[i] ?? []
    // As the resolver has it: what a body amounts to without a setting counts only where that is not the opposite.
    if (values.length === 0) return absentDistance(part) < MILLIONTHS ? part.without : undefined
    if (part.combine === 'union') return values.flat() as Area[]
    const counts = (a: NeutralValue, b: NeutralValue) =>
      part.combine === 'nearest' ? part.measure(a) < part.measure(b) : part.measure(a) > part.measure(b)
    return values.reduce((best, value) => (counts(value, best) ? value : best))
  })
  if (dimensionId !== 'area.pattern') return each[0]
  const [size, chooser, follow] = each as [Size | undefined, Area['chooser'], Area['follow']]
  return size && { pattern: 'block', width: size.width, height: size.height, chooser, follow }
}

/** How far behaviours are from values, and which behaviours nothing tells apart. */
export interface Distances {
  /** In millionths, by behaviour, then by value. */
  readonly table: readonly Float64Array[]
  /** For each behaviour the first that is equally far from every value. */
  readonly kinds: readonly number[]
}

/**
 * How far each behaviour is from each value; measures as the resolver does. Thousands of areas differ in few sizes, so
 * that every channel is measured once for what differs on it, and put together afterwards.
 */
export const distancesBetween = (
  dimensionId: string,
  behaviours: readonly Behaviour[],
  values: readonly NeutralValue[],
): Distances => {
  const wanted = values.map(value => partsOf(dimensionId, value))
  const channels = (wanted[0] ?? []).map((_, p) =>
    channelTable(
      wanted.flatMap(parts => parts[p] ?? []),
      behaviours.map(b => b.said[p] ?? []),
    ),
  )
  const table = behaviours.map(({ said }, k) => {
    if (channels.length > 1 && said[0]?.length === 0) return numbersBy(values.length, () => MILLIONTHS)
    const rows = channels.map(c => c.rows[c.saidAt[k] ?? 0] as Float64Array)
    if (channels.length === 1) return numbersBy(values.length, v => rows[0]?.[channels[0]?.wantedAt[v] ?? 0] ?? 0)
    return numbersBy(values.length, v => {
      let sum = 0
      for (let c = 0; c < channels.length; c++) {
        const { weight, wantedAt } = channels[c] as ChannelTable
        sum += weight * ((rows[c] as Float64Array)[wantedAt[v] as number] as number)
      }
      return Math.min(MILLIONTHS, Math.round(sum))
    })
  })
  const first = new Map<string, number>()
  const kinds = behaviours.map((b, k) => {
    const silent = channels.length > 1 && b.said[0]?.length === 0
    const key = silent ? 'silent' : channels.map(c => c.kinds[c.saidAt[k] ?? 0]).join()
    const known = first.get(key)
    // Stryker disable next-line all: what is alike and not known to be only takes longer
    if (known === undefined) first.set(key, k)
    return known ?? k
  })
  return { table, kinds }
}

interface ChannelTable {
  readonly weight: number
  /** The column of each value, the row of each behaviour. */
  readonly wantedAt: readonly number[]
  readonly saidAt: readonly number[]
  readonly rows: readonly Float64Array[]
  /** Rows that are equal have the same kind. */
  readonly kinds: readonly number[]
}

/** Numbers things by a key, in the order they come. */
const numbered = <T>(items: readonly T[], keyOfItem: (item: T) => string) => {
  const numbers = new Map<string, number>()
  const distinct: T[] = []
  const at = items.map(item => {
    const key = keyOfItem(item)
    const known = numbers.get(key)
    if (known !== undefined) return known
    numbers.set(key, distinct.length)
    return distinct.push(item) - 1
  })
  return { distinct, at }
}

/** What a value comes to on a channel; areas are compared by what they cover, whatever they are called. */
const wantedKey = (part: Part): string => {
  if (part.channel !== 'area.size') return keyOf(part.wanted)
  const { width, height } = part.wanted as Size
  return `${width} x ${height}`
}

/** Two values with the same key are equally far from everything. */
export const levelKey = (dimensionId: string, value: NeutralValue): string =>
  partsOf(dimensionId, value).map(wantedKey).join('|')

const channelTable = (parts: readonly Part[], said: readonly (readonly NeutralValue[])[]): ChannelTable => {
  const columns = numbered(parts, wantedKey)
  const lines = numbered(said, values => values.map(keyOf).join('&'))
  const rows =
    parts[0]?.combine === 'union'
      ? listRows(columns.distinct, lines.distinct)
      : lines.distinct.map(values => Float64Array.from(columns.distinct, part => partDistance(part, values)))
  const kinds = numbered(rows, row => row.join())
  return { weight: parts[0]?.weight ?? 1, wantedAt: columns.at, saidAt: lines.at, rows, kinds: kinds.at }
}

const partDistance = (part: Part, said: readonly NeutralValue[]): number => {
  if (said.length === 0) return absentDistance(part)
  const each = said.map(value => Math.round(part.measure(value) * MILLIONTHS))
  return part.combine === 'nearest' ? Math.min(...each) : Math.max(...each)
}

/** Lists share most of their members: these are compared once, and not in every pair of lists. */
const listRows = (parts: readonly Part[], said: readonly (readonly NeutralValue[])[]): readonly Float64Array[] => {
  const wanted = parts.map(p => p.wanted as readonly Area[])
  const got = said.map(values => (values as readonly (readonly Area[])[]).flat())
  const { distinct, at } = numbered([...wanted, ...got].flat(), keyOf)
  let next = 0
  const numbersOf = (lists: readonly (readonly Area[])[]) => lists.map(list => list.map(() => at[next++] ?? 0))
  const [wantedNumbers, gotNumbers] = [numbersOf(wanted), numbersOf(got)]
  const near = distinct.map(w => distinct.map(g => standsFor([w], g) === 1))
  const bitsOf = (list: readonly number[], member: number): number =>
    list.reduce((bits, w, i) => (near[w]?.[member] ? bits | (1 << i) : bits), 0)
  return gotNumbers.map(members =>
    Float64Array.from(wantedNumbers, list =>
      members.length
        ? Math.round(
            MILLIONTHS *
              listDistance(
                list.length,
                members.map(m => bitsOf(list, m)),
              ),
          )
        : MILLIONTHS,
    ),
  )
}
