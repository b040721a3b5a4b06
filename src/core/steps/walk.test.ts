import { describe, expect, it } from 'vitest'
import { isAllowed, isUsable } from '../../../test/fixtures/brute-force'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, factoryState, inMenuOrder } from '../bodies'
import { resolve } from '../resolve'
import type { Standard } from '../standards'
import { canFocus } from '../bodies/can-focus'
import { stepsBetween } from './walk'

/** The demo's bodies as they are on their newest firmware, which is what they are resolved with. */
const newest = demoBodies().map(b => bodyAt(b, b.firmware.to))
const body = (id: string) => newest.find(b => b.id === id) as Body
const ring = demoStandards().find(s => s.id === 'ring-action') as Standard

const walk = (b: Body, standard: Standard) => {
  const from = factoryState(b)
  const to = resolve(b, standard).state
  return { from, to, steps: stepsBetween(b, from, to) }
}

/** Every state a person passes through, the body's own changes included. */
const statesOf = ({ from, steps }: ReturnType<typeof walk>) => {
  let state = { ...from }
  return steps.map(s => {
    state = { ...state, [s.setting]: s.to, ...Object.fromEntries(s.follows.map(f => [f.setting, f.to])) }
    return state
  })
}

describe('on the demo bodies', () => {
  const cases = newest.flatMap(b => demoStandards().map(s => ({ b, s, name: `${b.model}, ${s.name}` })))

  it.each(cases)('$name: arrives, and only through settings that can be used', ({ b, s }) => {
    const walked = walk(b, s)
    const states = statesOf(walked)
    expect(states.at(-1) ?? walked.from).toEqual(walked.to)
    walked.steps.forEach((step, i) => {
      const before = states[i - 1] ?? walked.from
      expect(isUsable(b, before, step.setting), `${step.setting} can be used`).toBe(true)
      expect(isAllowed(b, states[i] ?? before), `allowed after ${step.setting}`).toBe(true)
    })
  })

  it.each(cases)('$name: never leaves the body without a press that focuses, unless it says so', ({ b, s }) => {
    const walked = walk(b, s)
    const warned = walked.steps.findIndex(step => step.against.length > 0)
    statesOf(walked).forEach((state, i) => {
      if (warned < 0 || i < warned) expect(canFocus(b, state), `after step ${i + 1}`).toBe(true)
    })
  })
})

it('gives AF to the thumb before it takes it from the shutter, although the menu has them the other way round', () => {
  const order = inMenuOrder(body('wicket')).map(s => s.id)
  expect(order.indexOf('half-press')).toBeLessThan(order.indexOf('key-rear-dial'))
  const steps = walk(body('wicket'), ring).steps.map(s => s.setting)
  expect(steps.indexOf('key-rear-dial')).toBeLessThan(steps.indexOf('half-press'))
})

it('opens the key bank before it gives the keys other work, and says what that opens', () => {
  const { steps } = walk(body('tollgate'), ring)
  const bank = steps.findIndex(s => s.setting === 'bank')
  const key = steps.findIndex(s => s.setting === 'key-rear-key-a')
  expect(bank).toBeGreaterThanOrEqual(0)
  expect(bank).toBeLessThan(key)
  expect(steps[bank]?.unlocks).toContain('key-rear-key-a')
})

it('tells what changes by itself, and warns of the moment in which nothing focuses', () => {
  const split = walk(body('pebble'), ring).steps.find(s => s.setting === 'thumb-way')
  expect(split?.follows).toEqual([{ setting: 'trip', to: 'trip-reads-only' }])
  expect(split?.against.join()).toContain('nothing starts focusing')
})

it('keeps menu order where nothing speaks against it', () => {
  const { steps } = walk(body('linnet'), ring)
  const order = new Map(inMenuOrder(body('linnet')).map((s, i) => [s.id, i]))
  const places = steps.map(s => order.get(s.setting) ?? -1)
  const outOfOrder = places.filter((p, i) => i > 0 && p < (places[i - 1] ?? 0)).length
  expect(outOfOrder).toBeLessThanOrEqual(2)
})

it('has nothing to do where the body is there already', () => {
  const { to } = walk(body('sorrel'), ring)
  expect(stepsBetween(body('sorrel'), to, to)).toEqual([])
})

it('arrives on generated bodies too', () => {
  for (let seed = 1; seed <= 150; seed++) {
    const walked = walk(generateBody(seed, { settings: 20, rules: 10 }), generateStandard(seed, 15))
    expect(statesOf(walked).at(-1) ?? walked.from, `seed ${seed}`).toEqual(walked.to)
  }
})
