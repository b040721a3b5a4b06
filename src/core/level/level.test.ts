import { describe, expect, it } from 'vitest'
import { allStates, distanceUnder, figuresOf as stateFigures, isBroken, said } from '../../../test/fixtures/brute-force'
import { apart, whole } from '../../../test/fixtures/distances'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { demoBodies, demoStandards } from '../../demo/world'
import type { Body, State } from '../bodies'
import { resolve } from '../resolve'
import { problemOf } from '../resolve/problem'
import { effectiveTargets, type EffectiveTarget, type Standard } from '../standards'
import type { Area, ControlAssignment, NeutralValue } from '../vocabulary/values'
import { behaviourUnder, distancesBetween } from './behaviour'
import {
  asLevel,
  brokenMusts,
  costOfEach,
  type FleetBody,
  fleetProblem,
  insteadOf,
  LAMBDAS,
  levelFleet,
  levelReport,
  withoutOne,
} from './index'
import { gapOf } from '../numeric/gap'

const inFleet = (bodies: readonly Body[]): FleetBody[] => bodies.map(body => ({ body, firmware: body.firmware.to }))

const named = (body: Body, id: string): Body => ({ ...body, id, model: id })

/** Two bodies that can wait 1 or 2 seconds, and one that only knows 4. */
const patient = (id: string, ...seconds: number[]) =>
  named(tinyBody({ grip: seconds.map(s => [`${s}`, { 'track.hold': s }] as const) }), id)
const oneSecond = tinyStandard({ dimension: 'track.hold', value: 1, weight: 'should' })

describe('two ends and what lies between', () => {
  const fleet = inFleet([patient('a', 1, 2, 4), patient('b', 1, 2, 4), patient('c', 4)])
  const problem = fleetProblem(fleet, oneSecond)
  const holds = (lambda: number) => {
    const levelled = levelFleet(problem, lambda)
    return {
      holds: levelled.behaviours.map(does => problem.dimensions[0]?.values[does[0] ?? -1]),
      gap: gapOf(levelled),
    }
  }

  it('leaves each body at its best where being alike counts nothing', () => {
    expect(holds(0)).toEqual({ holds: [1, 1, 4], gap: 0 })
  })

  it('makes all alike where it counts almost everything, and proves that nothing better exists', () => {
    expect(holds(9900)).toEqual({ holds: [4, 4, 4], gap: 0 })
  })

  it('says what each body gives up, and that the one that cannot follow holds the others back', () => {
    const [best, alike] = [levelFleet(problem, 0), levelFleet(problem, 9900)]
    const report = levelReport(problem, best, alike)
    expect(report.before.alike).toBeCloseTo(1 - 2 / 3, 10)
    expect(report.after.alike).toBe(1)
    expect(report.bodies.map(b => [b.body, b.givesUp.map(g => [g.before.value, g.after.value])])).toEqual([
      ['a', [[1, 4]]],
      ['b', [[1, 4]]],
      ['c', []],
    ])
    expect(report.bodies[0]?.givesUp[0]).toMatchObject({
      before: { value: 1, distance: 0, grade: 'same' },
      after: { value: 4, distance: 1, grade: 'different' },
    })
    expect(report.bodies.map(b => [b.agreementBefore, b.agreementAfter])).toEqual([
      [1, 0],
      [1, 0],
      [0, 0],
    ])
    expect(report.spreads[0]).toMatchObject({ dimension: 'track.hold', before: { largest: 1 }, after: { largest: 0 } })
    const [a, , c] = [0, 1, 2].map(b => withoutOne(problem, alike, b))
    expect(c).toMatchObject({ body: 'c', gain: 1, then: { agreement: 1, alike: 1 } })
    expect(a?.gain).toBe(0)
  })

  it('finds that a body in its place would help, and by how much', () => {
    const alike = levelFleet(problem, 9900)
    expect(costOfEach(problem, alike)).toEqual([3e8, 3e8, 3e8])
    const replaced = insteadOf(problem, 3, alike, 2, 0, { kind: 'replace', by: 'a' })
    expect(replaced).toMatchObject({ body: 'c', gain: 1, now: { agreement: 0 }, then: { agreement: 1, alike: 1 } })
  })

  it('knows what an update would bring before anybody has it', () => {
    const updated = patient('c', 1, 4)
    const both = fleetProblem([...fleet, ...inFleet([updated])], oneSecond)
    const help = insteadOf(both, 3, levelFleet(problem, 9900), 2, 3, { kind: 'update', firmware: '2.0' })
    expect(help.gain).toBe(1)
  })
})

