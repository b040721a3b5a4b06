import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aimingSlack, shareOfFrame, sizeOnSubject } from './area-on-subject'
import { circleOfConfusionMm, diagonalMm, pixelPitchMm } from './circle-of-confusion'
import { defocusBlurMm, defocusMtf } from './defocus'
import { depthOfField, hyperfocalMetres, stackCount, tiltedDepth } from './depth-of-field'
import { airyDiscMm, diffractionFNumber, diffractionMtf } from './diffraction'
import { cropFactor, equivalentOf } from './equivalents'
import { distanceForMagnification, focalAt, magnificationOf } from './focusing-lens'
import { contains, narrowest, type Reach, travelSaved, withMargin } from './limiter-range'
import { angleBetween, largestSafeAngle, offAxis, planeShift, recomposeShift } from './recompose'
import { handHeldSeconds, motionBlurMm, stopsBetween, stopsOfFNumber } from './shutter'
import { backLitSpans, fromSun, lightFrom, nextSunrise, sunAt, sunDay } from './sun'
import { angleOfView, imageDistanceMm, magnificationAt, sensorDistance, subjectDistance } from './thin-lens'

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const lens = fc.record({ f: within(8, 800), n: within(1, 32), c: within(0.004, 0.05) })

describe('depth of field against published figures', () => {
  // Worked example in textbooks: 50 mm, f/8, c 0.03 mm.
  it('has the hyperfocal distance of 50 mm at f/8', () => {
    expect(hyperfocalMetres(50, 8, 0.03)).toBeCloseTo(10.467, 3)
  })

  // Depth-of-field tables as handbooks print them for 36 x 24 mm, c = 0.03 mm, to the figures they print; from memory.
  it.each([
    { focalMm: 50, fNumber: 8, at: 5, near: 3.39, far: 9.53 },
    { focalMm: 50, fNumber: 2.8, at: 3, near: 2.73, far: 3.33 },
    { focalMm: 28, fNumber: 11, at: 2, near: 1.09, far: 12.05 },
    { focalMm: 200, fNumber: 4, at: 10, near: 9.71, far: 10.3 },
  ])('agrees with the table for $focalMm mm, f/$fNumber at $at m', ({ focalMm, fNumber, at, near, far }) => {
    const m = focalMm / (at * 1000 - focalMm)
    const d = depthOfField({ focalMm, fNumber, circleMm: 0.03, magnification: m })
    expect(at - d.front).toBeCloseTo(near, 1)
    expect((at + d.behind) / far).toBeCloseTo(1, 1)
  })

  // Close-up tables: total depth 2 N c (1 + m) / m^2; at life size, f/8, c 0.03 mm: 0.96 mm. At 1:2 it is 2.88 mm.
  it.each([
    [1, 8, 0.96],
    [0.5, 8, 2.88],
    [0.5, 16, 5.76],
    [0.2, 11, 19.8],
  ])('agrees with the close-up table at magnification %d and f/%d', (magnification, fNumber, mm) => {
    const d = depthOfField({ focalMm: 100, fNumber, circleMm: 0.03, magnification })
    expect((d.front + d.behind) * 1000).toBeCloseTo(mm, 1)
  })

  it('needs more depth with a retrofocus pupil far away and less with a tele’s: (1 + m/P)', () => {
    const at = (pupilMagnification: number) =>
      depthOfField({ focalMm: 100, fNumber: 8, circleMm: 0.03, magnification: 1, pupilMagnification })
    const total = ({ front, behind }: ReturnType<typeof at>) => front + behind
    expect(total(at(0.5)) / total(at(1))).toBeCloseTo(1.5, 9)
    expect(total(at(2)) / total(at(1))).toBeCloseTo(0.75, 9)
  })

  it('is the thin lens’s two limits, and ends where the blur is the circle: another formula for the same', () => {
    fc.assert(
      fc.property(lens, within(1.05, 400), ({ f, n, c }, times) => {
        const s = (f * times) / 1000
        const m = 1 / (times - 1)
        const h = hyperfocalMetres(f, n, c)
        const d = depthOfField({ focalMm: f, fNumber: n, circleMm: c, magnification: m })
        const fm = f / 1000
        expect(s - d.front).toBeCloseTo((s * (h - fm)) / (h + s - 2 * fm), 6)
        const at = (z: number) => defocusBlurMm({ focalMm: f, fNumber: n, magnification: m, focusAt: s, at: z })
        expect(at(s - d.front) / c).toBeCloseTo(1, 6)
        if (d.behind < 1e6) expect(at(s + d.behind) / c).toBeCloseTo(1, 4)
        else expect(at(Infinity) / c).toBeLessThan(1.001)
      }),
    )
  })

  it('has the subject inside, and reaches infinity exactly from the hyperfocal distance on', () => {
    fc.assert(
      fc.property(lens, within(0.2, 5), ({ f, n, c }, share) => {
        const s = share * hyperfocalMetres(f, n, c)
        fc.pre(s > f / 500 && Math.abs(share - 1) > 1e-6)
        const d = depthOfField({ focalMm: f, fNumber: n, circleMm: c, magnification: f / (s * 1000 - f) })
        expect(d.front).toBeGreaterThan(0)
        expect(d.behind).toBeGreaterThan(d.front)
        expect(d.behind === Infinity).toBe(share > 1)
      }),
    )
  })

  it('of a turned subject is its length times the sine; a stack overlaps', () => {
    expect(tiltedDepth(0.06, Math.PI / 6)).toBeCloseTo(0.03, 12)
    expect(tiltedDepth(0.06, 0)).toBe(0)
    expect(stackCount(0.03, 0.004, 0.25)).toBe(10)
    expect(stackCount(0.003, 0.004, 0.25)).toBe(1)
    for (const overlap of [0, 0.25, 0.5]) {
      const n = stackCount(0.05, 0.007, overlap)
      expect(0.007 + (n - 1) * 0.007 * (1 - overlap)).toBeGreaterThanOrEqual(0.05 - 1e-9)
      expect(0.007 + (n - 2) * 0.007 * (1 - overlap)).toBeLessThan(0.05)
    }
  })

  it.each([
    [() => hyperfocalMetres(0, 8, 0.03), 'focalMm: 0'],
    [() => hyperfocalMetres(50, -8, 0.03), 'fNumber: -8'],
    [() => depthOfField({ focalMm: 50, fNumber: 8, circleMm: 0.03, magnification: NaN }), 'magnification: NaN'],
    [() => magnificationAt(0.1, 50), 'four focal lengths'],
    [() => recomposeShift(2, 4), 'angleRadians: 4'],
    [() => circleOfConfusionMm({ basis: 'own', mm: 0 }, { widthMm: 36, heightMm: 24, pixelsWide: 6000 }), 'mm: 0'],
  ])('throws early with the bad value (%#)', (ask, words) => {
    expect(ask).toThrow(words)
  })
})

