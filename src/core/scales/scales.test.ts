import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { random } from '../numeric/random'
import { alikeOf } from './alike'
import { fitScale, stepFor, type Take } from './fit'
import { isotonic } from './isotonic'
import { balancedOrder } from './order'
import {
  measurableOn,
  parseRun,
  resultOf,
  type Run,
  RUN_FORMAT,
  scaleOf,
  secondsFor,
  takesOf,
  withMeasured,
} from './run'

const body = (id: string) => {
  const found = demoBodies().find(b => b.id === id)
  if (!found) throw new Error(id)
  return found
}

describe('rising values', () => {
  it('are those of the example in R’s documentation of isoreg', () => {
    expect(isotonic([1, 0, 4, 3, 3, 5, 4, 2, 0])).toEqual([0.5, 0.5, 3, 3, 3, 3, 3, 3, 3])
  })

  it('are the nearest there are: no way of pooling neighbours comes nearer', () => {
    const squares = (values: readonly number[], fitted: readonly number[]) =>
      values.reduce((sum, v, i) => sum + (v - Number(fitted[i])) ** 2, 0)
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 7 }), values => {
        const fitted = isotonic(values)
        expect(fitted.every((f, i) => i === 0 || f >= Number(fitted[i - 1]) - 1e-12)).toBe(true)
        // Every cutting into runs, each at its mean, that rises.
        for (let cuts = 0; cuts < 2 ** (values.length - 1); cuts += 1) {
          const runs: number[][] = [[Number(values[0])]]
          values.slice(1).forEach((v, i) => ((cuts >> i) & 1 ? runs.push([v]) : runs.at(-1)?.push(v)))
          const means = runs.map(r => r.reduce((a, b) => a + b, 0) / r.length)
          if (means.some((m, i) => i > 0 && m < Number(means[i - 1]))) continue
          const other = runs.flatMap((r, i) => r.map(() => Number(means[i])))
          expect(squares(values, fitted)).toBeLessThanOrEqual(squares(values, other) + 1e-9)
        }
      }),
      { numRuns: 200 },
    )
  })
})

describe('the order of a run', () => {
  it('has every step as often, and lets what changes evenly fall on all of them alike', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer(),
        (count, pairs, seed) => {
          const steps = Array.from({ length: count }, (_, i) => `s${i}`)
          const order = balancedOrder(steps, 2 * pairs, seed)
          const places = steps.map(s => order.flatMap((x, i) => (x === s ? [i] : [])))
          expect(places.every(p => p.length === 2 * pairs)).toBe(true)
          const sums = new Set(places.map(p => p.reduce((a, b) => a + b, 0)))
          expect(sums.size).toBe(1)
        },
      ),
    )
  })

  it('is refused without repeats', () => {
    expect(() => balancedOrder(['a'], 0, 1)).toThrow('invalid repeats: 0')
  })
})

/** Takes of a made body: true seconds by step, with log-normal noise. */
const made = (truth: Readonly<Record<string, number>>, each: number, noise: number, seed: number): readonly Take[] => {
  const chance = random(seed)
  const normal = () => Math.sqrt(-2 * Math.log(chance.next() + 1e-12)) * Math.cos(2 * Math.PI * chance.next())
  return Object.entries(truth).flatMap(([step, seconds]) =>
    Array.from({ length: each }, () => ({ step, seconds: seconds * Math.exp(noise * normal()) })),
  )
}
const TRUTH = { a: 0.2, b: 0.6, c: 1.2, d: 2.4, e: 4.5 }
const STEPS = Object.keys(TRUTH)

