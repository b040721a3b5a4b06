import { describe, expect, it } from 'vitest'
import { random } from '../numeric/random'
import { assign } from './assign'
import { CHANGES_HANDS, costOf, type Need, NO_UNIT } from './assign-board'

const HOUR = 3_600_000

const madeNeeds = (seed: number, scenes: number, units: number): readonly Need[] => {
  const { next } = random(seed)
  const whole = (n: number) => Math.floor(next() * n)
  let from = 0
  return Array.from({ length: scenes }, (_, s): Need[] => {
    from += whole(3) * HOUR
    const until = from + (1 + whole(2)) * HOUR
    const people = ['a', 'b', 'c'].filter(() => next() < 0.6)
    return (people.length ? people : ['a']).map(person => ({
      scene: `s${s}`,
      person,
      from,
      until,
      cost: Array.from({ length: units }, () => (next() < 0.15 ? Infinity : whole(150))),
      fixed: next() < 0.1 ? whole(units) : undefined,
    }))
  }).flat()
}

/** Everything tried, with a reckoning of its own. */
const leastOf = (needs: readonly Need[], units: number): number => {
  let best = Infinity
  const go = (i: number, taken: readonly (number | undefined)[], sum: number): void => {
    if (sum >= best) return
    const need = needs[i]
    if (!need) {
      best = sum
      return
    }
    const options = need.fixed === undefined ? [undefined, ...Array(units).keys()] : [need.fixed]
    for (const u of options) {
      let cost = sum
      if (u === undefined) cost += NO_UNIT
      else if (need.fixed === undefined) {
        cost += need.cost[u] as number
        const others = needs.filter(
          (m, j) =>
            m.person !== need.person &&
            m.from < need.until &&
            need.from < m.until &&
            (j < i ? taken[j] === u : m.fixed === u),
        )
        if (others.length > 0) continue
      }
      const before = needs.findLastIndex((m, j) => j < i && m.person === need.person)
      const had = before < 0 ? undefined : taken[before]
      if (had !== undefined && u !== undefined && had !== u) cost += CHANGES_HANDS
      go(i + 1, [...taken, u], cost)
    }
  }
  go(0, [], 0)
  return best
}

describe('who has which unit', () => {
  it('is the best of everything that can be done, on 200 small jobs', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const needs = madeNeeds(seed, 3, 3)
      const found = assign(needs, 3)
      expect(found.cost, `job ${seed}`).toBe(costOf(needs, found.unitOf))
      expect(found.cost, `job ${seed}`).toBeCloseTo(leastOf(needs, 3), 6)
      expect(found.isBest).toBe(true)
    }
  })

  it('leaves nobody with a unit that is in another hand at that time', () => {
    for (let seed = 300; seed < 400; seed++) {
      const needs = madeNeeds(seed, 8, 4)
      const { unitOf } = assign(needs, 4)
      needs.forEach((n, i) =>
        needs.forEach((m, j) => {
          const isShared = i < j && unitOf[i] !== undefined && unitOf[i] === unitOf[j] && n.person !== m.person
          if (isShared && n.from < m.until && m.from < n.until && (n.fixed === undefined || m.fixed === undefined))
            throw new Error(`job ${seed}: unit ${unitOf[i]} twice`)
        }),
      )
    }
  })

  it('is found for four hundred scenes', () => {
    const needs = madeNeeds(5, 400, 30)
    const found = assign(needs, 30)
    expect(found.cost).toBeLessThan(Infinity)
  })
})
