import type { AuditPlan } from '../core/audit/plan'
import type { Camera } from '../core/audit/whose'
import { closeWalks } from './cards'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'
import { addUnitEvent, type NewUnitEvent } from './unit-events'

/** What an audit's pictures come to without reading them again. */
export interface AuditSummary {
  readonly pictures: number
  readonly cameras: readonly Camera[]
  readonly from: string | undefined
  readonly until: string | undefined
}

interface Row {
  readonly id: number
  readonly name: string
  readonly person: string | null
  readonly created_at: string
  readonly plan: string
  readonly revision: number
  readonly summary: string
  readonly taken_over_at: string | null
}

export interface AuditRow extends Omit<Row, 'plan' | 'summary'> {
  readonly plan: AuditPlan
  readonly summary: AuditSummary
}

interface By {
  readonly at: string
  readonly personId: string | null
}

const rowOf = (row: Row): AuditRow => ({
  ...row,
  plan: JSON.parse(row.plan) as AuditPlan,
  summary: JSON.parse(row.summary) as AuditSummary,
})

const all = (db: Db) =>
  db('audits')
    .leftJoin('people', 'people.id', 'audits.person_id')
    .select<Row[]>(
      'audits.id',
      'audits.name',
      'audits.created_at',
      'audits.plan',
      'audits.revision',
      'audits.summary',
      'audits.taken_over_at',
      'people.name as person',
    )

/** Audits, newest first, without their pictures. */
export const listAudits = async (db: Db): Promise<readonly AuditRow[]> =>
  (await withRetry(async () => all(db).orderBy('audits.id', 'desc'))).map(rowOf)

export const findAudit = async (db: Db, id: number): Promise<AuditRow | undefined> =>
  (await withRetry(async () => all(db).where({ 'audits.id': id }))).map(rowOf)[0]

/** The pictures of an audit, as JSON text. */
export const readPictures = async (db: Db, id: number): Promise<string> => {
  const row = await withRetry(async () =>
    db<{ readonly id: number; readonly pictures: string }>('audits').where({ id }).first('pictures'),
  )
  return row?.pictures ?? '[]'
}

/** @param pictures as JSON text */
export const addAudit = async (
  db: Db,
  plan: AuditPlan,
  { summary, pictures }: { readonly summary: AuditSummary; readonly pictures: string },
  { at, personId }: By,
): Promise<number> => {
  let id = 0
  await recordChange(db, at, async trx => {
    const added: readonly { readonly id: number }[] = await trx('audits')
      .insert({
        name: plan.name,
        person_id: personId,
        created_at: at,
        plan: JSON.stringify(plan),
        revision: 1,
        summary: JSON.stringify(summary),
        pictures,
        taken_over_at: null,
      })
      .returning('id')
    id = added[0]?.id ?? 0
    const what = `“${plan.name}”, ${summary.pictures} pictures`
    return { personId, kind: 'audit', subject: String(id), what, after: plan }
  })
  return id
}

/** @returns false where the plan has moved on since it was looked at; nothing is changed then */
export const setAuditPlan = async (
  db: Db,
  id: number,
  plan: AuditPlan,
  expected: number,
  { at, personId }: By,
): Promise<boolean> => {
  let isHere = true
  await recordChange(db, at, async trx => {
    const before: { readonly plan: string } | undefined = await trx('audits').where({ id }).first('plan')
    const changed = await trx('audits')
      .where({ id, revision: expected })
      .update({ plan: JSON.stringify(plan), name: plan.name, revision: expected + 1 })
    isHere = changed === 1
    if (!isHere) return undefined
    return {
      personId,
      kind: 'audit',
      subject: String(id),
      what: 'held against other scenes, clocks or cameras',
      before: before && (JSON.parse(before.plan) as unknown),
      after: plan,
    }
  })
  return isHere
}

export interface SeenOfUnit {
  readonly unit: string
  /** When the picture was taken. */
  readonly at: string
  readonly event: Extract<NewUnitEvent, { readonly kind: 'pictured' }>
}

/** Writes what was seen into the lives of units, each at the time of its picture. What stands there already stays. */
export const takeSightsOver = async (
  db: Db,
  id: number,
  seen: readonly SeenOfUnit[],
  { at, personId }: By,
): Promise<number> => {
  let written = 0
  await recordChange(db, at, async trx => {
    written = 0
    for (const { unit, at: taken, event } of seen) {
      const data = JSON.stringify(event)
      const known: unknown = await trx('unit_events')
        .where({ unit_id: unit, at: taken, kind: event.kind, data, undone_at: null })
        .first('id')
      if (known) continue
      await addUnitEvent(trx, unit, event, taken, personId, { received: at })
      await closeWalks(trx, unit, at)
      written++
    }
    await trx('audits').where({ id }).update({ taken_over_at: at })
    const units = new Set(seen.map(s => s.unit)).size
    return { personId, kind: 'audit', subject: String(id), what: `taken over into the lives of ${units} units` }
  })
  return written
}

export const removeAudit = (db: Db, id: number, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const row: { readonly plan: string; readonly summary: string } | undefined = await trx('audits')
      .where({ id })
      .first('plan', 'summary')
    if (!row) return undefined
    await trx('audits').where({ id }).delete()
    return {
      personId,
      kind: 'audit',
      subject: String(id),
      what: 'thrown away',
      before: JSON.parse(row.plan) as unknown,
    }
  })
