import type { Knex } from 'knex'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'
import { addUnitEvent, type NewUnitEvent } from './unit-events'

/** Physical bodies and lenses that a team owns or hires. */
export interface UnitRow {
  readonly id: string
  readonly kind: 'body' | 'lens'
  readonly body_id: string | null
  readonly lens_id: string | null
  readonly tag: string
  readonly serial: string
  readonly firmware: string
  readonly owner: string
  readonly hired_until: string
  readonly notes: string
  readonly revision: number
}

const COLUMNS = [
  'id',
  'kind',
  'body_id',
  'lens_id',
  'tag',
  'serial',
  'firmware',
  'owner',
  'hired_until',
  'notes',
  'revision',
] as const

export const listUnits = (db: Db): Promise<readonly UnitRow[]> =>
  withRetry(() =>
    db<UnitRow>('units')
      .select(...COLUMNS)
      .whereNull('archived_at')
      .orderBy('tag'),
  )

export type NewUnit = Omit<UnitRow, 'revision'>

const store = async (
  trx: Knex.Transaction,
  unit: NewUnit,
  at: string,
  personId: string | null,
): Promise<{ before: UnitRow | undefined }> => {
  const before = await trx<UnitRow>('units').where({ id: unit.id }).first()
  if (before)
    await trx('units')
      .where({ id: unit.id })
      .update({ ...unit, revision: before.revision + 1, archived_at: null })
  else await trx('units').insert({ ...unit, revision: 1, created_at: at })
  if (before && unit.kind === 'body')
    for (const event of eventsBetween(before, unit)) await addUnitEvent(trx, unit.id, event, at, personId)
  return { before }
}

/** What a change of its entry says has happened to a unit: it is another camera, or the same with other firmware. */
const eventsBetween = (before: UnitRow, unit: NewUnit): readonly NewUnitEvent[] => {
  if (before.body_id !== unit.body_id)
    return [{ kind: 'exchanged', what: 'model', from: before.body_id ?? before.lens_id ?? '', to: unit.body_id ?? '' }]
  const exchanged: readonly NewUnitEvent[] =
    before.serial && before.serial !== unit.serial
      ? [{ kind: 'exchanged', what: 'serial', from: before.serial, to: unit.serial }]
      : []
  return before.firmware === unit.firmware
    ? exchanged
    : [...exchanged, { kind: 'firmware', from: before.firmware, to: unit.firmware }]
}

/**
 * Stores units, all of them or none.
 *
 * @param expected the revision a single unit was edited from
 * @returns false where it has moved on since; nothing is stored then
 */
export const saveUnits = async (
  db: Db,
  units: readonly NewUnit[],
  options: { readonly at: string; readonly personId: string | null; readonly what: string; readonly expected?: number },
): Promise<boolean> => {
  const { at, personId, what, expected } = options
  let stored = true
  await withRetry(() =>
    db.transaction(async trx => {
      for (const unit of units) {
        if (expected !== undefined) {
          const known = await trx<UnitRow>('units').where({ id: unit.id }).first()
          if (known && known.revision !== expected) {
            stored = false
            return
          }
        }
        const { before } = await store(trx, unit, at, personId)
        await trx('history').insert({
          at,
          person_id: personId,
          kind: 'unit',
          subject: unit.id,
          what,
          before: before ? JSON.stringify(before) : null,
          after: JSON.stringify(unit),
        })
      }
    }),
  )
  return stored
}

/** Puts a unit away, or brings it back. */
export const setUnitArchived = (
  db: Db,
  id: string,
  archived: boolean,
  at: string,
  personId: string | null,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const before = await trx<UnitRow & { archived_at: string | null }>('units').where({ id }).first()
    if (!before || Boolean(before.archived_at) === archived) return undefined
    await trx('units')
      .where({ id })
      .update({ archived_at: archived ? at : null })
    return { personId, kind: 'unit', subject: id, what: archived ? 'put away' : 'brought back' }
  })
