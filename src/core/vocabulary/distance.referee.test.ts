import { describe, expect, it } from 'vitest'
import { apart } from '../../../test/fixtures/distances'
import { valueOf } from '../../../test/fixtures/generate'
import { random } from '../../../test/fixtures/random'
import { DIMENSIONS } from './dimensions'
import { distance } from './distance'
import { PLACE_IDS } from './places'
import { sameValue } from './distance'

/** Every kind of value against a second writing of the same rules, on values made up at random. */
describe('distances', () => {
  it.each(DIMENSIONS.map(d => ({ d, id: d.id })))('of $id are what the vocabulary says', ({ d }) => {
    for (let seed = 1; seed <= 150; seed++) {
      const r = random(seed)
      const place = () => ({ place: r.pick(PLACE_IDS) })
      const [a, b] = [valueOf(d, r, place), valueOf(d, r, place)]
      const is = distance(d, a, b)
      expect(is, JSON.stringify([a, b])).toBeCloseTo(apart(d.id, a, b), 9)
      expect(is).toBeGreaterThanOrEqual(0)
      expect(is).toBeLessThanOrEqual(1)
      expect(distance(d, a, a)).toBe(0)
      expect(sameValue(d, a, a)).toBe(true)
    }
  })

  it('are the same both ways where neither side is the one that is wanted', () => {
    for (const d of DIMENSIONS.filter(x => !['assign', 'range', 'position', 'areas'].includes(x.kind)))
      for (let seed = 1; seed <= 60; seed++) {
        const r = random(seed)
        const [a, b] = [valueOf(d, r, () => ({})), valueOf(d, r, () => ({}))]
        expect(distance(d, a, b), `${d.id} ${JSON.stringify([a, b])}`).toBeCloseTo(distance(d, b, a), 12)
      }
  })
})
