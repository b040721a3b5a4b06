import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { defocusBlurMm } from '../optics/defocus'
import { damped, gainsFor, LOOK_SECONDS, takenUp } from './filter'
import { PASSAGES } from './passages'
import { plainRun } from '../../../test/fixtures/rehearsal'
import { blurBy, emptyTrace, prepare, rehearse, STATES } from './rehearse'
import { differenceOf, manyRuns, type Summary, summaryOf, sweep, SWEEPS } from './runs'
import { type Passage, passageSchema, pathOf } from './scene'
import { ASSUMED, HAND_FIGURES, type SetUp, setUpOf } from './set-up'
import { parseWith } from '../reading/problem'

const SET_UP: SetUp = {
  ...ASSUMED,
  areaWidth: 0.08,
  areaHeight: 0.12,
  isCameraPicking: false,
  isFollowing: false,
  finds: 'nothing',
  holdSeconds: 0.7,
  switchSeconds: 0.4,
  isSearching: true,
  nearLimit: 2,
  farLimit: 0,
  framesPerSecond: 10,
  isFocusingBetween: true,
  waits: 'release',
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  focalMm: 200,
  fNumber: 2.8,
  school: 'thumb-start',
  hands: 'practised',
}
const STEADY: Passage = {
  id: 'steady',
  name: 'Somebody comes',
  seconds: 6,
  subject: {
    width: 0.5,
    height: 1.7,
    face: 0.22,
    path: [
      { at: 0, metres: 30 },
      { at: 6, metres: 12 },
    ],
    unsteady: 1,
  },
  crossings: [],
  background: { metres: 60, contrast: 0.6 },
  light: 0.9,
}
const RUNS = 150
const of = (passage: Partial<Passage>, setUp: Partial<SetUp> = {}, runs = RUNS): Summary =>
  summaryOf(manyRuns(prepare({ ...STEADY, ...passage }, { ...SET_UP, ...setUp }), runs))
/** The first keeps more, and it is no chance. */
const expectMore = (a: Summary, b: Summary) => expect(differenceOf(a, b).low).toBeGreaterThan(0)
const subject = (more: Partial<Passage['subject']>): Partial<Passage> => ({ subject: { ...STEADY.subject, ...more } })

describe('the filter', () => {
  it('lags behind a constant acceleration by a T^2 (1 - g) / h (Brookner 1998, section 1.2.4)', () => {
    for (const response of [0.3, 0.6, 0.9]) {
      const still = { ...STEADY, seconds: 20 }
      const ideal = { ...SET_UP, response, noiseCircles: 0, lagSeconds: 0, driveSpeed: 1e6, driveAcceleration: 1e9 }
      const p = prepare(still, { ...ideal, hands: 'very-steady', isFollowing: true, areaWidth: 0.05, areaHeight: 0.05 })
      const acceleration = 0.004
      for (let i = 0; i < p.steps; i++) p.subject[i] = 0.05 + (acceleration / 2) * (i * LOOK_SECONDS) ** 2
      const trace = emptyTrace(p)
      rehearse(p, 1, trace)
      const { g, h } = gainsFor(response)
      const lag = (p.subject[p.steps - 1] ?? 0) - (trace.focus[p.steps - 1] ?? 0)
      expect(lag / ((acceleration * LOOK_SECONDS ** 2 * (1 - g)) / h)).toBeCloseTo(1, 2)
    }
  })

  it('takes up as much of a change of speed as is asked for', () => {
    for (const response of [0.1, 0.35, 0.6, 0.95]) expect(takenUp(gainsFor(response))).toBeCloseTo(response, 3)
    // Critically damped: g^2 = 4 h gives nothing; theta ties the two together.
    expect(damped(0.5)).toEqual({ g: 0.75, h: 0.25 })
  })
})

describe('the hand', () => {
  it('wanders as an Ornstein-Uhlenbeck process does: its variance is s^2 / (2 theta)', () => {
    const p = prepare({ ...STEADY, seconds: 120 }, SET_UP)
    const all = Array.from({ length: 30 }, (_, seed) => {
      const trace = emptyTrace(p)
      rehearse(p, seed + 1, trace)
      return [...trace.aimX]
    }).flat()
    const variance = all.reduce((sum, x) => sum + x * x, 0) / all.length
    const degreesAcross = (2 * Math.atan(36 / (2 * 200)) * 180) / Math.PI
    const { degrees, seconds } = HAND_FIGURES.practised
    const [theta, s] = [1 / seconds, Math.sqrt(2 / seconds) * (degrees / degreesAcross)]
    expect(variance / ((s * s) / (2 * theta))).toBeGreaterThan(0.94)
    expect(variance / ((s * s) / (2 * theta))).toBeLessThan(1.06)
  })
})

