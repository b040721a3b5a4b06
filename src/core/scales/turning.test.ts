import { describe, expect, it } from 'vitest'
import { normalOf, random } from '../../../test/fixtures/random'
import { arrivalOf, turningOf } from './turning'

const FRAME = 1 / 60

interface Plan {
  readonly seed: number
  readonly begins: number
  readonly travel: number
  /** How the motion goes from 0 to 1. */
  readonly motion: (u: number) => number
  /** How restless the plateau is: noise, and a slow rise and fall. */
  readonly noise: number
  readonly drift: number
}

const MOTIONS: readonly Plan['motion'][] = [u => u, u => (1 - Math.cos(Math.PI * u)) / 2, u => u * (2 - u), u => u * u]

/** A fall by another law than the one that is fitted: contrast of a blurred pattern, exp(-b²/2), summed over patterns. */
const curve = ({ seed, begins, travel, motion, noise, drift }: Plan) => {
  const next = random(seed)
  const times = Array.from({ length: 150 }, (_, i) => i * FRAME)
  const values = times.map(t => {
    const b = 4 * motion(Math.min(1, Math.max(0, (t - begins) / travel)))
    const contrast = [0.4, 0.8, 1.2].reduce((sum, f) => sum + Math.exp(-((b * f) ** 2) / 2) / 3, 0)
    return contrast * (1 + drift * Math.sin(t * 2.2 + seed)) + 0.05 + noise * normalOf(next)
  })
  const half = times[values.findIndex((v, i) => v < 0.5 && (times[i] ?? 0) > begins)] ?? NaN
  return { times, values, half }
}

const plans: readonly Plan[] = Array.from({ length: 48 }, (_, i) => ({
  seed: 300 + i,
  begins: 1 + ((i * 7) % 11) / 110,
  travel: [0.2, 0.35, 0.6, 1][i % 4] ?? 0.3,
  motion: MOTIONS[Math.floor(i / 4) % 4] ?? (u => u),
  noise: [0.003, 0.01, 0.02][i % 3] ?? 0.01,
  drift: [0, 0.02, 0.08][Math.floor(i / 3) % 3] ?? 0,
}))

describe('a beginning of which the truth is known', () => {
  const found = plans.map(plan => {
    const { times, values, half } = curve(plan)
    const turning = turningOf({ times, values }, 1.05, 0.05, half)
    return { off: Math.abs((turning?.at ?? NaN) - plan.begins) / FRAME, within: (turning?.within ?? NaN) / FRAME }
  })

  it('lies within what is said of it nine times of ten, give or take a frame', () => {
    const held = found.filter(({ off, within }) => off <= within + 1).length
    expect(held / found.length).toBeGreaterThanOrEqual(0.9)
  })

  it('is right to about two frames where it is said to be sure, and that is said of many', () => {
    const sure = found.filter(f => f.within <= 4).map(f => f.off)
    expect(sure.length).toBeGreaterThan(found.length / 3)
    expect(sure.filter(off => off <= 2.5).length / sure.length).toBeGreaterThanOrEqual(0.9)
  })

  it('is read backwards as an arrival, at the same place', () => {
    const plan = { seed: 9, begins: 1, travel: 0.3, motion: (u: number) => u, noise: 0.005, drift: 0 }
    const { times, values, half } = curve(plan)
    const turned = { times: times.map(t => -t).toReversed(), values: values.toReversed() }
    expect(arrivalOf(turned, 1.05, 0.05, -half)?.at).toBeCloseTo(
      -(turningOf({ times, values }, 1.05, 0.05, half)?.at ?? NaN),
      6,
    )
  })

  it('is not found where nothing falls', () => {
    expect(turningOf({ times: [0, 1, 2], values: [1, 1, 1] }, 1, 1, 2)).toBeUndefined()
  })
})
