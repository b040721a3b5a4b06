import { bodyAt, factoryState } from '../core/bodies'
import { resolve } from '../core/resolve'
import { planSteps } from '../core/steps/plan'
import type { Db } from '../db/connection'
import { saveBody, saveLens } from '../db/documents'
import { addLensTest, listLensTests } from '../db/lens-tests'
import { addTrial, listTrials } from '../db/trials'
import { seedPractice } from './practice'
import { seedWork } from './work'
import { demoTrials } from './trials'
import { camerasIn } from '../core/audit/whose'
import { addAudit, listAudits } from '../db/audits'
import { demoAudit, demoShootings } from './audit'
import { addRun, listRuns } from '../db/runs'
import { readUsualStandard, saveUsualStandard } from '../db/settings'
import { addComment, addVersion } from '../db/standards'
import { addPerson } from '../db/people'
import { listCarries, setCarried } from '../db/carriers'
import { listUnitEvents, type NewUnitEvent, recordUnitEvent } from '../db/unit-events'
import { listArchivedUnits, listUnits, saveUnits } from '../db/units'
import {
  demoBodies,
  demoCarries,
  demoLenses,
  type DemoLife,
  demoLives,
  demoPeople,
  demoLensTests,
  demoRuns,
  demoStandards,
  demoVersions,
  type DemoUnit,
  demoUnits,
} from './world'

const slug = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')

const rowOf = (u: DemoUnit) => ({
  id: slug(u.tag),
  kind: u.lens ? ('lens' as const) : ('body' as const),
  body_id: u.body ?? null,
  lens_id: u.lens ?? null,
  tag: u.tag,
  serial: u.serial,
  firmware: u.firmware ?? '',
  owner: u.owner ?? 'Tallow Street Pictures',
  hired_until: u.hiredUntil ?? '',
  notes: u.notes ?? '',
  expected: 0,
})

/** What the team works by most days. */
const USUAL_STANDARD = 'ring-action'

/** Puts the demo world into a database. What is there already stays as it is: edits, ticks and all. */
export const seedDemo = async (db: Db, at: string): Promise<void> => {
  const options = { at, personId: null, expected: 0 }
  // What the pictures of the festival are held against was in force by then.
  const before = daysBefore(at, 30)
  for (const name of demoPeople()) await addPerson(db, { id: slug(name), name }, at)
  for (const body of demoBodies()) await saveBody(db, body, options)
  for (const lens of demoLenses()) await saveLens(db, lens, options)
  for (const { standard, state, why, comments } of demoVersions()) {
    const { stored } = await addVersion(db, standard, state, { ...options, at: before, what: 'begun', why })
    if (!stored) continue
    for (const { by, dimension, text } of comments)
      await addComment(
        db,
        { standardId: standard.id, version: standard.version, dimension, text },
        { at, personId: by },
      )
  }
  if ((await readUsualStandard(db)) === undefined)
    await saveUsualStandard(db, { id: USUAL_STANDARD, seen: null }, at, null)
  const there = new Set([...(await listUnits(db)), ...(await listArchivedUnits(db))].map(u => u.id))
  const missing = demoUnits()
    .map(rowOf)
    .filter(u => !there.has(u.id))
  await saveUnits(db, missing, { at: daysBefore(at, 400), personId: null, what: 'added' })
  if ((await listCarries(db)).length === 0)
    for (const [person, tags] of Object.entries(demoCarries()))
      await setCarried(db, slug(person), { units: tags.map(slug), seen: [] }, at, null)
  if ((await listRuns(db)).length === 0)
    for (const { by, run } of demoRuns()) await addRun(db, run, { at, personId: slug(by) })
  if ((await listLensTests(db)).length === 0)
    for (const { by, test } of demoLensTests()) await addLensTest(db, test, { at, personId: slug(by) })
  if ((await listTrials(db)).length === 0)
    for (const { by, trial } of demoTrials()) {
      const { format: _, counts, notes, ...plan } = trial
      await addTrial(db, plan, { counts, notes }, { at, personId: slug(by) })
    }
  if ((await listAudits(db)).length === 0) {
    const { standard, shootings } = demoShootings()
    const { plan, pictures } = demoAudit(shootings, standard, at)
    const times = pictures.flatMap(p => p.at ?? []).sort()
    const summary = {
      pictures: pictures.length,
      cameras: camerasIn(pictures),
      from: times[0],
      until: times.at(-1),
    }
    await addAudit(db, plan, { summary, pictures: JSON.stringify(pictures) }, { at, personId: slug('Ottoline Marsh') })
  }
  await seedPractice(db, at)
  await seedWork(db, at)
  if ((await listUnitEvents(db)).size > 0) return
  for (const { life, events } of lives())
    for (const event of events)
      await recordUnitEvent(db, slug(life.tag), event, daysBefore(at, life.daysAgo), slug(life.by), { received: at })
}

const DAY_MS = 24 * 3600 * 1000
const daysBefore = (at: string, days: number): string => new Date(Date.parse(at) - days * DAY_MS).toISOString()

let worked: readonly { readonly life: DemoLife; readonly events: readonly NewUnitEvent[] }[] | undefined
/** Lives with their events; cards that were walked are worked out once. */
const lives = () => (worked ??= demoLives().map(life => ({ life, events: eventsOf(life) })))

/** The events of one line of a unit's life. */
const eventsOf = (life: DemoLife): readonly NewUnitEvent[] => {
  const unit = demoUnits().find(u => u.tag === life.tag)
  const firmware = unit?.firmware ?? ''
  switch (life.what) {
    case 'reset':
    case 'repaired':
    case 'returned':
      return [{ kind: life.what }]
    case 'firmware':
      return [{ kind: 'firmware', from: life.from, to: firmware }]
    case 'told':
      return [{ kind: 'set', setting: life.setting, option: life.option, how: 'person' }]
    case 'walked': {
      const profile = demoBodies().find(b => b.id === unit?.body)
      const standard = life.version
        ? demoVersions().find(v => v.standard.id === life.standard && v.standard.version === life.version)?.standard
        : demoStandards().find(s => s.id === life.standard)
      if (!profile || !standard) throw new Error(`no body or no standard for ${life.tag}`)
      const body = bodyAt(profile, firmware)
      const { state } = resolve(body, standard, { firmware })
      const steps = planSteps(body, factoryState(body), state).steps
      const set = steps.flatMap((s): NewUnitEvent[] => [
        { kind: 'set', setting: s.setting, option: s.to, how: 'card' },
        ...s.follows.map(f => ({ kind: 'set' as const, setting: f.setting, option: f.to, how: 'card' as const })),
      ])
      const { id, version } = standard
      const signed = { kind: 'signed' as const, standard: id, version, minutes: life.minutes, steps: steps.length }
      return [{ kind: 'reset' }, ...set, signed]
    }
  }
}