describe('a frame', () => {
  it('is blurred as the Optics desk reckons', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1.2, noNaN: true }),
        fc.double({ min: 0.02, max: 1.2, noNaN: true }),
        (there, lens) => {
          const [focusAt, at] = [1 / lens - 0.2, 1 / there - 0.2]
          const magnification = 0.2 / (focusAt - 0.2)
          const wanted = defocusBlurMm({ focalMm: 200, fNumber: 2.8, magnification, focusAt, at })
          expect(blurBy(SET_UP)(there, lens)).toBeCloseTo(wanted, 9)
        },
      ),
    )
  })

  it('is the same for the same seed, and another one for another', () => {
    const p = prepare(PASSAGES[6] ?? STEADY, SET_UP)
    expect(rehearse(p, 7)).toEqual(rehearse(p, 7))
    expect(new Set([1, 2, 3, 4, 5].map(s => JSON.stringify(rehearse(p, s)))).size).toBeGreaterThan(1)
    const trace = emptyTrace(p)
    // Watching changes nothing.
    expect(rehearse(p, 7, trace)).toEqual(rehearse(p, 7))
    expect(trace.frames.length).toBeGreaterThan(40)
  })
})

describe('a run', () => {
  it('agrees frame by frame with the model written down a second time, plainly', () => {
    const setUps: readonly Partial<SetUp>[] = [
      {},
      { school: 'shutter-start', hands: 'first-month', waits: 'focus' },
      { isCameraPicking: true, areaWidth: 1, areaHeight: 1, waits: 'balanced', isSearching: false },
      { finds: 'whole-frame', school: 'two-thumbs', holdSeconds: 0.1, isFollowing: true },
      { finds: 'inside-area', isFocusingBetween: false, farLimit: 0.03, response: 0.9 },
    ]
    let frames = 0
    const crowded = {
      ...STEADY,
      id: 'crowded',
      others: { faces: 5, metres: 9 },
      shake: 0.8,
      crossings: [{ at: 2, seconds: 0.8, metres: 6, covers: 0.4 }],
    }
    for (const passage of [...PASSAGES, crowded])
      for (const more of setUps) {
        const setUp = { ...SET_UP, focalMm: 85, ...more }
        const p = prepare(passage, setUp)
        for (let seed = 1; seed <= 4; seed++) {
          const trace = emptyTrace(p)
          rehearse(p, seed, trace)
          const plain = plainRun(passage, setUp, seed)
          expect(trace.frames, `${passage.name}, seed ${seed}`).toEqual(plain.frames)
          expect([...trace.state].map(s => STATES[s])).toEqual(plain.states)
          frames += plain.frames.length
        }
      }
    expect(frames).toBeGreaterThan(10_000)
  })
})

describe('others and the ground', () => {
  it('among many faces the whole frame takes another one, and detection inside the area stays', () => {
    const others = { faces: 7, metres: 8 }
    const whole = { finds: 'whole-frame', isCameraPicking: true, areaWidth: 1, areaHeight: 1 } as const
    const inside = { finds: 'inside-area', isCameraPicking: false, areaWidth: 0.12, areaHeight: 0.18 } as const
    expectMore(of({ others }, inside), of({ others }, whole))
    // Alone in view, the whole frame is as good as it was.
    expectMore(of({}, whole), of({ others }, whole))
    expect(of({ others: { faces: 0, metres: 8 } }, whole)).toEqual(of({}, whole))
  })

  it('a ground that shakes adds its variance to that of the hand', () => {
    const aimOf = (passage: Partial<Passage>) => {
      const p = prepare({ ...STEADY, seconds: 100, ...passage }, { ...SET_UP, hands: 'practised', focalMm: 100 })
      const trace = emptyTrace(p)
      let [power, n] = [0, 0]
      for (let seed = 1; seed <= 30; seed++) {
        rehearse(p, seed, trace)
        for (const x of trace.aimX) power += x * x
        n += trace.aimX.length
      }
      return power / n
    }
    const [hand, both] = [aimOf({}), aimOf({ shake: 0.9 })]
    expect(both / hand).toBeGreaterThan(0.93 * (1 + (0.9 / 0.42) ** 2))
    expect(both / hand).toBeLessThan(1.07 * (1 + (0.9 / 0.42) ** 2))
    expectMore(of({}), of({ shake: 3 }))
  })
})

