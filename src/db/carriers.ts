import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** Whose hands units are in. */
export interface CarryRow {
  readonly person_id: string
  readonly unit_id: string
}

export const listCarries = (db: Db): Promise<readonly CarryRow[]> =>
  withRetry(() => db<CarryRow>('carries').select('person_id', 'unit_id').orderBy(['person_id', 'unit_id']))

/**
 * Says which units a person usually carries together.
 *
 * @param seen what they carried when somebody looked
 * @returns false where that is not so any more; nothing is changed then
 */
export const setCarried = async (
  db: Db,
  personId: string,
  { units: unitIds, seen }: { readonly units: readonly string[]; readonly seen: readonly string[] },
  at: string,
  by: string | null,
): Promise<boolean> => {
  let isHere = true
  const areSame = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every(u => b.includes(u))
  await recordChange(db, at, async trx => {
    // Units that were put away are carried by nobody, as far as anybody sees.
    const before = (
      await trx<CarryRow>('carries')
        .join('units', 'units.id', 'carries.unit_id')
        .where({ person_id: personId })
        .whereNull('units.archived_at')
        .select('unit_id')
    ).map((c: { unit_id: string }) => c.unit_id)
    const after = [...new Set(unitIds)]
    if (areSame(before, after)) return undefined
    isHere = areSame(before, [...new Set(seen)])
    if (!isHere) return undefined
    await trx('carries').where({ person_id: personId }).delete()
    if (after.length) await trx('carries').insert(after.map(unit_id => ({ person_id: personId, unit_id })))
    return { personId: by, kind: 'person', subject: personId, what: 'carries other units', before, after }
  })
  return isHere
}

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
