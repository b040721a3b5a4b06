import { expect, it } from 'vitest'
import { controlModel } from '../../../test/fixtures/control-model'
import { generateMapProblem } from '../../../test/fixtures/controls'
import { mixedIntegerSolver } from '../../../test/fixtures/mixed-integer'
import { solve } from './solve'

/** Reference library: HiGHS, a mixed-integer solver (Huangfu and Hall 2018, Mathematical Programming Computation 10). */
it('costs the same as the optimum HiGHS proves', async () => {
  const second = await mixedIntegerSolver()
  let compared = 0
  for (let seed = 1; seed <= 5; seed++) {
    const problem = generateMapProblem(seed, { bodies: 3, functions: 5, controls: 7, places: 6, slides: seed % 2 })
    const other = second(controlModel(problem), 10)
    if (!other) continue
    const mine = solve(problem)
    expect(mine.cost, `seed ${seed}`).toBeCloseTo(other.cost, 3)
    expect(mine.bound, `seed ${seed}`).toBeLessThanOrEqual(other.cost + 1e-3)
    compared++
  }
  expect(compared).toBeGreaterThanOrEqual(4)
}, 120_000)
