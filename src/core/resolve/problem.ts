import {
  countsOf,
  countsToward,
  type Body,
  bodyAt,
  inMenuOrder,
  isThere,
  type Option,
  type Rule,
  type Setting,
  type State,
} from '../bodies'
import { onlyRate, withRate } from '../bodies/rates'
import { MILLIONTHS, search, type SearchInput, searchInput, type Term, UNDECIDED } from '../bodies/search'
import type { StoredMap } from '../functions/plan'
import { soughtOn } from '../controls/targets'
import {
  type Context,
  contextText,
  type EffectiveTarget,
  effectiveTargets,
  heldUpTo,
  type Level,
  type Standard,
  type Target,
  WEIGHT_FACTORS,
} from '../standards'
import { dimension } from '../vocabulary/dimensions'
import { isForTheFingers } from '../vocabulary/fingers'
import { listDistance, standsFor } from '../vocabulary/kinds/areas'
import { type Part, partsOf, statementsOf } from '../vocabulary/parts'
import type { Meaning } from '../vocabulary/schema'
import type { Area, ControlAssignment, NeutralValue, PlaceAssignment } from '../vocabulary/values'
import { type PinOnBody, pinsOn } from './pins'

/** What one option of one setting says on one channel. */
export interface Reading {
  readonly setting: number
  readonly option: number
  readonly value: NeutralValue
  /** Distance from the part's target in millionths; 0 for members of a union, which are judged together. */
  readonly distance: number
  /** For members of a union: what each can stand for among the wanted ones, as bits. */
  readonly serves: readonly number[]
}

/** One part of a target on one body. */
export interface PartOnBody {
  readonly part: Part
  /** By setting position, then option position. */
  readonly readings: ReadonlyMap<number, ReadonlyMap<number, Reading>>
  /** What the body says on this channel whatever it is set to. */
  readonly fixed: readonly {
    readonly value: NeutralValue
    readonly words: string
    readonly distance: number
    readonly serves: readonly number[]
  }[]
  /** The least distance each setting could reach, by setting position. */
  readonly least: ReadonlyMap<number, number>
  /** The distance where nothing speaks. */
  readonly absent: number
}

export interface TargetOnBody {
  readonly target: EffectiveTarget
  readonly parts: readonly PartOnBody[]
  readonly settings: readonly number[]
  readonly term: Term
}

export interface ResolveProblem {
  readonly body: Body
  readonly settings: readonly Setting[]
  readonly firmware: string
  readonly targets: readonly TargetOnBody[]
  /** Whether a plan for the fingers has a say. */
  readonly hasPlan: boolean
  /** What is set anyway. */
  readonly pins: readonly PinOnBody[]
  readonly input: SearchInput
}

export interface ResolveOptions {
  /** What the body is set to now; factory defaults where not given. */
  readonly known?: State | undefined
  /** The firmware that runs; the newest of the profile where not given. */
  readonly firmware?: string | undefined
  /** For whom or what; layers that are for somebody else do not count. */
  readonly context?: Context | undefined
  /** The common level to be held to; the standard's own where not given, best on each body where null. */
  readonly level?: Level | null | undefined
}

export const millionths = (distance: number): number => Math.round(distance * MILLIONTHS)

/** What is meant in full: control names of one body as places of the hand, and what a frame rate implies. */
export const inPlaces = (body: Body, meaning: Meaning): Meaning => {
  const placed: Record<string, NeutralValue> = {}
  for (const [id, value] of Object.entries(withRate(body, meaning))) {
    if (dimension(id).kind !== 'assign') {
      placed[id] = value
      continue
    }
    const { control, ...binding } = value as ControlAssignment
    const found = body.controls.find(c => c.id === control)
    if (found) placed[id] = { place: found.place, ...binding } satisfies PlaceAssignment
  }
  return placed
}

/**
 * What a body only amounts to is a hair further than what it says: where one option says exactly what is wanted and another
 * says nothing about it, the first is chosen. In millionths, too little to be weighed against anything else.
 */