describe('a thin lens', () => {
  it('is at life size at four focal lengths, two on either side', () => {
    expect(sensorDistance(100, 1)).toBeCloseTo(0.4, 12)
    expect(magnificationAt(0.4, 100)).toBeCloseTo(1, 6)
    expect(subjectDistance(100, 1)).toBeCloseTo(0.2, 12)
    expect(imageDistanceMm(100, 1)).toBe(200)
  })

  it('gives back the magnification that a distance was made from, far and near', () => {
    fc.assert(
      fc.property(within(8, 800), within(-6, -0.01), (f, log) => {
        const m = 10 ** log
        expect(magnificationAt(sensorDistance(f, m), f) / m).toBeCloseTo(1, 6)
        expect(subjectDistance(f, m) + imageDistanceMm(f, m) / 1000).toBeCloseTo(sensorDistance(f, m), 6)
      }),
    )
  })

  // Angles of view as tables print them for 36 x 24 mm, at infinity: 50 mm 46.8 degrees across the diagonal, 39.6 across the width.
  it.each([
    [Math.hypot(36, 24), 50, 46.8],
    [36, 50, 39.6],
    [Math.hypot(36, 24), 200, 12.3],
    [Math.hypot(36, 24), 24, 84.1],
  ])('takes in as much as tables say (%d mm side, %d mm)', (side, f, degrees) => {
    expect((angleOfView(side, f) * 180) / Math.PI).toBeCloseTo(degrees, 1)
  })
})

