import type { Db } from '../db/connection'
import { saveBody, saveLens } from '../db/documents'
import { addComment, addVersion } from '../db/standards'
import { addPerson } from '../db/people'
import { listCarries, setCarried } from '../db/hands'
import { listUnits, saveUnits } from '../db/units'
import { demoBodies, demoCarries, demoLenses, demoPeople, demoVersions, type DemoUnit, demoUnits } from './world'

const slug = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')

const rowOf = (u: DemoUnit) => ({
  id: slug(u.tag),
  kind: u.lens ? ('lens' as const) : ('body' as const),
  body_id: u.body ?? null,
  lens_id: u.lens ?? null,
  tag: u.tag,
  serial: u.serial,
  firmware: u.firmware ?? '',
  owner: u.owner ?? 'Tallow Street Pictures',
  hired_until: u.hiredUntil ?? '',
  notes: u.notes ?? '',
})

/** Puts the demo world into a database. What is there already stays as it is: edits, ticks and all. */
export const seedDemo = async (db: Db, at: string): Promise<void> => {
  const options = { at, personId: null, expected: 0 }
  for (const name of demoPeople()) await addPerson(db, { id: slug(name), name }, at)
  for (const body of demoBodies()) await saveBody(db, body, options)
  for (const lens of demoLenses()) await saveLens(db, lens, options)
  for (const { standard, state, why, comments } of demoVersions()) {
    const { stored } = await addVersion(db, standard, state, { ...options, what: 'begun', why })
    if (!stored) continue
    for (const { by, dimension, text } of comments)
      await addComment(
        db,
        { standardId: standard.id, version: standard.version, dimension, text },
        { at, personId: by },
      )
  }
  const there = new Set((await listUnits(db)).map(u => u.id))
  const missing = demoUnits()
    .map(rowOf)
    .filter(u => !there.has(u.id))
  await saveUnits(db, missing, { at, personId: null, what: 'added' })
  if ((await listCarries(db)).length > 0) return
  for (const [person, tags] of Object.entries(demoCarries()))
    await setCarried(db, slug(person), tags.map(slug), at, null)
}
