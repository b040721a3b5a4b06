import 'server-only'
import type { AuditedScene, Judged } from '@/core/audit/audit'
import { isFromPicture, type TrialPlan } from '@/core/evidence/trial'
import type { Finding } from '@/core/audit/findings'
import type { AuditPlan } from '@/core/audit/plan'
import { type Identified, identified, type Owned } from '@/core/audit/whose'
import type { Audit } from '@/core/audit/audit'
import { fieldsThatTell } from '@/core/bodies'
import { planFor, sessionOf } from '@/core/functions/plan'
import { knownAfter, knownState, type UnitEvent } from '@/core/kit/known'
import { withLate } from '@/core/kit/late'
import { askedOf } from '@/core/resolve'
import { contextFrom, refFrom, refText, relevantContext } from '@/core/standards'
import * as db from '@/db/audits'
import { listVersions } from '@/db/standards'
import { countCounts, listCounts, listTrials } from '@/db/trials'
import { listUnitEvents } from '@/db/unit-events'
import { type UnitRow, unitsEntered } from '@/db/units'
import type { Example } from '@/pool/audits'
import { share } from '@/pool/documents'
import type { Actor } from './actor'
import { formOf, listBodies, readBodies, readBody, readStandard, type Revised, units } from './catalogue'
import type { Body } from '@/core/bodies'
import { readCarriers } from './carriers'
import { resolveStored } from './concordance'
import { database } from './database'
import { changedMeanwhile, notFound, RequestError } from './problems'
import { remember } from './remember'
import { draftToWrite, saveStandardDraft } from './standards'
import { handedOver, work } from './working'

/** Audits: what the pictures of a job say of the cameras that took them, held against what the standard wanted then. */

export interface AuditHeading {
  readonly id: number
  readonly name: string
  readonly person: string | null
  readonly at: string
  readonly pictures: number
  readonly cameras: number
  readonly from: string | undefined
  readonly until: string | undefined
  readonly isTakenOver: boolean
}

export const listAudits = async (): Promise<readonly AuditHeading[]> =>
  (await db.listAudits(await database())).map(({ id, name, person, created_at, summary, taken_over_at }) => ({
    id,
    name,
    person,
    at: created_at,
    pictures: summary.pictures,
    cameras: summary.cameras.length,
    from: summary.from,
    until: summary.until,
    isTakenOver: taken_over_at !== null,
  }))

export interface UnitChoice {
  readonly id: string
  readonly tag: string
  readonly serial: string
  readonly maker: string
  readonly model: string
}

/** What an audit can be made with: cameras that can be told, and the fields that tell of them. */
export interface AuditableView {
  readonly units: readonly UnitChoice[]
  /** Fields that some body's evidence looks at. */
  readonly fields: readonly string[]
  /** Bodies of which pictures tell nothing yet, of those that the house has units of. */
  readonly silent: readonly { readonly id: string; readonly name: string }[]
}

export const readAuditable = async (): Promise<AuditableView> => {
  const [bodies, all] = await Promise.all([readBodies(), units()])
  const bodyOf = new Map(bodies.map(b => [b.document.id, b.document]))
  const own = all.filter(u => u.body_id !== null)
  const silent = bodies.filter(b => !b.document.evidence?.length && own.some(u => u.body_id === b.document.id))
  return {
    units: own.map(({ id, tag, serial, body_id }) => {
      const body = bodyOf.get(body_id ?? '')
      return { id, tag, serial, maker: body?.maker ?? '', model: body?.model ?? '' }
    }),
    fields: fieldsThatTell(bodies.map(b => b.document)),
    silent: silent.map(b => ({ id: b.document.id, name: b.document.model })),
  }
}

/** @throws RequestError 404 */
const rowWith = async (id: string): Promise<db.AuditRow> => {
  const row = /^\d{1,9}$/.test(id) ? await db.findAudit(await database(), Number(id)) : undefined
  if (!row) throw notFound('audit', id)
  return row
}

interface OwnUnit extends Owned {
  readonly row: UnitRow
  readonly body: Revised<Body>
  readonly form: Body
  readonly events: readonly UnitEvent[]
}

/** When the tag began to stand for this very camera; empty where it always did. */
const exchangedAt = (events: readonly UnitEvent[]): string => events.findLast(e => e.kind === 'exchanged')?.at ?? ''

