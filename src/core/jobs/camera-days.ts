import {
  HOLD,
  type JobFacts,
  LENS_SECONDS,
  MOST_HELD_MINUTES,
  type Model,
  RECALL,
  type SetUp,
  STORE,
  TOGGLE,
  type UnitFact,
} from './facts'
import { planSlots } from './slot-plan'
import { type Cost, MOST_SET_UPS, nameSlots, type SlotNames, type SlotPlan, type SlotProblem } from './slots'
import { type JobPlan, plannedAt, type Station, stationKey, type Underway, type UnitDay } from './station'

/** What is in the slots of each camera, and what is changed on it between two scenes. */

const walkCost = (
  facts: JobFacts,
  unit: UnitFact,
  table: 'walks' | 'rests',
  from: SetUp,
  to: SetUp,
): Cost | undefined => facts.models.find(m => m.id === unit.model)?.[table][from.key]?.[to.key]

/** What nobody has worked out yet counts as a long walk, so that a plan can be shown before everything is known. */
const UNKNOWN_WALK: Cost = { presses: 40, seconds: 90 }

/** After such a night cameras are prepared anew at home. */
const NIGHT_MS = 5 * 3600_000
/** So long before its first scene a camera is out of reach of whoever prepares it. */
const PACKED_MS = 3 * 3600_000

export type Bare = Omit<Station, 'change' | 'slot' | 'isOtherLens'>

/** What a camera does, from one night to the next. */
const daysOf = (mine: readonly Bare[]): readonly (readonly Bare[])[] => {
  const days: Bare[][] = []
  for (const s of mine) {
    const last = days.at(-1)
    const before = last?.at(-1)
    if (last && before && s.scene.from - before.scene.until < NIGHT_MS) last.push(s)
    else days.push([s])
  }
  return days
}

/** Whether another lens is put on between two scenes of a camera; not where nobody said which. */
export const changesLens = (before: Bare | undefined, next: Bare): boolean =>
  before?.lens !== undefined && next.lens !== undefined && before.lens.id !== next.lens.id

/** Seconds between two scenes of a camera; negative where they overlap. */
export const pauseBetween = (before: Bare, next: Bare): number => (next.scene.from - before.scene.until) / 1000

/** Seconds that are left for its settings, once another lens is on. */
const leftBetween = (before: Bare, next: Bare): number =>
  Math.max(0, pauseBetween(before, next) - (changesLens(before, next) ? LENS_SECONDS : 0))

/** How long a key would be held that recalls the set-up of a scene: while pictures are taken. */
const heldMinutes = ({ scene, setUp }: Bare): number => ((scene.until - scene.from) / 60_000) * (setUp?.shooting ?? 1)

/** One camera on one day, as the planner of slots wants it; what is beyond the most set-ups is left to be walked. */
const slotProblem = (facts: JobFacts, unit: UnitFact, all: readonly Bare[], { isWhole, slots, keys = [] }: Model) => {
  const setUps = [...new Set(all.flatMap(s => s.setUp ?? []))].slice(0, MOST_SET_UPS)
  const day = all.filter(s => s.setUp && setUps.includes(s.setUp))
  const cost = (a: SetUp, b: SetUp): Cost =>
    a === b ? { presses: 0, seconds: 0 } : (walkCost(facts, unit, 'walks', a, b) ?? UNKNOWN_WALK)
  const rest = (a: SetUp, b: SetUp): Cost => {
    const left = isWhole ? undefined : walkCost(facts, unit, 'rests', a, b)
    return { presses: RECALL.presses + (left?.presses ?? 0), seconds: RECALL.seconds + (left?.seconds ?? 0) }
  }
  const problem: SlotProblem = {
    sequence: day.map(s => setUps.findIndex(x => x === s.setUp)),
    gaps: day.slice(1).flatMap((s, k) => leftBetween(day[k] ?? s, s)),
    walk: setUps.map(a => setUps.map(b => cost(a, b))),
    recall: setUps.map(a => setUps.map(b => rest(a, b))),
    isWhole,
    slots: slots.length,
    store: STORE,
    holdable: day.map(s => heldMinutes(s) <= MOST_HELD_MINUTES),
    keys: keys.map(k => ({
      reaches: setUps.map(a => setUps.map(b => k.reaches[a.key]?.includes(b.key) ?? false)),
      cost: k.isToggled ? TOGGLE : HOLD,
      isToggled: k.isToggled,
    })),
  }
  return { problem, setUps, day }
}