const UNSAID = 1

/**
 * The distance, in millionths, above which a must counts as broken. A tolerance of 0.3 on an amount allows it to be
 * 30 % larger, or smaller by the same factor.
 */
export const mustLimit = (target: Target): number => millionths(heldUpTo(target)) + UNSAID

/** The distance of one part under a complete or partial choice: exact when complete, else the least still possible. */
export const partBound = (onBody: PartOnBody, choice: Int32Array): number => {
  const { part, readings, fixed, least, absent } = onBody
  if (part.combine === 'union') return unionBound(onBody, choice)
  const nearest = part.combine === 'nearest'
  let decided = -1
  let open = Infinity
  for (const f of fixed)
    decided = decided < 0 ? f.distance : nearest ? Math.min(decided, f.distance) : Math.max(decided, f.distance)
  for (const [setting, byOption] of readings) {
    const option = choice[setting] ?? UNDECIDED
    if (option === UNDECIDED) {
      open = Math.min(open, least.get(setting) ?? Infinity)
      continue
    }
    const reading = byOption.get(option)
    if (!reading) continue
    const { distance } = reading
    decided = decided < 0 ? distance : nearest ? Math.min(decided, distance) : Math.max(decided, distance)
  }
  if (decided >= 0) return nearest ? Math.min(decided, open) : decided
  return Math.min(absent, open)
}

/** What counts where nothing speaks: the value such a body amounts to, else absent. */
export const absentDistance = (part: Part): number =>
  part.without === undefined ? MILLIONTHS : Math.min(MILLIONTHS, millionths(part.measure(part.without)) + UNSAID)

const wantedAreas = (part: Part): readonly Area[] => part.wanted as readonly Area[]

const servesOf = (part: Part, value: NeutralValue): readonly number[] =>
  part.combine === 'union' ? (value as readonly Area[]).map(a => standsFor(wantedAreas(part), a)) : []

const unionBound = ({ part, readings, fixed, absent }: PartOnBody, choice: Int32Array): number => {
  const members: number[] = fixed.flatMap(f => f.serves)
  let reachable = 0
  let open = false
  for (const [setting, byOption] of readings) {
    const option = choice[setting] ?? UNDECIDED
    if (option === UNDECIDED) {
      open = true
      for (const reading of byOption.values()) for (const bits of reading.serves) reachable |= bits
      continue
    }
    const reading = byOption.get(option)
    if (reading) members.push(...reading.serves)
  }
  const wanted = wantedAreas(part).length
  if (!open) return members.length ? millionths(listDistance(wanted, members)) : absent
  // Whatever is still decided: members nobody wants stay, and what nothing can stand for is not shared.
  let needless = 0
  for (const bits of members) {
    reachable |= bits
    if (bits === 0) needless++
  }
  let shared = 0
  for (let i = 0; i < wanted; i++) shared += (reachable >> i) & 1
  return Math.min(absent, millionths(1 - shared / (wanted + needless)))
}

const partOnBody = (
  part: Part,
  said: ReturnType<typeof readStatements>,
  fixedSaid: ReturnType<typeof readFixed>,
): PartOnBody => {
  const measure = (value: NeutralValue) => (part.combine === 'union' ? 0 : millionths(part.measure(value)))
  const readings = new Map<number, Map<number, Reading>>()
  const least = new Map<number, number>()
  for (const { setting, option, value } of said.get(part.channel) ?? []) {
    const distance = measure(value)
    const byOption = readings.get(setting) ?? new Map<number, Reading>()
    byOption.set(option, { setting, option, value, distance, serves: servesOf(part, value) })
    readings.set(setting, byOption)
    least.set(setting, Math.min(least.get(setting) ?? Infinity, distance))
  }
  const fixed = (fixedSaid.get(part.channel) ?? []).map(f => ({
    ...f,
    distance: measure(f.value),
    serves: servesOf(part, f.value),
  }))
  return { part, readings, fixed, least, absent: absentDistance(part) }
}