it('never breaks a must for being alike', () => {
  const strict = tinyStandard({ dimension: 'track.hold', value: 1, weight: 'must' })
  const fleet = inFleet([patient('a', 1, 4), ...'bcdefgh'.split('').map(id => patient(id, 4))])
  const problem = fleetProblem(fleet, strict)
  const alike = levelFleet(problem, 9900)
  expect(brokenMusts(problem, alike, 0)).toEqual([])
  expect(brokenMusts(problem, alike, 1)).toEqual(['track.hold'])
})

it('holds nobody to a level that breaks the must itself, nor to one that no body reaches', () => {
  const strict = tinyStandard({ dimension: 'track.hold', value: 1, weight: 'must' })
  const most = fleetProblem(inFleet([patient('a', 1, 4), ...'bcd'.split('').map(id => patient(id, 4))]), strict)
  expect(asLevel(most, levelFleet(most, 9900))?.values).toEqual([{ dimension: 'track.hold', value: 1 }])
  // Two seconds are on the menu, and the tone that goes with them breaks a must.
  const torn = named(
    tinyBody(
      {
        grip: [
          ['1', { 'track.hold': 1 }],
          ['2', { 'track.hold': 2 }],
        ],
        beep: [
          ['off', { 'see.tone': false }],
          ['on', { 'see.tone': true }],
        ],
      },
      { rules: [rule('beeps', { grip: '2' }, { effect: 'forced', setting: 'beep', option: 'on' })] },
    ),
    'torn',
  )
  const quiet = tinyStandard(
    { dimension: 'track.hold', value: 2, weight: 'should' },
    { dimension: 'see.tone', value: false, weight: 'must' },
  )
  const hold = fleetProblem(inFleet([torn]), quiet).dimensions.find(d => d.target.dimension === 'track.hold')
  expect(hold?.levels).toEqual([1])
})

it('refuses a body whose rules leave no state, also where no target is about them', () => {
  const torn = tinyBody(
    { grip: [['1', { 'track.hold': 1 }]], a: ['x'], b: ['x'] },
    {
      rules: [rule('never', { a: 'x' }, { effect: 'excludes', setting: 'b', options: ['x'] })],
    },
  )
  expect(() => fleetProblem(inFleet([torn]), oneSecond)).toThrow('leave no state that satisfies them')
  expect(fleetProblem(inFleet([{ ...torn, rules: [] }]), oneSecond).bodies).toHaveLength(1)
})

it('follows rules: what one setting gives up for being alike, another may have to give up with it', () => {
  const linked = named(
    tinyBody(
      {
        way: [
          ['calm', { 'track.hold': 4 }],
          ['quick', { 'track.hold': 1 }],
        ],
        beep: [
          ['off', { 'see.tone': false }],
          ['on', { 'see.tone': true }],
        ],
      },
      { rules: [rule('calm-beeps', { way: 'calm' }, { effect: 'forced', setting: 'beep', option: 'on' })] },
    ),
    'linked',
  )
  const standard = tinyStandard(
    { dimension: 'track.hold', value: 1, weight: 'should' },
    { dimension: 'see.tone', value: false, weight: 'nice' },
  )
  const problem = fleetProblem(inFleet([linked, patient('b', 4), patient('c', 4)]), standard)
  const found = (lambda: number) =>
    levelFleet(problem, lambda).behaviours[0]?.reduce<unknown[]>(
      (all, k, d) => [...all, problem.dimensions[d]?.values[k]],
      [],
    )
  expect(found(0)).toEqual([1, false])
  expect(found(9900)).toEqual([4, true])
})

/** What a state comes to about a target, as one value that others could be held to. */
const comesTo = (body: Body, state: State, target: EffectiveTarget): NeutralValue | undefined => {
  const { dimension: id, value: wanted } = target
  const furthest = (channel: string, want: NeutralValue, values: readonly NeutralValue[], without?: NeutralValue) =>
    values.length
      ? values.reduce((far, v) => (apart(channel, want, v) > apart(channel, want, far) ? v : far))
      : without !== undefined && apart(channel, want, without) < 1
        ? without
        : undefined
  const areas = said(body, state, 'area.pattern') as Area[]
  const follows = [...areas.flatMap(a => a.follow ?? []), ...said(body, state, 'area.follow')]
  if (id === 'area.follow') return furthest(id, wanted, follows, 'off')
  if (id === 'area.pattern') {
    const want = whole(wanted as Area)
    const size = furthest('area.size', want, areas) as Area | undefined
    if (!size) return undefined
    const chooser = furthest(
      'area.chooser',
      want.chooser,
      areas.flatMap(a => a.chooser ?? []),
    )
    const follow = furthest('area.follow', want.follow, follows, 'off')
    return { pattern: 'block', width: size.width, height: size.height, chooser, follow } as NeutralValue
  }
  if (id === 'area.offered') {
    const all = (said(body, state, id) as Area[][]).flat()
    return all.length ? all : undefined
  }
  if (id === 'trigger.start') {
    const places = (said(body, state, id) as ControlAssignment[]).map(({ control, ...rest }) => ({
      place: body.controls.find(c => c.id === control)?.place,
      ...rest,
    })) as NeutralValue[]
    return places.length
      ? places.reduce((near, v) => (apart(id, wanted, v) < apart(id, wanted, near) ? v : near))
      : undefined
  }
  return furthest(id, wanted, said(body, state, id), id === 'subject.class' ? 'off' : undefined)
}

