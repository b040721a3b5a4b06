import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { findUnit } from '../../src/core/jobs/facts'
import type { Job } from '../../src/core/jobs/job'
import { neededWalks } from '../../src/core/jobs/needed'
import { planThrough } from '../../src/core/jobs/replan'
import { printedLines, sheetFor } from '../../src/core/jobs/sheet'
import { warningsOf } from '../../src/core/jobs/warnings'
import { readFilm, printStrip } from '../../src/server/film'
import { readWalks } from '../../src/server/job-facts'
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
import { readRescueHand } from '../../src/server/rescues'
import { by } from '../fixtures/by'
import { useDemoFolder } from '../fixtures/demo-folder'
import { pdfTexts } from '../fixtures/pdf'

/** Jobs as the server keeps them: the festival of the demo from its plan to its debrief. */

useDemoFolder()

const FESTIVAL = 'saltmarsh-ring'
const LEAD = by('ottoline-marsh')

const planned = async (id = FESTIVAL) => {
  const view = await readExactJob(id)
  return { ...view, planned: planThrough(view.job, view.facts, view.happened) }
}

describe('what goes wrong at a scene', () => {
  it('is asked for with what is known of the scene, and with what the standard asks where a camera is set otherwise', async () => {
    const { job } = await readJobView(FESTIVAL)
    const scene = job.scenes.find(s => s.standard !== undefined)
    const hand = await readRescueHand({ unit: 'tsp-l1', standard: scene?.standard, job: job.id, scene: scene?.id })
    expect(hand?.scene?.name).toBe(scene?.name)
    expect(Object.keys(hand?.scene?.facts ?? {})).not.toEqual([])
    expect(hand?.from).toBe('unit')
    expect(hand?.asked?.['mode.drive']).toBeDefined()
    // Neither a job nor a scene that is not there is in anybody’s way.
    expect((await readRescueHand({ unit: 'tsp-l1', job: 'no-such-job', scene: 'x' }))?.scene).toBeUndefined()
    expect((await readRescueHand({ unit: 'tsp-l1', job: job.id, scene: 'no-such-scene' }))?.scene).toBeUndefined()
  })
})

describe('the festival', () => {
  it('has somebody with a camera at every one of its thirteen scenes, with what they carry where that can do it', async () => {
    const { job, facts, planned: p } = await planned()
    expect(job.scenes).toHaveLength(13)
    expect(new Set(p.plan.stations.map(s => s.person?.id)).size).toBe(11)
    for (const s of p.plan.stations) expect(s.unit, `${s.scene.name}, ${s.person?.name}`).toBeDefined()
    // Two people never have one camera at once.
    for (const a of p.plan.stations)
      for (const b of p.plan.stations)
        if (a !== b && a.person?.id !== b.person?.id && a.scene.from < b.scene.until && b.scene.from < a.scene.until)
          expect(a.unit?.id).not.toBe(b.unit?.id)
    const carried = p.plan.stations.filter(s => s.unit?.carriedBy.includes(s.person?.id ?? ''))
    expect(carried.length).toBeGreaterThan(p.plan.stations.length / 2)
    expect(facts.models.length).toBeGreaterThanOrEqual(12)
  })

  it('has a walk in the words of the body for every change, and slots that save most of them', async () => {
    const { facts, planned: p } = await planned()
    for (const { model: id, setUps, pairs } of neededWalks(p.plan, facts, 'whatever comes')) {
      const model = facts.models.find(m => m.id === id)
      for (const [a = '', b = ''] of pairs.map(pair => pair.map(i => setUps[i])))
        for (const [row, option] of model?.walks[a]?.[b]?.steps ?? [[-1, -1]])
          expect(model?.rows[row]?.options[option], `${id}: ${a} to ${b}`).toBeTruthy()
    }
    const saved = p.plan.units.reduce((n, d) => n + d.withoutSlots - d.presses, 0)
    expect(saved).toBeGreaterThan(200)
    expect(p.plan.stations.filter(s => s.change?.isLate)).toEqual([])
  })

  it('has the best walks in hand for whatever comes where nobody can ask, in whichever order scenes are taken', async () => {
    const { facts, planned: p } = await planned()
    const rough = new Map((await readJobView(FESTIVAL)).facts.models.map(m => [m.id, m.rows.length]))
    let walked = 0
    for (const { unit, from, until } of p.plan.units) {
      const model = facts.models.find(m => m.id === unit.model)
      const setUps = p.plan.stations
        .filter(s => s.unit?.id === unit.id && s.scene.from >= from && s.scene.until <= until)
        .flatMap(s => s.setUp?.key ?? [])
      for (const a of setUps)
        for (const b of setUps)
          for (const [row] of model?.walks[a]?.[b]?.steps ?? []) {
            // What was worked out stands behind the rows of the rough ones.
            expect(row, `${unit.tag}: ${a} to ${b}`).toBeGreaterThanOrEqual(rough.get(unit.model) ?? 0)
            walked++
          }
    }
    expect(walked).toBeGreaterThan(100)
  })

  it('puts on a key what is wanted for one short scene', async () => {
    const { facts, planned: p } = await planned()
    const held = p.plan.stations.filter(s => s.change?.key)
    expect(held.map(s => [s.unit?.tag, s.scene.name, s.change?.key])).toEqual([['TSP-T2', 'Curtain call', 'Gate key']])
    // What the camera is set to before it is what Ring action asks; nothing of that is on the key’s own row.
    const [key] = facts.models.find(m => m.id === 'tollgate 3.0')?.keys ?? []
    expect(key).toMatchObject({ name: 'Gate key', row: ['Gate key', 'Side plate'] })
    expect(key?.reaches['ring-action']).toContain('house-baseline')
  })

  it('says what is owed, hired, untested, against the sun and over people', async () => {
    const { job, facts, planned: p } = await planned()
    const kinds = new Set(warningsOf(job, p.standing, facts, p.plan).map(w => w.kind))
    for (const kind of ['owed', 'untested', 'light', 'remote', 'battery'] as const) expect(kinds).toContain(kind)
  })

  it('is answered by the guide where no standard is named, and says so', async () => {
    const { facts } = await readJobView(FESTIVAL)
    const guided = facts.setUps.filter(s => s.isGuided).map(s => s.name)
    expect(guided).toEqual(['Make-up mirror', 'Tumbling pass'])
  })
})

