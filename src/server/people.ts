import 'server-only'
import { randomUUID } from 'node:crypto'
import * as people from '@/db/people'
import { database } from './database'
import { RequestError } from './problems'

export const listPeople = async () => people.listPeople(await database())

/** Adds a person by name, or finds the one who has that name. */
export const addPerson = async (name: string): Promise<people.PersonRow> => {
  const db = await database()
  await people.addPerson(db, { id: randomUUID(), name }, new Date().toISOString())
  const found = (await people.listPeople(db)).find(p => p.name === name)
  if (!found) throw new Error(`the person ${name} was not stored`)
  return found
}

/** @throws RequestError 422 where there is no such person */
export const expectPerson = async (person: string | undefined): Promise<void> => {
  if (person !== undefined && !(await listPeople()).some(p => p.id === person))
    throw new RequestError(
      422,
      'No such person',
      'The name that signs is not known here any more. Choose it again at the top of the page.',
    )
}
