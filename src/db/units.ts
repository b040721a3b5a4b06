import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** Physical bodies that a team owns or hires. */
export interface UnitRow {
  readonly id: string
  readonly body_id: string
  readonly tag: string
  readonly serial: string
  readonly firmware: string
}

export const listUnits = (db: Db): Promise<readonly UnitRow[]> =>
  withRetry(() => db<UnitRow>('units').select('id', 'body_id', 'tag', 'serial', 'firmware').orderBy('tag'))

export const addUnit = (db: Db, unit: UnitRow, at: string, personId: string | null): Promise<void> =>
  recordChange(db, at, async trx => {
    await trx('units').insert({ ...unit, created_at: at })
    return { personId, kind: 'unit', subject: unit.id, what: 'added', after: unit }
  })
