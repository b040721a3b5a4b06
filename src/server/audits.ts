import 'server-only'
import type { Finding } from '@/core/audit/findings'
import type { AuditPlan } from '@/core/audit/plan'
import type { Audit } from '@/core/audit/audit'
import { fieldsThatTell } from '@/core/bodies'
import { planFor, sessionOf } from '@/core/functions/plan'
import * as db from '@/db/audits'
import type { Example } from '@/pool/audits'
import {
  keyOf,
  type Learned,
  learnedFrom,
  ownUnits,
  seenIn,
  type SceneStandard,
  type UnitNames,
  workOut,
  worked,
} from './audit-work'
import type { Actor } from './actor'
import { readBodies, readStandard, units } from './catalogue'
import { readCarriers } from './carriers'
import { database } from './database'
import { changedMeanwhile, notFound, RequestError } from './problems'
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
  /** Cameras of which nobody could reckon what they should have been set to: they are held against nothing. */
  readonly failed: readonly string[]
  /** By unit: what it and its settings are called. */
  readonly names: Readonly<Record<string, UnitNames>>
  readonly learned: readonly Learned[]
  /** By camera: pictures of which one may show the clock page. */
  readonly examples: Readonly<Record<string, readonly Example[]>>
  /** All units, for cameras that nobody knows. */
  readonly units: readonly UnitChoice[]
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