const ownUnits = async (plan: AuditPlan): Promise<readonly OwnUnit[]> => {
  const at = await database()
  const [all, events, entered, bodies] = await Promise.all([
    units(),
    listUnitEvents(at),
    unitsEntered(at),
    listBodies(),
  ])
  const revisions = new Map(bodies.map(b => [b.id, b.revision]))
  const own = await Promise.all(
    all.map(async (row): Promise<OwnUnit[]> => {
      const revision = row.body_id === null ? undefined : revisions.get(row.body_id)
      if (row.body_id === null || revision === undefined) return []
      const body = await readBody(row.body_id, revision)
      const form = formOf(body, row.firmware)
      const life = events.get(row.id) ?? []
      const came = entered.get(row.id) ?? ''
      const exchanged = exchangedAt(life)
      return [
        {
          id: row.id,
          tag: row.tag,
          serial: row.serial,
          maker: form.maker,
          model: form.model,
          entered: came,
          since: plan.isOnlySinceEntered && came > exchanged ? came : exchanged,
          row,
          body,
          form,
          events: life,
        },
      ]
    }),
  )
  return own.flat()
}

/** Which version of a standard a scene was shot by. */
export interface SceneStandard {
  readonly id: string
  readonly name: string
  readonly version: number
  /** It was approved only after the pictures were taken, and there was none before. */
  readonly isLater: boolean
}

/** The version in force at a time: the last that was approved by then. @throws RequestError 404 */
const standardAt = async (ref: string, time: string | undefined) => {
  const { id, version } = refFrom(ref)
  const approved = (await listVersions(await database(), id)).filter(v => v.approved_at !== null)
  const then = approved.find(v => time !== undefined && (v.approved_at ?? '') <= time)
  const first = version ?? then?.version
  const standard = await readStandard(first === undefined ? id : refText({ id, version: first }))
  const told: SceneStandard = {
    id,
    name: standard.document.name,
    version: standard.document.version,
    isLater: version === undefined && then === undefined,
  }
  return { standard, told }
}

/** Each scene with what its standard wanted of each unit that may have taken pictures. */
const scenesOf = async (
  { plan, summary }: db.AuditRow,
  used: readonly OwnUnit[],
): Promise<readonly { readonly scene: AuditedScene; readonly told: SceneStandard }[]> =>
  Promise.all(
    plan.scenes.map(async ({ name, from, until, moves, standard: ref, for: context }) => {
      const { standard, told } = await standardAt(ref, from ?? summary.from)
      const wanted = await Promise.all(
        used.map(async u => {
          const asked = relevantContext(standard.document, { ...contextFrom(context), units: [u.id] })
          const known = knownState(knownAfter(u.body.document, u.row.firmware, u.events))
          const found = await resolveStored(
            { body: u.body, standard, firmware: u.row.firmware, context: asked },
            known,
          ).catch(() => undefined)
          const turned = found ? askedOf(u.form, found) : []
          return [u.id, Object.fromEntries(turned.map(s => [s, found?.state[s] ?? '']))] as const
        }),
      )
      return { scene: { name, from, until, moves, wanted: Object.fromEntries(wanted) }, told }
    }),
  )

/** What would be known otherwise of a unit, once what was seen is taken over. */
export interface Learned {
  readonly unit: string
  readonly setting: string
  readonly from: string | undefined
  readonly to: string
}

export interface AuditView {
  readonly id: number
  readonly revision: number
  readonly person: string | null
  readonly at: string
  readonly takenOverAt: string | null
  readonly plan: AuditPlan
  readonly standards: readonly SceneStandard[]
  readonly audit: Audit
  readonly findings: readonly Finding[]
  /** By unit: what it and its settings are called. */
  readonly names: Readonly<Record<string, UnitNames>>
  readonly learned: readonly Learned[]
  /** By camera: pictures of which one may show the clock page. */
  readonly examples: Readonly<Record<string, readonly Example[]>>
  /** All units, for cameras that nobody knows. */
  readonly units: readonly UnitChoice[]
}

interface UnitNames {
  readonly tag: string
  readonly body: string
  readonly name: string
  readonly settings: Readonly<
    Record<string, { readonly label: string; readonly options: Readonly<Record<string, string>> }>
  >
}

