import { describe, expect, it } from 'vitest'
import { allStates, isUsable } from '../../../test/fixtures/brute-force'
import { random } from '../../../test/fixtures/random'
import { rule, tinyBody } from '../../../test/fixtures/tiny-body'
import { bestByPressing, choose, somethingFocuses } from '../../../test/fixtures/walks'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, checkBody, factoryState, type Rule, type State } from '../bodies'
import { resolve } from '../resolve'
import { improved, nearestFirst, orderProblem, walked, weigh } from './order'
import { bestOrder, fewestPresses } from './order-exact'
import { partsOf } from './parts'
import { planSlots, planSteps } from './plan'
import { menuCursor } from './presses'
import type { Step } from './walk'

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
    const walk = menuCursor(paper(false))
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
    const walk = menuCursor(b)
    expect(walk.between(on(b, 'one-1-1'), on(b, 'one-1-5'))).toBe(1)
    expect(walk.change(on(b, 'one-1-1'), 'a', 'e')).toBe(2 + 1)
  })

  it('take the quick way where there is one, and find the menu at its beginning again', () => {
    const b = { ...paper(false), menu: { ...paper(false).menu, quick: [{ setting: 'two-2-5', presses: 2 }] } }
    const walk = menuCursor(b)
    expect(walk.enter(on(b, 'two-2-5'))).toBe(2)
    expect(walk.between(on(b, 'one-1-4'), on(b, 'two-2-5'))).toBe(1 + 2)
    expect(walk.between(on(b, 'two-2-5'), on(b, 'one-1-4'))).toBe(1 + 3)
  })
})

const permutations = (n: number): number[][] =>
  n === 0
    ? [[]]
    : permutations(n - 1).flatMap(p => Array.from({ length: n }, (_, i) => [...p.slice(0, i), n - 1, ...p.slice(i)]))

/** A body of a few settings and rules made up at random, on a menu of two tabs, some of its rows with a quick way. */
const madeUp = (seed: number, count: number): Body | undefined => {
  const r = random(seed)
  const ids = ['a', 'b', 'c', 'd', 'e', 'f'].slice(0, count)
  const options = (id: string) => ['0', '1', '2'].slice(0, r.int(2, 3)).map(o => `${id}${o}`)
  const byId = new Map(ids.map(id => [id, options(id)]))
  const some = (id: string) => r.pick(byId.get(id) ?? [])
  const rules = Array.from({ length: r.int(1, 4) }, (_, i): Rule => {
    const [target = 'a', ...others] = r.shuffle(ids)
    const when = Object.fromEntries(others.slice(0, r.int(1, 2)).map(id => [id, some(id)]))
    const effect = r.pick(['forced', 'forced', 'unavailable', 'excludes'] as const)
    return rule(
      `r${i}`,
      when,
      effect === 'forced'
        ? { effect, setting: target, option: some(target) }
        : effect === 'excludes'
          ? { effect, setting: target, options: [some(target)] }
          : { effect, setting: target },
    )
  })
  const starters = r.chance(0.5) ? ids.slice(0, 2) : []
  const settings = Object.fromEntries(
    ids.map(id => [
      id,
      (byId.get(id) ?? []).map((o, i): readonly [string, Readonly<Record<string, string>>] => [
        o,
        starters.includes(id) && i === 0 ? { 'trigger.shutter': 'starts-af' } : {},
      ]),
    ]),
  )
  const body = tinyBody(settings, { rules })
  const tabs = [
    { id: 'tab', label: 'Tab', pages: ['1', '2'] },
    { id: 'far', label: 'Far', pages: ['1'] },
    { id: 'further', label: 'Further', pages: ['1'] },
  ]
  const rows = r.shuffle([
    ...[1, 2, 4].map(row => ({ tab: 'tab', page: 1, row })),
    ...[2, 3].map(row => ({ tab: 'tab', page: 2, row })),
    ...[1, 5].map(row => ({ tab: 'further', page: 1, row })),
  ])
  const placed: Body = {
    ...body,
    menu: { wraps: r.chance(0.5), tabs, quick: r.chance(0.3) ? [{ setting: 'a', presses: 2 }] : [] },
    settings: body.settings.map((s, i) => ({ ...s, at: rows[i] ?? s.at })),
  }
  return checkBody(placed, 'made up').some(p => p.path === 'rules') ? undefined : placed
}

