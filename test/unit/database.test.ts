import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import knex from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { cardId, type CardKey, readTicks, readWalks, setTick } from '../../src/db/cards'
import { type Db, openDatabase } from '../../src/db/connection'
import { findBody, listBodies, saveBody } from '../../src/db/documents'
import { readHistory, recordChange } from '../../src/db/history'
import { addPerson, listPeople } from '../../src/db/people'
import { listUnitEvents, recordUnitEvent, setUnitEventUndone, unitTimeline, usualTimes } from '../../src/db/unit-events'
import { listUnits, saveUnits } from '../../src/db/units'
import { seedDemo } from '../../src/demo/seed'
import { demoBodies } from '../../src/demo/world'

const AT = '2026-11-24T09:00:00.000Z'
const LATER = '2026-11-24T10:00:00.000Z'
const CARD: CardKey = { bodyId: 'linnet', unitId: 'tsp-l1', standardId: 'ring-action', standardVersion: 1, walk: 1 }

const SAYS = { kind: 'set', setting: 'kin', option: 'kin-off', how: 'card' } as const
const tick = (ticked: boolean, at: string, person: string | null) =>
  setTick(db, CARD, {}, { step: 'kin=kin-off', ticked, says: [SAYS] }, at, person)

let folder: string
let db: Db

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'coherion-'))
  db = await openDatabase(folder, 'demo')
  await seedDemo(db, AT)
})

afterEach(async () => {
  await db.destroy()
  rmSync(folder, { recursive: true })
})

const [someBody] = demoBodies()
if (!someBody) throw new Error('the demo has no body')

it('runs in WAL mode, with foreign keys, on disk before it answers', async () => {
  const pragma = async (name: string) => {
    const rows: Record<string, unknown>[] = await db.raw(`PRAGMA ${name}`)
    return Object.values(rows[0] ?? {})[0]
  }
  expect(await pragma('journal_mode')).toBe('wal')
  expect(await pragma('foreign_keys')).toBe(1)
  expect(await pragma('synchronous')).toBe(2)
})

it('seeds the demo twice without changing anything', async () => {
  const before = await listBodies(db)
  await tick(true, AT, null)
  await seedDemo(db, LATER)
  expect(await listBodies(db)).toEqual(before)
  expect(await readTicks(db, CARD)).toHaveLength(1)
})

it('refuses to open the demo’s folder as a team’s own', async () => {
  await expect(openDatabase(folder, 'own')).rejects.toThrow(/holds the demo; set COHERION_DATA to another folder/)
})

it('has a history event for every change, and none for what changed nothing', async () => {
  expect(await readHistory(db, 'body', someBody.id)).toHaveLength(1)
  await saveBody(db, someBody, { at: LATER, personId: null })
  expect(await readHistory(db, 'body', someBody.id)).toHaveLength(1)
  await saveBody(db, { ...someBody, model: 'Sparrow' }, { at: LATER, personId: 'rufus-quill' })
  const [event] = await readHistory(db, 'body', someBody.id)
  expect(event).toMatchObject({ at: LATER, person_id: 'rufus-quill', what: 'replaced from a file' })
  expect(event?.before).toContain(someBody.model)
  expect(event?.after).toContain('Sparrow')
  expect((await findBody(db, someBody.id))?.revision).toBe(2)
})

it('writes neither the change nor its event when one of them fails', async () => {
  const broken = recordChange(db, AT, async trx => {
    await trx('people').insert({ id: 'new', name: 'New', created_at: AT })
    return { personId: 'nobody-with-this-id', kind: 'person', subject: 'new', what: 'added' }
  })
  await expect(broken).rejects.toThrow(/FOREIGN KEY/)
  expect((await listPeople(db)).map(p => p.id)).not.toContain('new')
})