/** Every level that some body really reaches; for a must only those that hold it, where one does. */
const candidates = (
  fleet: readonly { readonly body: Body; readonly states: readonly { readonly state: State }[] }[],
  target: EffectiveTarget,
): readonly (NeutralValue | undefined)[] => {
  const reached = fleet.flatMap(({ body, states }) =>
    states.map(({ state }) => ({
      value: comesTo(body, state, target),
      isHeld: !isBroken(target, distanceUnder(body, state, target, target.value) / 1e6),
    })),
  )
  const there = reached.filter(r => r.value !== undefined)
  const holding = target.weight === 'must' ? there.filter(r => r.isHeld) : []
  const values = (holding.length ? holding : there).map(r => r.value)
  const distinct = values.filter((v, i) => values.findIndex(w => JSON.stringify(w) === JSON.stringify(v)) === i)
  return distinct.length ? distinct : [undefined]
}

/** All states of every body, all levels some body can reach: the objective of the design, tried out. */
const bruteForce = (bodies: readonly Body[], standard: Standard, lambda: number): number => {
  const targets = effectiveTargets(standard)
  const states = bodies.map(body => {
    const known = Object.fromEntries(body.settings.map(s => [s.id, s.default]))
    const all = [...allStates(body, known)].map(state => ({
      state,
      figures: stateFigures(body, standard, state, known),
      off: targets.map(t => distanceUnder(body, state, t, t.value)),
    }))
    const least = Math.min(...all.map(s => s.figures[0] ?? 0))
    return { body, states: all.filter(s => s.figures[0] === least) }
  })
  const levels = targets.map(t => candidates(states, t))
  // For given levels each body takes its cheapest state; every combination of levels is tried.
  const weights = targets.map(t => ({ must: 9, should: 3, nice: 1 })[t.weight])
  const apart = states.map(({ body, states: all }) =>
    all.map(s => ({
      right: s.off,
      alike: targets.map((t, d) =>
        (levels[d] ?? []).map(l => (l === undefined ? 1e6 : distanceUnder(body, s.state, t, l))),
      ),
    })),
  )
  let best = Infinity
  const visit = (chosen: readonly number[]): void => {
    if (chosen.length < levels.length) {
      levels[chosen.length]?.forEach((_, l) => visit([...chosen, l]))
      return
    }
    const total = apart.reduce(
      (sum, all) =>
        sum +
        Math.min(
          ...all.map(s =>
            weights.reduce(
              (c, w, d) => c + w * (100 * (s.right[d] ?? 0) + lambda * (s.alike[d]?.[chosen[d] ?? 0] ?? 0)),
              0,
            ),
          ),
        ),
      0,
    )
    best = Math.min(best, total)
  }
  visit([])
  return best
}

describe('against trying everything', () => {
  it('finds the least cost on 240 small fleets, and its bound never lies', () => {
    let proven = 0
    for (let seed = 1; seed <= 240; seed++) {
      const bodies = [1, 2, 3].map(n =>
        named(generateBody(seed * 3 + n, { settings: 4, rules: 2, mostOptions: 3, dimensions: SMALL_WORLD }), `b${n}`),
      )
      const standard = generateStandard(seed, 4, SMALL_WORLD)
      const lambda = LAMBDAS[1 + (seed % 20)] ?? 100
      const levelled = levelFleet(fleetProblem(inFleet(bodies), standard), lambda)
      const least = bruteForce(bodies, standard, lambda)
      expect({ seed, cost: levelled.cost }).toEqual({ seed, cost: least })
      expect(levelled.bound, `seed ${seed}`).toBeLessThanOrEqual(least)
      if (gapOf(levelled) === 0) proven++
    }
    expect(proven).toBe(240)
  })
})

const SMALL_WORLD = [
  'track.hold',
  'subject.class',
  'area.pattern',
  'area.follow',
  'see.peaking',
  'trigger.start',
  'area.offered',
]

