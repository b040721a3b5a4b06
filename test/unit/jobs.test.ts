import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { planThrough } from '../../src/core/jobs/replan'
import { sheetFor } from '../../src/core/jobs/sheet'
import { warningsOf } from '../../src/core/jobs/warnings'
import {
  beginJob,
  happen,
  importJob,
  jobCalendar,
  listJobs,
  printSheets,
  readDebrief,
  readExactJob,
  readJob,
  readJobView,
  readScenes,
  removeJob,
  saveJob,
} from '../../src/server/jobs'
import { readWalks } from '../../src/server/job-facts'
import { by } from '../fixtures/by'
import { useDemoFolder } from '../fixtures/demo-folder'
import { pdfTexts } from '../fixtures/pdf'

/** Jobs as the server keeps them: the festival of the demo from its plan to its debrief. */

useDemoFolder()

const FESTIVAL = 'saltmarsh-ring'
const LEAD = by('ottoline-marsh')

const planned = async (id = FESTIVAL) => {
  const view = await readExactJob(id)
  return { ...view, ...planThrough(view.job, view.facts, view.happened) }
}

describe('the festival', () => {
  it('has somebody with a camera at every scene, and says what is owed', async () => {
    const began = performance.now()
    const rough = await readJobView(FESTIVAL)
    const first = performance.now()
    const { plan } = planThrough(rough.job, rough.facts, rough.happened)
    const second = performance.now()
    const exact = await planned()
    console.info(
      `facts ${Math.round(first - began)} ms, plan ${Math.round(second - first)} ms, exact ${Math.round(performance.now() - second)} ms`,
    )
    expect(plan.stations.every(s => s.unit)).toBe(true)
    for (const s of exact.plan.stations) console.info(s.scene.name, s.person?.name, s.unit?.tag, s.slot, s.change?.cost, s.change?.isLate, s.change?.gapSeconds, s.fit?.agreement.toFixed(2))
    for (const d of exact.plan.units) console.info(d.unit.tag, d.slots.map(x => `${x.name}=${x.setUp?.name}`).join('; '), d.presses, d.withoutSlots, d.late, d.isBest, d.areas)
    for (const w of warningsOf(exact.job, exact.standing, exact.facts, exact.plan)) console.info(w.kind, '|', w.words)
    console.info(JSON.stringify(sheetFor(exact.job, exact.facts, exact, exact.happened, 'perpetua-nye').lines.slice(0, 2), null, 1))
    console.info(JSON.stringify(exact.facts).length)
  })
})
