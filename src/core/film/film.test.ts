import { describe, expect, it } from 'vitest'
import type { BodyScale, Step } from '../phrasebook/scales'
import { random } from '../numeric/random'
import { markLines, marksOnRing, type Ring, ringDegrees, stripMm, ticksOn } from './marks'
import { alikeOnAll, bestOnEach, inReality, onScreen, spreadOf, timeline } from './rack'

const scale = (body: string, ...seconds: readonly number[]): BodyScale => ({
  body,
  maker: 'Made',
  model: body,
  steps: seconds.map((at, i): Step => ({ words: `${i + 1}`, setting: 's', option: `o${i}`, at, value: at })),
  direction: 'rising',
  reversed: false,
})

describe('time on screen', () => {
  it('is four times as long at 100 frames a second shown at 25', () => {
    // Common practice, no published source: slow motion stretches a change of focus.
    expect(onScreen(0.5, { capture: 100, playback: 25 })).toBe(2)
    expect(inReality(2, { capture: 100, playback: 25 })).toBe(0.5)
    expect(timeline({ wait: 1, travel: 0.4 }, { capture: 50, playback: 25 })).toEqual({ leaves: 2, arrives: 2.8 })
    expect(() => onScreen(1, { capture: 0, playback: 25 })).toThrow(/invalid rates/)
  })
})

/** Every choice of steps tried, with a reckoning of its own. */
const leastCost = (scales: readonly BodyScale[], wanted: number): number => {
  let best = Infinity
  const go = (i: number, chosen: readonly number[]): void => {
    const next = scales[i]
    if (next) {
      for (const s of next.steps) go(i + 1, [...chosen, s.at])
      return
    }
    const logs = chosen.map(x => Math.log(x))
    const apart = Math.max(...logs) - Math.min(...logs)
    const off = logs.reduce((sum, l) => sum + Math.abs(l - Math.log(wanted)), 0) / logs.length
    best = Math.min(best, apart + off)
  }
  go(0, [])
  return best
}

describe('a rack on several bodies', () => {
  it('is the best of everything for pictures that are cut together, on 200 made fleets', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const { next } = random(seed)
      const scales = Array.from({ length: 2 + (seed % 3) }, (_, i) =>
        scale(`b${i}`, ...Array.from({ length: 2 + Math.floor(next() * 4) }, () => 0.1 + next() * 4)),
      )
      const wanted = 0.2 + next() * 3
      const all = alikeOnAll(scales, wanted)
      const logs = all.map(n => Math.log(n.seconds as number))
      const cost =
        Math.max(...logs) -
        Math.min(...logs) +
        logs.reduce((s, l) => s + Math.abs(l - Math.log(wanted)), 0) / logs.length
      expect(cost, `fleet ${seed}`).toBeCloseTo(leastCost(scales, wanted), 9)
      expect(spreadOf(all)).toBeLessThanOrEqual(spreadOf(bestOnEach(scales, wanted)) + 1e-9)
    }
  })

  it('leaves out a body without such a scale, and says so', () => {
    const all = alikeOnAll([scale('one', 0.5, 1), scale('none'), scale('two', 0.9, 2)], 1)
    expect(all.map(n => n.seconds)).toEqual([1, undefined, 0.9])
    expect(all[1]?.off).toBe(Infinity)
  })
})

const ring = (more: Partial<Ring> = {}): Ring => ({
  focalMm: 50,
  throwDegrees: 180,
  diameterMm: 70,
  infinityTurn: 'clockwise',
  closestMetres: 0.5,
  ...more,
})