/** Walks a plan as a person would; undefined where the body does not let them. */
const walkBy = (b: Body, from: State, steps: readonly Step[]): State | undefined =>
  steps.reduce<State | undefined>((state, s) => state && choose(b, state, s.setting, s.to), from)

const isThere = (b: Body, state: State | undefined, to: State): boolean =>
  b.settings.every(s => state?.[s.id] === to[s.id] || !isUsable(b, to, s.id))

describe('the plan', () => {
  it('is the best of all sequences of presses on small menus, arrives, and says where nothing does', () => {
    let [compared, proven, unreachable, longer] = [0, 0, 0, 0]
    for (let seed = 1; compared < 400; seed++) {
      const b = madeUp(seed, 3 + (seed % 3))
      if (!b) continue
      const states = [...allStates(b, factoryState(b))]
      const r = random(seed + 9000)
      if (states.length < 2) continue
      const [from, to] = [r.pick(states), r.pick(states)]
      const plan = planSteps(b, from, to)
      const best = bestByPressing(b, from, to)
      expect(plan.stuck.length === 0, `seed ${seed}: can be reached`).toBe(best !== undefined)
      compared++
      if (!best) {
        unreachable++
        expect(plan.steps.at(-1)?.against.join()).toContain('No order of changes')
        continue
      }
      expect(isThere(b, walkBy(b, from, plan.steps), to), `seed ${seed}: arrives`).toBe(true)
      const dark = plan.steps.filter(s => s.against.length > 0).length
      expect(dark, `seed ${seed}: moments without focus`).toBe(best.dark)
      if (plan.presses > best.presses) longer++
      expect(plan.presses, `seed ${seed}: not below the best`).toBeGreaterThanOrEqual(best.presses)
      if (plan.isBest) expect(plan.presses, `seed ${seed}: no walk takes fewer`).toBe(best.presses)
      proven += Number(plan.isBest)
    }
    expect(proven).toBeGreaterThan(340)
    expect(longer).toBe(0)
    expect(unreachable).toBeGreaterThan(0)
  }, 120_000)

  it('does not run in a circle where rules pull settings back and forth', () => {
    const b = tinyBody(
      { x0: ['o0', 'o1'], x1: ['o0', 'o1'], x2: ['o0', 'o1', 'o2'] },
      {
        rules: [
          rule('one', { x1: 'o1', x2: 'o0' }, { effect: 'forced', setting: 'x0', option: 'o0' }),
          rule('two', { x0: 'o0' }, { effect: 'forced', setting: 'x1', option: 'o0' }),
        ],
      },
    )
    const plan = planSteps(b, factoryState(b), { x0: 'o1', x1: 'o1', x2: 'o2' })
    expect(plan.steps.map(s => s.setting)).toEqual(['x0', 'x2', 'x1'])
    expect(plan.stuck).toEqual([])
  })

  it('does not touch what the body pulls along', () => {
    const b = tinyBody(
      { a: ['o0', 'o1'], b: ['o0', 'o1'] },
      { rules: [rule('pull', { a: 'o1' }, { effect: 'forced', setting: 'b', option: 'o1' })] },
    )
    const plan = planSteps(b, factoryState(b), { a: 'o1', b: 'o1' })
    expect(plan.steps.map(s => s.setting)).toEqual(['a'])
    expect(plan.steps[0]?.follows).toEqual([{ setting: 'b', to: 'o1' }])
    expect([plan.presses, plan.isBest]).toEqual([4, true])
  })

  it('says what cannot be brought about, and the rules that hold it up', () => {
    const b = tinyBody(
      { a: ['o0', 'o1'], b: ['o0', 'o1'], c: ['o0', 'o1'] },
      {
        rules: [
          rule('first', { a: 'o0' }, { effect: 'forced', setting: 'b', option: 'o0' }),
          rule('second', { b: 'o0' }, { effect: 'forced', setting: 'a', option: 'o0' }),
        ],
      },
    )
    const plan = planSteps(b, factoryState(b), { a: 'o1', b: 'o1', c: 'o1' })
    expect(plan.steps.map(s => s.setting)).toEqual(['c', 'a', 'b'])
    expect(plan.stuck.map(s => s.setting)).toEqual(['a', 'b'])
    expect(plan.stuck[0]?.rules).toEqual(['Rule second.'])
  })

  it('takes a way round where no direct one is open, and says that it is only passing', () => {
    const b = tinyBody(
      { lock: ['open', 'shut'], key: ['o0', 'o1'] },
      { rules: [rule('locked', { lock: 'shut' }, { effect: 'excludes', setting: 'key', options: ['o0'] })] },
    )
    const shut = { lock: 'shut', key: 'o1' }
    const plan = planSteps(
      { ...b, rules: [...b.rules, rule('held', { lock: 'shut' }, { effect: 'forced', setting: 'key', option: 'o1' })] },
      shut,
      { lock: 'open', key: 'o0' },
    )
    expect(plan.steps.map(s => [s.setting, s.to, s.isPassing])).toEqual([
      ['lock', 'open', false],
      ['key', 'o0', false],
    ])
    const greys = tinyBody(
      { bank: ['one', 'two'], key: ['o0', 'o1'] },
      { rules: [rule('greys', { bank: 'one' }, { effect: 'excludes', setting: 'key', options: ['o1'] })] },
    )
    const back = planSteps(greys, { bank: 'two', key: 'o1' }, { bank: 'two', key: 'o0' })
    expect(back.steps.map(s => s.setting)).toEqual(['key'])
    const swap = tinyBody(
      { left: ['x', 'y', 'none'], right: ['x', 'y', 'none'] },
      {
        rules: ['x', 'y'].map(o =>
          rule(`once-${o}`, { left: o }, { effect: 'excludes', setting: 'right', options: [o] }),
        ),
      },
    )
    const swapped = planSteps(swap, { left: 'x', right: 'y' }, { left: 'y', right: 'x' })
    expect(swapped.steps.map(s => s.isPassing)).toEqual([true, false, false])
    expect(isThere(swap, walkBy(swap, { left: 'x', right: 'y' }, swapped.steps), { left: 'y', right: 'x' })).toBe(true)
  })

  it('passes through a mode that nobody asked for where that alone keeps something focusing', () => {
    // While the ways are linked, a shutter that focuses keeps the rear key from doing so; nothing else focuses.
    const b = tinyBody(
      {
        shutter: [['focuses', { 'trigger.shutter': 'starts-af' }], 'fires'],
        rear: [['focuses', { 'trigger.shutter': 'starts-af' }], 'idle'],
        ways: ['free', 'apart', 'linked'],
      },
      {
        rules: [
          rule(
            'one at a time',
            { ways: 'linked', shutter: 'focuses' },
            { effect: 'forced', setting: 'rear', option: 'idle' },
          ),
        ],
      },
    )
    const from = { shutter: 'focuses', rear: 'idle', ways: 'linked' }
    const to = { shutter: 'fires', rear: 'focuses', ways: 'linked' }
    const plan = planSteps(b, from, to)
    expect(plan.steps.map(s => s.setting)).toEqual(['ways', 'rear', 'shutter', 'ways'])
    const always = plan.steps.map((_, i) => somethingFocuses(b, walkBy(b, from, plan.steps.slice(0, i + 1)) ?? {}))
    expect(always).toEqual([true, true, true, true])
    expect(isThere(b, walkBy(b, from, plan.steps), to)).toBe(true)
  })

  it('looks at what nobody has seen, unless a rule says what it must be at', () => {
    const b = tinyBody(
      { a: ['o0', 'o1'], b: ['o0', 'o1'], c: ['o0', 'o1'] },
      { rules: [rule('pull', { a: 'o1' }, { effect: 'forced', setting: 'b', option: 'o1' })] },
    )
    const to = { a: 'o1', b: 'o1', c: 'o0' }
    const plan = planSteps(b, factoryState(b), to, { unseen: new Set(['a', 'b', 'c']) })
    expect(plan.steps.map(s => s.setting)).toEqual(['a', 'c'])
  })

  it('bounds long walks from below by what every walk takes, and improves an order step by step', () => {
    for (let seed = 0; seed < 12; seed++) {
      const r = random(seed + 500)
      const b = paper(seed % 2 === 0)
      const chosen = r.shuffle(b.settings).slice(0, 14)
      const goal = { ...factoryState(b), ...Object.fromEntries(chosen.map(s => [s.id, r.pick(['b', 'c', 'd'])])) }
      const walk = menuCursor(b)
      const parts = partsOf(b, factoryState(b), goal, new Set(), walk, { changes: 'any', focus: 'used' })
      const problem = orderProblem(parts, b.settings, walk)
      const best = weigh(walked(problem, bestOrder(problem) ?? []))
      const bound = fewestPresses(problem)
      const changing = chosen.reduce((sum, s) => sum + walk.change(s, 'a', goal[s.id] ?? ''), 0)
      expect(bound, `seed ${seed}`).toBeLessThanOrEqual(best)
      // Every setting is come to from somewhere, and changed there.
      expect(bound).toBeGreaterThanOrEqual(changing + 1)
      expect(bound / best).toBeGreaterThan(0.8)
      const begun = r.shuffle(
        parts.map((p, part) => ({
          part,
          setting: p.places[0]?.moves[0]?.setting ?? '',
          option: p.places[0]?.moves[0]?.option ?? '',
        })),
      )
      const better = improved(problem, begun)
      expect(better).toHaveLength(begun.length)
      expect(weigh(walked(problem, better))).toBeLessThanOrEqual(weigh(walked(problem, begun)))
      expect(weigh(walked(problem, better)) / best).toBeLessThan(1.25)
      // Nothing is gained by moving one of them any more.
      for (const [i, moved] of better.entries())
        for (let j = 0; j < better.length; j++) {
          const rest = better.filter((_, k) => k !== i)
          const other = [...rest.slice(0, j), moved, ...rest.slice(j)]
          expect(weigh(walked(problem, other))).toBeGreaterThanOrEqual(weigh(walked(problem, better)))
        }
    }
  })

  it('is not far from the best where it is only improved', () => {
    // Without rules what has to be touched is known, and the best order of eleven is found exactly.
    const gaps = Array.from({ length: 12 }, (_, seed) => {
      const r = random(seed + 77)
      const b = paper(seed % 2 === 0)
      const to = Object.fromEntries(
        r
          .shuffle(b.settings)
          .slice(0, 11)
          .map(s => [s.id, r.pick(['b', 'c', 'd'])]),
      )
      const goal = { ...factoryState(b), ...to }
      const walk = menuCursor(b)
      const problem = orderProblem(
        partsOf(b, factoryState(b), goal, new Set(), walk, { changes: 'any', focus: 'used' }),
        b.settings,
        walk,
      )
      const best = weigh(walked(problem, bestOrder(problem) ?? []))
      const near = weigh(walked(problem, improved(problem, nearestFirst(problem))))
      expect(near).toBeGreaterThanOrEqual(best)
      expect(fewestPresses(problem)).toBeLessThanOrEqual(best)
      return near / best
    })
    expect(gaps.reduce((a, g) => a + g, 0) / gaps.length).toBeLessThan(1.05)
  })

  const cases = newest.flatMap(b => demoStandards().map(s => ({ b, s, name: `${b.model}, ${s.name}` })))
  it.each(cases)('$name: arrives, and is never longer than menu order or the standard’s own', ({ b, s }) => {
    const to = resolve(b, s).state
    const listed = [...b.settings].reverse().map(x => x.id)
    const plan = planSteps(b, factoryState(b), to, { listed })
    expect(plan.stuck).toEqual([])
    let state: State | undefined = factoryState(b)
    for (const step of plan.steps) {
      state = choose(b, state, step.setting, step.to)
      if (!state) throw new Error(`${step.setting} cannot be set to ${step.to}`)
      if (!somethingFocuses(b, state)) expect(step.against.join(), step.setting).toContain('nothing starts focusing')
    }
    expect(isThere(b, state, to)).toBe(true)
    if (!plan.steps.some(x => x.against.length)) {
      expect(plan.presses).toBeLessThanOrEqual(plan.pressesInMenuOrder)
      expect(plan.presses).toBeLessThanOrEqual(plan.pressesAsListed)
    }
    expect(plan.fewest).toBeLessThanOrEqual(plan.presses)
  })

  it('saves presses on real menus, most where the way back would be long', () => {
    const plans = newest.flatMap(b =>
      demoStandards().map(s =>
        planSteps(b, factoryState(b), resolve(b, s).state, { listed: b.settings.map(x => x.id) }),
      ),
    )
    const sum = (of: (p: (typeof plans)[number]) => number) => plans.reduce((total, p) => total + of(p), 0)
    expect(sum(p => p.presses)).toBeLessThan(sum(p => p.pressesInMenuOrder))
  })

  it('arrives on a body that ties every row to the one before it, and does not hold up everybody else', () => {
    const ids = Array.from({ length: 150 }, (_, i) => `s${i}`)
    const options = ['o0', 'o1', 'o2', 'o3', 'o4', 'o5']
    const greyed = ids.slice(1).map((id, i) => rule(id, { [`s${i}`]: 'o0' }, { effect: 'unavailable', setting: id }))
    const b = tinyBody(Object.fromEntries(ids.map(id => [id, options])), { rules: greyed })
    const all = (option: string): State => Object.fromEntries(ids.map(id => [id, option]))
    const walk = planSteps(b, all('o0'), all('o1'))
    expect(walk.stuck).toEqual([])
    // Played by hand: a row can be set unless the one before it is at o0 and not greyed out itself.
    let now = all('o0')
    const isGreyed = (i: number): boolean => i > 0 && now[`s${i - 1}`] === 'o0' && !isGreyed(i - 1)
    for (const step of walk.steps) {
      expect(isGreyed(ids.indexOf(step.setting))).toBe(false)
      now = { ...now, [step.setting]: step.to }
    }
    expect(now).toEqual(all('o1'))
  })

  it('has nothing to walk where nothing changes', () => {
    const b = body('sorrel')
    expect(planSteps(b, factoryState(b), factoryState(b))).toMatchObject({ steps: [], presses: 0, isBest: true })
  })
})