describe('ticks', () => {
  it('keep who and when; a second tick of the same step changes neither', async () => {
    await tick(true, AT, 'rufus-quill')
    await tick(true, LATER, 'imelda-frost')
    expect(await readTicks(db, CARD)).toEqual([
      { step: 'kin=kin-off', personId: 'rufus-quill', personName: 'Rufus Quill', tickedAt: AT },
    ])
    expect(await readHistory(db, 'card', cardId(CARD))).toHaveLength(1)
  })

  it('are taken back, and the history still knows', async () => {
    await tick(true, AT, 'rufus-quill')
    await tick(false, LATER, 'imelda-frost')
    expect(await readTicks(db, CARD)).toEqual([])
    const events = await readHistory(db, 'card', cardId(CARD))
    expect(events.map(e => [e.what, e.person_id])).toEqual([
      ['took a tick back', 'imelda-frost'],
      ['ticked', 'rufus-quill'],
    ])
  })

  it('say what the unit is set to, until they are taken back', async () => {
    const known = async () => (await listUnitEvents(db, ['tsp-l1'])).get('tsp-l1')?.at(-1)
    await tick(true, AT, 'rufus-quill')
    await tick(true, LATER, 'imelda-frost')
    expect(await known()).toEqual({
      kind: 'set',
      setting: 'kin',
      option: 'kin-off',
      how: 'card',
      at: AT,
      by: 'Rufus Quill',
    })
    await tick(false, LATER, null)
    expect(await known()).toMatchObject({ kind: 'reset' })
  })

  it('of one unit are not those of another', async () => {
    await tick(true, AT, null)
    expect(await readTicks(db, { ...CARD, unitId: 'tsp-l2' })).toEqual([])
    expect(await readTicks(db, { ...CARD, standardVersion: 2 })).toEqual([])
  })
})

it('waits for a busy database instead of failing', async () => {
  const other = knex({
    client: 'better-sqlite3',
    connection: { filename: join(folder, 'coherion.db') },
    useNullAsDefault: true,
  })
  await other.raw('BEGIN EXCLUSIVE')
  let released = false
  setTimeout(() => {
    released = true
    void other.raw('COMMIT').then()
  }, 700)
  await addPerson(db, { id: 'late', name: 'Late Comer' }, AT)
  expect(released).toBe(true)
  expect((await listPeople(db)).map(p => p.name)).toContain('Late Comer')
  await other.destroy()
})

it('keeps what was allowed when a tolerance comes to be said in another unit', async () => {
  const at = { standard_id: 'ring-action', version: 2 }
  const row = () => db<{ document: string }>('standard_versions').where(at).first()
  const standard = JSON.parse((await row())?.document ?? '') as {
    layers: { targets: { dimension: string; value: unknown; tolerance?: number }[] }[]
  }
  const response = standard.layers.flatMap(l => l.targets).find(t => t.dimension === 'track.response')
  if (!response) throw new Error('no response')
  Object.assign(response, { value: 0.7, tolerance: 0.3 })
  const trigger = 'approved_versions_stay'
  const [{ sql } = { sql: '' }] = await db('sqlite_master').where('name', trigger).select<{ sql: string }[]>('sql')
  await db.raw(`drop trigger ${trigger}`)
  await db('standard_versions')
    .where(at)
    .update({ document: JSON.stringify(standard) })
  await db.raw(sql)
  await db('knex_migrations').where({ name: '007-response' }).delete()
  await db.destroy()
  db = await openDatabase(folder, 'demo')
  expect((await row())?.document).toContain('"value":0.7,"weight":"should","tolerance":0.21')
  await expect(db('standard_versions').where(at).update({ document: '{}' })).rejects.toThrow(/never changes/)
})

it('backs up an existing database before it migrates it', async () => {
  await db('knex_migrations').delete()
  for (const table of [
    'job_happenings',
    'jobs',
    'received',
    'class_marks',
    'class_students',
    'classes',
    'courses',
    'scenes',
    'drill_memories',
    'drill_tries',
    'audits',
    'trial_notes',
    'trial_counts',
    'trials',
    'lens_tests',
    'runs',
    'unit_events',
    'handovers',
    'carries',
    'comments',
    'standard_versions',
    'ticks',
    'cards',
    'units',
    'history',
    'people',
    'bodies',
    'lenses',
    'standards',
    'meta',
  ])
    await db.schema.dropTable(table)
  await db.destroy()
  db = await openDatabase(folder, 'demo')
  expect(readdirSync(join(folder, 'backups')).filter(f => f.startsWith('before-migration-'))).toHaveLength(1)
})

