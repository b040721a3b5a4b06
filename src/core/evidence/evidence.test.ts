import { describe, expect, it } from 'vitest'
import { random } from '../numeric/random'
import { kappa } from './agreement'
import { fisher, holm } from './exact'
import { below, quantileOf, Z95 } from './normal'
import { balancedBlocks, williamsSquare } from './order'
import { difference, pairedDifference, wilson } from './shares'
import { demandFor, differenceTold, framesToTell } from './size'
import { medianWait, stillWaiting, type Wait } from './survival'
import { together } from './together'

const rounded = ({ low, high }: { readonly low: number; readonly high: number }, to = 4) => [
  Number(low.toFixed(to)),
  Number(high.toFixed(to)),
]

describe('shares', () => {
  it('have the intervals of Newcombe (1998), Statistics in Medicine 17:857-872, table I, method 3', () => {
    expect(rounded(wilson({ kept: 81, of: 263 }))).toEqual([0.2553, 0.3662])
    expect(rounded(wilson({ kept: 15, of: 148 }))).toEqual([0.0624, 0.1605])
    expect(rounded(wilson({ kept: 0, of: 20 }))).toEqual([0, 0.1611])
    expect(rounded(wilson({ kept: 1, of: 29 }))).toEqual([0.0061, 0.1718])
  })

  it('leave everything open where nothing was counted', () => {
    expect(wilson({ kept: 0, of: 0 })).toEqual({ low: 0, high: 1 })
  })

  it('differ as in Newcombe (1998), Statistics in Medicine 17:873-890, table II, method 10', () => {
    expect(rounded(difference({ kept: 56, of: 70 }, { kept: 48, of: 80 }))).toEqual([0.0524, 0.3339])
    // The other rows of that table, from memory.
    expect(rounded(difference({ kept: 9, of: 10 }, { kept: 3, of: 10 }))).toEqual([0.1705, 0.809])
    expect(rounded(difference({ kept: 10, of: 10 }, { kept: 0, of: 20 }))).toEqual([0.6791, 1])
  })

  it('of the same passes differ as in Newcombe (1998), Statistics in Medicine 17:2635-2650, method 10, from memory', () => {
    expect(rounded(pairedDifference({ both: 36, first: 12, second: 2, none: 0 }))).toEqual([0.0569, 0.3404])
  })

  it('hold the truth 93 to 97 times of 100 over a grid of truths, summed exactly', () => {
    const chanceOf = (k: number, n: number, p: number): number => {
      let log = 0
      for (let i = 1; i <= k; i++) log += Math.log((n - k + i) / i)
      return Math.exp(log + k * Math.log(p) + (n - k) * Math.log(1 - p))
    }
    const truths = Array.from({ length: 91 }, (_, i) => (i + 5) / 100)
    for (const n of [20, 40, 100]) {
      const covers = truths.map(p =>
        Array.from({ length: n + 1 }, (_, k) => k).reduce((sum, k) => {
          const { low, high } = wilson({ kept: k, of: n })
          return low <= p && p <= high ? sum + chanceOf(k, n, p) : sum
        }, 0),
      )
      const middle = covers.reduce((a, b) => a + b, 0) / covers.length
      expect(middle).toBeGreaterThan(0.94)
      expect(middle).toBeLessThan(0.96)
      // Counts are whole: at single truths it lies further off, the more so the fewer there are.
      expect(Math.min(...covers)).toBeGreaterThan(n < 100 ? 0.9 : 0.93)
      expect(Math.max(...covers)).toBeLessThan(0.98)
    }
  })

  it('of pairs that say nothing about each other differ nearly as if they were counted apart', () => {
    const apart = difference({ kept: 60, of: 100 }, { kept: 50, of: 100 })
    const paired = pairedDifference({ both: 30, first: 30, second: 20, none: 20 })
    expect(paired.low).toBeCloseTo(apart.low, 3)
    expect(paired.high).toBeCloseTo(apart.high, 3)
  })

  it('over situations differ as one table does where there is one', () => {
    const one = together([{ a: { kept: 8, of: 10 }, b: { kept: 12, of: 30 } }])
    expect(one.is).toBeCloseTo(0.4, 12)
    // sqrt(0.8 0.2 / 10 + 0.4 0.6 / 30)
    expect((one.high - one.low) / 2).toBeCloseTo(Z95 * Math.sqrt(0.024), 10)
  })

  it('over the six departments of Berkeley’s admissions differ as R’s mantelhaen.test says of UCBAdmissions, from memory', () => {
    const departments = [
      [512, 825, 89, 108],
      [353, 560, 17, 25],
      [120, 325, 202, 593],
      [138, 417, 131, 375],
      [53, 191, 94, 393],
      [22, 373, 24, 341],
    ] as const
    const { p } = together(
      departments.map(([kept, of, other, ofOther]) => ({ a: { kept, of }, b: { kept: other, of: ofOther } })),
    )
    expect(p).toBeCloseTo(0.2323, 4)
  })
})

