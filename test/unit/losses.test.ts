import { beforeEach, describe, expect, it } from 'vitest'
import { saveBody } from '../../src/db/documents'
import * as authoring from '../../src/server/authoring'
import { listBodies, listStandards, readBody, units } from '../../src/server/catalogue'
import { recordHappened } from '../../src/server/card-actions'
import { database } from '../../src/server/database'
import * as kit from '../../src/server/kit'
import { readLens, setLensArchived } from '../../src/server/lenses'
import { readLife } from '../../src/server/life'
import { RequestError } from '../../src/server/problems'
import { readComments, settle, writeComment } from '../../src/server/standard-comments'
import { importStandard } from '../../src/server/standard-import'
import { makeUsual } from '../../src/server/standards'
import { demoBodies, demoLenses, demoStandards } from '../../src/demo/world'
import { seedDemo } from '../../src/demo/seed'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'

/** What somebody has here is lost to nobody: by no file, no tag, no full disk. */
useDemoFolder()

const AT = '2026-11-24T09:00:00.000Z'
const refusal = async (work: Promise<unknown>): Promise<RequestError> => {
  const error: unknown = await work.then(
    () => undefined,
    (e: unknown) => e,
  )
  expect(error).toBeInstanceOf(RequestError)
  return error as RequestError
}
const body = (id: string) => {
  const found = demoBodies().find(b => b.id === id)
  if (!found) throw new Error(`no ${id}`)
  return found
}
const lens = demoLenses()[0]
if (!lens) throw new Error('no lens')
const bundle = (bodies: readonly object[], lenses: readonly object[] = []) => ({
  format: 'coherion.bundle/1',
  bodies,
  lenses,
})

beforeEach(async () => seedDemo(await database(), AT))

describe('keeping both', () => {
  it('leaves what is here as it is, a lens as well as a body, and never takes an id or a name twice', async () => {
    const changed = { ...body('teasel'), about: 'From a file.' }
    const other = { ...lens, about: 'From a file.' }
    for (const n of [2, 3]) {
      const { bodies, lenses } = await authoring.importDocuments(
        bundle([changed], [other]),
        'b.json',
        'keep-both',
        by(),
      )
      expect(bodies).toEqual([{ id: `teasel-${n}`, name: `Aurelle Teasel (${n})` }])
      expect(lenses[0]?.id).toBe(`${lens.id}-${n}`)
    }
    expect((await readBody('teasel')).document.about).toBe(body('teasel').about)
    expect((await readLens(lens.id)).document.about).toBe(lens.about)
    // What is the same is there already.
    expect((await authoring.importDocuments(body('teasel'), 't.json', 'keep-both', by())).bodies[0]?.id).toBe('teasel')
  })

  it('counts what was put away, which is neither replaced nor brought back unasked', async () => {
    await authoring.setBodyArchived('lodge', true, 1, by())
    const changed = { ...body('lodge'), about: 'From a file.' }
    const asked = await refusal(authoring.importDocuments(changed, 'l.json', 'ask', by()))
    expect([asked.status, asked.detail]).toEqual([
      409,
      expect.stringContaining('is here already, put away, and the file differs'),
    ])
    expect((await listBodies()).map(b => b.id)).not.toContain('lodge')
    const { bodies } = await authoring.importDocuments(changed, 'l.json', 'keep-both', by())
    expect(bodies[0]?.id).toBe('lodge-2')
    await authoring.setBodyArchived('lodge', false, 1, by())
    expect((await readBody('lodge')).document.about).toBe(body('lodge').about)
    const revision = (await readLens(lens.id)).revision
    await setLensArchived(lens.id, true, revision, by())
    const putAway = await refusal(authoring.importDocuments({ ...lens, about: 'x' }, 'l.json', 'ask', by()))
    expect(putAway.detail).toContain('put away, with other facts')
    await setLensArchived(lens.id, false, revision, by())
  })

  it('is no question within one file: one id twice is refused, the same twice is taken once', async () => {
    const twice = bundle([body('wicket'), { ...body('wicket'), about: 'Another.' }])
    const wrong = await refusal(authoring.importDocuments(twice, 'b.json', 'replace', by()))
    expect(wrong.detail).toContain('bodies.1.id: wicket stands there; expected every id once')
    const same = bundle([body('wicket'), body('wicket')])
    expect((await authoring.importDocuments(same, 'b.json', 'replace', by())).bodies).toHaveLength(1)
  })
})

it('a disk that fills up in the middle of a file leaves all of it out', async () => {
  const db = await database()
  const many = Array.from({ length: 100 }, (_, i) => ({ ...body('linnet'), id: `many-${i}`, model: `Many ${i}` }))
  const [counted] = await db.raw<readonly { page_count: number }[]>('PRAGMA page_count')
  const pages = counted?.page_count ?? 0
  await db.raw(`PRAGMA max_page_count = ${pages + 150}`)
  await expect(authoring.importDocuments(bundle(many), 'many.json', 'ask', by())).rejects.toThrow()
  await db.raw('PRAGMA max_page_count = 1073741823')
  expect((await listBodies()).filter(b => b.id.startsWith('many-'))).toEqual([])
  const { n } = (await db('history').where('subject', 'like', 'many-%').count({ n: '*' }).first()) as { n: number }
  expect(n).toBe(0)
})

