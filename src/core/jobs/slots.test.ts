import { describe, expect, it } from 'vitest'
import { mixedIntegerSolver } from '../../../test/fixtures/mixed-integer'
import { madeSlots, modelCost, slotModel, tryEverything } from '../../../test/fixtures/slot-referee'
import { planSlots } from './slot-plan'
import { nameSlots, type SlotProblem } from './slots'

/** What a plan does, done on a camera that knows nothing of the planner. */
const played = (p: SlotProblem) => {
  const plan = planSlots(p)
  const holds = new Set(plan.prepared)
  let presses = 0
  let late = 0
  let setTo = p.sequence[0] as number
  let on = p.on
  plan.changes.forEach((c, i) => {
    const to = p.sequence[i + 1] as number
    const gap = p.gaps[i] as number
    expect(c.from).toBe(setTo)
    let [at, seconds] = [c.from, 0]
    const spend = (cost: { presses: number; seconds: number } | undefined) => {
      presses += cost?.presses ?? Infinity
      seconds += cost?.seconds ?? Infinity
    }
    const store = (s: typeof c.stores, expected: number) => {
      if (!s) return
      expect(s.setUp).toBe(expected)
      expect(at).toBe(expected)
      if (s.instead !== undefined) expect(holds.delete(s.instead)).toBe(true)
      holds.add(s.setUp)
      expect(holds.size).toBeLessThanOrEqual(p.slots)
      spend(p.store)
    }
    if (c.back !== undefined) {
      expect(c.back).toBe(on)
      spend(p.keys?.[c.back]?.cost)
      on = undefined
    }
    if (c.key !== undefined) {
      const key = p.keys?.[c.key]
      expect(plan.onKeys[c.key]).toBe(to)
      expect(key?.isToggled || p.holdable?.[i + 1]).toBe(true)
      expect(key?.reaches[at]?.[to]).toBe(true)
      expect(on).toBe(c.stays ? c.key : undefined)
      if (!c.stays) spend(key?.cost)
      on = key?.isToggled ? c.key : undefined
      expect(c.isLate).toBe(seconds > gap)
      if (seconds > gap) late++
      return
    }
    expect(on).toBe(undefined)
    store(c.keeps, c.from)
    if (c.recalls !== undefined) {
      expect(holds.has(c.recalls)).toBe(true)
      spend(p.recall[at]?.[c.recalls])
      at = c.recalls
    }
    if (c.walks) {
      expect(c.walks.from).toBe(at)
      spend(p.walk[at]?.[c.walks.to])
      at = c.walks.to
    }
    expect(at).toBe(to)
    store(c.stores, to)
    setTo = to
    expect(c.isLate).toBe(seconds > gap)
    if (seconds > gap) late++
  })
  expect(plan.prepared.length).toBeLessThanOrEqual(p.slots)
  expect({ presses, late }).toEqual({ presses: plan.presses, late: plan.late })
  return plan
}

