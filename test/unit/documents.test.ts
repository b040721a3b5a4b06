import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import knex from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { type Db, openDatabase } from '../../src/db/connection'
import * as documents from '../../src/db/documents'
import { listHistory, readEvent, readHistory } from '../../src/db/history'
import * as first from '../../src/db/migrations/001-first'
import { listUnits, type NewUnit, saveUnits, setUnitArchived } from '../../src/db/units'
import { seedDemo } from '../../src/demo/seed'
import { demoBodies, demoLenses, demoUnits } from '../../src/demo/world'

/** What is stored, and how it is kept from being overwritten or lost. */

const AT = '2026-11-24T09:00:00.000Z'
const LATER = '2026-11-25T09:00:00.000Z'
let folder: string
let db: Db

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'coherion-documents-'))
  db = await openDatabase(folder, 'demo')
})
afterEach(async () => {
  await db.destroy()
  rmSync(folder, { recursive: true })
})

const [someBody] = demoBodies()
const [someLens] = demoLenses()
if (!someBody || !someLens) throw new Error('the demo is empty')

const seen = (expected: number) => ({ at: LATER, personId: null, expected })

const unit = (tag: string, more: Partial<NewUnit> = {}): NewUnit => ({
  id: tag.toLowerCase(),
  kind: 'body',
  body_id: someBody.id,
  lens_id: null,
  tag,
  serial: '',
  firmware: '1.0',
  owner: '',
  hired_until: '',
  notes: '',
  expected: 0,
  ...more,
})

describe('saving a document', () => {
  it('made from the revision that is there goes on to the next', async () => {
    const one = await documents.saveBody(db, someBody, { at: AT, personId: null, expected: 0 })
    const two = await documents.saveBody(db, { ...someBody, model: 'Two' }, { at: LATER, personId: null, expected: 1 })
    expect([one, two]).toEqual([
      { stored: true, revision: 1 },
      { stored: true, revision: 2 },
    ])
  })

  it('made from an older one is left alone, history included', async () => {
    await documents.saveBody(db, someBody, { at: AT, personId: null })
    await documents.saveBody(db, { ...someBody, model: 'Two' }, { at: AT, personId: null, expected: 1 })
    const late = await documents.saveBody(
      db,
      { ...someBody, model: 'Late' },
      { at: LATER, personId: null, expected: 1 },
    )
    expect(late).toEqual({ stored: false, revision: 2 })
    expect((await documents.findBody(db, someBody.id))?.model).toBe('Two')
    expect(await readHistory(db, 'body', someBody.id)).toHaveLength(2)
  })

  it('that says the same in another order of keys changes nothing', async () => {
    await documents.saveLens(db, someLens, { at: AT, personId: null })
    const turned = Object.fromEntries(Object.entries(someLens).reverse()) as typeof someLens
    expect(await documents.saveLens(db, turned, { at: LATER, personId: null })).toEqual({ stored: true, revision: 1 })
    expect(await readHistory(db, 'lens', someLens.id)).toHaveLength(1)
  })

  it('says in its history what was done, by whom, and how it was before', async () => {
    await documents.saveBody(db, someBody, { at: AT, personId: null, what: 'begun' })
    await db('people').insert({ id: 'ada', name: 'Ada', created_at: AT })
    await documents.saveBody(db, { ...someBody, model: 'New' }, { at: LATER, personId: 'ada', what: 'renamed' })
    const [newest, oldest] = await listHistory(db, 'body', someBody.id)
    expect([newest?.what, newest?.person, oldest?.what, oldest?.person]).toEqual(['renamed', 'Ada', 'begun', null])
    const event = await readEvent(db, newest?.id ?? 0)
    expect(JSON.parse(event?.before ?? '')).toMatchObject({ model: someBody.model })
    expect(await readEvent(db, 9999)).toBeUndefined()
  })

  it('keeps drafts apart from what can be in hand, by a mark of their own', async () => {
    await documents.saveBody(db, someBody, { at: AT, personId: null, draft: true })
    expect((await documents.listBodies(db)).map(b => b.draft)).toEqual([1])
    await documents.saveBody(db, { ...someBody, model: 'Mended' }, { at: LATER, personId: null, draft: false })
    expect((await documents.listBodies(db)).map(b => b.draft)).toEqual([0])
  })
})

