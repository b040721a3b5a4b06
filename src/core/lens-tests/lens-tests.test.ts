import { describe, expect, it } from 'vitest'
import type { Lens } from '../lenses/schema'
import { demoLensTests, demoLenses } from '../../demo/world'
import { focusResult } from './focus'
import { withTest } from './kept'
import type { FocusTest, SharpnessTest } from './schema'
import { sharpnessResult } from './sharpness'

const lens = demoLenses().find(l => l.id === 'tollgate-70-300') as Lens
const [demoFocus, demoSharpness] = demoLensTests().map(t => t.test) as [FocusTest, SharpnessTest]
const CIRCLE = 0.019

/** Pictures at a setting whose offsets have this mean, and alternate around it. */
const around = (setting: number, mean: number, spread: number, n: number): FocusTest['pictures'] =>
  Array.from({ length: n }, (_, i) => ({
    name: `${setting}-${i}`,
    setting,
    offset: mean + (i % 2 === 0 ? spread : -spread),
  }))
const result = (pictures: FocusTest['pictures'], steps: readonly number[]) =>
  focusResult({ ...demoFocus, pictures }, lens, steps, CIRCLE)
const STEPS = [-10, -5, 0, 5, 10]

describe('where focus lies', () => {
  it('has the interval of Student over ten pictures', () => {
    // Mean 2, standard deviation 1.0541 (ten values of 2 +- 1): 2 +- 2.262 x 1.0541 / sqrt(10).
    const [at] = result(around(0, 2, 1, 10), STEPS).at
    expect(at?.mean).toBeCloseTo(2, 9)
    expect(at?.spread).toBeCloseTo(1.0541, 3)
    expect(at?.interval[1]).toBeCloseTo(2 + 0.754, 3)
  })

  it('has depth of field as the close-up formula gives it', () => {
    // 2 N c (1 + m) / m^2 with f = 200 mm at 1.5 m between subject and image: m = 0.2 / (1.2623 - 0.2) = 0.1883 (thin lens).
    const { depth } = result(around(0, 0, 0.1, 10), STEPS)
    expect(depth.front + depth.behind).toBeCloseTo((2 * 5 * CIRCLE * 1.1883) / 0.1883 ** 2, 1)
  })

  it('is left where nobody sees what is left, and asked for more pictures where they scatter', () => {
    expect(result(around(0, 0.4, 0.5, 10), STEPS).verdict).toEqual({ kind: 'leave', setting: 0, isWithinDepth: true })
    expect(result(around(0, 1, 0.2, 3), STEPS).verdict).toMatchObject({ kind: 'more' })
    expect(result(around(0, 0.5, 9, 10), STEPS).verdict).toMatchObject({ kind: 'more' })
  })

  it('is corrected away from the camera where it lies in front, first by half, then by the line', () => {
    expect(result(around(0, -6, 0.5, 10), STEPS).verdict).toEqual({ kind: 'try', setting: 5 })
    expect(result(around(0, 6, 0.5, 10), STEPS).verdict).toEqual({ kind: 'try', setting: -5 })
    const two = result([...around(0, -8, 0.5, 10), ...around(5, -4, 0.5, 10)], STEPS)
    expect(two.perStep).toBeCloseTo(0.8, 6)
    expect(two.verdict).toEqual({ kind: 'set', setting: 10, expected: expect.closeTo(0, 6) as number })
  })

  it('finds the direction where a body counts the other way round', () => {
    const two = result([...around(0, -8, 0.5, 10), ...around(5, -12, 0.5, 10)], STEPS)
    expect(two.verdict).toEqual({ kind: 'set', setting: -10, expected: expect.closeTo(0, 6) as number })
  })

  it('cannot be set on a body without an adjustment, and is as near as it can be at the end of one', () => {
    expect(result(around(0, -6, 0.5, 10), []).verdict).toMatchObject({ kind: 'fixed' })
    const end = result([...around(0, -30, 0.5, 10), ...around(10, -20, 0.5, 10)], STEPS)
    expect(end.verdict).toEqual({ kind: 'leave', setting: 10, isWithinDepth: false })
  })

  it('is left where another setting would gain less than can be told', () => {
    const two = result([...around(0, -4.6, 1, 10), ...around(5, -1.6, 1, 10)], STEPS)
    // At +10 it would lie 1.4 mm behind: 0.2 mm better, and the mean is known to 0.75.
    expect(two.verdict).toEqual({ kind: 'leave', setting: 5, isWithinDepth: false })
  })

  it('is kept for the camera it was measured on, beside what is known of the model', () => {
    const kept = withTest(lens, demoFocus, { focus: focusResult(demoFocus, lens, STEPS, CIRCLE) })
    expect(kept.offsets.filter(o => o.id === 'tollgate').map(o => [o.unit, o.steps])).toEqual([
      [undefined, 5],
      ['TSP-T1', 5],
    ])
  })
})

describe('where a lens is sharpest', () => {
  const found = sharpnessResult(demoSharpness, { widthMm: 36, heightMm: 24 })

  it('is told for the centre and for the whole frame, and where diffraction begins', () => {
    expect(found.best).toEqual({ centre: 5.6, whole: 8 })
    expect(found.diffractionFrom).toBe(8)
    expect(found.softCorner?.field).toBe('lower-right')
  })

  it('stands beside a perfect lens: at f/8 and 550 nm half of the contrast is left at 91.8 line pairs a millimetre', () => {
    // 0.404 / (550 nm x 8), from the diffraction-limited MTF.
    const at = found.at.find(a => a.fNumber === 8)
    expect((at?.ideal ?? 0) / found.pixelMm).toBeCloseTo(91.8, 0)
  })

  it('is not told for the whole frame where a corner was never measured', () => {
    const pictures = demoSharpness.pictures.map(p => ({ ...p, mtf50: { centre: p.mtf50.centre } }))
    const { best, softCorner } = sharpnessResult({ ...demoSharpness, pictures }, { widthMm: 36, heightMm: 24 })
    expect(best).toEqual({ centre: 5.6, whole: undefined })
    expect(softCorner).toBeUndefined()
  })
})