// Directions are common practice, no published source.
describe('what is known to happen, happens', () => {
  it('a subject at constant speed and a drive without limits are always sharp', () => {
    const ideal = {
      noiseCircles: 0,
      driveSpeed: 1e6,
      driveAcceleration: 1e9,
      response: 0.95,
    }
    const p = prepare(STEADY, { ...SET_UP, ...ideal, hands: 'very-steady', isFollowing: true })
    for (let i = 0; i < p.steps; i++) p.subject[i] = 0.03 + 0.004 * i * LOOK_SECONDS
    expect(summaryOf(manyRuns(p, 40)).share).toBe(1)
  })

  it('a practised hand on a steady passage lies in the high eighties, and a first month well below', () => {
    const practised = of({})
    expect(practised.share).toBeGreaterThan(0.84)
    expect(practised.share).toBeLessThan(0.93)
    expectMore(practised, of({}, { hands: 'first-month' }))
  })

  it('a small area and an unsteady hand fall off', () => {
    const hands = 'first-month' as const
    expectMore(
      of({}, { hands, areaWidth: 0.12, areaHeight: 0.18 }),
      of({}, { hands, areaWidth: 0.02, areaHeight: 0.03 }),
    )
  })

  it('a stubborn setting keeps focus past a short obstacle, and misses a true change', () => {
    const short = { crossings: [{ at: 2, seconds: 0.5, metres: 6, covers: 0.8 }] }
    const held = { school: 'shutter-start', hands: 'very-steady' } as const
    expectMore(of(short, { ...held, holdSeconds: 2 }), of(short, { ...held, holdSeconds: 0.1 }))
    // What it has wrongly taken hold of it leaves late as well.
    const long = { crossings: [{ at: 0, seconds: 1.5, metres: 6, covers: 0.8 }] }
    expectMore(of(long, { ...held, holdSeconds: 0.1 }), of(long, { ...held, holdSeconds: 2 }))
  })

  it('the whole frame takes the nearest thing, and a point does not', () => {
    const near = { crossings: [{ at: 1, seconds: 4, metres: 5, covers: 0.1 }] }
    expectMore(of(near), of(near, { areaWidth: 1, areaHeight: 1, isCameraPicking: true }))
  })

  it('detection fails under a size and a light', () => {
    const unsteady = { hands: 'first-month', finds: 'whole-frame', areaWidth: 0.03, areaHeight: 0.04 } as const
    const found = of({}, { ...unsteady, leastFace: 0.005 })
    expectMore(found, of({}, { ...unsteady, leastFace: 0.5 }))
    const dim = { light: 0.1 }
    expectMore(of(dim, { ...unsteady, leastFace: 0.005, leastLight: 0.05 }), of(dim, { ...unsteady, leastFace: 0.005 }))
  })

  it('prediction helps a steady approach, and too much of it makes it restless', () => {
    expectMore(of({}, { response: 0.4 }), of({}, { response: 0.1 }))
    expectMore(of({}, { response: 0.4 }), of({}, { response: 0.98 }))
    const stop = subject({
      path: [
        { at: 0, metres: 30 },
        { at: 3, metres: 15 },
        { at: 3.2, metres: 14.6 },
        { at: 6, metres: 14.6 },
      ],
    })
    // On a sudden stop a slow filter overshoots for longer.
    expectMore(of(stop, { response: 0.6 }), of(stop, { response: 0.3 }))
  })

  it('a body that does not focus between frames loses what comes closer', () => {
    expectMore(of({}), of({}, { isFocusingBetween: false }))
    const still = subject({ path: [{ at: 0, metres: 20 }] })
    expect(of(still, { isFocusingBetween: false }).share).toBeGreaterThan(0.8)
  })

  it('focus priority costs frames', () => {
    const hands = 'first-month' as const
    expect(of({}, { hands, waits: 'release' }).notTaken).toBe(0)
    expect(of({}, { hands, waits: 'focus' }).notTaken).toBeGreaterThan(0)
  })

  it('the thumb on a still subject beats holding the shutter', () => {
    const still = subject({ width: 0.3, height: 0.3, path: [{ at: 0, metres: 8 }] })
    expectMore(of(still), of(still, { school: 'shutter-start' }))
  })

  it('a small near subject before a far background is never found without help', () => {
    const small: Partial<Passage> = {
      ...subject({ width: 0.012, height: 0.012, face: 0, path: [{ at: 0, metres: 1.5 }] }),
      background: { metres: 500, contrast: 0.8 },
    }
    expect(of(small, {}, 40).never).toBe(40)
    // A limiter, or a nearer first aim, brings it within reach.
    expect(of(small, { farLimit: 0.55 }, 40).never).toBe(0)
  })

  it('two schools differ where something comes between', () => {
    const club = PASSAGES.find(p => p.id === 'club-passing') ?? STEADY
    const at = (school: SetUp['school']) =>
      summaryOf(
        manyRuns(prepare(club, { ...SET_UP, school, focalMm: 135, holdSeconds: 0.1, hands: 'practised' }), RUNS),
      )
    expectMore(at('thumb-start'), at('shutter-start'))
  })
})