describe('putting away', () => {
  it('hides and brings back, once each in the history', async () => {
    await documents.saveBody(db, someBody, { at: AT, personId: null })
    const away = () => documents.setArchived(db, 'bodies', someBody.id, true, { at: LATER, personId: null })
    await away()
    await away()
    expect(await documents.listBodies(db)).toEqual([])
    expect((await documents.listArchivedBodies(db)).map(b => b.id)).toEqual([someBody.id])
    await documents.setArchived(db, 'bodies', someBody.id, false, { at: LATER, personId: null })
    expect(await documents.listArchivedBodies(db)).toEqual([])
    expect((await listHistory(db, 'body', someBody.id)).map(e => e.what)).toEqual([
      'brought back',
      'put away',
      'added from a file',
    ])
  })

  it('of a lens is the same', async () => {
    await documents.saveLens(db, someLens, { at: AT, personId: null })
    await documents.setArchived(db, 'lenses', someLens.id, true, { at: LATER, personId: null })
    expect(await documents.listLenses(db)).toEqual([])
    expect((await documents.listArchivedLenses(db)).map(l => l.model)).toEqual([someLens.model])
  })

  it('of what is not there does nothing', async () => {
    await documents.setArchived(db, 'bodies', 'ghost', true, { at: LATER, personId: null })
    expect(await readHistory(db, 'body', 'ghost')).toEqual([])
  })
})

describe('units', () => {
  const options = { at: AT, personId: null, what: 'added' }
  beforeEach(() => documents.saveBody(db, someBody, { at: AT, personId: null }))

  it('are stored all together or not at all', async () => {
    const wrong = saveUnits(db, [unit('A'), unit('B', { body_id: 'ghost' })], options)
    await expect(wrong).rejects.toThrow(/FOREIGN KEY/)
    expect(await listUnits(db)).toEqual([])
    await expect(saveUnits(db, [unit('A'), unit('C', { tag: 'A' })], options)).rejects.toThrow(/UNIQUE/)
    expect(await listUnits(db)).toEqual([])
    await saveUnits(db, [unit('A'), unit('B')], options)
    expect((await listUnits(db)).map(u => u.tag)).toEqual(['A', 'B'])
  })

  it('are bodies or lenses, nothing else', async () => {
    await documents.saveLens(db, someLens, { at: AT, personId: null })
    await saveUnits(db, [unit('L', { kind: 'lens', body_id: null, lens_id: someLens.id, firmware: '' })], options)
    expect((await listUnits(db))[0]).toMatchObject({ kind: 'lens', lens_id: someLens.id, body_id: null })
    await expect(saveUnits(db, [unit('T', { kind: 'tripod' as never })], options)).rejects.toThrow(/CHECK/)
  })

  it('edited from an older revision are left alone', async () => {
    await saveUnits(db, [unit('A')], options)
    expect(await saveUnits(db, [unit('A', { notes: 'First.', expected: 1 })], options)).toBe(true)
    expect(await saveUnits(db, [unit('A', { notes: 'Late.', expected: 1 })], options)).toBe(false)
    expect((await listUnits(db))[0]).toMatchObject({ notes: 'First.', revision: 2 })
  })

  it('put away are out of the list, and back when they are saved again', async () => {
    await saveUnits(db, [unit('A')], options)
    await setUnitArchived(db, 'a', true, seen(1))
    await setUnitArchived(db, 'a', true, seen(1))
    expect(await listUnits(db)).toEqual([])
    await setUnitArchived(db, 'a', false, seen(1))
    expect((await listUnits(db)).map(u => u.tag)).toEqual(['A'])
    await setUnitArchived(db, 'a', true, seen(1))
    await saveUnits(db, [unit('A', { notes: 'Found again.', expected: 1 })], options)
    expect((await listUnits(db))[0]?.notes).toBe('Found again.')
  })

  it('have each change in the history, with how they were', async () => {
    await saveUnits(db, [unit('A')], options)
    await saveUnits(db, [unit('A', { firmware: '1.1', expected: 1 })], { ...options, what: 'edited' })
    const [newest] = await readHistory(db, 'unit', 'a')
    expect(newest?.what).toBe('edited')
    expect(JSON.parse(newest?.before ?? '')).toMatchObject({ firmware: '1.0' })
    expect(JSON.parse(newest?.after ?? '')).toMatchObject({ firmware: '1.1' })
  })
})