describe('several memory slots in one walk', () => {
  const b = body('sorrel')
  const wanted = ['ring-action', 'high-rope', 'night-fire'].map(id => {
    const state = resolved(b, id)
    return { slot: id, state, to: () => state }
  })

  it('sets each before it is stored, and ends where the last one is', () => {
    const walks = planSlots(b, factoryState(b), wanted)
    expect(walks.map(w => w.slot).sort()).toEqual(wanted.map(w => w.slot).sort())
    let state: State = factoryState(b)
    for (const { slot, plan } of walks) {
      for (const s of plan.steps)
        state = { ...state, [s.setting]: s.to, ...Object.fromEntries(s.follows.map(f => [f.setting, f.to])) }
      expect(isThere(b, state, wanted.find(w => w.slot === slot)?.state ?? {}), slot).toBe(true)
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
        presses += planSteps(b, state, next.state).presses
        state = next.state
      }
      expect(best).toBeLessThanOrEqual(presses)
    }
  })

  it('stores them as they are listed where no order takes fewer', () => {
    // Options in a circle: each is one press from each other.
    const free = tinyBody({ a: ['now', 'one', 'two'] })
    const circle = { ...free, menu: { ...free.menu, wraps: true } }
    const orderOf = (...slots: readonly string[]) =>
      planSlots(
        circle,
        { a: 'now' },
        slots.map(slot => ({ slot, to: () => ({ a: slot }) })),
      ).map(w => w.slot)
    expect(orderOf('one', 'two')).toEqual(['one', 'two'])
    expect(orderOf('two', 'one')).toEqual(['two', 'one'])
  })

  it('refuses more than it can try in every order', () => {
    const many = Array.from({ length: 7 }, (_, i) => ({ slot: `${i}`, to: () => factoryState(b) }))
    expect(() => planSlots(b, factoryState(b), many)).toThrow(RangeError)
    expect(planSlots(b, factoryState(b), many.slice(1))).toHaveLength(6)
  })
})
