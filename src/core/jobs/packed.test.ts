import fc from 'fast-check'
import { expect, it } from 'vitest'
import { house, KEYS } from '../../../test/fixtures/job-facts'
import type { JobFacts, Model } from './facts'
import { packFacts, unpackFacts } from './packed'

/** Walks of which any may be missing, and any be nothing to do. */
const walk = fc.record({
  presses: fc.nat(400),
  seconds: fc.double({ min: 0, max: 4000, noNaN: true }).map(s => s + 0),
  steps: fc.array(fc.tuple(fc.nat(60), fc.nat(900)), { maxLength: 5 }),
})
const walks = fc.dictionary(
  fc.constantFrom(...KEYS),
  fc.dictionary(fc.constantFrom(...KEYS), walk, { minKeys: 1, noNullPrototype: true }),
  { noNullPrototype: true },
)

it('comes out as it went in, whatever is known of walks', () => {
  const models = fc.array(fc.record({ walks, rests: walks, keys: fc.constantFrom(undefined, []) }), { maxLength: 4 })
  fc.assert(
    fc.property(models, all => {
      const { models: plain, ...rest } = house()
      const facts: JobFacts = {
        ...rest,
        models: all.flatMap(({ keys, ...own }, i): readonly Model[] =>
          plain.slice(0, 1).map(m => ({ ...m, ...own, ...(keys ? { keys } : {}), id: `m${i}` })),
        ),
      }
      expect(unpackFacts(packFacts(facts))).toEqual(facts)
    }),
  )
})

it('says once what models have in common', () => {
  const { models, ...rest } = house()
  const one = packFacts({ ...rest, models: models.slice(0, 1) })
  const firmwares = models.slice(0, 1).flatMap(m => [1, 2, 3, 4].map(v => ({ ...m, id: `${m.id} ${v}` })))
  expect(packFacts({ ...rest, models: firmwares }).length - one.length).toBeLessThan(500)
  const [first, second] = unpackFacts(packFacts({ ...rest, models: firmwares })).models
  expect(second?.walks).toBe(first?.walks)
})