describe('a unit that was put away', () => {
  const row = (tag: string) =>
    new TextEncoder().encode(`Kind,Tag,Model,Serial,Firmware,Owner\nbody,${tag},Corvane Linnet,S-1,1.4,\n`)

  it('keeps its tag and its life, whatever comes in under a name like it', async () => {
    await recordHappened('tsp-l1', 'repaired', by('imelda-frost'))
    const before = (await readLife('tsp-l1')).events.length
    const unit = (await units()).find(u => u.id === 'tsp-l1')
    await kit.archiveUnit('tsp-l1', true, unit?.revision ?? 0, by())
    const fields = {
      tag: 'TSP-L1',
      kind: 'body',
      model: 'linnet',
      serial: '',
      firmware: '1.4',
      owner: '',
      hiredUntil: '',
      notes: '',
    }
    const again = await refusal(kit.saveUnit(fields, undefined, 0, by()))
    expect([again.status, again.detail]).toEqual([422, expect.stringContaining('was put away')])
    expect((await refusal(kit.importUnits(row('tsp-l1'), 'u.csv', true, by()))).detail).toContain('was put away')
    await kit.importUnits(row('TSP L1'), 'u.csv', false, by())
    const newcomer = (await units()).find(u => u.tag === 'TSP L1')
    expect(newcomer?.id).toBe('tsp-l1-2')
    expect((await readLife('tsp-l1-2')).events).toEqual([])
    expect((await kit.listPutAwayUnits()).map(u => u.name)).toEqual(['TSP-L1'])
    await kit.archiveUnit('tsp-l1', false, unit?.revision ?? 0, by())
    expect((await readLife('tsp-l1')).events).toHaveLength(before)
  })
})

it('one who looked at a unit, a body or a lens before somebody changed it is told, and changes nothing', async () => {
  const unit = (await units()).find(u => u.id === 'tsp-s1')
  if (!unit) throw new Error('no unit')
  expect((await refusal(kit.archiveUnit('tsp-s1', true, unit.revision + 1, by()))).status).toBe(409)
  const changed: ReturnType<typeof body> = { ...body('pebble'), about: 'x' }
  await saveBody(await database(), changed, { at: AT, personId: null })
  expect((await refusal(authoring.setBodyArchived('pebble', true, 1, by()))).status).toBe(409)
  const [event] = await authoring.bodyHistory('pebble')
  expect((await refusal(authoring.restoreBody('pebble', event?.id ?? 0, 1, by()))).status).toBe(409)
  expect((await authoring.restoreBody('pebble', event?.id ?? 0, 2, by())).revision).toBe(3)
})

it('the same standard from two files at once is there once, and one is told', async () => {
  const [made] = demoStandards()
  if (!made) throw new Error('no standard')
  const one = { ...made, id: 'raced', name: 'Raced', version: 1 }
  const other = { ...one, layers: one.layers.map(l => ({ ...l, targets: l.targets.slice(1) })) }
  const both = await Promise.allSettled([one, other].map(s => importStandard(s, 'r.json', by())))
  expect(both.map(b => b.status).sort()).toEqual(['fulfilled', 'rejected'])
  expect(both.find(b => b.status === 'rejected')?.reason).toMatchObject({ status: 409 })
})

it('of two who choose the usual standard at once one is told, and who settled a comment first stays who settled it', async () => {
  const usual = async () => (await listStandards()).find(s => s.isUsual)?.id ?? null
  const seen = await usual()
  await makeUsual('high-rope', seen, by('imelda-frost'))
  const late = await refusal(makeUsual('night-fire', seen, by('rufus-quill')))
  expect(late.status).toBe(409)
  expect(await usual()).toBe('high-rope')
  // The same choice twice is no quarrel.
  await makeUsual('high-rope', seen, by('rufus-quill'))
  await makeUsual('night-fire', 'high-rope', by('rufus-quill'))
  expect(await usual()).toBe('night-fire')

  await writeComment('ring-action', { version: 1, text: 'Is that so?' }, by('ottoline-marsh'))
  const comment = async () => (await readComments('ring-action')).find(c => c.text === 'Is that so?')
  const id = (await comment())?.id ?? 0
  await settle('ring-action', id, true, by('imelda-frost'))
  await settle('ring-action', id, true, by('rufus-quill'))
  expect((await comment())?.settler).toBe('Imelda Frost')
  await settle('ring-action', id, false, by('rufus-quill'))
  expect((await comment())?.settled_at).toBeNull()
})
