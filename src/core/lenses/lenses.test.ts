import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoLenses } from '../../demo/world'
import { problemWords } from '../reading/problem'
import { distancesDisagree, distanceWords, parseDistance } from './distance'
import { type Lens, lensWarnings, parseLens, turnsAgainst } from './schema'

const lens = (id: string): Lens => demoLenses().find(l => l.id === id) as Lens
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

describe('distances as people write them', () => {
  // 1 in = 25.4 mm exactly (international yard and pound agreement, 1959).
  it.each([
    ['0.96 m', 0.96],
    ['96 cm', 0.96],
    ['250mm', 0.25],
    ['1,5', 1.5],
    ['11.02 in', 0.279908],
    ['11.02"', 0.279908],
    ['3.15 ft', 0.96012],
    ['3\' 2"', 0.9652],
    ['3’2', 0.9652],
    ['infinity', 'infinity'],
    ['∞', 'infinity'],
  ])('reads “%s”', (text, metres) => {
    const read = parseDistance(text)
    if (typeof metres === 'number') expect(read).toBeCloseTo(metres, 9)
    else expect(read).toBe(metres)
  })

  it.each(['', 'near', '0', '-1 m', '3 yards', '1.2.3 m'])('does not read “%s”', text => {
    expect(parseDistance(text)).toBeUndefined()
  })

  it('takes a bare number as the person’s own unit', () => {
    expect(parseDistance('10', 'imperial')).toBeCloseTo(3.048, 9)
  })

  it('says them back in either system', () => {
    expect(distanceWords(0.96, 'imperial')).toBe('3.15 ft')
    expect(distanceWords(0.28, 'imperial')).toBe('11.02 in')
    expect(distanceWords(0.28, 'metric')).toBe('0.28 m')
    expect(distanceWords('infinity', 'imperial')).toBe('infinity')
  })

  it('are the same distance after a round trip through feet, within the figures shown', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 90, noNaN: true }), metres => {
        const back = parseDistance(distanceWords(metres, 'imperial'))
        expect(Math.abs(Number(back) - metres) / metres).toBeLessThan(0.01)
      }),
    )
  })
})

describe('metric and imperial beside each other', () => {
  // Pairs as barrels and manuals print them: common practice, no published source.
  it.each([
    [0.96, 3.15],
    [3, 9.84],
    [0.28, 11.02 / 12],
    [0.5, 1.6],
    [1.5, 4.92],
    [0.35, 1.15],
  ])('agree: %d m and %d ft', (metres, feet) => {
    expect(distancesDisagree(metres, feet)).toBe(false)
  })

  it.each([
    [3, 10.5],
    [0.96, 3.5],
    [0.19, 0.8],
    [1, 1],
  ])('disagree: %d m and %d ft', (metres, feet) => {
    expect(distancesDisagree(metres, feet)).toBe(true)
  })
})

describe('a lens', () => {
  it('cuts off the near range with its limiter: 0.96 m becomes 3 m (common practice, no published source)', () => {
    const tele = lens('sorrel-70-200')
    const [far] = tele.limiter
    expect([tele.closest.metres, far?.near.metres]).toEqual([0.96, 3])
  })

  it('is warned of where its figures disagree, or were taken from the front of the lens', () => {
    expect(lensWarnings(lens('pebble-60-macro')).map(w => w.where)).toEqual(['closest focus'])
    expect(lensWarnings(lens('sorrel-70-200'))).toEqual([])
    const front: Lens = { ...lens('sorrel-70-200'), closest: { metres: 1.1 } }
    const nearer = { ...front, limiter: [{ id: 'near', label: 'near', near: { metres: 0.96 }, far: { metres: 3 } }] }
    expect(lensWarnings(nearer)[0]?.words).toContain('They count from the sensor plane.')
  })

  it('is told from most others where its ring turns the other way', () => {
    expect([...turnsAgainst(demoLenses())].sort()).toEqual(['tollgate-17-50', 'tollgate-500', 'tollgate-70-300'])
  })

  it('written and read again is the same lens', () => {
    for (const l of demoLenses()) expect(parseLens(plain(l), l.id)).toEqual({ ok: true, value: l })
  })

  it.each([
    [{ focalMm: { from: 200, to: 70 } }, 'expected the short end before the long end'],
    [{ closest: { metres: -1 } }, 'closest.metres'],
    [{ infinityTurn: 'left' }, 'infinityTurn'],
    [
      { limiter: [{ id: 'a', label: 'A', near: { metres: 5 }, far: { metres: 3 } }] },
      'limiter.0: 5 m to 3 m stands there',
    ],
    [{ format: 'coherion.lens/4' }, 'written by a later version'],
    [{ format: 'coherion.body/1' }, 'this file holds a body'],
  ])('is refused with the place where it is wrong (%#)', (change, words) => {
    const parsed = parseLens({ ...(plain(lens('sorrel-85')) as object), ...change }, 'lens.json')
    expect(parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')).toContain(words)
  })
})