describe('call sheets', () => {
  it('are paper for each of eleven, as another reader of PDFs finds it', async () => {
    const { bytes, name } = await printSheets(FESTIVAL, { paper: 'a4', each: 'yes' })
    expect(name).toBe('saltmarsh-ring-each-a4.pdf')
    const text = (await pdfTexts(bytes)).join(' ')
    for (const words of [
      'Ottoline Marsh',
      'Yevgenia Moth',
      'Flying trapeze',
      'Nobody stands below the rope',
      'safety tether',
    ])
      expect(text).toContain(words)
    const one = (await pdfTexts((await printSheets(FESTIVAL, { paper: 'pocket', person: 'perpetua-nye' })).bytes)).join(
      ' ',
    )
    expect(one).toContain('Club passing')
    expect(one).not.toContain('Marionette')
    await expect(printSheets(FESTIVAL, { paper: 'a4', person: 'nobody' })).rejects.toMatchObject({ status: 404 })
  })

  it('are a calendar that another reader finds every scene in, at its moment', async () => {
    const { job, planned: p } = await planned()
    const text = await jobCalendar(FESTIVAL, 'perpetua-nye', 'http://studio')
    const events = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map(e => new ICAL.Event(e))
    const mine = p.plan.stations.filter(s => s.person?.id === 'perpetua-nye')
    expect(events.map(e => [e.summary, e.startDate.toJSDate().getTime()])).toEqual(
      mine.map(s => [s.scene.name, s.scene.from]),
    )
    expect(events[0]?.location).toBe('Harbour square')
    expect(events.every(e => e.description.includes('?'))).toBe(true)
    expect(job.timeZone).toBe('Atlantic/South_Georgia')
  })

  it('say in the calendar as well what changed since they were printed', async () => {
    const { job, facts, happened, planned: p } = await planned()
    const lines = printedLines(sheetFor(job, facts, p, happened, 'perpetua-nye'))
    await happen(FESTIVAL, { id: 'printed-hers', what: { kind: 'printed', who: 'perpetua-nye', lines } }, LEAD)
    const [mine] = p.plan.stations.filter(s => s.person?.id === 'perpetua-nye').toReversed()
    const scene = mine?.scene.id ?? ''
    await happen(FESTIVAL, { id: 'moved-hers', what: { kind: 'moved', scene, day: job.day, at: '23:50' } }, LEAD)
    const text = await jobCalendar(FESTIVAL, 'perpetua-nye', 'http://studio')
    const changed = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map(e => new ICAL.Event(e))
      .filter(e => e.description.startsWith('Changed since the last print; it was '))
    expect(changed.map(e => e.summary)).toContain(mine?.scene.name)
    for (const id of ['printed-hers', 'moved-hers']) await happen(FESTIVAL, { id, isTakenBack: true }, LEAD)
  })
})

