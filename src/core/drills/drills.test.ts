import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { factoryState } from '../bodies'
import { todayOf } from '../controls/today'
import { random } from '../numeric/random'
import { PASSAGES } from '../rehearsal/passages'
import { prepare } from '../rehearsal/rehearse'
import { manyRuns } from '../rehearsal/runs'
import { setUpOf } from '../rehearsal/set-up'
import { curveOf, heldMinutes, meets, restSeconds, standingOf, type Try } from './drills'
import { handsOf } from './hands'
import { afterAnswer, type Memory, toAsk } from './memory'
import { padsOf } from './pad'
import { keyQuestions, ownQuestions, wordQuestions } from './questions'
import { anyRows, menuTreeOf, raceFigures } from './race'
import { angleToThird, judgeTurn, type Portrait, sharpInFront, type TurnEvent, type TurnSample } from './recompose'
import { type AimSample, steadiness } from './track'

const tried = (i: number, more: Partial<Try> = {}): Try => ({
  id: `try-${i}`,
  drill: 'hold',
  made: `2026-05-0${1 + (i % 3)}T10:0${i % 10}:00.000Z`,
  seconds: 40,
  heldSeconds: 18,
  right: 8,
  of: 10,
  figure: 400 + 10 * i,
  ...more,
})

describe('tries', () => {
  it('meet a mark by their share and their figure', () => {
    expect(meets(tried(0), { share: 0.8 })).toBe(true)
    expect(meets(tried(0), { share: 0.81 })).toBe(false)
    expect(meets(tried(0), { share: 0.8, most: 399 })).toBe(false)
    expect(meets({ right: 1, of: 1, figure: undefined }, { share: 0.8, most: 399 })).toBe(false)
  })

  it('become a curve of days with middle and spread, and a standing over the newest ten', () => {
    const tries = [1, 2, 3, 4, 5, 6].map(i => tried(i))
    expect(curveOf(tries).map(d => [d.day, d.tries, d.median])).toEqual([
      ['2026-05-01', 2, 445],
      ['2026-05-02', 2, 425],
      ['2026-05-03', 2, 435],
    ])
    expect(standingOf(tries)).toMatchObject({ tries: 6, median: 435, share: 0.8 })
    expect(standingOf([])).toBeUndefined()
    expect(heldMinutes(tries, '2026-05-02')).toBeCloseTo(0.6, 9)
  })

  it('that strain the hand are followed by a rest, a longer one after two minutes of holding', () => {
    const at = Date.parse('2026-05-01T10:00:40.000Z')
    const one = tried(0, { made: '2026-05-01T10:00:00.000Z' })
    expect(restSeconds([one], at)).toBe(20)
    expect(restSeconds([one], at + 15_000)).toBe(5)
    expect(restSeconds([one], at + 25_000)).toBe(0)
    expect(restSeconds([tried(0, { ...one, heldSeconds: 130 })], at)).toBe(120)
    expect(restSeconds([tried(0, { ...one, drill: 'called' })], at)).toBe(0)
  })
})

describe('hands measured by tracking', () => {
  /** An Ornstein-Uhlenbeck process, stepped exactly. */
  const wander = (sd: number, seconds: number, seed: number): readonly AimSample[] => {
    const { next } = random(seed)
    const normal = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())
    const keeps = Math.exp(-1 / 60 / seconds)
    let [x, y] = [0, 0]
    return Array.from({ length: 60 * 240 }, (_, i) => {
      x = x * keeps + sd * Math.sqrt(1 - keeps * keeps) * normal()
      y = y * keeps + sd * Math.sqrt(1 - keeps * keeps) * normal()
      return { at: (i * 1000) / 60, dx: x + 0.3, dy: y }
    })
  }

  it('gives back the spread and the time constant of a known process, and where it lies on the whole', () => {
    for (const [sd, seconds] of [
      [0.4, 0.5],
      [1.1, 0.3],
      [0.16, 0.8],
    ] as const) {
      const found = [1, 2, 3].map(seed => steadiness(wander(sd, seconds, seed), { halfWidth: 1, halfHeight: 1 }))
      for (const f of found) {
        expect(f?.degrees).toBeGreaterThan(sd * 0.85)
        expect(f?.degrees).toBeLessThan(sd * 1.15)
        expect(f?.seconds).toBeGreaterThan(seconds * 0.7)
        expect(f?.seconds).toBeLessThan(seconds * 1.4)
        expect(f?.aside).toBeGreaterThan(0.3 - sd * 0.25)
        expect(f?.aside).toBeLessThan(0.3 + sd * 0.25)
      }
    }
  })

  it('says nothing of a try that was hardly begun', () => {
    expect(steadiness(wander(0.4, 0.5, 1).slice(0, 100), { halfWidth: 1, halfHeight: 1 })).toBeUndefined()
    expect(steadiness([], { halfWidth: 1, halfHeight: 1 })).toBeUndefined()
  })

  it('become hands of a rehearsal after three tries: unsteady ones keep less', () => {
    const track = (figure: number, n: number, by: Try['by'] = 'motion') =>
      Array.from({ length: n }, (_, i) =>
        tried(i, { id: `t-${figure}-${i}`, drill: 'track', figure, backSeconds: 0.5, ...(by ? { by } : {}) }),
      )
    expect(handsOf(track(0.3, 2))).toBeUndefined()
    expect(handsOf(track(0.3, 5, 'keys'))).toBeUndefined()
    expect(handsOf([...track(0.9, 3, 'pointer'), ...track(0.3, 3)])).toMatchObject({
      degrees: 0.3,
      track: 3,
      reaction: 0.3,
    })
    expect(handsOf([...track(0.3, 3), tried(1), tried(2), tried(3)])).toMatchObject({
      reaction: 0.42,
      right: 0.8,
      hold: 3,
    })
    const [passage] = PASSAGES.filter(p => p.id === 'rope-walker')
    const body = { sensor: { widthMm: 36, heightMm: 24 }, leastFace: undefined, frameRate: undefined }
    const kept = (figure: number) => {
      const hands = handsOf(track(figure, 3))
      if (!hands || !passage) throw new Error('no hands')
      const { setUp } = setUpOf({}, body, { focalMm: 300, fNumber: 4 }, hands, 'thumb-start')
      return manyRuns(prepare(passage, setUp), 60).reduce((n, r) => n + r.sharp, 0)
    }
    expect(kept(0.2)).toBeGreaterThan(kept(2))
  })
})