const gather = <T>(map: Map<string, T[]>, key: string, item: T) => {
  const list = map.get(key)
  if (list) list.push(item)
  else map.set(key, [item])
}

/** The focus drive that is wanted, by which settings count that are for one drive alone. */
export const driveAsked = (targets: readonly { readonly dimension: string; readonly value: NeutralValue }[]) =>
  targets.find(t => t.dimension === 'mode.drive')?.value

type Said<T> = ReadonlyMap<string, readonly T[]>

/** What a body says never changes, so that it is read once for each firmware and drive, whatever standard asks. */
const saidBy = new WeakMap<Body, Map<string, ReturnType<typeof readStatements>>>()

/** All that the options of a body say, by channel. */
const statementsBy = (
  body: Body,
  firmware: string,
  there: (setting: Setting, option: Option) => boolean,
  drive: NeutralValue | undefined,
): ReturnType<typeof readStatements> => {
  const known = saidBy.get(body) ?? new Map<string, ReturnType<typeof readStatements>>()
  saidBy.set(body, known)
  const key = `${firmware} ${JSON.stringify(drive)}`
  const said = known.get(key) ?? readStatements(body, inMenuOrder(body), there, drive)
  known.set(key, said)
  return said
}

const readStatements = (
  body: Body,
  settings: readonly Setting[],
  there: (setting: Setting, option: Option) => boolean,
  drive: NeutralValue | undefined,
): Said<{ readonly setting: number; readonly option: number; readonly value: NeutralValue }> => {
  const said = new Map<string, { setting: number; option: number; value: NeutralValue }[]>()
  settings.forEach((s, setting) =>
    s.options.forEach((o, option) => {
      if (!there(s, o)) return
      for (const [id, value] of Object.entries(inPlaces(body, o.means)))
        if (countsToward(body, countsOf(s, o), { dimension: id, drive }))
          for (const st of statementsOf(id, value)) gather(said, st.channel, { setting, option, value: st.value })
    }),
  )
  return said
}

const readFixed = (body: Body): Said<{ readonly value: NeutralValue; readonly words: string }> => {
  const said = new Map<string, { value: NeutralValue; words: string }[]>()
  const implied = onlyRate(body)
  const words = 'so at the only frame rate that is known'
  const always = [...body.fixed, ...(Object.keys(implied).length ? [{ means: implied, words }] : [])]
  for (const f of always)
    for (const [id, value] of Object.entries(inPlaces(body, f.means)))
      for (const st of statementsOf(id, value)) gather(said, st.channel, { value: st.value, words: f.words })
  return said
}

/** The distance of a target in millionths: missing where its decisive part is missing, else its parts weighed together. */
const targetBound = (parts: readonly PartOnBody[], choice: Int32Array): number => {
  const [first] = parts
  if (parts.length === 1 && first) return partBound(first, choice)
  let sum = 0
  for (const p of parts) sum += p.part.weight * partBound(p, choice)
  if (first && isSilent(first, choice)) return MILLIONTHS
  return Math.min(MILLIONTHS, Math.round(sum))
}

/** Whether, all settings decided, nothing speaks on this channel. */
export const isSilent = (p: PartOnBody, choice: Int32Array): boolean => {
  if (p.fixed.length) return false
  for (const [setting, byOption] of p.readings) {
    const option = choice[setting] ?? UNDECIDED
    if (option === UNDECIDED || byOption.has(option)) return false
  }
  return true
}

const termOf = (target: Target, parts: readonly PartOnBody[]): Term => ({
  settings: [...new Set(parts.flatMap(p => [...p.readings.keys()]))],
  weight: WEIGHT_FACTORS[target.weight],
  mustLimit: target.weight === 'must' ? mustLimit(target) : undefined,
  bound: choice => targetBound(parts, choice),
  signature: (setting, option) =>
    parts
      .map(p => {
        const reading = p.readings.get(setting)?.get(option)
        if (!reading) return '-'
        return p.part.combine === 'union' ? JSON.stringify(reading.value) : String(reading.distance)
      })
      .join(','),
})