describe('a job of one’s own', () => {
  const NEW = { name: 'Lantern walk', day: '2026-12-05', timeZone: 'Europe/Lisbon' }

  it('begins, takes a list in, and is nobody’s to overwrite', async () => {
    const { id, revision } = await beginJob(NEW, LEAD)
    expect(id).toBe('lantern-walk')
    expect((await beginJob(NEW, LEAD)).id).toBe('lantern-walk-2')
    const { scenes, places, problems } = await readScenes(
      id,
      '17:30 Children, 20 min, at the quay, Bram\nnonsense',
      'list',
    )
    expect(scenes).toMatchObject([{ name: 'Children', minutes: 20, covers: [{ person: 'bram-tollard' }] }])
    expect(problems).toHaveLength(1)
    const { document } = await readJob(id)
    const next: Job = { ...document, scenes: [...scenes], places: [...places] }
    const stored = await saveJob({ document: next, revision }, LEAD)
    await expect(saveJob({ document: next, revision }, LEAD)).rejects.toMatchObject({
      status: 409,
      more: { revision: stored.revision },
    })
    await expect(
      saveJob({ document: { ...next, timeZone: 'Middle/Earth' }, revision: stored.revision }, LEAD),
    ).rejects.toMatchObject({ status: 422 })
    expect((await listJobs()).map(j => j.id)).toContain(id)
    const { facts, planned: p } = await planned(id)
    expect(findUnit(facts.units, p.plan.stations[0]?.unit?.tag ?? '')?.id).toBe(p.plan.stations[0]?.unit?.id)
  })

  it('is read from a spreadsheet, and goes as long as nothing happened on it', async () => {
    const { id } = await beginJob({ ...NEW, name: 'To go' }, LEAD)
    const csv = new TextEncoder().encode('Time,Scene,Who\n10:00,Doors,Imelda Frost\n')
    expect((await readScenes(id, csv, 'plan.csv')).scenes).toMatchObject([{ name: 'Doors' }])
    await removeJob(id, LEAD)
    await expect(readJob(id)).rejects.toMatchObject({ status: 404 })
    await expect(removeJob(FESTIVAL, LEAD)).rejects.toMatchObject({ status: 409 })
  })

  it('comes back from its own file', async () => {
    const { document } = await readJob(FESTIVAL)
    const copy = { ...document, id: 'festival-copy' }
    await importJob(JSON.parse(JSON.stringify(copy)), LEAD)
    expect((await readJob('festival-copy')).document).toEqual(copy)
    await expect(importJob({ ...copy, scenes: [{ id: 'x' }] }, LEAD)).rejects.toMatchObject({ status: 422 })
    const crowd = Array.from({ length: 51 }, (_, i) => ({
      id: `s${i}`,
      name: 'Crowd',
      at: '12:00',
      minutes: 5,
      covers: Array.from({ length: 40 }, (_, n) => ({ person: `p${n}` })),
    }))
    await expect(importJob({ ...copy, scenes: crowd }, LEAD)).rejects.toThrow(/at most 2000 of them together/)
  })

  it('of four hundred scenes is planned, and one of other words for each is held to what can be worked out', async () => {
    const { document } = await readJob(FESTIVAL)
    const [scene] = document.scenes
    const scenes = Array.from({ length: 400 }, (_, i) => ({
      ...scene,
      id: `scene-${i}`,
      name: `Scene ${i}`,
      at: `${String(Math.floor(i / 20)).padStart(2, '0')}:${String((i * 3) % 60).padStart(2, '0')}`,
      minutes: 3,
    }))
    await importJob({ ...document, id: 'many', scenes }, LEAD)
    const view = await readJobView('many')
    const { plan } = planThrough(view.job, view.facts, [])
    expect(plan.stations.length).toBeGreaterThanOrEqual(400)
  }, 120_000)
})