describe('what takes come to', () => {
  it('finds the direction in every run, and has the truth inside its band nine times of ten or so', () => {
    let [inside, all] = [0, 0]
    for (let seed = 1; seed <= 40; seed += 1) {
      const takes = made(TRUTH, 9, 0.15, seed)
      const up = fitScale(takes, STEPS, true, seed)
      expect(up.direction).toBe('rising')
      expect(fitScale(takes, STEPS.toReversed(), true, seed).direction).toBe('falling')
      for (const s of up.steps) {
        const truth = TRUTH[s.step as keyof typeof TRUTH]
        all += 1
        if (truth >= s.band[0] && truth <= s.band[1]) inside += 1
        expect(Math.abs(Math.log(Number(s.seconds) / truth))).toBeLessThan(0.35)
      }
    }
    expect(inside / all).toBeGreaterThan(0.8)
    expect(inside / all).toBeLessThan(0.99)
  })

  it('the most locked step of one scale of five held for about 4.5 s (common practice, no published source)', () => {
    const fit = fitScale(made(TRUTH, 9, 0.1, 3), STEPS, true, 3)
    expect(stepFor(fit, 4.5)).toMatchObject({ step: 'e', isOutside: false })
    expect(stepFor(fit, 4.5)?.sure).toBeGreaterThan(0.95)
    expect(stepFor(fit, 30)?.isOutside).toBe(true)
  })

  it('names steps that are not told apart, and takes that are far from the others without dropping them', () => {
    const takes = [...made({ a: 1, b: 1.02, c: 4 }, 7, 0.2, 5), { step: 'c', seconds: 0.3 }]
    const fit = fitScale(takes, ['a', 'b', 'c'], true, 1)
    expect(fit.alike).toEqual([['a', 'b']])
    expect(fit.steps[2]).toMatchObject({ takes: 8, odd: [7] })
  })

  it('holds always where it mostly never left', () => {
    const takes: readonly Take[] = [
      ...made({ a: 0.5 }, 5, 0.1, 1),
      ...Array.from({ length: 4 }, () => ({ step: 'b', seconds: 20, never: true })),
      { step: 'b', seconds: 9 },
    ]
    expect(fitScale(takes, ['a', 'b'], true, 1).steps[1]).toMatchObject({ seconds: 'always', never: 4 })
  })

  it('leaves bundles in no order as they were measured', () => {
    const fit = fitScale(made({ a: 0.6, b: 2.1, c: 0.25 }, 9, 0.05, 2), ['a', 'b', 'c'], false, 1)
    expect(fit.direction).toBe('unordered')
    expect(Number(fit.steps[2]?.seconds)).toBeLessThan(0.3)
  })

  it('is the same for the same takes', () => {
    const takes = made(TRUTH, 5, 0.2, 8)
    expect(fitScale(takes, STEPS, true, 4)).toEqual(fitScale(takes, STEPS, true, 4))
  })
})

const run = (change: Partial<Run> = {}): Run => ({
  format: RUN_FORMAT,
  body: 'tollgate',
  firmware: '3.0',
  dimension: 'track.hold',
  setting: 'stick',
  way: 'thumb',
  on: '2027-03-01',
  reactions: [0.25, 0.2, 0.3],
  takes: [
    ...['stick-minus-2', 'stick-minus-1', 'stick-0', 'stick-plus-1', 'stick-plus-2'].flatMap((step, i) =>
      [0, 0.05, -0.05].map(e => ({ step, seconds: Number((4.2 / 2 ** i + 0.25 + e).toFixed(3)) })),
    ),
  ],
  ...change,
})