describe('scenes', () => {
  it('that ship are thirteen, and can be played by every pair of hands', () => {
    expect(PASSAGES).toHaveLength(13)
    for (const passage of PASSAGES) {
      expect(parseWith(passageSchema, passage, passage.name)).toMatchObject({ ok: true })
      const { frames, share } = summaryOf(manyRuns(prepare(passage, { ...SET_UP, focalMm: 100 }), 5))
      expect(frames).toBeGreaterThan(100)
      expect(Number.isFinite(share)).toBe(true)
    }
  })

  it('that cannot be are refused in words', () => {
    const said = (more: object) => {
      const parsed = parseWith(passageSchema, { ...STEADY, ...more }, 'scene')
      return parsed.ok ? '' : parsed.problems.map(p => p.expected).join()
    }
    expect(said(subject({ path: [] }))).toContain('at least one place')
    expect(said(subject({ path: [{ at: 0, metres: 0 }] }))).toContain('nothing goes through the camera')
    expect(said({ crossings: [{ at: -1, seconds: 1, metres: 3, covers: 0.5 }] })).toContain('a time from 0 on')
    expect(
      said(
        subject({
          path: [
            { at: 2, metres: 5 },
            { at: 1, metres: 5 },
          ],
        }),
      ),
    ).toContain('one after the other')
    expect(said(subject({ width: 1e9 }))).not.toBe('')
  })

  it('follow a path that goes through its places and overshoots none', () => {
    const places = fc
      .uniqueArray(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 8 })
      .chain(times =>
        fc.tuple(
          fc.constant(times.sort((a, b) => a - b)),
          fc.array(fc.integer({ min: 1, max: 50 }), { minLength: times.length, maxLength: times.length }),
        ),
      )
    fc.assert(
      fc.property(places, ([times, metres]) => {
        const at = pathOf(times.map((t, i) => ({ at: t, metres: metres[i] ?? 1 })))
        times.forEach((t, i) => expect(at(t)).toBeCloseTo(metres[i] ?? 1, 6))
        for (let i = 1; i < times.length; i++) {
          const [low, high] = [metres[i - 1] ?? 0, metres[i] ?? 0].sort((a, b) => a - b) as [number, number]
          for (let s = 0; s <= 1; s += 0.1) {
            const y = at((times[i - 1] ?? 0) * (1 - s) + (times[i] ?? 0) * s)
            expect(y).toBeGreaterThanOrEqual(low - 1e-9)
            expect(y).toBeLessThanOrEqual(high + 1e-9)
          }
        }
      }),
    )
  })
})

describe('set-ups', () => {
  it('come from what a body is set to, and say what was assumed', () => {
    const facts = { sensor: { widthMm: 23.5, heightMm: 15.6 }, leastFace: 0.03, frameRate: undefined }
    const { setUp, assumed } = setUpOf(
      {
        'area.pattern': { pattern: 'block', width: 0.1, height: 0.15, chooser: 'operator', follow: 'automatic' },
        'subject.class': 'people',
        'subject.scope': 'inside-area',
        'track.hold': 'never',
        'release.next': 'focus',
      },
      facts,
      { focalMm: 85, fNumber: 2 },
      'practised',
      'thumb-stop',
    )
    expect(setUp).toMatchObject({
      areaWidth: 0.1,
      isFollowing: true,
      finds: 'inside-area',
      leastFace: 0.03,
      waits: 'focus',
    })
    expect(setUp.holdSeconds).toBeGreaterThan(120)
    expect(assumed).toEqual(['track.response'])
  })
})

describe('a sweep', () => {
  it('tries every pair once, the coarse ones first, and finds what helps', () => {
    const cells = [...sweep(STEADY, { ...SET_UP, hands: 'first-month' }, 'response', 'area', 10)]
    expect(new Set(cells.map(c => `${c.column} ${c.row}`)).size).toBe(81)
    expect(cells.slice(0, 9).every(c => c.column % 4 === 0 && c.row % 4 === 0)).toBe(true)
    const row = (r: number) => cells.filter(c => c.row === r).reduce((sum, c) => sum + c.share, 0)
    expect(row(SWEEPS.area.values.indexOf(0.15))).toBeGreaterThan(row(0))
  })
})

describe('intervals', () => {
  it('hold the share of very many passages about 95 times of 100', () => {
    const p = prepare(STEADY, { ...SET_UP, hands: 'first-month' })
    const truth = summaryOf(manyRuns(p, 4000)).share
    let held = 0
    const times = 100
    for (let i = 0; i < times; i++) {
      const { interval } = summaryOf(manyRuns(p, 40, 5000 + i * 40))
      if (interval.low <= truth && truth <= interval.high) held++
    }
    expect(held).toBeGreaterThanOrEqual(89)
  })
})