describe('a lens that focuses', () => {
  const macro = { focalMm: 100, closestMetres: 0.28, magnification: 1 }

  it('is as stated at both ends: 100 mm at infinity, life size at 0.28 m, where it is 70 mm', () => {
    expect(focalAt(macro, 0.28)).toBeCloseTo(70, 9)
    expect(magnificationOf(macro, 0.28)).toBeCloseTo(1, 4)
    expect(focalAt(macro, 1e6)).toBeCloseTo(100, 3)
  })

  it('is a thin lens of fixed focal length where nothing else is stated', () => {
    fc.assert(
      fc.property(within(10, 600), within(4.5, 60), within(1, 50), (focalMm, times, far) => {
        const closestMetres = (focalMm * times) / 1000
        const d = closestMetres * far
        expect(magnificationOf({ focalMm, closestMetres }, d) / magnificationAt(d, focalMm)).toBeCloseTo(1, 9)
      }),
    )
  })

  it('finds the distance for a magnification, or says that there is none', () => {
    fc.assert(
      fc.property(within(20, 600), within(0.05, 1), within(1.0001, 300), (focalMm, magnification, far) => {
        const lens = {
          focalMm,
          closestMetres: (focalMm * (2 + magnification + 1 / magnification)) / 1000,
          magnification,
        }
        const d = lens.closestMetres * far
        expect(Number(distanceForMagnification(lens, magnificationOf(lens, d))) / d).toBeCloseTo(1, 4)
        expect(distanceForMagnification(lens, magnification * 1.01)).toBeUndefined()
      }),
    )
  })

  it('gets larger pictures nearer, without a jump', () => {
    fc.assert(
      fc.property(within(0.28, 50), within(1.001, 2), (near, times) => {
        expect(magnificationOf(macro, near)).toBeGreaterThan(magnificationOf(macro, near * times))
      }),
    )
  })
})

describe('diffraction', () => {
  it('leaves half of the contrast at 0.404 of the cut-off (textbooks on Fourier optics)', () => {
    expect(diffractionMtf(0.404)).toBeCloseTo(0.5, 3)
    expect(diffractionMtf(0)).toBe(1)
    expect(diffractionMtf(1)).toBe(0)
    expect(diffractionMtf(0.5)).toBeCloseTo(0.391, 3)
  })

  it('is the overlap of two shifted openings, counted point by point', () => {
    const n = 400
    for (const v of [0.1, 0.35, 0.7]) {
      let [both, one] = [0, 0]
      for (let i = -n; i <= n; i += 1)
        for (let j = -n; j <= n; j += 1) {
          const [x, y] = [i / n, j / n]
          if (x * x + y * y > 1) continue
          one += 1
          if ((x - 2 * v) ** 2 + y * y <= 1) both += 1
        }
      expect(diffractionMtf(v)).toBeCloseTo(both / one, 2)
    }
  })

  it('is 21 µm wide at f/16, and as large as a print’s circle at about f/21 on 36 x 24 mm', () => {
    expect(airyDiscMm(16)).toBeCloseTo(0.02147, 4)
    expect(
      diffractionFNumber(
        circleOfConfusionMm({ basis: 'print', divisor: 1500 }, { widthMm: 36, heightMm: 24, pixelsWide: 6000 }),
      ),
    ).toBeCloseTo(21.5, 1)
    expect(airyDiscMm(8, 1)).toBeCloseTo(airyDiscMm(16), 12)
  })
})