describe('a run', () => {
  it('takes the time of the thumb off, and finds that this scale runs down', () => {
    expect(takesOf(run())[0]?.seconds).toBeCloseTo(4.2, 9)
    const fit = resultOf(body('tollgate'), run())
    expect(fit.direction).toBe('falling')
    expect(fit.steps.map(s => Number(Number(s.seconds).toFixed(2)))).toEqual([4.2, 2.1, 1.05, 0.53, 0.26])
  })

  it('kept, is what the profile says, with the trials behind it; what was measured too little stays declared', () => {
    const short = run({ takes: [...run().takes.slice(0, 3), ...run().takes.slice(3, 5)] })
    const form = withMeasured(body('tollgate'), short, resultOf(body('tollgate'), short))
    const setting = form.settings.find(s => s.id === 'stick')
    expect(setting?.options[0]).toMatchObject({
      means: { 'track.hold': 4.2 },
      measured: { 'track.hold': { trials: 3, on: '2027-03-01' } },
    })
    expect(setting?.options[1]).toEqual(body('tollgate').settings.find(s => s.id === 'stick')?.options[1])
  })

  it('states the first acquisition as a share of the fastest step, which nobody declares in seconds', () => {
    const opening = run({
      dimension: 'track.acquire',
      setting: 'opening-run',
      reactions: [],
      takes: Object.entries({ walk: 1.2, trot: 0.6, gallop: 0.3 }).flatMap(([step, seconds]) =>
        [0.9, 1, 1.1].map(f => ({ step, seconds: seconds * f })),
      ),
    })
    const tollgate = body('tollgate')
    const form = withMeasured(tollgate, opening, resultOf(tollgate, opening))
    const options = form.settings.find(s => s.id === 'opening-run')?.options ?? []
    expect(options.map(o => o.means['track.acquire'])).toEqual([0.25, 0.5, 1])
    for (const o of options) {
      const { low, high } = o.measured?.['track.acquire'] ?? { low: 1, high: 0 }
      expect(low).toBeLessThanOrEqual(o.means['track.acquire'] as number)
      expect(high).toBeGreaterThanOrEqual(o.means['track.acquire'] as number)
      expect(high).toBeLessThanOrEqual(1)
    }
    // Who wants half of it wants the step that takes twice as long as the fastest.
    const fit = resultOf(tollgate, opening)
    expect(stepFor(fit, secondsFor(opening, fit, 0.5))?.step).toBe('trot')
    expect(secondsFor(run(), fit, 0.5)).toBe(0.5)
    expect(scaleOf(tollgate, opening)?.steps.map(s => s.seconds)).toEqual([undefined, undefined, undefined])
    // What never arrived has no speed: it stays as it is declared.
    const never = run({ ...opening, takes: opening.takes.map(t => (t.step === 'walk' ? { ...t, never: true } : t)) })
    const kept = withMeasured(tollgate, never, resultOf(tollgate, never))
    expect(kept.settings.find(s => s.id === 'opening-run')?.options[0]?.means['track.acquire']).toBe(0.4)
  })

  it('knows what on a body can be measured, and which of it is a scale', () => {
    const of = (id: string) => measurableOn(body(id)).map(m => [m.dimension, m.setting.id, m.isScale])
    expect(of('tollgate')).toEqual([
      ['track.hold', 'stick', true],
      ['track.switch', 'nerve', true],
      ['track.acquire', 'opening-run', true],
    ])
    expect(of('linnet')).toContainEqual(['track.hold', 'temper', false])
    expect(scaleOf(body('wicket'), run())).toBeUndefined()
    expect(() => resultOf(body('wicket'), run())).toThrow('no scale of track.hold')
  })

  it.each([
    [{ takes: [] }, 'at least one take'],
    [{ on: 'yesterday' }, 'expected a day'],
    [{ format: 'coherion.run/9' }, 'later version'],
    [{ dimension: 'area.pattern' }, 'dimension'],
  ])('is refused with the place where it is wrong (%#)', (change, words) => {
    const parsed = parseRun({ ...run(), ...change }, 'run.json')
    expect(parsed.ok ? '' : JSON.stringify(parsed.problems)).toContain(words)
  })

  it('written and read again is the same run', () => {
    expect(parseRun(JSON.parse(JSON.stringify(run())), 'run.json')).toEqual({ ok: true, value: run() })
  })
})

describe('bodies beside each other', () => {
  it('are alike within the longest over the shortest; outside is who cannot be inside, however much was meant', () => {
    const times = [
      { body: 'a', seconds: 1.2, band: [1, 1.4] as const },
      { body: 'b', seconds: 2.4, band: [2.1, 2.8] as const },
      { body: 'c', seconds: 0.6, band: undefined },
      { body: 'd', seconds: 1.7, band: [1.4, 2] as const },
    ]
    expect(alikeOf(times, 1.2, 0.3)).toEqual({ factor: 4, outside: ['b', 'c'], declared: ['c'] })
    expect(alikeOf([], 1).factor).toBe(1)
  })
})
