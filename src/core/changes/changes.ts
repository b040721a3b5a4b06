/**
 * What differs between two JSON documents, field by field. One idea serves editing, undo, history, firmware versions,
 * merging and the preview of an import.
 *
 * Lists whose members have an `id` are compared member by member, whatever their order; every other list is one value.
 */

export type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json }

export interface Change {
  /** Keys from the root; a member of a keyed list is named by its id. The last may be `#order`. */
  readonly at: readonly string[]
  /** Undefined where it was added. */
  readonly before?: Json | undefined
  /** Undefined where it was removed. */
  readonly after?: Json | undefined
}

/** Fields that are only meaningful as a whole: they change, conflict and merge as one. */
export type IsWhole = (at: readonly string[]) => boolean

const ORDER = '#order'

type Dictionary = { readonly [key: string]: Json }
type Member = Dictionary & { readonly id: string }

const isDictionary = (value: Json | undefined): value is Dictionary =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const isKeyed = (value: Json | undefined): value is readonly Member[] =>
  Array.isArray(value) &&
  value.length > 0 &&
  (value as readonly Json[]).every(m => isDictionary(m) && typeof m['id'] === 'string')

const isEmptyList = (value: Json | undefined): boolean => Array.isArray(value) && value.length === 0

/** Both sides can be compared member by member: an empty list may be a keyed one that lost its members. */
const areKeyed = (a: Json | undefined, b: Json | undefined): boolean =>
  (isKeyed(a) && (isKeyed(b) || isEmptyList(b))) || (isKeyed(b) && isEmptyList(a))

export const sameJson = (a: Json | undefined, b: Json | undefined): boolean => {
  if (a === b) return true
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((x: Json, i) => sameJson(x, (b as readonly Json[])[i]))
  if (!isDictionary(a) || !isDictionary(b)) return false
  const keys = definedKeys(a)
  return keys.length === definedKeys(b).length && keys.every(k => sameJson(a[k], b[k]))
}

const definedKeys = (d: Dictionary): readonly string[] => Object.keys(d).filter(k => d[k] !== undefined)

/** Documents come from schemas; what JSON cannot hold (undefined fields) counts as not there. */
export const asJson = (document: unknown): Json => JSON.parse(JSON.stringify(document)) as Json

/**
 * The changes that turn one document into another.
 *
 * @example diff({ a: 1 }, { a: 2 }) // [{ at: ['a'], before: 1, after: 2 }]
 */
export const diff = (before: Json, after: Json, isWhole: IsWhole = () => false): readonly Change[] => {
  const found: Change[] = []
  const walk = (at: readonly string[], a: Json | undefined, b: Json | undefined): void => {
    if (sameJson(a, b)) return
    if (at.length && isWhole(at)) found.push(change(at, a, b))
    else if (areKeyed(a, b)) walkMembers(at, (a ?? []) as readonly Member[], (b ?? []) as readonly Member[])
    else if (isDictionary(a) && isDictionary(b))
      for (const key of new Set([...definedKeys(a), ...definedKeys(b)])) walk([...at, key], a[key], b[key])
    else found.push(change(at, a, b))
  }
  const walkMembers = (at: readonly string[], a: readonly Member[], b: readonly Member[]): void => {
    const [inA, inB] = [new Map(a.map(m => [m.id, m])), new Map(b.map(m => [m.id, m]))]
    for (const m of a) walk([...at, m.id], m, inB.get(m.id))
    for (const m of b) if (!inA.has(m.id)) found.push(change([...at, m.id], undefined, m))
    const ids = (members: readonly Member[]) => members.map(m => m.id)
    // The order is told where adding at the end would not give it, forward or backward.
    const forward = ids([...a.filter(m => inB.has(m.id)), ...b.filter(m => !inA.has(m.id))])
    const backward = ids([...b.filter(m => inA.has(m.id)), ...a.filter(m => !inB.has(m.id))])
    if (!sameJson(forward, ids(b)) || !sameJson(backward, ids(a))) found.push(change([...at, ORDER], ids(a), ids(b)))
  }
  walk([], before, after)
  return found
}

const change = (at: readonly string[], before: Json | undefined, after: Json | undefined): Change => ({
  at,
  ...(before === undefined ? {} : { before }),
  ...(after === undefined ? {} : { after }),
})

