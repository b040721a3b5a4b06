import { describe, expect, it } from 'vitest'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { random } from '../../../test/fixtures/random'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, factoryState, type State } from '../bodies'
import { canFocus } from '../bodies/can-focus'
import { resolve } from '../resolve'
import { bestOrder, costOfOrder, fewestPresses, improved, orderProblem, pressesOfOrder } from './order'
import { planSlots, planWalk } from './plan'
import { menuWalk } from './presses'
import { stepsBetween } from './walk'

const newest = demoBodies().map(b => bodyAt(b, b.firmware.to))
const body = (id: string) => newest.find(b => b.id === id) as Body
const resolved = (b: Body, id: string): State => {
  const standard = demoStandards().find(s => s.id === id)
  if (!standard) throw new Error(`no ${id}`)
  return resolve(b, standard).state
}

/** A menu made up by hand: two tabs of two pages, five rows each. */
const paper = (wraps: boolean): Body => {
  const b = body('wicket')
  const setting = (tab: string, page: number, row: number) => ({
    id: `${tab}-${page}-${row}`,
    label: `${tab} ${page} ${row}`,
    at: { tab, page, row },
    options: ['a', 'b', 'c', 'd', 'e'].map(id => ({ id, label: id, means: {} })),
    default: 'a',
  })
  const settings = ['one', 'two'].flatMap(t => [1, 2].flatMap(p => [1, 2, 3, 4, 5].map(r => setting(t, p, r))))
  const tabs = ['one', 'two', 'three', 'four'].map(id => ({ id, label: id, pages: ['1', '2'] }))
  return { ...b, menu: { wraps, tabs }, settings, rules: [], fixed: [] }
}
const on = (b: Body, id: string) => b.settings.find(s => s.id === id) as Body['settings'][number]

describe('presses', () => {
  it('are counted by hand: one to open, one for each tab, page and row, two to choose, one for each option', () => {
    const walk = menuWalk(paper(false))
    const b = paper(false)
    expect(walk.enter(on(b, 'one-1-1'))).toBe(1)
    expect(walk.enter(on(b, 'two-2-3'))).toBe(1 + 1 + 1 + 2)
    expect(walk.between(on(b, 'one-1-2'), on(b, 'one-1-5'))).toBe(3)
    expect(walk.between(on(b, 'one-1-5'), on(b, 'one-2-2'))).toBe(1 + 1)
    expect(walk.between(on(b, 'two-2-5'), on(b, 'one-1-1'))).toBe(1)
    expect(walk.change(on(b, 'one-1-1'), 'a', 'e')).toBe(2 + 4)
  })

  it('are fewer where the menu runs over its ends', () => {
    const b = paper(true)
    const walk = menuWalk(b)
    expect(walk.between(on(b, 'one-1-1'), on(b, 'one-1-5'))).toBe(1)
    expect(walk.change(on(b, 'one-1-1'), 'a', 'e')).toBe(2 + 1)
  })

  it('take the quick way where there is one, and find the menu at its beginning again', () => {
    const b = { ...paper(false), menu: { ...paper(false).menu, quick: [{ setting: 'two-2-5', presses: 2 }] } }
    const walk = menuWalk(b)
    expect(walk.enter(on(b, 'two-2-5'))).toBe(2)
    expect(walk.between(on(b, 'one-1-4'), on(b, 'two-2-5'))).toBe(1 + 2)
    expect(walk.between(on(b, 'two-2-5'), on(b, 'one-1-4'))).toBe(1 + 3)
  })
})

const permutations = (n: number): number[][] =>
  n === 0
    ? [[]]
    : permutations(n - 1).flatMap(p => Array.from({ length: n }, (_, i) => [...p.slice(0, i), n - 1, ...p.slice(i)]))

/** Settings of a made-up body set at random, as its rules allow. */
const madeUp = (seed: number, settings: number) => {
  const b = generateBody(seed, { settings, rules: Math.round(settings / 2) })
  const wrapped: Body = { ...b, menu: { ...b.menu, wraps: random(seed).chance(0.5) } }
  return { b: wrapped, from: factoryState(wrapped), to: resolve(wrapped, generateStandard(seed, settings)).state }
}