describe('a database of the first version', () => {
  it('keeps units, cards and ticks when it is migrated, and every reference still leads somewhere', async () => {
    const old = mkdtempSync(join(tmpdir(), 'coherion-old-'))
    const raw = knex({
      client: 'better-sqlite3',
      connection: { filename: join(old, 'coherion.db') },
      useNullAsDefault: true,
    })
    await first.up(raw)
    await raw.schema.createTable('knex_migrations', t => {
      t.increments()
      t.string('name')
      t.integer('batch')
      t.timestamp('migration_time')
    })
    await raw.schema.createTable('knex_migrations_lock', t => {
      t.increments('index').primary()
      t.integer('is_locked')
    })
    await raw('knex_migrations').insert({ name: '001-first', batch: 1 })
    await raw('knex_migrations_lock').insert({ is_locked: 0 })
    const times = { created_at: AT, updated_at: AT }
    await raw('bodies').insert({ id: 'b', maker: 'M', model: 'B', format: 'f', document: '{}', revision: 3, ...times })
    await raw('standards').insert({
      id: 's',
      name: 'S',
      version: 1,
      format: 'f',
      document: '{}',
      revision: 1,
      ...times,
    })
    await raw('units').insert({ id: 'u', body_id: 'b', tag: 'U-1', serial: '77', firmware: '1.2', created_at: AT })
    await raw('cards').insert({
      id: 'c',
      body_id: 'b',
      unit_id: 'u',
      standard_id: 's',
      standard_version: 1,
      created_at: AT,
    })
    await raw('ticks').insert({ card_id: 'c', step: 'a=b', person_id: null, ticked_at: AT })
    await raw.destroy()

    const migrated = await openDatabase(old, 'own')
    expect(await listUnits(migrated)).toMatchObject([{ id: 'u', kind: 'body', body_id: 'b', serial: '77', owner: '' }])
    expect(await migrated('ticks').select('step')).toEqual([{ step: 'a=b' }])
    expect((await documents.listBodies(migrated))[0]).toMatchObject({ revision: 3, draft: 0, archived_at: null })
    const broken: unknown[] = await migrated.raw('PRAGMA foreign_key_check')
    expect(broken).toEqual([])
    await expect(migrated('units').where({ id: 'u' }).delete()).rejects.toThrow(/FOREIGN KEY/)
    await migrated.destroy()
    rmSync(old, { recursive: true })
  })
})

it('the demo is seeded whole: bodies, lenses, units of both', async () => {
  await seedDemo(db, AT)
  expect(await documents.listBodies(db)).toHaveLength(demoBodies().length)
  expect(await documents.listLenses(db)).toHaveLength(demoLenses().length)
  const units = await listUnits(db)
  expect(units).toHaveLength(demoUnits().length)
  expect(new Set(units.map(u => u.kind))).toEqual(new Set(['body', 'lens']))
  expect(units.filter(u => u.hired_until !== '').map(u => u.tag)).toEqual(['HIRE-1', 'HIRE-2'])
})