describe('exact tests', () => {
  it('give the lady tasting tea her p, Fisher (1935)', () => {
    const { more, either } = fisher({ kept: 3, of: 4 }, { kept: 1, of: 4 })
    expect(more).toBeCloseTo(0.2429, 4)
    expect(either).toBeCloseTo(0.4857, 4)
  })

  it('agree with dealing every hand there is, on small tables', () => {
    const deal = (kept: number, all: number, hand: number): readonly number[] => {
      const counts: number[] = Array.from({ length: hand + 1 }, () => 0)
      for (let mask = 0; mask < 1 << all; mask++) {
        const bits = mask
          .toString(2)
          .split('')
          .filter(b => b === '1').length
        if (bits !== hand) continue
        // The first `kept` of all are the kept ones.
        const got = (mask & ((1 << kept) - 1))
          .toString(2)
          .split('')
          .filter(b => b === '1').length
        counts[got] = (counts[got] ?? 0) + 1
      }
      return counts
    }
    for (const [x, n, y, m] of [
      [5, 6, 1, 5],
      [2, 4, 3, 6],
      [0, 5, 4, 4],
      [3, 3, 3, 3],
    ] as const) {
      const counts = deal(x + y, n + m, n)
      const total = counts.reduce((a, b) => a + b, 0)
      const here = counts[x] ?? 0
      const { more, either } = fisher({ kept: x, of: n }, { kept: y, of: m })
      expect(more).toBeCloseTo(counts.slice(x).reduce((a, b) => a + b, 0) / total, 9)
      expect(either).toBeCloseTo(counts.filter(c => c <= here).reduce((a, b) => a + b, 0) / total, 9)
    }
  })

  it('are corrected for looking several times as Holm (1979) has it', () => {
    expect(holm([0.01, 0.04, 0.03, 0.005])).toEqual([0.03, 0.06, 0.06, 0.02])
    expect(holm([0.5, 0.9])).toEqual([1, 1])
  })
})

describe('how many frames', () => {
  it('are needed to tell 85 % from 90 %: Fleiss, Levin and Paik', () => {
    expect(framesToTell(0.85, 0.9)).toEqual({ frames: 686, corrected: 726 })
    expect(framesToTell(0.9, 0.85)).toEqual({ frames: 686, corrected: 726 })
    expect(framesToTell(0.5, 0.5)).toEqual({ frames: Infinity, corrected: Infinity })
  })

  it('and what so many would tell are each other’s inverse', () => {
    for (const n of [40, 100, 400]) {
      const told = differenceTold(n, 0.85) ?? NaN
      expect(framesToTell(0.85, 0.85 - told).corrected).toBeLessThanOrEqual(n)
      expect(framesToTell(0.85, 0.85 - told + 0.005).corrected).toBeGreaterThan(n)
    }
    expect(differenceTold(3, 0.3)).toBeUndefined()
  })

  it('are more where more ways are compared, so that each comparison is as sure', () => {
    expect(demandFor(2)).toEqual({ alpha: 0.05, power: 0.8 })
    expect(demandFor(4).alpha).toBeCloseTo(0.05 / 6, 12)
    const needed = [2, 3, 6].map(ways => framesToTell(0.9, 0.75, demandFor(ways)).corrected)
    expect(needed).toEqual(needed.toSorted((a, b) => a - b))
    expect(needed[0]).toBe(113)
  })

  it('give the power that was asked for, by playing it', () => {
    const chance = random(11)
    const { corrected } = framesToTell(0.9, 0.6)
    const kept = (p: number) => Array.from({ length: corrected }, () => chance.chance(p)).filter(Boolean).length
    const found = Array.from(
      { length: 1500 },
      () => fisher({ kept: kept(0.9), of: corrected }, { kept: kept(0.6), of: corrected }).either < 0.05,
    ).filter(Boolean).length
    expect(found / 1500).toBeGreaterThan(0.77)
    expect(found / 1500).toBeLessThan(0.88)
  })
})

