import { resolve } from '../../src/core/resolve'
import { DIMENSIONS } from '../../src/core/vocabulary/dimensions'
import { generateBody, generateStandard } from '../../test/fixtures/generate'
import { figure } from './record'

const SIZE = { settings: 45, rules: 15 }
const BODIES = 200
const TARGETS = 30
/** Bodies given to HiGHS as well, and how long it may take for each. */
const COMPARED = 20
const HIGHS_SECONDS = 20

const milliseconds = (work: () => void): number => {
  const began = performance.now()
  work()
  return performance.now() - began
}

/** One standard on many generated bodies, alone and against HiGHS. */
export const benchResolver = async (): Promise<void> => {
  console.log(
    `Resolving one standard of ${TARGETS} targets on generated bodies of ${SIZE.settings} settings, ${SIZE.rules} rules`,
  )
  const standard = generateStandard(7, TARGETS)
  const before = process.memoryUsage().rss
  const bodies = Array.from({ length: BODIES }, (_, i) => generateBody(i + 1, SIZE))
  let all = 0
  for (const count of [25, 50, 100, BODIES]) {
    const each = bodies.slice(0, count).map(b => milliseconds(() => resolve(b, standard)))
    const total = each.reduce((sum, t) => sum + t, 0)
    all = total
    console.log(
      `  ${String(count).padStart(4)} bodies ${total.toFixed(0).padStart(6)} ms   ${(total / count).toFixed(2)} ms each, slowest ${Math.max(...each).toFixed(0)} ms`,
    )
  }
  console.log(`  ${BODIES} bodies: ${figure('resolve-200', all, 1000)}`)
  console.log(
    `  memory ${((process.memoryUsage().rss - before) / 1e6).toFixed(0)} MB more than before (target under 200 MB)`,
  )

  // Loaded only now: its memory is not the resolver's.
  const { mixedIntegerSolver, modelOf } = await import('../../test/fixtures/mixed-integer')
  const dimensions = DIMENSIONS.filter(d => d.kind !== 'areas').map(d => d.id)
  const solve = await mixedIntegerSolver()
  let mine = 0
  let theirs = 0
  let finished = 0
  for (let seed = 1; seed <= COMPARED; seed++) {
    const body = generateBody(seed, { ...SIZE, dimensions })
    const wanted = generateStandard(seed, TARGETS, dimensions)
    const model = modelOf(body, wanted)
    let opinion: unknown
    const took = milliseconds(() => (opinion = solve(model, HIGHS_SECONDS)))
    if (!opinion) continue
    finished++
    theirs += took
    mine += milliseconds(() => resolve(body, wanted))
  }
  console.log(
    `  against HiGHS on ${finished} of ${COMPARED} instances it finished: ${mine.toFixed(0)} ms against ${theirs.toFixed(0)} ms, ${(theirs / mine).toFixed(1)} times as fast`,
  )
}
