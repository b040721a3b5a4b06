import { type JobFacts, RECALL, type SetUp, STORE, type UnitFact } from './facts'
import { type Cost, MOST_SET_UPS, nameSlots, planSlots, type SlotNames, type SlotPlan, type SlotProblem } from './slots'
import { type JobPlan, sameStation, type Station, type Underway, type UnitDay } from './station'

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

type Bare = Omit<Station, 'change' | 'slot'>

/** What a camera does between two nights: indices of stations. */
const daysOf = (stations: readonly Bare[], mine: readonly number[]): readonly (readonly number[])[] => {
  const days: number[][] = []
  for (const i of mine) {
    const last = days.at(-1)
    const before = stations[last?.at(-1) ?? -1]
    const isNext = before && (stations[i]?.scene.from ?? 0) - before.scene.until >= NIGHT_MS
    if (last && !isNext) last.push(i)
    else days.push([i])
  }
  return days
}

/** One camera on one day, as the planner of slots wants it. */
const slotProblem = (facts: JobFacts, unit: UnitFact, day: readonly Bare[], isWhole: boolean, slots: number) => {
  const setUps = [...new Set(day.flatMap(s => s.setUp ?? []))].slice(0, MOST_SET_UPS)
  const cost = (a: SetUp, b: SetUp): Cost =>
    a === b ? { presses: 0, seconds: 0 } : (walkCost(facts, unit, 'walks', a, b) ?? UNKNOWN_WALK)
  const rest = (a: SetUp, b: SetUp): Cost => {
    const left = isWhole ? undefined : walkCost(facts, unit, 'rests', a, b)
    return { presses: RECALL.presses + (left?.presses ?? 0), seconds: RECALL.seconds + (left?.seconds ?? 0) }
  }
  const problem: SlotProblem = {
    sequence: day.map(s => setUps.findIndex(x => x === s.setUp)),
    gaps: day.slice(1).map((s, k) => Math.max(0, (s.scene.from - (day[k]?.scene.until ?? 0)) / 1000)),
    walk: setUps.map(a => setUps.map(b => cost(a, b))),
    recall: setUps.map(a => setUps.map(b => rest(a, b))),
    isWhole,
    slots,
    store: STORE,
  }
  return { problem, setUps }
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
    now = s.setUp
  }
  return held
}

export const withSlots = (
  stations: readonly Bare[],
  facts: JobFacts,
  isBest: boolean,
  underway: Underway | undefined,
): JobPlan => {
  const found = new Map<Bare, Pick<Station, 'change' | 'slot'>>()
  const days: UnitDay[] = []
  const used = [...new Set(stations.flatMap(s => s.unit ?? []))].toSorted((a, b) => a.tag.localeCompare(b.tag))
  for (const unit of used) {
    const model = facts.models.find(m => m.id === unit.model)
    const mine = stations.flatMap((s, i) => (s.unit === unit && s.setUp && s.fit ? [i] : []))
    if (!model) continue
    for (const indices of daysOf(stations, mine)) {
      const day = indices.flatMap(i => stations[i] ?? [])
      const { problem, setUps } = slotProblem(facts, unit, day, model.isWhole, model.slots.length)
      // Once a camera is packed its slots are what they are, and what was done with it stays done.
      const [first] = day
      const isPacked = underway !== undefined && first !== undefined && first.scene.from - PACKED_MS <= underway.at
      const former = isPacked
        ? underway.plan.units.find(
            d => d.unit.id === unit.id && d.from <= first.scene.until && first.scene.from <= d.until,
          )
        : undefined
      const done = day.flatMap(s => {
        const was = underway?.plan.stations.find(f => sameStation(f, s))
        return isPacked && s.scene.from < underway.at && was?.unit?.id === unit.id ? [was] : []
      })
      for (const was of done) {
        const same = day.find(s => sameStation(s, was))
        if (same) found.set(same, { change: was.change, slot: was.slot })
      }
      const keeps = Math.max(0, done.length - 1)
      const held = former
        ? heldBy(former, done).map(s => setUps.findIndex(x => x.key === s?.key))
        : isPacked
          ? model.slots.map(() => -1)
          : undefined
      const rest: SlotProblem = {
        ...problem,
        sequence: problem.sequence.slice(keeps),
        gaps: problem.gaps.slice(keeps),
        holds: held?.filter(h => h >= 0),
      }
      const plan = planSlots(rest)
      const names = nameSlots(
        plan,
        model.slots.length,
        held?.map(h => (h < 0 ? undefined : h)),
      )
      const named = stationsOf(day.slice(keeps), {
        plan,
        names,
        slots: model.slots,
        setUps,
        problem: rest,
        isWhole: model.isWhole,
      })
      for (const [s, what] of named) if (!found.has(s)) found.set(s, what)
      const changes = day.flatMap(s => found.get(s)?.change ?? [])
      days.push({
        unit,
        from: first?.scene.from ?? 0,
        until: day.at(-1)?.scene.until ?? 0,
        slots: former?.slots ?? model.slots.map((slot, n) => ({ name: slot, setUp: setUps[names.atFirst[n] ?? -1] })),
        presses: changes.reduce((n, c) => n + c.cost.presses, 0),
        late: changes.filter(c => c.isLate).length,
        isBest: plan.isBest,
        gap: plan.gap,
        withoutSlots: planSlots({ ...problem, slots: 0, holds: [] }).presses,
        areas: [...new Set(day.flatMap(s => s.fit?.areas ?? []))],
      })
    }
  }
  return {
    stations: stations.map(s => ({ ...s, change: found.get(s)?.change, slot: found.get(s)?.slot })),
    units: days,
    isBest: isBest && days.every(d => d.isBest),
  }
}

interface Found {
  readonly plan: SlotPlan
  readonly names: SlotNames
  readonly slots: readonly string[]
  readonly setUps: readonly SetUp[]
  readonly problem: SlotProblem
  readonly isWhole: boolean
}

/** The changes of a day, with the slots by their names. */
const stationsOf = (
  day: readonly Bare[],
  { plan, names, slots, setUps, problem, isWhole }: Found,
): readonly (readonly [Bare, Pick<Station, 'change' | 'slot'>])[] => {
  const name = (slot: number | undefined) => (slot === undefined ? undefined : slots[slot])
  const key = (s: number | undefined) => setUps[s ?? -1]?.key ?? ''
  const held = [...names.atFirst]
  return day.map((station, k) => {
    const change = plan.changes[k - 1]
    const each = names.each[k - 1]
    const [from, to] = [problem.sequence[k - 1], problem.sequence[k]]
    if (change?.keeps && each?.keeps !== undefined) held[each.keeps] = change.keeps.setUp
    if (change?.stores && each?.stores !== undefined) held[each.stores] = change.stores.setUp
    const slot = held.indexOf(to)
    const walks = change?.walks
      ? { from: key(change.walks.from), to: key(change.walks.to), isRest: false }
      : change?.recalls !== undefined && !isWhole
        ? { from: key(from), to: key(to), isRest: true }
        : undefined
    return [
      station,
      {
        slot: slot < 0 ? undefined : name(slot),
        change: change && {
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
