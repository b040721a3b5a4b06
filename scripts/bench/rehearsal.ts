import { PASSAGES } from '../../src/core/rehearsal/passages'
import { prepare, rehearse } from '../../src/core/rehearsal/rehearse'
import { manyRuns, sweep } from '../../src/core/rehearsal/runs'
import { ASSUMED, type SetUp } from '../../src/core/rehearsal/set-up'
import { plainRun } from '../../test/fixtures/rehearsal'
import { figure } from './record'

const SET_UP: SetUp = {
  ...ASSUMED,
  isCameraPicking: false,
  isFollowing: false,
  finds: 'inside-area',
  isSearching: true,
  nearLimit: 2,
  farLimit: 0,
  isFocusingBetween: true,
  waits: 'balanced',
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  focalMm: 135,
  fNumber: 2.8,
  school: 'thumb-start',
  hands: 'practised',
}

/** Passages played: how many looks a second on one core, many runs, a sweep. */
export const benchRehearsal = (): void => {
  console.log('Rehearsal')
  const passage = PASSAGES.find(p => p.id === 'club-passing') ?? PASSAGES[0]
  if (!passage) return
  const p = prepare(passage, SET_UP)
  manyRuns(p, 300)
  let began = performance.now()
  manyRuns(p, 2000)
  const many = performance.now() - began
  console.log(
    `  2,000 passages of ${p.steps} looks: ${figure('rehearse-2000', many, 1000)}, ${((2000 * p.steps) / many / 1000).toFixed(1)} million looks a second`,
  )
  began = performance.now()
  for (let i = 0; i < 100; i++) plainRun(passage, SET_UP, i)
  console.log(`  the plain model takes ${((performance.now() - began) / 100 / (many / 2000)).toFixed(1)} times as long`)
  began = performance.now()
  const cells = [...sweep(passage, SET_UP, 'hold', 'response', 200)].length
  console.log(
    `  a sweep of ${cells} cells, 200 passages each: ${figure('rehearse-sweep', performance.now() - began, 5000)}`,
  )
  began = performance.now()
  rehearse(prepare(passage, SET_UP), 1)
  console.log(`  one passage, prepared and played: ${figure('rehearse-one', performance.now() - began, 16)}`)
}