const namesOf = ({ tag, form }: OwnUnit, settings: ReadonlySet<string>): UnitNames => ({
  tag,
  body: form.id,
  name: `${form.maker} ${form.model}`,
  settings: Object.fromEntries(
    form.settings
      .filter(s => settings.has(s.id))
      .map(s => [s.id, { label: s.label, options: Object.fromEntries(s.options.map(o => [o.id, o.label])) }]),
  ),
})

const seenIn = (audit: Audit): readonly db.SeenOfUnit[] =>
  audit.units.flatMap(({ unit, sights }) =>
    sights.map(({ at, file, settings }) => ({ unit, at, event: { kind: 'pictured' as const, settings, file } })),
  )

const learnedFrom = (audit: Audit, own: readonly OwnUnit[], now: string): readonly Learned[] => {
  const seen = seenIn(audit)
  return own.flatMap(({ id, body, row, events }) => {
    const mine = seen.filter(s => s.unit === id)
    if (mine.length === 0) return []
    const after = mine.reduce<readonly UnitEvent[]>(
      (life, s) => withLate(life, { ...s.event, at: s.at, by: null }, now),
      events,
    )
    const [was, is] = [events, after].map(life => knownAfter(body.document, row.firmware, life).facts)
    return [...(is ?? [])].flatMap(([setting, fact]): Learned[] => {
      const before = was?.get(setting)?.option
      return before === fact.option ? [] : [{ unit: id, setting, from: before, to: fact.option }]
    })
  })
}

/** By unit: pictures that were judged in trials with it. */
const judgedPictures = async (used: readonly OwnUnit[]): Promise<Readonly<Record<string, readonly Judged[]>>> => {
  const at = await database()
  const found: Record<string, Judged[]> = {}
  for (const trial of await listTrials(at)) {
    const tag = (JSON.parse(trial.document) as TrialPlan).unit
    const unit = used.find(u => u.tag === tag)
    if (!unit) continue
    for (const { id, made, judgement } of await listCounts(at, trial.id))
      if (isFromPicture(id)) (found[unit.id] ??= []).push({ at: made, isKept: judgement === 'sharp' })
  }
  return found
}

const worked = remember<ReturnType<typeof workOut>>('audits', 30)

const workOut = async (row: db.AuditRow, own: readonly OwnUnit[], now: string) => {
  const cameras: readonly Identified[] = identified(row.summary.cameras, own, row.plan.whose)
  const used = own.filter(u => cameras.some(c => c.whose.is === 'unit' && c.whose.unit === u.id))
  const scenes = await scenesOf(row, used)
  const { audit, findings, examples } = await work('audited', {
    pictures: await db.readPictures(await database(), row.id),
    units: own.map(({ id, tag, serial, maker, model, since, entered, form }) => ({
      id,
      tag,
      serial,
      maker,
      model,
      since,
      entered,
      form: share(form),
    })),
    scenes: scenes.map(s => s.scene),
    judged: await judgedPictures(used),
    clocks: row.plan.clocks,
    whose: row.plan.whose,
    minutesEast: row.plan.minutesEast,
    now,
  })
  const spoken = new Map(audit.units.map(u => [u.unit, new Set([...u.told, ...u.untold])]))
  return {
    audit,
    findings,
    examples,
    standards: scenes.map(s => s.told),
    names: Object.fromEntries(
      own.filter(u => spoken.has(u.id)).map(u => [u.id, namesOf(u, spoken.get(u.id) ?? new Set())]),
    ),
  }
}

/** Everything an audit goes by, as text: where nothing of it changed, it says the same. */
const keyOf = async (row: db.AuditRow, own: readonly OwnUnit[]): Promise<string> => {
  const at = await database()
  const versions = (
    await Promise.all([...new Set(row.plan.scenes.map(s => refFrom(s.standard).id))].map(id => listVersions(at, id)))
  ).flat()
  return JSON.stringify([
    row.id,
    row.revision,
    row.created_at,
    own.map(u => [u.id, u.tag, u.serial, u.body.stamp, u.row.firmware, u.since, u.events.length, u.events.at(-1)?.at]),
    versions.map(v => [v.standard_id, v.version, v.revision, v.state]),
    [...(await countCounts(at))],
  ])
}

