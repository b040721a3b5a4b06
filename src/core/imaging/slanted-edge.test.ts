import { describe, expect, it } from 'vitest'
import { normalOf, random } from '../../../test/fixtures/random'
import type { Grey } from './grey'
import { slantedEdge } from './slanted-edge'

/** The error function. @source Abramowitz and Stegun 7.1.26, good to 1.5e-7 */
const erf = (x: number): number => {
  const t = 1 / (1 + 0.3275911 * Math.abs(x))
  const y =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x)
  return Math.sign(x) * y
}

/** A Gaussian edge of a sigma in pixels, turned by an angle from upright; 40 dB: noise of one hundredth of the contrast. */
const gaussianEdge = (sigma: number, degrees: number, noise = 0, seed = 1, size = 120): Grey => {
  const chance = random(seed)
  const normal = () => normalOf(chance)
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
  const middle = (size - 1) / 2 + 0.3
  const data = Float32Array.from({ length: size * size }, (_, i) => {
    const [x, y] = [(i % size) - middle, Math.floor(i / size) - middle]
    const across = x * cos - y * sin
    return 0.2 + 0.6 * 0.5 * (1 + erf(across / (sigma * Math.SQRT2))) + 0.6 * noise * normal()
  })
  return { width: size, height: size, data }
}

// A Gaussian of sigma s keeps half of its contrast at sqrt(ln 2 / 2) / (pi s): the Fourier transform of a Gaussian.
const expected = (sigma: number) => 0.1874 / sigma

const mtf50 = (grey: Grey): number => {
  const found = slantedEdge(grey)
  expect(found.kind).toBe('edge')
  return found.kind === 'edge' ? found.mtf50 : NaN
}

const ANGLES = [3, 5, 7.5, 10, 12, 78, 82, 85, 87]
const SIGMAS = [0.6, 0.8, 1, 1.4, 2, 2.5, 3]

describe('a slanted edge', () => {
  it.each(ANGLES)('of %d degrees has the half-contrast frequency of its blur within 2 %%', angle => {
    for (const sigma of SIGMAS)
      expect(Math.abs(mtf50(gaussianEdge(sigma, angle)) / expected(sigma) - 1), `sigma ${sigma}`).toBeLessThan(0.02)
  })

  it.each(ANGLES)('of %d degrees with noise at 40 dB has it within 5 %%', angle => {
    for (const sigma of SIGMAS)
      for (const seed of [1, 2, 3])
        expect(
          Math.abs(mtf50(gaussianEdge(sigma, angle, 0.01, seed)) / expected(sigma) - 1),
          `sigma ${sigma}, seed ${seed}`,
        ).toBeLessThan(0.05)
  })

  it('is the same from dark to light and from light to dark', () => {
    const edge = gaussianEdge(1.2, 6)
    const turned = { ...edge, data: edge.data.map(v => 1 - v) }
    expect(mtf50(turned)).toBeCloseTo(mtf50(edge), 3)
  })

  it('says why there is none', () => {
    const even = { width: 60, height: 60, data: new Float32Array(3600).fill(0.5) }
    expect(slantedEdge(even)).toEqual({ kind: 'none', why: 'no edge' })
    expect(slantedEdge({ width: 8, height: 8, data: new Float32Array(64) })).toEqual({ kind: 'none', why: 'too small' })
    expect(slantedEdge(gaussianEdge(1, 0))).toEqual({ kind: 'none', why: 'too straight' })
    const bright = gaussianEdge(1, 5)
    expect(slantedEdge({ ...bright, data: bright.data.map(v => Math.min(1, v * 2)) })).toEqual({
      kind: 'none',
      why: 'over-exposed',
    })
  })
})
