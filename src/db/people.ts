import { type Db, withRetry } from './connection'
import { recordChange } from './history'

export interface PersonRow {
  readonly id: string
  readonly name: string
}

export const listPeople = (db: Db): Promise<readonly PersonRow[]> =>
  withRetry(() => db<PersonRow>('people').select('id', 'name').orderBy('name'))

/** Adds a person; a name that is there already is not added twice. */
export const addPerson = (db: Db, person: PersonRow, at: string): Promise<void> =>
  recordChange(db, at, async trx => {
    const known = await trx<PersonRow>('people').where({ name: person.name }).first()
    if (known) return undefined
    await trx('people').insert({ ...person, created_at: at })
    return { personId: null, kind: 'person', subject: person.id, what: 'added', after: person }
  })