/** What stands in the slots of a camera by now, after what was done with it up to here. */
const heldBy = (day: UnitDay, done: readonly Station[]): readonly (SetUp | undefined)[] => {
  const held = day.slots.map(s => s.setUp)
  let now: SetUp | undefined
  for (const s of done) {
    const put = (name: string | undefined, setUp: SetUp | undefined) => {
      const n = day.slots.findIndex(x => x.name === name)
      if (name !== undefined && n >= 0) held[n] = setUp
    }
    put(s.change?.keeps, now)
    put(s.change?.stores, s.setUp)
    if (!s.change?.key) now = s.setUp
  }
  return held
}

/** What was done with a camera on a day that has begun, and what is in its slots by now; nothing while it can be prepared. */
const begunOn = (unit: UnitFact, day: readonly Bare[], slots: number, underway: Underway | undefined) => {
  const [first] = day
  if (!underway || !first || first.scene.from - PACKED_MS > underway.at) return undefined
  const former = underway.plan.units.find(
    d => d.unit.id === unit.id && d.from <= first.scene.until && first.scene.from <= d.until,
  )
  const done = day.flatMap(s => {
    const was = plannedAt(underway.plan, s)
    return s.scene.from < underway.at && was?.unit?.id === unit.id ? [was] : []
  })
  // What a key recalls is held over what was set before.
  const base = done.findLast(s => !s.change?.key)?.setUp
  return { former, done, base, held: former ? heldBy(former, done) : Array.from({ length: slots }, () => undefined) }
}

type Found = ReadonlyMap<string, Pick<Station, 'change' | 'slot'>>

/** One camera from one night to the next. */
const planDay = (
  facts: JobFacts,
  unit: UnitFact,
  model: Model,
  all: readonly Bare[],
  underway: Underway | undefined,
): { readonly found: Found; readonly day: UnitDay } => {
  const { keys = [] } = model
  const { problem, setUps, day } = slotProblem(facts, unit, all, model)
  const indexOf = (setUp: SetUp | undefined) => setUps.findIndex(x => x.key === setUp?.key)
  const begun = begunOn(unit, day, model.slots.length, underway)
  const done = begun?.done ?? []
  // The last thing that was done is what the rest goes on from.
  const from = Math.max(0, done.length - 1)
  const held = begun?.held.map(indexOf).map(h => (h < 0 ? undefined : h))
  const [first = 0, ...later] = problem.sequence.slice(from)
  const base = indexOf(begun?.base)
  const onNow = (last: Station | undefined) => {
    const on = last?.change?.isToggled === true ? keys.findIndex(k => k.name === last.change?.key) : -1
    return on < 0 ? undefined : on
  }
  const onKey = (name: string) => indexOf(begun?.former?.keys?.find(k => k.name === name)?.setUp)
  const rest: SlotProblem = {
    ...problem,
    sequence: [base < 0 ? first : base, ...later],
    gaps: problem.gaps.slice(from),
    holdable: problem.holdable?.slice(from),
    holds: held?.flatMap(h => h ?? []),
    on: onNow(done.at(-1)),
    keys: problem.keys?.map((key, n) => {
      const there = onKey(keys[n]?.name ?? '')
      return begun ? { ...key, holds: there < 0 ? 'nothing' : there } : key
    }),
  }
  const plan = planSlots(rest)
  const names = nameSlots(plan, model.slots.length, held)
  const found = new Map([
    ...stationsOf(day.slice(from), { plan, names, model, setUps, problem: rest }),
    ...done.map(({ change, slot, ...s }) => [stationKey(s), { change, slot }] as const),
  ])
  const changes = day.flatMap(s => found.get(stationKey(s))?.change ?? [])
  return {
    found,
    day: {
      unit,
      from: day[0]?.scene.from ?? 0,
      until: day.at(-1)?.scene.until ?? 0,
      slots: begun?.former?.slots ?? model.slots.map((name, n) => ({ name, setUp: setUps[names.atFirst[n] ?? -1] })),
      keys: keys.map(({ name, row, isToggled }, n) => ({
        name,
        row,
        ...(isToggled ? { isToggled } : {}),
        setUp: setUps[plan.onKeys[n] ?? -1],
      })),
      presses: changes.reduce((n, c) => n + c.cost.presses, 0),
      late: changes.filter(c => c.isLate).length,
      isBest: plan.isBest,
      gap: plan.gap,
      withoutSlots: planSlots({ ...problem, slots: 0, holds: [], keys: [] }).presses,
      areas: [...new Set(day.flatMap(s => s.fit?.areas ?? []))],
    },
  }
}

