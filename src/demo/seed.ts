import type { Db } from '../db/connection'
import { saveBody, saveStandard } from '../db/documents'
import { addPerson } from '../db/people'
import { addUnit, listUnits } from '../db/units'
import { demoBodies, demoPeople, demoStandards, demoUnits } from './world'

const slug = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')

/** Puts the demo world into a database. What is there already stays as it is, ticks included. */
export const seedDemo = async (db: Db, at: string): Promise<void> => {
  for (const name of demoPeople()) await addPerson(db, { id: slug(name), name }, at)
  for (const body of demoBodies()) await saveBody(db, body, at, null)
  for (const standard of demoStandards()) await saveStandard(db, standard, at, null)
  const there = new Set((await listUnits(db)).map(u => u.id))
  for (const { body, ...unit } of demoUnits()) {
    const id = slug(unit.tag)
    if (!there.has(id)) await addUnit(db, { id, body_id: body, ...unit }, at, null)
  }
}