describe('marks on a ring', () => {
  it('lie where the thin lens moves to', () => {
    // Thin lens: 1/f = 1/s + 1/s', D = s + s'; the lens moves s' - f. Solved for s' here, and for m in the program.
    const moved = (d: number, f: number) => (d * 1000 - Math.sqrt((d * 1000) ** 2 - 4 * f * d * 1000)) / 2 - f
    for (const f of [24, 50, 85, 135])
      for (const d of [0.8, 1, 1.5, 3, 10, 100]) {
        const own = ring({ focalMm: f, closestMetres: 0.7 })
        expect(ringDegrees(own, d)).toBeCloseTo((180 * moved(d, f)) / moved(0.7, f), 6)
      }
    expect(ringDegrees(ring(), Infinity)).toBe(0)
    expect(ringDegrees(ring(), 0.5)).toBeCloseTo(180, 9)
    expect(() => ringDegrees(ring(), 0.4)).toThrow(/focuses from 0.5 m/)
    expect(stripMm(360, 70)).toBeCloseTo(219.911, 3)
  })

  it('go by what was read off the ring where somebody read it', () => {
    const read = ring({
      read: [
        { metres: 1, degrees: 100 },
        { metres: 2, degrees: 60 },
      ],
    })
    expect(ringDegrees(read, 1)).toBeCloseTo(100, 9)
    expect(ringDegrees(read, 2)).toBeCloseTo(60, 9)
    expect(ringDegrees(read, 1.4)).toBeGreaterThan(60)
    expect(ringDegrees(read, 1.4)).toBeLessThan(100)
    expect(ringDegrees(read, 0.5)).toBeCloseTo(180, 9)
    const backwards = ring({
      read: [
        { metres: 1, degrees: 40 },
        { metres: 2, degrees: 60 },
      ],
    })
    expect(() => ringDegrees(backwards, 1)).toThrow(/further round the ring/)
  })

  it('have the depth of handbook tables', () => {
    // 50 mm, f/8, c 0.03 mm: hyperfocal 10.467 m; s (H - f) / (H + s - 2 f) and s (H - f) / (H - s).
    const [mark] = marksOnRing(ring(), [{ name: 'a', metres: 3, at: 0 }], { fNumber: 8, circleMm: 0.03 })
    const [h, f] = [10.4667, 0.05]
    const s = (3 + Math.sqrt(9 - 4 * f * 3)) / 2
    const image = 3 - s
    expect(mark?.near).toBeCloseTo((s * (h - f)) / (h + s - 2 * f) + image, 3)
    expect(mark?.far).toBeCloseTo((s * (h - f)) / (h - s) + image, 3)
    expect(mark?.driftIn).toBeCloseTo(3 - (mark?.near ?? 0), 9)
  })

  it('share a line on the strip where the take comes back to a distance, and have one each where it does not', () => {
    const take = [3, 1.5, 3, 1.51].map((metres, at) => ({ name: `${at}`, metres, at }))
    const marks = marksOnRing(ring(), take, { fNumber: 2.8, circleMm: 0.03 })
    expect(markLines(marks).map(l => l.label)).toEqual(['1, 3', '2, 4'])
    expect(markLines(marks).map(l => l.mm)).toEqual([marks[0]?.mm, marks[1]?.mm])
    const apart = marksOnRing(ring(), take.slice(0, 2), { fNumber: 2.8, circleMm: 0.03 })
    expect(markLines(apart).map(l => l.label)).toEqual(['1', '2'])
  })

  it('say how fast and which way the ring is turned', () => {
    const pulled = (turn: Ring['infinityTurn']) =>
      marksOnRing(
        ring({ infinityTurn: turn }),
        [
          { name: 'far', metres: 4, at: 0 },
          { name: 'near', metres: 1, at: 2 },
          { name: 'far again', metres: 4, at: 3 },
          { name: 'stays', metres: 4, at: 5 },
        ],
        { fNumber: 2.8, circleMm: 0.03 },
      )
    expect(pulled('clockwise').map(m => m.pull?.turn)).toEqual([undefined, 'anticlockwise', 'clockwise', 'none'])
    expect(pulled('anticlockwise').map(m => m.pull?.turn)).toEqual([undefined, 'clockwise', 'anticlockwise', 'none'])
    const [, near, back] = pulled('clockwise')
    expect((near?.pull?.degreesPerSecond ?? 0) * 2).toBeCloseTo(back?.pull?.degreesPerSecond ?? 0, 9)
  })

  it('run from infinity to the closest distance without turning back', () => {
    const all = ticksOn(ring()).toSorted((a, b) => b.metres - a.metres)
    expect(all[0]).toMatchObject({ metres: Infinity, mm: 0 })
    expect(all.at(-1)?.metres).toBe(0.5)
    const figures = all.filter(t => t.hasFigure)
    expect(figures.length).toBeGreaterThan(5)
    for (const [i, t] of figures.entries())
      if (i > 0) expect(t.mm - (figures[i - 1]?.mm ?? 0)).toBeGreaterThanOrEqual(6)
    for (const [i, t] of all.entries()) if (i > 0) expect(t.mm).toBeGreaterThan(all[i - 1]?.mm ?? 0)
  })
})