describe('blur', () => {
  it('of an even disc has its first zero where J1 has (3.83171; Abramowitz and Stegun, table 9.5)', () => {
    expect(defocusMtf(3.83171 / Math.PI)).toBeLessThan(1e-5)
    // J1(1) = 0.44005, table 9.1.
    expect(defocusMtf(1 / Math.PI)).toBeCloseTo(2 * 0.4400505857, 8)
    expect(defocusMtf(0)).toBe(1)
  })

  it('is that of two similar triangles, drawn ray by ray', () => {
    fc.assert(
      fc.property(lens, within(3, 200), within(0.5, 2), ({ f, n }, times, share) => {
        const s = f * times
        const z = Math.max(s * share, f * 1.5)
        const [sharp, image] = [(f * s) / (s - f), (f * z) / (z - f)]
        // A ray from the rim of the opening to the image point, where it meets the sensor.
        const disc = (f / n) * Math.abs(1 - sharp / image)
        const blur = defocusBlurMm({
          focalMm: f,
          fNumber: n,
          magnification: f / (s - f),
          focusAt: s / 1000,
          at: z / 1000,
        })
        expect(blur).toBeCloseTo(disc, 9)
      }),
    )
  })
})

describe('recomposing', () => {
  const frame = { widthMm: 36, heightMm: 24, imageMm: 50 }

  it('to the third line turns by atan(w / (6 f)), and the plane moves by d (1 - cos t)', () => {
    const t = angleBetween({ x: 0.5, y: 0.5 }, { x: 2 / 3, y: 0.5 }, frame)
    expect(t).toBeCloseTo(Math.atan(36 / (6 * 50)), 12)
    expect(recomposeShift(2, 0.3)).toBeCloseTo(2 * (1 - Math.cos(0.3)), 12)
    expect(recomposeShift(2, 0.3)).toBeCloseTo(0.0893, 4)
  })

  it('moves the plane as a camera does that is turned in space', () => {
    const place = fc.record({ x: within(0, 1), y: within(0, 1) })
    fc.assert(
      fc.property(place, place, within(12, 300), within(0.5, 50), (from, to, imageMm, d) => {
        const f = { ...frame, imageMm }
        const ray = (p: { readonly x: number; readonly y: number }) => {
          const v = [(p.x - 0.5) * 36, (p.y - 0.5) * 24, imageMm]
          const length = Math.hypot(...v)
          return v.map(x => x / length)
        }
        const [a, b] = [ray(from), ray(to)]
        // Focused: the plane stands at the subject's depth along the axis. Turned: the subject is along b, as far away.
        const plane = d * Number(a[2])
        const subject = d * Number(b[2])
        expect(planeShift(d, offAxis(from, f), offAxis(to, f))).toBeCloseTo(plane - subject, 9)
        expect(Math.cos(angleBetween(from, to, f))).toBeCloseTo(
          a.reduce((sum, x, i) => sum + x * Number(b[i]), 0),
          9,
        )
      }),
    )
  })

  it('is safe exactly up to the largest safe angle', () => {
    fc.assert(
      fc.property(within(0.3, 100), within(1e-4, 0.3), within(0, 0.3), (d, share, focused) => {
        const most = largestSafeAngle(d, share * d, focused)
        expect(planeShift(d, focused, most) / (share * d)).toBeCloseTo(1, 6)
      }),
    )
    expect(largestSafeAngle(2, -0.01)).toBe(0)
  })
})

