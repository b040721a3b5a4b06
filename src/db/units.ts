import type { Knex } from 'knex'
import { type Db, withRetry } from './connection'
import { recordChange, writeEvent } from './history'
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

/** Units that were put away; their tags and histories stay theirs. */
export const listArchivedUnits = (db: Db): Promise<readonly UnitRow[]> =>
  withRetry(() =>
    db<UnitRow>('units')
      .select(...COLUMNS)
      .whereNotNull('archived_at')
      .orderBy('tag'),
  )

export const listUnits = (db: Db): Promise<readonly UnitRow[]> =>
  withRetry(() =>
    db<UnitRow>('units')
      .select(...COLUMNS)
      .whereNull('archived_at')
      .orderBy('tag'),
  )

/** When each unit was entered in the kit, by its id. */
export const unitsEntered = async (db: Db): Promise<ReadonlyMap<string, string>> => {
  const rows: readonly { readonly id: string; readonly created_at: string }[] = await withRetry(() =>
    db('units').select('id', 'created_at'),
  )
  return new Map(rows.map(r => [r.id, r.created_at]))
}

export interface NewUnit extends Omit<UnitRow, 'revision'> {
  /** The revision it was made from; 0 for a new one. */
  readonly expected: number
}

/** Ends a transaction without a trace. */
class MovedOn extends Error {}

/** Stores a unit in place of what it was, with what that says has happened to it. */
const replace = async (
  trx: Knex.Transaction,
  before: UnitRow,
  { expected, ...unit }: NewUnit,
  at: string,
  personId: string | null,
): Promise<void> => {
  if (before.revision !== expected) throw new MovedOn()
  await trx('units')
    .where({ id: unit.id })
    .update({ ...unit, revision: before.revision + 1, archived_at: null })
  if (unit.kind === 'body')
    for (const event of eventsBetween(before, unit)) await addUnitEvent(trx, unit.id, event, at, personId)
}

/** What a change of its entry says has happened to a unit: it is another camera, or the same with other firmware. */
const eventsBetween = (before: UnitRow, unit: Omit<UnitRow, 'revision'>): readonly NewUnitEvent[] => {
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

/** A statement holds only so many values. */
const AT_ONCE = 50

const chunksOf = <T>(items: readonly T[]): readonly (readonly T[])[] =>
  Array.from({ length: Math.ceil(items.length / AT_ONCE) }, (_, i) => items.slice(i * AT_ONCE, (i + 1) * AT_ONCE))

/**
 * Stores units, all of them or none.
 *
 * @returns false where one of them has moved on since it was looked at; nothing is stored then
 */
export const saveUnits = async (
  db: Db,
  units: readonly NewUnit[],
  { at, personId, what }: { readonly at: string; readonly personId: string | null; readonly what: string },
): Promise<boolean> => {
  try {
    await withRetry(() =>
      db.transaction(async trx => {
        const rows = await Promise.all(
          chunksOf(units).map(some =>
            trx<UnitRow>('units').whereIn(
              'id',
              some.map(u => u.id),
            ),
          ),
        )
        const there = new Map(rows.flat().map(row => [row.id, row]))
        const fresh = units.filter(u => !there.has(u.id))
        if (fresh.some(u => u.expected !== 0)) throw new MovedOn()
        // Many at once, or everybody waits for the database while thousands are written one by one.
        await trx.batchInsert(
          'units',
          fresh.map(({ expected: _, ...unit }) => ({ ...unit, revision: 1, created_at: at })),
          AT_ONCE,
        )
        await trx.batchInsert(
          'history',
          fresh.map(unit => ({
            at,
            person_id: personId,
            kind: 'unit',
            subject: unit.id,
            what,
            before: null,
            after: JSON.stringify(unit),
          })),
          AT_ONCE,
        )
        for (const unit of units) {
          const before = there.get(unit.id)
          if (!before) continue
          await replace(trx, before, unit, at, personId)
          await writeEvent(trx, at, { personId, kind: 'unit', subject: unit.id, what, before, after: unit })
        }
      }),
    )
    return true
  } catch (error) {
    if (error instanceof MovedOn) return false
    throw error
  }
}

/**
 * Puts a unit away, or brings it back.
 *
 * @returns false where it has moved on since it was looked at; nothing is changed then
 */
export const setUnitArchived = async (
  db: Db,
  id: string,
  archived: boolean,
  { at, personId, expected }: { readonly at: string; readonly personId: string | null; readonly expected: number },
): Promise<boolean> => {
  let isHere = true
  await recordChange(db, at, async trx => {
    const before = await trx<UnitRow & { archived_at: string | null }>('units').where({ id }).first()
    isHere = before?.revision === expected
    if (!before || !isHere || Boolean(before.archived_at) === archived) return undefined
    await trx('units')
      .where({ id })
      .update({ archived_at: archived ? at : null })
    return { personId, kind: 'unit', subject: id, what: archived ? 'put away' : 'brought back' }
  })
  return isHere
}