describe('slots over the scenes of a day', () => {
  it('are as good as the best of everything that can be done, on 200 small days', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const p = madeSlots(seed, { scenes: 3 + (seed % 3), setUps: 2 + (seed % 3), slots: seed % 3 })
      const plan = played(p)
      expect({ late: plan.late, presses: plan.presses }, `day ${seed}`).toEqual(tryEverything(p))
      expect(plan.isBest).toBe(true)
    }
  })

  it('are as good as everything that can be done where keys recall a set-up while they are held, on 200 small days', () => {
    let held = 0
    for (let seed = 1; seed <= 200; seed++) {
      const p = madeSlots(seed, {
        scenes: 3 + (seed % 3),
        setUps: 2 + (seed % 3),
        slots: seed % 2,
        keys: 1 + (seed % 2),
      })
      const plan = played(p)
      expect({ late: plan.late, presses: plan.presses }, `day ${seed}`).toEqual(tryEverything(p))
      expect(plan.isBest).toBe(true)
      held += plan.changes.filter(c => c.key !== undefined).length
    }
    expect(held).toBeGreaterThan(100)
  })

  it('are as good as everything that can be done where keys stay on until they are pressed again, on 300 small days', () => {
    let [stayed, back, long] = [0, 0, 0]
    for (let seed = 1; seed <= 300; seed++) {
      const keys = 1 + (seed % 2)
      const made = madeSlots(seed, {
        scenes: 3 + (seed % 4),
        setUps: 2 + (seed % 2),
        slots: seed % 3 ? seed % 2 : 0,
        keys,
        toggled: seed % 5 ? keys : 1,
      })
      const onKey = made.keys?.[0]?.holds
      const isBegun = seed % 4 === 0 && typeof onKey === 'number' && onKey !== made.sequence[0]
      const p = isBegun ? { ...made, on: 0 } : made
      const plan = played(p)
      expect({ late: plan.late, presses: plan.presses }, `day ${seed}`).toEqual(tryEverything(p))
      expect(plan.isBest).toBe(true)
      stayed += plan.changes.filter(c => c.stays).length
      back += plan.changes.filter(c => c.back !== undefined).length
      long += plan.changes.filter((c, i) => c.key !== undefined && p.holdable?.[i + 1] === false).length
    }
    expect(Math.min(stayed, back, long)).toBeGreaterThan(20)
  })

  it('with keys, of a week too large to be proven, stay above their bound', () => {
    const p = madeSlots(3, { scenes: 60, setUps: 20, slots: 4, keys: 2 })
    const plan = played(p)
    expect(plan.isBest).toBe(false)
    expect(plan.atLeast.late).toBeLessThanOrEqual(plan.late)
    expect(plan.gap).toBeGreaterThan(0)
    expect(plan.late).toBeLessThanOrEqual(planSlots({ ...p, keys: [] }).late)
  })

  it('are filled one key after the other where there are too many ways to fill all of them', () => {
    // Four keys and twenty set-ups could be filled in nearly two hundred thousand ways.
    const p = madeSlots(5, { scenes: 24, setUps: 20, slots: 2, keys: 4 })
    const free = { ...p, holds: undefined, keys: p.keys?.map(k => ({ ...k, holds: undefined })) }
    const plan = played(free)
    expect(plan.onKeys.filter(held => held !== undefined).length).toBeGreaterThan(0)
    expect(plan.atLeast.late).toBeLessThanOrEqual(plan.late)
    const without = planSlots({ ...free, keys: [] })
    expect(plan.late * 1e6 + plan.presses).toBeLessThan(without.late * 1e6 + without.presses)
  })

  it('cost the same as the optimum HiGHS proves, on days of a dozen scenes', async () => {
    // Reference library: HiGHS (Huangfu and Hall 2018, Mathematical Programming Computation 10).
    const second = await mixedIntegerSolver()
    let compared = 0
    for (let seed = 1; seed <= 12; seed++) {
      const p = madeSlots(seed + 1000, { scenes: 12, setUps: 7, slots: 3 })
      const other = second(slotModel(p), 10)
      if (!other) continue
      expect(modelCost(played(p)), `day ${seed}`).toBeCloseTo(other.cost, 3)
      compared++
    }
    expect(compared).toBeGreaterThanOrEqual(9)
  }, 120_000)

  it('of a week too large to be proven stay above their bound, and say how far', () => {
    const p = madeSlots(7, { scenes: 120, setUps: 26, slots: 7 })
    const plan = played(p)
    expect(plan.isBest).toBe(false)
    expect(plan.atLeast.late).toBeLessThanOrEqual(plan.late)
    expect(plan.gap).toBeGreaterThan(0)
    const none = planSlots({ ...p, slots: 0 })
    expect(plan.late).toBeLessThanOrEqual(none.late)
  })

  it('have names: what is wanted first stands first', () => {
    const cost = (presses: number) => ({ presses, seconds: presses })
    const grid = (n: number) => [0, 1, 2].map(a => [0, 1, 2].map(b => cost(a === b ? 0 : n)))
    const p: SlotProblem = {
      sequence: [0, 2, 1, 0],
      gaps: [5, 5, 5],
      walk: grid(30),
      recall: grid(2),
      isWhole: true,
      slots: 3,
      store: cost(4),
    }
    const plan = planSlots(p)
    expect(plan.late).toBe(0)
    const { atFirst, each } = nameSlots(plan, 3)
    expect(atFirst).toEqual([2, 1, 0])
    expect(each.map(e => e.recalls)).toEqual([0, 1, 2])
  })

  it('says that thirty set-ups are the most', () => {
    const p = madeSlots(1, { scenes: 3, setUps: 2, slots: 1 })
    expect(() => planSlots({ ...p, sequence: [0, 30] })).toThrow(/at most 30 set-ups/)
  })
})