describe('walks', () => {
  const { walk: _, ...card } = CARD
  const walkNow = async () => (await readWalks(db))(card)

  it('begin with the first tick, from what was known then', async () => {
    expect(await walkNow()).toEqual({ walk: 1, from: undefined, isBegun: false })
    await setTick(db, CARD, { kin: 'kin-people' }, { step: 'kin=kin-off', ticked: true, says: [] }, AT, null)
    await setTick(db, CARD, { kin: 'kin-off' }, { step: 'way=perch', ticked: true, says: [] }, AT, null)
    expect(await walkNow()).toEqual({ walk: 1, from: { kin: 'kin-people' }, isBegun: true })
  })

  it('are closed by what may have touched the unit, and the next one begins', async () => {
    await tick(true, AT, null)
    await recordUnitEvent(db, 'tsp-l1', { kind: 'repaired' }, LATER, 'rufus-quill')
    expect(await walkNow()).toEqual({ walk: 2, from: undefined, isBegun: false })
    expect(await readTicks(db, { ...CARD, walk: 2 })).toEqual([])
  })

  it('a changed firmware is part of a unit’s life, and closes them too', async () => {
    await tick(true, AT, null)
    const unit = (await listUnits(db)).find(u => u.id === 'tsp-l1')
    if (!unit) throw new Error('no unit')
    const { revision, ...rest } = unit
    const changed = { ...rest, firmware: '2.0', expected: revision }
    await saveUnits(db, [changed], { at: LATER, personId: null, what: 'firmware' })
    expect((await unitTimeline(db, 'tsp-l1'))[0]?.event).toMatchObject({ kind: 'firmware', from: '1.4', to: '2.0' })
    expect((await walkNow()).walk).toBe(2)
  })

  it('an event that is taken back does not count, and counts again', async () => {
    await recordUnitEvent(db, 'tsp-l1', { kind: 'returned' }, LATER, null)
    const [newest] = await unitTimeline(db, 'tsp-l1')
    const id = newest?.id ?? 0
    expect(await setUnitEventUndone(db, 'tsp-l1', id, true, LATER, 'imelda-frost')).toBe('done')
    expect((await listUnitEvents(db, ['tsp-l1'])).get('tsp-l1')?.map(e => e.kind)).toEqual(['reset'])
    expect((await unitTimeline(db, 'tsp-l1'))[0]?.undone).toEqual({ at: LATER, by: 'Imelda Frost' })
    await setUnitEventUndone(db, 'tsp-l1', id, false, LATER, null)
    expect((await listUnitEvents(db, ['tsp-l1'])).get('tsp-l1')?.map(e => e.kind)).toEqual(['reset', 'returned'])
    expect(await setUnitEventUndone(db, 'tsp-l1', 99_999, true, LATER, null)).toBe('no-such-event')
  })

  it('that were timed say how long one takes: the median of the last', async () => {
    const sign = (minutes: number | null) =>
      recordUnitEvent(db, 'tsp-l1', { kind: 'signed', standard: 'high-rope', version: 1, minutes }, LATER, null)
    const usual = async (body: string) => (await usualTimes(db, 'high-rope')).get(body)
    expect(await usual('linnet')).toBeUndefined()
    await sign(4)
    await sign(null)
    await sign(9)
    await sign(6)
    expect(await usual('linnet')).toEqual({ minutes: 6, minutesPerStep: undefined, walks: 3 })
    expect(await usual('sorrel')).toBeUndefined()
  })
})

it('reads a table as it is now, though the statement was asked for before the table was altered', async () => {
  const names = async () => Object.keys(((await db('people').first()) as object | undefined) ?? {})
  const before = await names()
  await db.schema.alterTable('people', table => void table.string('nickname'))
  expect(await names()).toEqual([...before, 'nickname'])
  const other = await openDatabase(folder, 'demo')
  await other.schema.alterTable('people', table => void table.string('called'))
  await other.destroy()
  expect(await names()).toEqual([...before, 'nickname', 'called'])
})