describe('a turn to the third line', () => {
  const portrait: Portrait = { widthMm: 36, heightMm: 24, focalMm: 50, fNumber: 8, metres: 2 }
  /** Still, turned evenly in 400 ms, still. */
  const turn = (degrees: number, nod = 0): readonly TurnSample[] =>
    Array.from({ length: 150 }, (_, i) => {
      const at = i * 20
      const share = Math.min(1, Math.max(0, (at - 1000) / 400))
      return { at, yaw: degrees * share, pitch: nod * Math.sin(share * Math.PI) }
    })
  const events = (...kinds: readonly (readonly [number, TurnEvent['kind']])[]) =>
    kinds.map(([at, kind]) => ({ at, kind }))
  const once = events([500, 'hold'], [1900, 'release'])

  it('is atan(w / 6f): 6.84 degrees for 36 mm of frame behind 50 mm', () => {
    expect(angleToThird(portrait)).toBeCloseTo(6.84, 2)
  })

  it('passes where it was focused once, turned as far and taken at rest; the plane moves by d (1 - cos t)', () => {
    const judged = judgeTurn(turn(6.84), once, portrait)
    expect(judged?.faults).toEqual([])
    expect(judged?.shift).toBeCloseTo(2 * (1 - Math.cos((6.84 * Math.PI) / 180)), 6)
    expect(judged?.heldSeconds).toBeCloseTo(1.4, 6)
  })

  it('names what went wrong', () => {
    const faults = (samples: readonly TurnSample[], e: readonly TurnEvent[], p = portrait) =>
      judgeTurn(samples, e, p)?.faults
    expect(faults(turn(6.84), events([500, 'hold'], [900, 'let-go'], [1600, 'hold'], [1900, 'release']))).toContain(
      'two-tones',
    )
    expect(faults(turn(6.84), events([1900, 'release']))).toContain('no-focus')
    expect(faults(turn(6.84), events([1150, 'hold'], [1900, 'release']))).toContain('turned-first')
    expect(faults(turn(3), once)).toEqual(['short'])
    expect(faults(turn(12), once)).toEqual(['far'])
    expect(faults(turn(6.84, 9), once)).toEqual(['nodded'])
    expect(faults(turn(6.84), events([500, 'hold'], [1300, 'release']))).toContain('in-motion')
    // Close up and wide open, the plane moves further than is sharp.
    expect(faults(turn(9.7), once, { ...portrait, focalMm: 35, fNumber: 1.4, metres: 0.4 })).toEqual(['soft'])
    expect(judgeTurn(turn(6), events([500, 'hold']), portrait)).toBeUndefined()
  })

  it('knows what is sharp in front: s (H - f) / (H + s - 2f) from the handbook formula', () => {
    const c = Math.hypot(36, 24) / 1500
    const H = (50 * 50) / (8 * c) + 50
    const near = (2000 * (H - 50)) / (H + 2000 - 2 * 50)
    expect(sharpInFront(portrait)).toBeCloseTo((2000 - near) / 1000, 3)
  })
})

