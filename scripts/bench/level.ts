import { fleetProblem, LAMBDAS, levelFleet } from '../../src/core/level'
import { gapOf } from '../../src/core/numeric/gap'
import { demoBodies, demoStandards } from '../../src/demo/world'
import { DIMENSIONS } from '../../src/core/vocabulary/dimensions'
import { generateBody, generateStandard } from '../../test/fixtures/generate'

const BODIES = 60
const TARGETS = 40
const FLEETS = 5
const COMPARED = 10
const HIGHS_SECONDS = 20

const timed = <T>(work: () => T): readonly [T, number] => {
  const began = performance.now()
  const result = work()
  return [result, performance.now() - began]
}

const median = (numbers: readonly number[]): number => [...numbers].sort((a, b) => a - b)[numbers.length >> 1] ?? 0

/** The slider over a fleet: reading the bodies once, one position, all positions, and how good the bound is. */
export const benchLevel = async (): Promise<void> => {
  console.log(`Levelling ${BODIES} generated bodies of 45 settings, 15 rules, on ${TARGETS} targets`)
  for (let fleet = 0; fleet < FLEETS; fleet++) {
    const bodies = Array.from({ length: BODIES }, (_, i) => ({
      body: generateBody(fleet * 1000 + i, { settings: 45, rules: 15, tidy: true }),
      firmware: '1.0',
    }))
    const [problem, read] = timed(() => fleetProblem(bodies, generateStandard(fleet + 7, TARGETS)))
    let from: Int32Array | undefined
    const each = LAMBDAS.map(lambda => {
      const [levelled, took] = timed(() => levelFleet(problem, lambda, { from }))
      from = levelled.levels
      return { took, gap: gapOf(levelled) }
    })
    const cold = LAMBDAS.filter((_, i) => i % 5 === 2).map(lambda => timed(() => levelFleet(problem, lambda))[1])
    console.log(
      `  fleet ${fleet + 1}: reading ${read.toFixed(0)} ms once; one position ${median(cold).toFixed(0)} ms, slowest ${Math.max(...cold).toFixed(0)} ms (target under 500 ms); all ${LAMBDAS.length} ${each.reduce((s, e) => s + e.took, 0).toFixed(0)} ms (target under 3000 ms); widest gap ${(100 * Math.max(...each.map(e => e.gap))).toFixed(2)} % (target within 1 %)`,
    )
  }
  for (const standard of demoStandards()) {
    const [problem, read] = timed(() =>
      fleetProblem(
        demoBodies().map(body => ({ body, firmware: body.firmware.to })),
        standard,
      ),
    )
    const gaps = LAMBDAS.map(lambda => timed(() => gapOf(levelFleet(problem, lambda))))
    console.log(
      `  demo, ${standard.name}: reading ${read.toFixed(0)} ms, all positions ${gaps.reduce((s, [, t]) => s + t, 0).toFixed(0)} ms, widest gap ${(100 * Math.max(...gaps.map(([g]) => g))).toFixed(2)} %`,
    )
  }
  const { fleetModelOf, mixedIntegerSolver } = await import('../../test/fixtures/mixed-integer')
  const solve = await mixedIntegerSolver()
  const dimensions = DIMENSIONS.filter(d => d.kind !== 'areas').map(d => d.id)
  let [mine, theirs, finished, same] = [0, 0, 0, 0]
  for (let seed = 1; seed <= COMPARED; seed++) {
    const bodies = [1, 2, 3, 4].map(n => generateBody(seed * 4 + n, { settings: 14, rules: 5, dimensions, tidy: true }))
    const standard = generateStandard(seed, 14, dimensions)
    const fleet = bodies.map(body => ({ body, firmware: '1.0' }))
    const levels = fleetProblem(fleet, standard).dimensions.map(d => d.levels)
    const [other, took] = timed(() => solve(fleetModelOf(bodies, standard, 1, levels), HIGHS_SECONDS))
    if (!other) continue
    finished++
    theirs += took
    const [levelled, own] = timed(() => levelFleet(fleetProblem(fleet, standard), 100))
    mine += own
    if (Math.abs(levelled.cost / 1e8 - other.cost) < 2e-3) same++
  }
  console.log(
    `  against HiGHS on ${finished} of ${COMPARED} fleets of 4 it finished in ${HIGHS_SECONDS} s: ${mine.toFixed(0)} ms against ${theirs.toFixed(0)} ms, ${(theirs / mine).toFixed(0)} times as fast; the same optimum on ${same}`,
  )
}
