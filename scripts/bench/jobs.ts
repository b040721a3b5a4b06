import { neededWalks, pairsText } from '../../src/core/jobs/needed'
import { planThrough } from '../../src/core/jobs/replan'
import { type Model, withWalks } from '../../src/core/jobs/facts'
import { planSlots } from '../../src/core/jobs/slot-plan'
import { remediesFor } from '../../src/core/rescues/rescue'
import { findSymptoms, SYMPTOM_IDS } from '../../src/core/rescues/symptoms'
import { demoJob, demoPeople } from '../../src/demo/world'
import type { JobView } from '../../src/server/jobs'
import { TestServer } from '../../test/browser/support/server'
import template from '../../test/browser/support/template'
import { mixedIntegerSolver } from '../../test/fixtures/mixed-integer'
import { madeSlots, modelCost, slotModel } from '../../test/fixtures/slot-referee'
import { median } from './page'
import { figure } from './record'

const SCENES = 40
/** As the page asks. */
const AT_ONCE = 4
const slug = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')

/** A day of forty scenes for everybody of the demo and one more, with all its units. */
const bigJob = () => {
  const festival = demoJob(new Date().toISOString().slice(0, 10))
  const people = [...demoPeople().map(slug), 'osric-fenn']
  return {
    ...festival,
    id: 'forty',
    name: 'Forty scenes',
    scenes: Array.from({ length: SCENES }, (_, i) => ({
      ...festival.scenes[i % festival.scenes.length],
      id: `scene-${i}`,
      day: festival.day,
      at: `${String(8 + Math.floor(i / 4)).padStart(2, '0')}:${['00', '14', '29', '44'][i % 4] ?? '00'}`,
      minutes: 12,
      covers: [0, 4, 7].map(k => ({ person: people[(i + k) % people.length] ?? '', remote: false })),
    })),
  }
}

const timed = async <T>(work: () => Promise<T> | T): Promise<readonly [T, number]> => {
  const began = performance.now()
  const made = await work()
  return [made, performance.now() - began]
}

const benchSlots = async (): Promise<void> => {
  const second = await mixedIntegerSolver()
  const ratios: number[] = []
  for (let seed = 1; seed <= 10; seed++) {
    const p = madeSlots(seed + 2000, { scenes: 14, setUps: 9, slots: 4 })
    const [mine, mineMs] = await timed(() => planSlots(p))
    const [other, otherMs] = await timed(() => second(slotModel(p), 20))
    if (other) ratios.push(otherMs / mineMs)
    if (other && Math.abs(other.cost - modelCost(mine)) > 1e-3)
      console.log(`  day ${seed}: ${modelCost(mine)} against ${other.cost}`)
  }
  console.log(
    `  slots of 14 scenes, against HiGHS: the same on ${ratios.length} days, ${median(ratios).toFixed(0)} times as fast`,
  )
}

/** From a job to its plan, to the fewest presses, to another plan, and to paper. */
export const benchJobs = async (): Promise<void> => {
  console.log(`Jobs: ${SCENES} scenes, 12 people, all units of the demo`)
  await benchSlots()
  await template()
  // As a team's server runs: what is likely to be asked is worked out before a job is.
  process.env['COHERION_WARM'] = 'yes'
  const server = await TestServer.start('demo')
  process.env['COHERION_WARM'] = 'no'
  await server.rests()
  const get = async <T>(path: string): Promise<T> => (await (await fetch(server.address + path)).json()) as T
  try {
    const stored = await fetch(`${server.address}/api/v1/jobs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ document: bigJob() }),
    })
    if (!stored.ok) throw new Error(await stored.text())
    const [view, never] = await timed(() => get<JobView>('/api/v1/jobs/forty/plan'))
    const [, asked] = await timed(() => get<JobView>('/api/v1/jobs/forty/plan'))
    const [{ plan }, first] = await timed(() => planThrough(view.job, view.facts, []))
    console.log(
      `  first answer: ${figure('job-first', asked + first, 1000)}, of a job never asked for before ${figure('job-new', never + first, 1000)}, ${plan.stations.length} stations`,
    )
    let { facts } = view
    const [, better] = await timed(async () => {
      const needed = neededWalks(plan, view.facts, 'as planned')
      for (let i = 0; i < needed.length; i += AT_ONCE) {
        const some = await Promise.all(
          needed.slice(i, i + AT_ONCE).map(async ({ model, setUps, pairs }) => {
            const query = new URLSearchParams({ model, setUps: setUps.join(' '), pairs: pairsText(pairs) })
            type Walks = Pick<Model, 'walks' | 'rests' | 'rows'>
            return { model, walks: await get<Walks>(`/api/v1/jobs/forty/walks?${query}`) }
          }),
        )
        for (const { model, walks } of some) facts = withWalks(facts, model, walks)
      }
    })
    const [exact] = await timed(() => planThrough(view.job, facts, []))
    console.log(
      `  to the fewest presses: ${figure('job-best', better, 5000)}, ${exact.plan.units.filter(d => d.isBest).length} of ${exact.plan.units.length} camera days proven`,
    )
    // Each drops another scene: what was planned before is remembered, and would take no time.
    const again = []
    for (const scene of ['scene-3', 'scene-10', 'scene-20', 'scene-30', 'scene-37']) {
      const happened = [
        {
          id: `bench-${scene}`,
          at: `${view.job.day}T10:00:00.000Z`,
          by: undefined,
          what: { kind: 'dropped' as const, scene },
        },
      ]
      again.push(await timed(() => planThrough(view.job, facts, happened)))
    }
    console.log(`  planned anew: ${figure('job-again', median(again.map(a => a[1])), 300)}`)
    const [paper, printed] = await timed(async () =>
      (await fetch(`${server.address}/api/v1/jobs/forty/sheets?each=yes`)).arrayBuffer(),
    )
    console.log(
      `  call sheets of everybody: ${figure('job-paper', printed, 5000)}, ${Math.round(paper.byteLength / 1024)} kB`,
    )
  } finally {
    await server.stop()
  }
  const situation = { means: {}, keys: {}, says: new Set<string>() }
  const [, keyed] = await timed(() => {
    for (let i = 0; i < 100; i++) {
      const found = findSymptoms('it takes the branch'.slice(0, 4 + (i % 15)))
      remediesFor(found[0] ?? SYMPTOM_IDS[0] ?? 'pulses', situation)
    }
  })
  console.log(`  a rescue, each keystroke: ${figure('rescue-key', keyed / 100, 16)}`)
}
