import { expect, it } from 'vitest'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { fleetModelOf, mixedIntegerSolver } from '../../../test/fixtures/mixed-integer'
import { DIMENSIONS } from '../vocabulary/dimensions'
import { fleetProblem, levelFleet } from './index'

/** Reference library: HiGHS, a mixed-integer solver (Huangfu and Hall 2018, Mathematical Programming Computation 10). */
it('costs the same as the optimum HiGHS proves for small fleets', async () => {
  const solve = await mixedIntegerSolver()
  const dimensions = DIMENSIONS.filter(d => d.kind !== 'areas').map(d => d.id)
  let compared = 0
  for (let seed = 1; seed <= 8; seed++) {
    const bodies = [1, 2, 3, 4].map(n =>
      generateBody(seed * 4 + n, { settings: 10, rules: 4, mostOptions: 3, dimensions: dimensions.slice(8, 30) }),
    )
    const standard = generateStandard(seed, 10, dimensions.slice(8, 30))
    const problem = fleetProblem(
      bodies.map(body => ({ body, firmware: '1.0' })),
      standard,
    )
    const lambda = [18, 67, 150, 400][seed % 4] ?? 100
    const levels = problem.dimensions.map(d => d.levels)
    const other = solve(fleetModelOf(bodies, standard, lambda / 100, levels), 15)
    if (!other) continue
    const mine = levelFleet(problem, lambda)
    expect(
      Math.abs(mine.cost / 1e8 - other.cost),
      `seed ${seed}: ${mine.cost / 1e8} against ${other.cost}`,
    ).toBeLessThan(2e-3)
    compared++
  }
  expect(compared).toBeGreaterThanOrEqual(6)
})