type OnBody = (dimensionId: string, value: NeutralValue) => readonly PartOnBody[]

/** Being right and being alike, weighed against each other: each target counts 100, its common level lambda hundredths. */
const levelledTerms = (
  targets: readonly TargetOnBody[],
  sought: readonly Term[],
  level: Level,
  onBody: OnBody,
): readonly Term[] => {
  const right = sought.map((term): Term => ({ ...term, weight: term.weight * 100 }))
  const alike = targets.flatMap(({ target }): Term[] => {
    const common = level.values.find(x => x.dimension === target.dimension)
    if (!common) return []
    const term = termOf({ ...target, weight: 'nice' }, onBody(target.dimension, common.value))
    return [{ ...term, weight: WEIGHT_FACTORS[target.weight] * level.lambdaHundredths }]
  })
  return [...right, ...alike]
}

/**
 * A function goes to its control, and leaves the others where they can do without it: a hand that finds it in two places
 * on one body looks for it in both on the next.
 */
const mappedTerms = (target: Target, onBody: OnBody): readonly Term[] => {
  const parts = onBody(target.dimension, target.value)
  const alone = parts.map(p => ({ ...p, part: { ...p.part, combine: 'furthest' as const } }))
  return [termOf(target, parts), termOf({ ...target, weight: 'nice' }, alone)]
}

/** What the search goes by on a body for what a plan for the fingers settles; undefined where there is none. */
const soughtByPlan = (
  { controls: plan }: Standard,
  body: Body,
  targets: readonly EffectiveTarget[],
  onBody: OnBody,
): { readonly terms: readonly Term[]; readonly map: StoredMap } | undefined => {
  const sought =
    plan &&
    soughtOn(
      plan,
      body,
      targets.filter(t => isForTheFingers(t.dimension)),
    )
  if (!sought) return undefined
  const terms = sought.targets.flatMap(t =>
    t.dimension in sought.map.at ? mappedTerms(t, onBody) : [termOf(t, onBody(t.dimension, t.value))],
  )
  return { terms, map: sought.map }
}

/** Keys that a map gives work to have no other choice; that also keeps many functions on many keys easy to search. */
const onMappedKeys = (
  settings: readonly Setting[],
  domains: readonly (readonly number[])[],
  map: StoredMap,
): readonly (readonly number[])[] =>
  settings.map((s, i) => {
    const carrying = (domains[i] ?? []).filter(o =>
      Object.entries(map.at).some(([f, control]) => {
        const value = s.options[o]?.means[f] as ControlAssignment | undefined
        return value?.control === control
      }),
    )
    return carrying.length ? carrying : (domains[i] ?? [])
  })

/** Settings that are pinned have no other choice. */
const onPinned = (
  settings: readonly Setting[],
  domains: readonly (readonly number[])[],
  pins: readonly PinOnBody[],
): readonly (readonly number[])[] => {
  const optionOf = new Map(pins.map(p => [p.setting, p.option]))
  return settings.map((s, i) => {
    const open = domains[i] ?? []
    const wanted = open.filter(o => s.options[o]?.id === optionOf.get(s.id))
    return wanted.length ? wanted : open
  })
}

/** What a standard asks of a body, whatever it is set to. */
interface Stated {
  readonly body: Body
  readonly firmware: string
  readonly settings: readonly Setting[]
  readonly targets: readonly TargetOnBody[]
  readonly byPlan: ReturnType<typeof soughtByPlan>
  readonly terms: readonly Term[]
  readonly rules: readonly Rule[]
  readonly domains: readonly (readonly number[])[]
  readonly pins: readonly PinOnBody[]
}