describe('what happens on the day', () => {
  it('comes in once, at the time it was done, and can be taken back', async () => {
    const said = {
      id: 'happened-once',
      what: { kind: 'dropped', scene: 'curtain-call' } as const,
      made: '2026-11-24T08:00:00.000Z',
      sent: new Date().toISOString(),
    }
    for (let i = 0; i < 3; i++) await happen(FESTIVAL, said, LEAD)
    const mine = (await readJobView(FESTIVAL)).happened.filter(h => h.id === said.id)
    expect(mine).toHaveLength(1)
    expect(mine[0]).toMatchObject({ by: 'ottoline-marsh' })
    expect((await planned()).planned.standing.scenes.find(s => s.id === 'curtain-call')?.isDropped).toBe(true)
    await happen(FESTIVAL, { id: said.id, isTakenBack: true }, LEAD)
    expect((await readJobView(FESTIVAL)).happened.some(h => h.id === said.id)).toBe(false)
    await expect(happen('no-such-job', said, LEAD)).rejects.toMatchObject({ status: 404 })
  })

  it('comes up in the debrief, with what was signed and measured meanwhile', async () => {
    await happen(
      FESTIVAL,
      { id: 'used-a-rescue', what: { kind: 'rescued', scene: 'parade', symptom: 'takes-front' } },
      LEAD,
    )
    const { debrief, trials } = await readDebrief(FESTIVAL)
    expect(debrief.changes.map(c => c.words)).toContain('Harbour race of the stilt walkers was moved to 17:10.')
    expect(debrief.rescues).toMatchObject([
      { sceneName: 'Ring entrance parade', label: 'Took what is in front', times: 1 },
    ])
    expect(debrief.notes).toHaveLength(1)
    expect(trials.length).toBeGreaterThan(0)
  })

  it('has walks for models of the job, and none for others', async () => {
    const { document } = await readJob(FESTIVAL)
    const setUps = ['ring-action', 'gone', 'high-rope']
    const all = await readWalks(document, { model: 'linnet 1.3', setUps })
    expect(Object.keys(all?.walks ?? {}).sort()).toEqual(['high-rope', 'ring-action'])
    // Only those that are asked for; of a standard that is gone, none.
    const some = await readWalks(document, {
      model: 'linnet 1.3',
      setUps,
      pairs: [
        [0, 2],
        [1, 0],
        [0, 2],
        [2, 2],
        [7, 0],
      ],
    })
    expect(Object.entries(some?.walks ?? {}).map(([from, to]) => [from, Object.keys(to)])).toEqual([
      ['ring-action', ['high-rope']],
    ])
    expect(some?.walks['ring-action']?.['high-rope']?.presses).toBe(all?.walks['ring-action']?.['high-rope']?.presses)
    expect(await readWalks(document, { model: 'no such model', setUps: [] })).toBeUndefined()
  })
})

describe('film', () => {
  it('has what a standard sets for it on every body, and their scales', async () => {
    const view = await readFilm({ standard: 'talk-on-camera' })
    expect(view.travel).toBe(1.2)
    expect(view.rows.map(r => r.dimension)).toContain('video.transition')
    expect(view.rows.every(r => r.cells.length === view.bodies.length)).toBe(true)
    expect(view.travels.find(t => t.body === 'sorrel')?.steps.length).toBe(7)
    expect((await readFilm({ standard: 'high-rope' })).travel).toBeUndefined()
  })

  it('prints a strip that another reader finds the marks on, and refuses what is no distance of the lens', async () => {
    const asked = {
      paper: 'a4' as const,
      lens: 'Made 50 mm',
      focalMm: 50,
      throwDegrees: 270,
      diameterMm: 80,
      infinityTurn: 'anticlockwise' as const,
      closestMetres: 0.5,
      fNumber: 2.8,
      circleMm: 0.03,
      marks: [
        { name: 'She', metres: 3, at: 0 },
        { name: 'He', metres: 1, at: 2 },
      ],
    }
    const text = (await pdfTexts((await printStrip(asked)).bytes)).join(' ')
    expect(text).toMatch(/1\s+She: 3 m at 0\.0 s/)
    expect(text).toMatch(/From the one before: 2\.0 s, clockwise/)
    await expect(printStrip({ ...asked, marks: [{ name: 'x', metres: 0.2, at: 0 }] })).rejects.toMatchObject({
      status: 422,
    })
  })
})