describe('the order', () => {
  it('is the best of all orders on small menus', () => {
    let compared = 0
    for (let seed = 1; compared < 220; seed++) {
      const { b, from, to } = madeUp(seed, 6 + (seed % 5))
      const steps = stepsBetween(b, from, to)
      if (steps.length < 2 || steps.length > 6 || new Set(steps.map(s => s.setting)).size < steps.length) continue
      const problem = orderProblem(b, from, steps)
      const least = Math.min(...permutations(steps.length).map(p => costOfOrder(problem, p)))
      expect(costOfOrder(problem, bestOrder(problem)), `seed ${seed}`).toBe(least)
      expect(fewestPresses(problem), `bound, seed ${seed}`).toBeLessThanOrEqual(
        Math.min(...permutations(steps.length).map(p => pressesOfOrder(problem, p))),
      )
      compared++
    }
  })

  it('comes within a few per cent of the best where it is only improved', () => {
    const gaps: number[] = []
    for (let seed = 1; seed <= 60; seed++) {
      const { b, from, to } = madeUp(seed, 16)
      const steps = stepsBetween(b, from, to)
      if (steps.length < 2 || steps.length > 12 || new Set(steps.map(s => s.setting)).size < steps.length) continue
      const problem = orderProblem(b, from, steps)
      const near = costOfOrder(
        problem,
        improved(
          problem,
          steps.map((_, i) => i),
        ),
      )
      gaps.push(near / Math.max(1, costOfOrder(problem, bestOrder(problem))))
    }
    expect(gaps.length).toBeGreaterThan(30)
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(1)
    expect(gaps.reduce((a, b) => a + b, 0) / gaps.length).toBeLessThan(1.06)
  })

  const cases = newest.flatMap(b => demoStandards().map(s => ({ b, s, name: `${b.model}, ${s.name}` })))
  it.each(cases)('$name: arrives, and is never longer than menu order or the standard’s own', ({ b, s }) => {
    const to = resolve(b, s).state
    const listed = [...b.settings].reverse().map(x => x.id)
    const plan = planWalk(b, factoryState(b), to, { listed })
    const menu = stepsBetween(b, factoryState(b), to)
    let state: State = factoryState(b)
    let isDark = false
    for (const step of plan.steps) {
      state = { ...state, [step.setting]: step.to, ...Object.fromEntries(step.follows.map(f => [f.setting, f.to])) }
      isDark = isDark || !canFocus(b, state)
    }
    expect(state).toEqual(to)
    expect(isDark && !menu.some(m => m.against.length)).toBe(false)
    const against = (steps: typeof menu) => steps.filter(x => x.against.length).length
    expect(against(plan.steps)).toBeLessThanOrEqual(against(menu))
    if (against(plan.steps) === against(menu)) {
      expect(plan.presses).toBeLessThanOrEqual(plan.pressesInMenuOrder)
      expect(plan.presses).toBeLessThanOrEqual(plan.pressesAsListed)
    }
    expect(plan.fewest).toBeLessThanOrEqual(plan.presses)
  })

  it('saves presses on real menus, most where the way back would be long', () => {
    const plans = newest.flatMap(b =>
      demoStandards().map(s =>
        planWalk(b, factoryState(b), resolve(b, s).state, { listed: b.settings.map(x => x.id) }),
      ),
    )
    const sum = (of: (p: (typeof plans)[number]) => number) => plans.reduce((total, p) => total + of(p), 0)
    expect(sum(p => p.presses)).toBeLessThan(sum(p => p.pressesInMenuOrder))
  })

  it('has nothing to walk where nothing changes', () => {
    const b = body('sorrel')
    expect(planWalk(b, factoryState(b), factoryState(b))).toMatchObject({ steps: [], presses: 0, isBest: true })
  })
})

describe('several memory slots in one walk', () => {
  const b = body('sorrel')
  const wanted = ['ring-action', 'high-rope', 'night-fire'].map(id => ({ slot: id, to: resolved(b, id) }))

  it('sets each before it is stored, and ends where the last one is', () => {
    const walks = planSlots(b, factoryState(b), wanted)
    expect(walks.map(w => w.slot).sort()).toEqual(wanted.map(w => w.slot).sort())
    let state: State = factoryState(b)
    for (const { slot, plan } of walks) {
      for (const s of plan.steps)
        state = { ...state, [s.setting]: s.to, ...Object.fromEntries(s.follows.map(f => [f.setting, f.to])) }
      expect(state).toEqual(wanted.find(w => w.slot === slot)?.to)
    }
  })

  it('takes the order of slots with the fewest presses', () => {
    const total = (walks: readonly { plan: { presses: number } }[]) => walks.reduce((sum, w) => sum + w.plan.presses, 0)
    const best = total(planSlots(b, factoryState(b), wanted))
    for (const order of permutations(3)) {
      let state = factoryState(b)
      let presses = 0
      for (const i of order) {
        const next = wanted[i]
        if (!next) continue
        presses += planWalk(b, state, next.to).presses
        state = next.to
      }
      expect(best).toBeLessThanOrEqual(presses)
    }
  })

  it('refuses more than it can try in every order', () => {
    const many = Array.from({ length: 7 }, (_, i) => ({ slot: `${i}`, to: factoryState(b) }))
    expect(() => planSlots(b, factoryState(b), many)).toThrow(RangeError)
  })
})