/** Members in the wanted order; those it does not name stay behind the member they stood behind. */
const inOrder = (members: readonly Member[], wanted: readonly string[]): readonly Member[] => {
  const named = members.filter(m => wanted.includes(m.id)).sort((a, b) => wanted.indexOf(a.id) - wanted.indexOf(b.id))
  const result = [...named]
  members.forEach((m, i) => {
    if (wanted.includes(m.id)) return
    const before = members[i - 1]
    const place = before ? result.findIndex(r => r.id === before.id) + 1 : 0
    result.splice(place, 0, m)
  })
  return result
}

const applyOne = (value: Json | undefined, at: readonly string[], after: Json | undefined): Json | undefined => {
  const [key, ...rest] = at
  if (key === undefined) return after
  if (Array.isArray(value)) {
    const members = value as readonly Member[]
    if (key === ORDER) return inOrder(members, (after ?? []) as readonly string[])
    const there = members.findIndex(m => m.id === key)
    if (there < 0 && (rest.length > 0 || after === undefined)) return members
    const next = applyOne(members[there], rest, after)
    if (next === undefined) return members.filter((_, i) => i !== there)
    return there < 0 ? [...members, next] : members.map((m, i): Json => (i === there ? next : m))
  }
  if (!isDictionary(value))
    return rest.length === 0 && after !== undefined && value === undefined ? { [key]: after } : value
  const next = applyOne(value[key], rest, after)
  const copy: Record<string, Json> = { ...value }
  if (next === undefined) delete copy[key]
  else copy[key] = next
  return copy
}

const isOrder = (c: Change): boolean => c.at.at(-1) === ORDER

/** Applies changes, orders last. What a change speaks about and is no longer there stays away. */
export const apply = <T>(document: T, changes: readonly Change[]): T =>
  [...changes.filter(c => !isOrder(c)), ...changes.filter(isOrder)].reduce<Json | undefined>(
    (d, c) => applyOne(d, c.at, c.after),
    asJson(document),
  ) as T

/** The changes that take those of one comparison back. */
export const invert = (changes: readonly Change[]): readonly Change[] =>
  changes.map(c => change(c.at, c.after, c.before))

/** The place of a change as one word, to compare and to choose by. */
export const placeOf = (c: Pick<Change, 'at'>): string => c.at.join(' › ')

/** Two people changed the same place, or one changed inside what the other removed or replaced. */
export interface Clash {
  readonly mine: Change
  readonly theirs: Change
}

export interface Merged<T> {
  readonly document: T
  /** What the other side changed and is kept. */
  readonly theirs: readonly Change[]
  readonly mine: readonly Change[]
  readonly conflicts: readonly Clash[]
}

const touches = (a: Change, b: Change): boolean => {
  const shorter = Math.min(a.at.length, b.at.length)
  return a.at.slice(0, shorter).every((key, i) => key === b.at[i])
}

/**
 * Merges two versions of a document that have a common ancestor, field by field.
 *
 * @param prefer who prevails where both changed the same place, by the place of the change; mine where not given
 */
export const merge = <T>(
  base: T,
  mine: T,
  theirs: T,
  isWhole: IsWhole = () => false,
  prefer: Readonly<Record<string, 'mine' | 'theirs'>> = {},
): Merged<T> => {
  const ancestor = asJson(base)
  const mineChanges = diff(ancestor, asJson(mine), isWhole)
  const theirChanges = diff(ancestor, asJson(theirs), isWhole)
  const both = mineChanges.flatMap(m =>
    theirChanges
      .filter(t => touches(m, t) && !(m.at.length === t.at.length && sameJson(m.after, t.after)))
      .map(t => ({ mine: m, theirs: t })),
  )
  const lost = new Set<Change>()
  for (const c of both) lost.add(prefer[placeOf(c.mine)] === 'theirs' ? c.mine : c.theirs)
  return {
    document: apply(base, [...theirChanges.filter(c => !lost.has(c)), ...mineChanges.filter(c => !lost.has(c))]),
    theirs: theirChanges,
    mine: mineChanges,
    // Two orders of the same rows are not worth a question; mine stands.
    conflicts: both.filter(c => !isOrder(c.mine)),
  }
}
