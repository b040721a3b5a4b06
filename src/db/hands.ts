import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** Whose hands units are in. */
export interface CarryRow {
  readonly person_id: string
  readonly unit_id: string
}

export const listCarries = (db: Db): Promise<readonly CarryRow[]> =>
  withRetry(() => db<CarryRow>('carries').select('person_id', 'unit_id').orderBy(['person_id', 'unit_id']))

/** Says which units a person usually carries together. */
export const setCarried = (
  db: Db,
  personId: string,
  unitIds: readonly string[],
  at: string,
  by: string | null,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const before = (await trx<CarryRow>('carries').where({ person_id: personId })).map(c => c.unit_id)
    const after = [...new Set(unitIds)]
    if (before.length === after.length && after.every(u => before.includes(u))) return undefined
    await trx('carries').where({ person_id: personId }).delete()
    if (after.length) await trx('carries').insert(after.map(unit_id => ({ person_id: personId, unit_id })))
    return { personId: by, kind: 'person', subject: personId, what: 'carries other units', before, after }
  })

export interface HandoverRow {
  readonly unit_id: string
  readonly at: string
  readonly person: string | null
}

export const listHandovers = (db: Db): Promise<readonly HandoverRow[]> =>
  withRetry(() =>
    db('handovers')
      .leftJoin('people', 'people.id', 'handovers.person_id')
      .select({ unit_id: 'handovers.unit_id', at: 'handovers.at', person: 'people.name' }),
  )

/** Marks a unit as set for a stranger, or as set back. */
export const setHandedOver = (
  db: Db,
  unitId: string,
  handedOver: boolean,
  at: string,
  by: string | null,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const before = (await trx('handovers').where({ unit_id: unitId }).first()) as object | undefined
    if (Boolean(before) === handedOver) return undefined
    if (handedOver) await trx('handovers').insert({ unit_id: unitId, at, person_id: by })
    else await trx('handovers').where({ unit_id: unitId }).delete()
    return {
      personId: by,
      kind: 'unit',
      subject: unitId,
      what: handedOver ? 'handed over' : 'back from being handed over',
    }
  })
