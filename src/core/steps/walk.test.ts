import { expect, it } from 'vitest'
import { isUsable } from '../../../test/fixtures/brute-force'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { demoBodies, demoStandards } from '../../demo/world'
import { type Body, bodyAt, factoryState, inMenuOrder } from '../bodies'
import { resolve } from '../resolve'
import type { Standard } from '../standards'
import { planSteps } from './plan'

/** The demo's bodies as they are on their newest firmware, which is what they are resolved with. */
const newest = demoBodies().map(b => bodyAt(b, b.firmware.to))
const body = (id: string) => newest.find(b => b.id === id) as Body
const ring = demoStandards().find(s => s.id === 'ring-action') as Standard

const walk = (b: Body, standard: Standard) => {
  const from = factoryState(b)
  const to = resolve(b, standard).state
  return { from, to, steps: planSteps(b, from, to).steps }
}

/** Every state a person passes through, the body's own changes included. */
const statesOf = ({ from, steps }: ReturnType<typeof walk>) => {
  let state = { ...from }
  return steps.map(s => {
    state = { ...state, [s.setting]: s.to, ...Object.fromEntries(s.follows.map(f => [f.setting, f.to])) }
    return state
  })
}

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

it('has nothing to do where the body is there already', () => {
  const { to } = walk(body('sorrel'), ring)
  expect(planSteps(body('sorrel'), to, to).steps).toEqual([])
})

it('arrives on generated bodies too', () => {
  for (let seed = 1; seed <= 150; seed++) {
    const b = generateBody(seed, { settings: 20, rules: 10 })
    const walked = walk(b, generateStandard(seed, 15))
    const end = statesOf(walked).at(-1) ?? walked.from
    // What is greyed out in the end does nothing, whatever it is at.
    for (const s of b.settings)
      if (isUsable(b, walked.to, s.id)) expect(end[s.id], `seed ${seed}, ${s.id}`).toBe(walked.to[s.id])
  }
})