export const withSlots = (
  stations: readonly Bare[],
  facts: JobFacts,
  isBest: boolean,
  underway: Underway | undefined,
): JobPlan => {
  const mine = new Map<UnitFact, Bare[]>()
  for (const s of stations) {
    if (!s.unit || !s.setUp || !s.fit) continue
    const own = mine.get(s.unit)
    if (own) own.push(s)
    else mine.set(s.unit, [s])
  }
  const planned = [...mine]
    .toSorted(([a], [b]) => a.tag.localeCompare(b.tag))
    .flatMap(([unit, own]) => {
      const model = facts.models.find(m => m.id === unit.model)
      return model ? daysOf(own).map(day => planDay(facts, unit, model, day, underway)) : []
    })
  const found: Found = new Map(planned.flatMap(p => [...p.found]))
  const units = planned.map(p => p.day)
  const otherLens = new Set([...mine.values()].flatMap(own => own.filter((s, i) => changesLens(own[i - 1], s))))
  return {
    stations: stations.map(s => ({
      ...s,
      isOtherLens: otherLens.has(s),
      change: undefined,
      slot: undefined,
      ...found.get(stationKey(s)),
    })),
    units,
    isBest: isBest && units.every(d => d.isBest),
  }
}

interface DayPlan {
  readonly plan: SlotPlan
  readonly names: SlotNames
  readonly model: Model
  readonly setUps: readonly SetUp[]
  readonly problem: SlotProblem
}

/** The changes of a day, with the slots by their names. */
const stationsOf = (
  day: readonly Bare[],
  { plan, names, model: { slots, isWhole, keys = [] }, setUps, problem }: DayPlan,
): readonly (readonly [key: string, Pick<Station, 'change' | 'slot'>])[] => {
  const name = (slot: number | undefined) => (slot === undefined ? undefined : slots[slot])
  const key = (s: number | undefined) => setUps[s ?? -1]?.key ?? ''
  const held = [...names.atFirst]
  return day.map((station, k) => {
    const change = plan.changes[k - 1]
    const each = names.each[k - 1]
    const to = problem.sequence[k]
    if (change?.keeps && each?.keeps !== undefined) held[each.keeps] = change.keeps.setUp
    if (change?.stores && each?.stores !== undefined) held[each.stores] = change.stores.setUp
    const slot = held.indexOf(to)
    const used = keys[change?.key ?? -1]
    const walks = change?.walks
      ? { from: key(change.walks.from), to: key(change.walks.to), isRest: false }
      : change?.recalls !== undefined && !isWhole
        ? { from: key(change.from), to: key(to), isRest: true }
        : undefined
    return [
      stationKey(station),
      {
        slot: slot < 0 || change?.key !== undefined ? undefined : name(slot),
        change: change && {
          back: keys[change.back ?? -1]?.name,
          key: used?.name,
          isToggled: used?.isToggled ?? false,
          stays: change.stays,
          isByThumb: used?.isThumbs === true && !used.isToggled,
          recalls: name(each?.recalls),
          walks,
          keeps: name(each?.keeps),
          stores: name(each?.stores),
          cost: change.cost,
          isLate: change.isLate,
          gapSeconds: problem.gaps[k - 1] ?? 0,
        },
      },
    ] as const
  })
}
