import { controlModel } from '../../test/fixtures/control-model'
import { generateMapProblem } from '../../test/fixtures/controls'
import { mixedIntegerSearch } from '../../test/fixtures/mixed-integer'
import { solve } from '../../src/core/controls/solve'
import { gapOf } from '../../src/core/numeric/gap'

const FLEETS = 50
const SECONDS = 60
/** HiGHS takes its whole minute on most of the large ones: a few of them each time, `HIGHS_FLEETS=50` for all of them. */
const COMPARED = Number(process.env['HIGHS_FLEETS'] ?? 3)

const SHAPES = [
  { bodies: 12, functions: 10, controls: 14, target: 1000 },
  { bodies: 5, functions: 8, controls: 10, target: 1000 },
  { bodies: 40, functions: 10, controls: 14, target: 5000 },
] as const

/** Control maps of made-up fleets: time, gap, and HiGHS beside it. */
export const benchControls = async (): Promise<void> => {
  const second = await mixedIntegerSearch()
  for (const { target, ...shape } of SHAPES) {
    const fleets = shape.bodies > 20 ? 5 : FLEETS
    const times: number[] = []
    const gaps: number[] = []
    const problems = Array.from({ length: fleets }, (_, i) =>
      generateMapProblem(i + 1, { ...shape, places: 9, slides: 1 }),
    )
    const solved = problems.map(problem => {
      const began = performance.now()
      const found = solve(problem)
      times.push(performance.now() - began)
      gaps.push(gapOf(found))
      return found
    })
    times.sort((a, b) => a - b)
    console.log(
      `Control maps of ${fleets} fleets, ${shape.bodies} bodies x ${shape.functions} functions x ${shape.controls} controls: ` +
        `median ${Math.round(times[Math.floor(fleets / 2)] ?? 0)} ms, slowest ${Math.round(times.at(-1) ?? 0)} ms (target under ${target} ms); ` +
        `widest gap ${(100 * Math.max(...gaps)).toFixed(2)} %`,
    )
    if (shape.bodies > 20) continue
    for (const [i, problem] of problems.slice(0, COMPARED).entries()) {
      const began = performance.now()
      const other = second(controlModel(problem), SECONDS)
      const took = performance.now() - began
      const mine = solved[i]?.cost ?? 0
      console.log(
        `  fleet ${i + 1}: HiGHS ${other ? `${other.isProven ? 'proves' : 'finds'} ${other.cost.toFixed(0)} in ${Math.round(took)} ms` : `finds nothing in ${SECONDS} s`}, found here ${mine}${other ? `, ${(mine / other.cost).toFixed(4)} of it` : ''}`,
      )
    }
  }
}
