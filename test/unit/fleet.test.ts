import { describe, expect, it } from 'vitest'
import { compareVersions, versionsOf } from '../../src/core/bodies'
import { effectiveTargets, type Standard } from '../../src/core/standards'
import { withTarget } from '../../src/core/standards/edit'
import { demoBodies, demoStandards } from '../../src/demo/world'
import { type FleetMember, levelAt, readFleet, whoCan } from '../../src/workers/fleet'

/** What the worker answers about the bodies of the demo. */

const ring = demoStandards().find(s => s.id === 'ring-action') as Standard
const fleet: readonly FleetMember[] = demoBodies().map(body => ({
  body,
  firmware: versionsOf(body).toSorted(compareVersions)[0] ?? body.firmware.from,
  units: 1,
}))
const last = <T>(all: Iterable<T>): T => [...all].at(-1) as T

describe('who can', () => {
  const hold = (seconds: number) =>
    withTarget(ring, 'ring-action', {
      dimension: 'track.hold',
      value: seconds,
      weight: 'must',
      tolerance: 0.3,
      reason: 'x',
      relaxes: 'x',
    })

  it('answers body by body and follows the target while it moves', () => {
    const counts = [...whoCan(fleet, hold(1.2), 'track.hold', {})].map(a => a.length)
    expect(counts).toEqual(fleet.map((_, i) => i + 1))
    const grades = (seconds: number) =>
      last(whoCan(fleet, hold(seconds), 'track.hold', {})).map(a => [a.model, a.grade])
    expect(grades(1.2)).toContainEqual(['Wicket', 'missing'])
    expect(grades(1.2)).not.toEqual(grades(4.8))
  })

  it('says what each body does in its own words', () => {
    const sorrel = last(whoCan(fleet, ring, 'track.hold', {})).find(a => a.body === 'sorrel')
    expect(sorrel).toMatchObject({ words: 'Grip 5 of 7', grade: 'same' })
  })
})

describe('a position of the slider', () => {
  const read = readFleet(fleet, ring, {})
  const view = last(levelAt(read, 300))

  it('gives the table at once and goes on with who holds back and what would help', () => {
    const [first] = levelAt(read, 300)
    expect(first?.concordance.columns).toHaveLength(12)
    expect(first?.without).toEqual([])
    expect(view.progress).toBe(1)
    expect(view.without).toHaveLength(12)
  })

  it('tells in the table what it tells in the report', () => {
    expect(view.concordance.summary.agreement).toBeCloseTo(view.report.after.agreement, 9)
    expect(view.concordance.summary.alike).toBeCloseTo(view.report.after.alike, 9)
    expect(view.concordance.standard.lambdaHundredths).toBe(300)
    for (const b of view.report.bodies)
      expect(view.concordance.columns.find(c => c.id === b.body)?.agreement).toBeCloseTo(b.agreementAfter, 9)
  })

  it('leaves each body at its best at the left end, and there nothing is to be kept', () => {
    const best = last(levelAt(read, 0))
    expect(best.level).toBeUndefined()
    expect(best.report.bodies.flatMap(b => b.givesUp)).toEqual([])
    expect(best.without.every(w => w.gain === 0)).toBe(true)
  })

  it('gives a level for every dimension that some body does something about', () => {
    const levelled = new Set(view.level?.values.map(v => v.dimension))
    expect(
      effectiveTargets(ring)
        .map(t => t.dimension)
        .filter(d => !levelled.has(d)),
    ).toEqual([])
  })

  it('puts what helps most first, an update named by its firmware', () => {
    const gains = view.helps.map(h => h.gain)
    expect(gains).toEqual([...gains].sort((a, b) => b - a))
    expect(gains.every(g => g > 0)).toBe(true)
    for (const h of view.helps) if (h.change.kind === 'update') expect(h.change.firmware).toMatch(/^\d/)
  })

  it('has nobody to compare a single body with', () => {
    const alone = last(levelAt(readFleet(fleet.slice(0, 1), ring, {}), 300))
    expect([alone.without, alone.helps, alone.progress]).toEqual([[], [], 1])
  })
})