describe('on larger fleets', () => {
  const bodies = Array.from({ length: 12 }, (_, i) => generateBody(i + 1, { settings: 30, rules: 10, tidy: true }))
  const standard = generateStandard(3, 25)
  const problem = fleetProblem(inFleet(bodies), standard)

  it('stays within 1 % of a proven bound all along the slider', () => {
    for (const lambda of LAMBDAS) expect(gapOf(levelFleet(problem, lambda))).toBeLessThan(0.01)
  })

  it('gets more alike and less right as the slider moves', () => {
    const cost = LAMBDAS.map(l => levelFleet(problem, l).cost)
    // What the whole costs can only grow with lambda, as every part of it does.
    for (let i = 1; i < cost.length; i++) expect(cost[i]).toBeGreaterThanOrEqual((cost[i - 1] ?? 0) - 1)
    const best = levelFleet(problem, 0)
    const end = levelReport(problem, best, levelFleet(problem, 9900))
    expect(end.after.alike).toBeGreaterThan(end.before.alike)
    expect(end.after.agreement).toBeLessThan(end.before.agreement)
  })

  it('does not care in which order the bodies stand', () => {
    const turned = fleetProblem(inFleet([...bodies].reverse()), standard)
    for (const lambda of [33, 150, 900]) {
      const [one, other] = [levelFleet(problem, lambda), levelFleet(turned, lambda)]
      // Both are within their bounds of the same optimum.
      expect(other.cost).toBeGreaterThanOrEqual(one.bound * (1 - 1e-9))
      expect(one.cost).toBeGreaterThanOrEqual(other.bound * (1 - 1e-9))
    }
  })
})

describe('the resolver, held to the levels', () => {
  it('behaves on every demo body as the levelling said, for each standard', () => {
    for (const standard of demoStandards()) {
      const bodies = demoBodies()
      const problem = fleetProblem(inFleet(bodies), standard)
      for (const lambda of [0, 43, 300]) {
        const levelled = levelFleet(problem, lambda)
        const level = asLevel(problem, levelled) ?? null
        bodies.forEach((body, b) => {
          const outcomes = resolve(body, standard, { level }).outcomes
          const said = problem.dimensions.map((d, i) => (d.right[levelled.behaviours[b]?.[i] ?? -1] ?? 0) / 1e6)
          const weighed = (off: readonly number[]) =>
            off.reduce((sum, o, i) => sum + (problem.dimensions[i]?.weight ?? 0) * o, 0)
          if (lambda === 0) expect(weighed(outcomes.map(o => o.distance))).toBeCloseTo(weighed(said), 9)
          else expect({ body: body.id, off: outcomes.map(o => o.distance) }).toEqual({ body: body.id, off: said })
        })
      }
    }
  })
})

it('measures a behaviour as the resolver does', () => {
  for (let seed = 1; seed <= 30; seed++) {
    const body = generateBody(seed, { settings: 20, rules: 0 })
    const problem = problemOf(body, generateStandard(seed, 30))
    const choice = Int32Array.from(problem.settings, (s, i) => (seed * 7 + i * 3) % s.options.length)
    for (const { target, parts, term } of problem.targets)
      expect(distancesBetween(target.dimension, [behaviourUnder(parts, choice)], [target.value]).table[0]?.[0]).toBe(
        term.bound(choice),
      )
  }
})

it('costs nothing and gains nothing where nothing is off', () => {
  const fleet = inFleet([patient('a', 1), patient('b', 1)])
  const problem = fleetProblem(fleet, oneSecond)
  const alike = levelFleet(problem, 900)
  expect(costOfEach(problem, alike)).toEqual([0, 0])
  expect(withoutOne(problem, alike, 0).gain).toBe(0)
  expect(insteadOf(problem, 1, alike, 0, 1, { kind: 'replace', by: 'b' }).gain).toBe(0)
})

it('says what a body gains where being alike brings it nearer, and sorts by what changes most', () => {
  const fleet = inFleet([patient('a', 2, 4), ...'bcd'.split('').map(id => patient(id, 4))])
  const problem = fleetProblem(fleet, tinyStandard({ dimension: 'track.hold', value: 4, weight: 'should' }))
  const [near, far] = [levelFleet(problem, 0), levelFleet(problem, 9900)]
  const turned = { ...near, behaviours: near.behaviours.map((b, i) => (i ? b : b.map(() => 0))) }
  const report = levelReport(problem, turned, far)
  expect(report.bodies[0]?.gains.map(g => [g.before.value, g.after.value])).toEqual([[2, 4]])
  expect(report.bodies[0]?.givesUp).toEqual([])
})
