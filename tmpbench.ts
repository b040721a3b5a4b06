import { controlModel } from './test/fixtures/control-model'
import { generateMapProblem } from './test/fixtures/controls'
import { mixedIntegerSearch } from './test/fixtures/mixed-integer'
import { solve } from './src/core/controls/solve'
const second = await mixedIntegerSearch()
for (const [bodies, functions, controls] of [[12,10,14],[5,8,10]] as const) for (const seed of [1,2]) {
  const p = generateMapProblem(seed, { bodies, functions, controls, places: 9, slides: 1 })
  const o = second(controlModel(p), 60)
  console.log(bodies, seed, o, solve(p).cost)
}