/** @throws RequestError 404 */
export const readAudit = async (id: string, now = new Date().toISOString()): Promise<AuditView> => {
  const row = await rowWith(id)
  const own = await ownUnits(row.plan)
  const key = await keyOf(row, own)
  const found = await worked.getOr(key, () => {
    const made = workOut(row, own, now)
    made.catch(() => worked.forget(key))
    return made
  })
  return {
    id: row.id,
    revision: row.revision,
    person: row.person,
    at: row.created_at,
    takenOverAt: row.taken_over_at,
    plan: row.plan,
    ...found,
    learned: learnedFrom(found.audit, own, now),
    units: own.map(({ id: unit, tag, serial, maker, model }) => ({ id: unit, tag, serial, maker, model })),
  }
}

/** Every scene names a standard that there is. @throws RequestError 422 */
const expectStandards = async (plan: AuditPlan): Promise<void> => {
  for (const { name, standard } of plan.scenes)
    await readStandard(standard).catch(() => {
      throw new RequestError(422, 'No such standard', `“${name}” names the standard “${standard}”, which is not here.`)
    })
}

/** @param sent bytes of a request. @throws RequestError 422 for what cannot be read */
export const saveAudit = async (sent: unknown, actor: Actor): Promise<{ readonly id: number }> => {
  const { plan, ...read } = await work('auditSent', { sent, file: 'audit' }, handedOver(sent))
  await expectStandards(plan)
  return { id: await db.addAudit(await database(), plan, read, actor) }
}

/** Holds the same pictures against another plan. @throws RequestError 404, 409 where somebody else changed it, 422 */
export const saveAuditPlan = async (
  id: string,
  { plan, revision }: { readonly plan: AuditPlan; readonly revision: number },
  actor: Actor,
): Promise<void> => {
  const row = await rowWith(id)
  await expectStandards(plan)
  if (!(await db.setAuditPlan(await database(), row.id, plan, revision, actor))) throw changedMeanwhile('audit')
}

/**
 * Writes what was seen into the lives of the units, each at the time of its picture: what is known since then stays.
 *
 * @returns how many events were written; those that stood there already are not written again
 * @throws RequestError 404
 */
export const takeOver = async (id: string, actor: Actor): Promise<{ readonly written: number }> => {
  const { audit } = await readAudit(id, actor.at)
  return { written: await db.takeSightsOver(await database(), Number(id), seenIn(audit), actor) }
}

/** @throws RequestError 404 */
export const removeAudit = async (id: string, actor: Actor): Promise<void> => {
  const row = await rowWith(id)
  await db.removeAudit(await database(), row.id, actor)
}

export interface SessionWritten {
  readonly standard: string
  readonly name: string
  readonly version: number
  /** Whose session it is now; null where it is the team's. */
  readonly person: string | null
}

/**
 * Writes how long a camera followed in fact into the thumb load of a standard's draft: into the session of whoever
 * carries it, where that is one person; else into the team's.
 *
 * @throws RequestError 404, 422 where its pictures show no burst, or the draft is in review
 */
export const writeSession = async (
  id: string,
  { standard: ref, unit }: { readonly standard: string; readonly unit: string },
  actor: Actor,
): Promise<SessionWritten> => {
  const { audit, names, plan: held } = await readAudit(id)
  const followed = audit.units.find(u => u.unit === unit)?.followed
  if (!followed)
    throw new RequestError(
      422,
      'No burst',
      'Its pictures show nothing that was followed: three frames or more in a row.',
    )
  const carriers = (await readCarriers()).filter(c => c.units.includes(unit))
  const [carrier] = carriers.length === 1 ? carriers : []
  const { id: standard, version, document, revision } = await draftToWrite(ref, actor)
  const plan = document.controls ?? planFor('thumb-start')
  const { minutes, shootingShare, followingShare, longestFollowSeconds } = followed
  const measured = {
    ...sessionOf(plan, carrier?.id ?? ''),
    minutes: Math.min(1440, Math.round(minutes)),
    shootingShare,
    followingShare,
    longestFollowSeconds: Math.min(3600, Math.round(longestFollowSeconds)),
  }
  const controls = carrier
    ? {
        ...plan,
        sessions: [...plan.sessions.filter(s => s.person !== carrier.id), { person: carrier.id, session: measured }],
      }
    : { ...plan, session: measured }
  const what = `thumb load: what ${names[unit]?.tag ?? unit} followed, by the pictures of “${held.name}”`
  await saveStandardDraft(
    standard,
    version,
    { document: { ...document, controls }, revision, what: what.slice(0, 400) },
    actor,
  )
  return { standard, name: document.name, version, person: carrier?.name ?? null }
}