const statedOn = (profile: Body, standard: Standard, options: ResolveOptions): Stated => {
  const firmware = options.firmware ?? profile.firmware.to
  const body = bodyAt(profile, firmware)
  const settings = inMenuOrder(body)
  const there = (s: Setting, o: Option) => isThere(s.since, firmware) && isThere(o.since, firmware)
  const effective = effectiveTargets(standard, options.context)
  const said = statementsBy(body, firmware, there, driveAsked(effective))
  const fixed = readFixed(body)
  const onBody = (dimensionId: string, value: NeutralValue) =>
    partsOf(dimensionId, value).map(part => partOnBody(part, said, fixed))
  const byPlan = soughtByPlan(standard, body, effective, onBody)
  const targets = effective.map((target): TargetOnBody => {
    const parts = onBody(target.dimension, target.value)
    const term = termOf(target, parts)
    return { target, parts, settings: term.settings, term }
  })
  const level = options.level === undefined ? standard.level : options.level
  const others = targets.filter(t => !byPlan || !isForTheFingers(t.target.dimension))
  const sought = [...others.map(t => t.term), ...(byPlan?.terms ?? [])]
  const terms = level ? levelledTerms(targets, sought, level, onBody) : sought
  const absent = new Set(settings.filter(s => !s.options.some(o => there(s, o))).map(s => s.id))
  const rules = body.rules
    .filter(r => !absent.has(r.then.setting) && !r.when.some(c => absent.has(c.setting)))
    .sort((a, b) => (a.id < b.id ? -1 : 1))
  const domains = settings.map(s => {
    const allowed = s.options.flatMap((o, i) => (there(s, o) ? [i] : []))
    return allowed.length ? allowed : [s.options.findIndex(o => o.id === s.default)]
  })
  const pins = pinsOn(body, standard, options.context)
  return { body, firmware, settings, targets, byPlan, terms, rules, domains, pins }
}

/** Profiles and standards never change, so that what one asks of the other is read once. */
const read = new WeakMap<Body, WeakMap<Standard, Map<string, Stated>>>()
/** Of one standard on one body: firmware, people and places it is asked for. */
const MOST_READ = 60

const remembered = (profile: Body, standard: Standard, options: ResolveOptions): Stated => {
  // A level that is only tried belongs to no document.
  if (options.level) return statedOn(profile, standard, options)
  const key = [options.firmware ?? '', contextText(options.context ?? {}), options.level === null].join('\n')
  const ofBody = read.get(profile) ?? new WeakMap<Standard, Map<string, Stated>>()
  read.set(profile, ofBody)
  const known = ofBody.get(standard) ?? new Map<string, Stated>()
  ofBody.set(standard, known)
  const there = known.get(key)
  if (there) return there
  const stated = statedOn(profile, standard, options)
  if (known.size >= MOST_READ) known.clear()
  known.set(key, stated)
  return stated
}

/** A standard on a body as a search problem: what every option says, how far it is from what is wanted. */
export const problemOf = (profile: Body, standard: Standard, options: ResolveOptions = {}): ResolveProblem => {
  const { body, firmware, settings, targets, byPlan, terms, rules, domains, pins } = remembered(
    profile,
    standard,
    options,
  )
  const known = options.known ?? Object.fromEntries(settings.map(s => [s.id, s.default]))
  const over = (d: readonly (readonly number[])[], at: State) =>
    searchInput({ settings, rules, domains: d, known: at, terms })
  const isPossible = (input: SearchInput) => search({ ...input, terms: [] }) !== undefined
  // What the rules do not let stand as a whole, pins or a map, is not forced; a map is still sought.
  const asPinned = { ...known, ...Object.fromEntries(pins.map(p => [p.setting, p.option])) }
  const withPins = onPinned(settings, domains, pins)
  const [left, at] = pins.length && isPossible(over(withPins, asPinned)) ? [withPins, asPinned] : [domains, known]
  const held = byPlan && over(onMappedKeys(settings, left, byPlan.map), at)
  const input = held && isPossible(held) ? held : over(left, at)
  return { body, settings, firmware, targets, hasPlan: byPlan !== undefined, pins, input }
}
