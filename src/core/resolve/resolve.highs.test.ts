import { expect, it } from 'vitest'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { mixedIntegerSolver, modelOf } from '../../../test/fixtures/mixed-integer'
import { DIMENSIONS } from '../vocabulary/dimensions'
import { WEIGHT_FACTORS } from '../standards'
import { resolve } from './index'

/** Reference library: HiGHS, a mixed-integer solver (Huangfu and Hall 2018, Mathematical Programming Computation 10). */
it('costs the same as the optimum HiGHS proves on middle-sized bodies', async () => {
  const solve = await mixedIntegerSolver()
  const dimensions = DIMENSIONS.filter(d => d.kind !== 'areas').map(d => d.id)
  let compared = 0
  for (let seed = 1; seed <= 40; seed++) {
    const body = generateBody(seed, { settings: 30, rules: 12, dimensions })
    const standard = generateStandard(seed, 25, dimensions)
    const other = solve(modelOf(body, standard), 20)
    if (!other) continue
    const mine = resolve(body, standard)
    const cost = mine.outcomes.reduce((sum, o) => sum + WEIGHT_FACTORS[o.target.weight] * o.distance, 0)
    expect({ seed, broken: mine.musts - mine.mustsHeld }).toEqual({ seed, broken: other.broken })
    expect(Math.abs(cost - other.cost), `seed ${seed}: ${cost} against ${other.cost}`).toBeLessThan(1e-3)
    compared++
  }
  expect(compared).toBeGreaterThanOrEqual(35)
})
