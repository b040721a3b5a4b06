import 'server-only'
import { randomUUID } from 'node:crypto'
import * as people from '@/db/people'
import type { Actor } from './actor'
import { database } from './database'

export const listPeople = async () => people.listPeople(await database())

/** Adds a person by name, or finds the one who has that name. */
export const addPerson = async (name: string, { at }: Actor): Promise<people.PersonRow> => {
  const db = await database()
  await people.addPerson(db, { id: randomUUID(), name }, at)
  const found = (await people.listPeople(db)).find(p => p.name === name)
  if (!found) throw new Error(`the person ${name} was not stored`)
  return found
}