describe('an area on the subject', () => {
  it('covers p w (s - f) / f, and inverts', () => {
    fc.assert(
      fc.property(within(0.001, 1), within(10, 50), within(10, 600), within(0.5, 200), (share, w, f, s) => {
        fc.pre(s * 1000 > 2 * f)
        const m = f / (s * 1000 - f)
        const size = sizeOnSubject(share, w, m)
        expect(size).toBeCloseTo((share * w * (s - f / 1000)) / f, 9)
        expect(shareOfFrame(size, w, m)).toBeCloseTo(share, 9)
      }),
    )
  })

  it('is kept on its target as long as half of the smaller one is on the other', () => {
    const overlap = (area: number, target: number, offset: number) =>
      Math.max(0, Math.min(area / 2, offset + target / 2) - Math.max(-area / 2, offset - target / 2))
    fc.assert(
      fc.property(within(0.001, 1), within(0.001, 1), within(1, 100), (area, target, s) => {
        const offset = Math.tan(aimingSlack(area, target, s)) * s
        const half = Math.min(area, target) / 2
        expect(overlap(area, target, offset * 0.999)).toBeGreaterThanOrEqual(half * 0.999)
        expect(overlap(area, target, offset * 1.02)).toBeLessThan(half)
      }),
    )
  })
})

describe('equivalents', () => {
  // Common practice, no published source.
  it('600 mm with a 1.4x extender on a 1.6 crop frames like 1344 mm; 300 mm on a 1.5 crop like 450 mm', () => {
    expect(equivalentOf({ focalMm: 600, fNumber: 4, extender: 1.4, crop: 1.6 }).focalMm).toBeCloseTo(1344, 9)
    expect(equivalentOf({ focalMm: 300, fNumber: 4, extender: 1, crop: 1.5 }).focalMm).toBeCloseTo(450, 9)
  })

  it('give the same angle of view and the same blur as a share of the frame', () => {
    fc.assert(
      fc.property(within(10, 40), within(0.6, 0.8), within(20, 400), within(1.4, 22), (widthMm, aspect, f, n) => {
        const small = { widthMm, heightMm: widthMm * aspect }
        const same = equivalentOf({ focalMm: f, fNumber: n, extender: 1, crop: cropFactor(small) })
        const full = Math.hypot(36, 24)
        expect(angleOfView(diagonalMm(small), f)).toBeCloseTo(angleOfView(full, same.focalMm), 9)
        // A point at infinity, focused at 10 m from the lens: (f/N) m, in shares of the diagonal. The far field, where m nears f/s.
        const blur = (focal: number, stop: number, diagonal: number) => ((focal / stop) * (focal / 10_000)) / diagonal
        expect(blur(f, n, diagonalMm(small)) / blur(same.focalMm, same.fNumber, full)).toBeCloseTo(1, 9)
      }),
    )
  })

  it('count pixels and diagonals', () => {
    expect(cropFactor({ widthMm: 36, heightMm: 24 })).toBe(1)
    expect(cropFactor({ widthMm: 17.3, heightMm: 13 })).toBeCloseTo(2, 2)
    expect(pixelPitchMm({ widthMm: 36, pixelsWide: 6000 })).toBe(0.006)
  })
})

describe('the shutter', () => {
  it('by the old rule is 1/50 s for 50 mm and 1/200 s for 200 mm; each stop of stabilisation doubles it (common practice, no published source)', () => {
    expect(handHeldSeconds(50, 1, 0)).toBeCloseTo(1 / 50, 12)
    expect(handHeldSeconds(200, 1, 0)).toBeCloseTo(1 / 200, 12)
    expect(handHeldSeconds(200, 1, 3)).toBeCloseTo(8 / 200, 12)
    expect(handHeldSeconds(200, 1.5, 0)).toBeCloseTo(1 / 300, 12)
  })

  it('f/2.8 to f/5.6 is two stops, ISO 200 to 800 is two stops (common practice, no published source)', () => {
    expect(stopsOfFNumber(2.8, 5.6)).toBe(2)
    expect(stopsBetween(800, 200)).toBe(2)
  })

  it('blurs what crosses by v t m, and what comes straight on only by its growth', () => {
    const way = { speed: 5, seconds: 0.001, magnification: 0.02, halfSizeMetres: 0.5, subjectMetres: 5 }
    expect(motionBlurMm({ ...way, halfSizeMetres: 0, angleRadians: Math.PI / 2 })).toBeCloseTo(0.1, 12)
    // The rim of the picture before and after: m r / s becomes m' r with m' = m s / (s - v t).
    const grown = 0.02 * 500 * (5 / (5 - 0.005) - 1)
    expect(motionBlurMm({ ...way, angleRadians: 0 })).toBeCloseTo(grown, 4)
  })
})