describe('waiting', () => {
  // Remission in weeks on 6-mercaptopurine, Freireich et al. (1963), Blood 21:699-716.
  const came = [6, 6, 6, 7, 10, 13, 16, 22, 23]
  const lost = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35]
  const waits: readonly Wait[] = [
    ...came.map(seconds => ({ seconds, gaveUp: false })),
    ...lost.map(seconds => ({ seconds, gaveUp: true })),
  ]

  it('is what Kaplan and Meier make of the 6-mercaptopurine remissions', () => {
    const at = (seconds: number) => stillWaiting(waits).find(s => s.seconds === seconds)
    expect(at(6)?.share).toBeCloseTo(0.857, 3)
    expect(at(10)?.share).toBeCloseTo(0.753, 3)
    expect(at(22)?.share).toBeCloseTo(0.538, 3)
    expect(at(6)).toMatchObject({ at: 21 })
    expect(medianWait(waits)).toBe(23)
  })

  it('has no median where most gave up, and an interval around every share', () => {
    expect(
      medianWait([{ seconds: 1, gaveUp: false }, ...[2, 2, 2].map(seconds => ({ seconds, gaveUp: true }))]),
    ).toBeUndefined()
    for (const { low, share, high } of stillWaiting(waits)) expect(low <= share && share <= high).toBe(true)
  })
})

describe('agreement', () => {
  it('of a worked example is 0.4: 20 and 15 alike, 5 and 10 not (common textbook table, from memory)', () => {
    expect(
      kappa([
        [20, 5],
        [10, 15],
      ]),
    ).toBeCloseTo(0.4, 12)
  })

  it('is 1 for two who never differ, 0 for chance, and none where there is nothing to differ in', () => {
    expect(
      kappa([
        [7, 0, 0],
        [0, 5, 0],
        [0, 0, 2],
      ]),
    ).toBeCloseTo(1, 12)
    expect(
      kappa([
        [25, 25],
        [25, 25],
      ]),
    ).toBeCloseTo(0, 12)
    expect(
      kappa([
        [9, 0],
        [0, 0],
      ]),
    ).toBeUndefined()
    expect(kappa([])).toBeUndefined()
  })
})

describe('order', () => {
  it('has every way after every other equally often, for two to six ways', () => {
    for (const ways of [2, 3, 4, 5, 6]) {
      const square = williamsSquare(ways)
      const pairs = new Map<string, number>()
      for (const row of square) {
        expect(row.toSorted((a, b) => a - b)).toEqual(Array.from({ length: ways }, (_, i) => i))
        row.slice(1).forEach((v, i) => pairs.set(`${row[i]} ${v}`, (pairs.get(`${row[i]} ${v}`) ?? 0) + 1))
      }
      expect(pairs.size).toBe(ways * (ways - 1))
      expect(new Set(pairs.values()).size).toBe(1)
    }
  })

  it('gives every situation every way as often as any', () => {
    const blocks = balancedBlocks(3, 2, 4, random(1))
    expect(blocks).toHaveLength(24)
    for (const situation of [0, 1])
      for (const way of [0, 1, 2])
        expect(blocks.filter(b => b.situation === situation && b.way === way)).toHaveLength(4)
    expect(blocks.map(b => b.situation).join('')).toBe('0'.repeat(12) + '1'.repeat(12))
  })
})

describe('the normal distribution', () => {
  it('has its tabled quantiles', () => {
    expect(quantileOf(0.975)).toBeCloseTo(1.959964, 5)
    expect(quantileOf(0.8)).toBeCloseTo(0.841621, 5)
    expect(below(1.644854)).toBeCloseTo(0.95, 6)
  })
})