describe('what is remembered', () => {
  const at = '2026-05-01T10:00:00.000Z'
  it('comes back later after each right answer, and soon after a wrong one', () => {
    let memory: Memory | undefined
    let when = at
    const days: number[] = []
    for (let i = 0; i < 6; i++) {
      memory = afterAnswer(memory, { isRight: true, seconds: 6, at: when })
      days.push((Date.parse(memory.due) - Date.parse(when)) / 86_400_000)
      when = memory.due
    }
    expect(days.slice(1).every((d, i) => d >= (days[i] ?? 0))).toBe(true)
    expect(days.at(-1)).toBeGreaterThan(20)
    const forgot = afterAnswer(memory, { isRight: false, seconds: 6, at: when })
    expect((Date.parse(forgot.due) - Date.parse(when)) / 86_400_000).toBeLessThan(1)
    expect(forgot.lapses).toBe(1)
  })

  it('is asked when it is due, then what is new by its surprise; before a job whatever surprises', () => {
    const questions = ['a', 'b', 'c', 'd'].map((key, i) => ({ key, surprise: i }))
    const memory = (due: string, isRight: boolean): Memory => ({
      ...afterAnswer(undefined, { isRight, seconds: 6, at }),
      due,
    })
    const memories = new Map([
      ['a', memory('2026-04-30T00:00:00.000Z', false)],
      ['d', memory('2026-06-30T00:00:00.000Z', true)],
    ])
    expect(toAsk(questions, memories, { at, most: 9 }).map(q => q.key)).toEqual(['a', 'c', 'b'])
    expect(toAsk(questions, memories, { at, most: 3, isBeforeJob: true }).map(q => q.key)).toEqual(['a', 'c', 'b'])
  })
})

describe('questions between the bodies somebody carries', () => {
  const bodies = demoBodies().slice(0, 6)
  const inHand = bodies.map(body => ({ body, keys: todayOf(body, factoryState(body)) }))
  const all = [
    ...keyQuestions(inHand),
    ...bodies.flatMap(ownQuestions),
    ...bodies.flatMap(a => bodies.filter(b => b !== a).flatMap(b => wordQuestions(a, b))),
  ]

  it('each has one right answer among two to four different ones, and a key of its own', () => {
    expect(all.length).toBeGreaterThan(200)
    expect(new Set(all.map(q => q.key)).size).toBe(all.length)
    for (const q of all) {
      expect(
        q.choices.filter(c => c === q.right),
        q.key,
      ).toHaveLength(1)
      expect(new Set(q.choices).size, q.key).toBe(q.choices.length)
      expect(q.choices.length).toBeGreaterThan(1)
      expect(q.choices.length).toBeLessThan(5)
      expect(q.ask, q.key).not.toContain('undefined')
    }
  })

  it('a key’s right answer is the control that carries the function as the body is set', () => {
    for (const { body, keys } of inHand)
      for (const q of keyQuestions(inHand).filter(x => x.key.startsWith(`key ${body.id} `))) {
        const fn = q.key.split(' ')[2] ?? ''
        const state = factoryState(body)
        const setting = body.settings.filter(s => {
          const means = s.options.find(o => o.id === state[s.id])?.means[fn]
          return typeof means === 'object' && 'control' in means && means.control === keys[fn]
        })
        expect(setting.length, q.key).toBeGreaterThan(0)
        expect(body.controls.find(c => c.id === keys[fn])?.label).toBe(q.right)
      }
  })

  it('a wrong answer is never a row that says the same thing', () => {
    for (const a of bodies)
      for (const b of bodies.filter(x => x !== a))
        for (const q of wordQuestions(a, b).filter(x => x.key.startsWith('word '))) {
          const concept = q.key.split(' ')[3] ?? ''
          const rows = b.settings.filter(s => s.options.some(o => o.means[concept] !== undefined)).map(s => s.label)
          const also = q.choices.filter(c => c !== q.right && rows.includes(c))
          expect(also, `${q.ask} ${q.right}`).toEqual([])
        }
  })
})

describe('keys on a glass', () => {
  it('lie where the body has them, and never over each other or the edge', () => {
    const { next } = random(5)
    for (let round = 0; round < 200; round++) {
      const at = Array.from({ length: 2 + (round % 5) }, (_, i) => ({ id: `k${i}`, x: next(), y: next() }))
      const size = 64
      const pads = padsOf(at, { width: 420, height: 300, size })
      pads.forEach((a, i) => {
        expect(a.x).toBeGreaterThanOrEqual(size / 2)
        expect(a.y).toBeLessThanOrEqual(300 - size / 2)
        for (const b of pads.slice(i + 1))
          expect(Math.hypot(a.x - b.x, a.y - b.y), `${round}`).toBeGreaterThan(size - 2)
      })
    }
    expect(padsOf([{ id: 'a', x: 0.5, y: 0.5 }], { width: 400, height: 200, size: 60 })).toEqual([
      { id: 'a', x: 200, y: 100 },
    ])
  })
})

describe('a menu race', () => {
  it('holds every row of every body once, in its own page', () => {
    for (const body of demoBodies()) {
      const rows = menuTreeOf(body).tabs.flatMap(t => t.pages.flatMap(p => p.rows))
      expect(rows.map(r => r.id).toSorted()).toEqual(body.settings.map(s => s.id).toSorted())
      expect(anyRows(menuTreeOf(body), 3, 8)).toHaveLength(Math.min(8, body.settings.length))
    }
  })

  it('counts rows found without a wrong turn, and seconds for each', () => {
    expect(
      raceFigures([
        { seconds: 4, wrongTurns: 0 },
        { seconds: 8, wrongTurns: 2 },
      ]),
    ).toEqual({ right: 1, of: 2, seconds: 12, figure: 6 })
  })
})