describe('a limiter', () => {
  const reach = fc
    .tuple(within(0.2, 20), within(1.05, 30))
    .map(([near, times]): Reach => ({ near, far: near * times > 60 ? Infinity : near * times }))

  it('for 5 m is 4 to 6 m (common practice, no published source)', () => {
    expect(withMargin({ near: 5, far: 5 }, 0.2)).toEqual({ near: 4, far: 6 })
  })

  it('that begins at 3 m and not at 0.96 m saves two thirds of the travel', () => {
    expect(travelSaved({ near: 3, far: Infinity }, { near: 0.96, far: Infinity })).toBeCloseTo(0.68, 12)
  })

  it('is the narrowest of those that contain the plan, tried one by one', () => {
    fc.assert(
      fc.property(fc.array(reach, { maxLength: 6 }), reach, (positions, plan) => {
        const best = narrowest(positions, plan)
        const travel = ({ near, far }: Reach) => 1 / near - 1 / far
        const fitting = positions.filter(p => p.near <= plan.near && p.far >= plan.far)
        if (fitting.length === 0) return
        expect(best && contains(best, plan)).toBe(true)
        expect(best && travel(best)).toBeLessThanOrEqual(Math.min(...fitting.map(travel)) + 1e-9)
      }),
    )
  })
})

describe('the sun', () => {
  it('stands where the worked example of NREL’s solar position report has it', () => {
    // Reda and Andreas, NREL/TP-560-34302: 17 October 2003, 12:30:30 at UTC-7, 39.742476 N, 105.1786 W.
    const sun = sunAt({ latitude: 39.742476, longitude: -105.1786 }, Date.UTC(2003, 9, 17, 19, 30, 30))
    expect(Math.abs(sun.azimuthDegrees - 194.34)).toBeLessThan(0.05)
    expect(Math.abs(90 - sun.altitudeDegrees - 50.11)).toBeLessThan(0.05)
  })

  it('is straight ahead, at the side and behind', () => {
    expect(fromSun(180, { azimuthDegrees: 180, altitudeDegrees: 30 })).toBeCloseTo(30, 9)
    expect(fromSun(90, { azimuthDegrees: 180, altitudeDegrees: 0 })).toBeCloseTo(90, 9)
    expect([lightFrom(20, true), lightFrom(90, true), lightFrom(170, true), lightFrom(20, false)]).toEqual([
      'back',
      'side',
      'front',
      'none',
    ])
  })

  it('is against a camera that looks west in the evening, and not in the morning', () => {
    const quay = { latitude: 51.5, longitude: 0 }
    const noon = Date.UTC(2026, 5, 21, 12)
    const spans = backLitSpans(quay, noon, 270)
    expect(spans).toHaveLength(1)
    expect(spans[0]?.from).toBeGreaterThan(noon)
    expect(backLitSpans(quay, noon, 90)[0]?.to).toBeLessThan(noon)
    const day = sunDay(quay, noon)
    expect(day.low).toHaveLength(2)
    expect(spans[0]?.to).toBeLessThanOrEqual(Number(day.sunset) + 600_000)
  })

  it('stays away from the pole in winter, until spring', () => {
    const pole = { latitude: 89, longitude: 0 }
    const winter = Date.UTC(2026, 11, 21, 12)
    expect(sunDay(pole, winter).isAlwaysDown).toBe(true)
    const next = new Date(Number(nextSunrise(pole, winter)))
    expect([next.getUTCFullYear(), next.getUTCMonth()]).toEqual([2027, 2])
  })
})
