import ExcelJS from 'exceljs'
import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'
import { type Body, editSetting } from '../../src/core/bodies'
import { problemWords } from '../../src/core/reading/problem'
import { demoBodies } from '../../src/demo/world'
import { seedDemo } from '../../src/demo/seed'
import * as authoring from '../../src/server/authoring'
import { listBodies, readBody } from '../../src/server/catalogue'
import { readConcordance } from '../../src/server/concordance'
import { database } from '../../src/server/database'
import * as kit from '../../src/server/kit'
import { readLens, saveLens } from '../../src/server/lenses'
import { readConcept, readDictionary, readFalseFriends } from '../../src/server/phrasebook'
import { RequestError } from '../../src/server/problems'
import { readSheet, writeXlsx } from '../../src/server/spreadsheets'

/** Profiles, lenses and units as pages and routes handle them, on the demo in a folder of its own. */
const AT = '2026-11-24T09:00:00.000Z'

useDemoFolder()

const refusal = async (work: Promise<unknown>): Promise<RequestError> => {
  const error: unknown = await work.then(
    () => undefined,
    (e: unknown) => e,
  )
  if (!(error instanceof RequestError)) throw new Error(`expected a refusal, got ${String(error)}`)
  return error
}
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
const csv = (text: string) => new TextEncoder().encode(text)

describe('beginning a profile', () => {
  it('from a pasted menu gives one that is resolved at once, once its settings are decided', async () => {
    const menu = 'Focus\n  Main\n    Drive: Single | Continuous\n    Half press: AF and light | Light only'
    const { id, settings } = await authoring.createBody({ maker: 'Marl', model: 'Heron', menu }, by())
    expect([id, settings]).toEqual(['heron', 2])
    const { document } = await readBody(id)
    const proposals = await authoring.proposalsFor(document)
    expect(Object.keys(proposals)).toEqual(['drive', 'half-press'])
    expect(proposals['drive']?.[0]?.dimensions).toEqual(['mode.drive'])
    expect((await readConcordance('ring-action', [{ id }])).columns).toHaveLength(1)
  })

  it('a second of the same name gets an id of its own', async () => {
    const { id } = await authoring.createBody({ maker: 'Marl', model: 'Heron', archetype: 'compact' }, by())
    expect(id).toBe('heron-2')
  })

  it('as a copy takes everything over but leaves the facts to be looked at', async () => {
    const { id } = await authoring.createBody({ maker: 'Corvane', model: 'Linnet Mark', copyOf: 'linnet' }, by())
    const { document } = await readBody(id)
    expect(document.settings).toEqual((await readBody('linnet')).document.settings)
    expect(document.unconfirmed).toContain('sensor')
  })

  it('with a menu that has no setting in it stores nothing and says so', async () => {
    const before = (await listBodies()).length
    const { detail, status } = await refusal(
      authoring.createBody({ maker: 'Marl', model: 'Egret', menu: '57\n…\n' }, by()),
    )
    expect([status, detail]).toEqual([422, 'pasted menu: expected at least one setting with its options'])
    expect((await listBodies()).length).toBe(before)
  })
})

describe('saving', () => {
  const renamed = (body: Body, label: string) => editSetting(body, 'way', s => ({ ...s, label }))

  it('is refused when somebody else has saved since, and hands over what is there now', async () => {
    const { document } = await readBody('linnet')
    const first = await authoring.saveBody(
      'linnet',
      {
        document: renamed(document, 'Path'),
        revision: 1,
        what: 'renamed',
      },
      by(),
    )
    expect(first.revision).toBe(2)
    const error = await refusal(
      authoring.saveBody('linnet', { document: renamed(document, 'Road'), revision: 1, what: 'renamed' }, by()),
    )
    expect(error.status).toBe(409)
    expect(error.more['revision']).toBe(2)
    expect((error.more['document'] as Body).settings[0]?.label).toBe('Path')
    expect((await readBody('linnet')).document.settings[0]?.label).toBe('Path')
  })

  it('is in the history with who and what, and can be taken back', async () => {
    const [event] = await authoring.bodyHistory('linnet')
    expect(event?.what).toBe('renamed')
    expect((await authoring.bodyEvent('linnet', event?.id ?? 0)).map(d => d.words)).toEqual([
      'setting “Way” is now “Path”',
    ])
    const { revision } = await authoring.restoreBody('linnet', event?.id ?? 0, 2, by('rufus-quill'))
    expect(revision).toBe(3)
    expect((await readBody('linnet')).document.settings[0]?.label).toBe('Way')
    expect((await authoring.bodyHistory('linnet'))[0]).toMatchObject({
      what: 'taken back to before “renamed”',
      person: 'Rufus Quill',
    })
  })

  it('keeps a profile that contradicts itself as a draft, out of everybody’s hands until it is mended', async () => {
    const { document } = await readBody('pebble')
    const rules = [
      {
        id: 'never',
        words: 'Never.',
        when: [{ setting: 'gear', is: ['moor'] }],
        then: { effect: 'excludes' as const, setting: 'gear', options: ['moor'] },
      },
    ]
    const { problems } = await authoring.saveBody(
      'pebble',
      {
        document: { ...document, rules },
        revision: 1,
        what: 'x',
      },
      by(),
    )
    expect(problems.join()).toContain('the factory defaults break the rule “Never.”')
    expect((await listBodies()).map(b => b.id)).not.toContain('pebble')
    await authoring.saveBody('pebble', { document, revision: 2, what: 'mended' }, by())
    expect((await listBodies()).map(b => b.id)).toContain('pebble')
  })

  it('refuses what has not the shape of a profile, and changes nothing', async () => {
    const error = await refusal(
      authoring.saveBody('wicket', { document: { id: 'wicket' }, revision: 1, what: 'x' }, by()),
    )
    expect(error.status).toBe(422)
    expect((await readBody('wicket')).stamp).toBe('wicket@1')
  })

  it('seeding the demo again leaves edits as they are', async () => {
    const { document } = await readBody('sorrel')
    await authoring.saveBody(
      'sorrel',
      { document: { ...document, about: 'Mine.' }, revision: 1, what: 'described' },
      by(),
    )
    await seedDemo(await database(), AT)
    expect((await readBody('sorrel')).document.about).toBe('Mine.')
  })
})

describe('files', () => {
  it('of one and of many bodies read back as they were written', async () => {
    const bundle = await authoring.exportBundle(['tollgate', 'wicket'], undefined)
    const { bodies } = await authoring.importDocuments(JSON.parse(bundle.text), 'b.json', 'ask', by())
    expect(bodies.map(b => b.id)).toEqual(['tollgate', 'wicket'])
    expect((await readBody('tollgate')).stamp).toBe('tollgate@1')
  })

  it('of another team with the same name and other contents ask first, and say what differs', async () => {
    const theirs = demoBodies().find(b => b.id === 'teasel') as Body
    const changed = editSetting(theirs, 'quest', s => ({ ...s, label: 'Pursuit' }))
    const error = await refusal(authoring.importDocuments(plain(changed), 't.json', 'ask', by()))
    expect(error.status).toBe(409)
    expect(error.detail).toContain(
      'Aurelle Teasel is here already, and the file differs: setting “Quest” is now “Pursuit”.',
    )
    expect((await readBody('teasel')).document.settings[0]?.label).toBe('Quest')
    const both = await authoring.importDocuments(plain(changed), 't.json', 'keep-both', by())
    expect(both.bodies).toEqual([{ id: 'teasel-2', name: 'Aurelle Teasel (2)' }])
    await authoring.importDocuments(plain(changed), 't.json', 'replace', by())
    expect((await readBody('teasel')).document.settings[0]?.label).toBe('Pursuit')
  })

  it('put away are brought back by their file', async () => {
    await authoring.setBodyArchived('lodge', true, 1, by())
    expect((await listBodies()).map(b => b.id)).not.toContain('lodge')
    await authoring.importDocuments(plain(demoBodies().find(b => b.id === 'lodge')), 'l.json', 'ask', by())
    expect((await listBodies()).map(b => b.id)).toContain('lodge')
  })
})

describe('spreadsheets', () => {
  const sheetOf = async (fill: (sheet: ExcelJS.Worksheet) => void) => {
    const book = new ExcelJS.Workbook()
    fill(book.addWorksheet('Menu'))
    return new Uint8Array(await book.xlsx.writeBuffer())
  }
  const HEAD = ['Tab', 'Page', 'Setting', 'Options']

  it('begin a profile, from XLSX as from CSV', async () => {
    const bytes = await sheetOf(s => s.addRows([HEAD, ['T', 'P', 'Drive', 'Single | Continuous']]))
    const made = await authoring.createBodyFromSheet({ maker: 'Marl', model: 'Coot' }, bytes, 'coot.xlsx', by())
    expect(made).toEqual({ id: 'coot', settings: 1 })
    const rows = csv('Tab,Page,Setting,Options\nT,P,Drive,"Single\nContinuous"\n')
    expect(await authoring.createBodyFromSheet({ maker: 'Marl', model: 'Rail' }, rows, 'r.csv', by())).toMatchObject({
      id: 'rail',
    })
  })

  it.each([
    [
      (s: ExcelJS.Worksheet) => void s.addRows([HEAD, ['T', 'P', 'Drive', { formula: 'A1&B1' }]]),
      'm.xlsx, row 2, column D: =A1&B1 stands there; a formula stands here',
    ],
    [
      (s: ExcelJS.Worksheet) => {
        s.addRows([HEAD, ['T', 'P', 'A', 'a|b'], ['', 'P', 'B', 'a|b']])
        s.mergeCells('A2:A3')
      },
      'm.xlsx, row 2, column A: T stands there; merged cells stand here; write the value in every row',
    ],
    [(s: ExcelJS.Worksheet) => void s.addRows([['Tab', 'Setting']]), 'expected a column “Page”'],
    [(s: ExcelJS.Worksheet) => void s.addRows([]), 'expected the headings Tab, Page, Row, Setting, Options, Default'],
  ])('say where they are wrong (%#), and change nothing', async (fill, words) => {
    const before = (await listBodies()).length
    const error = await refusal(
      authoring.createBodyFromSheet({ maker: 'Marl', model: 'Crake' }, await sheetOf(fill), 'm.xlsx', by()),
    )
    expect(error.detail).toContain(words)
    expect((await listBodies()).length).toBe(before)
  })

  it.each([
    [new Uint8Array(), 'this file is empty'],
    [Uint8Array.from([0x50, 0x4b, 1, 2, 3]), 'this file cannot be read as XLSX'],
    [Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0]), 'this is the older spreadsheet format'],
    [Uint8Array.from([0x54, 0xe4, 0x62]), 'this is not UTF-8 text'],
  ])('that are none are refused (%#)', async (bytes, words) => {
    expect((await readSheet(bytes, 'x')).problems.map(problemWords).join()).toContain(words)
  })

  it('written hold no formula, whatever stands in their cells', async () => {
    const rows = [['=1+1', '+2', '@x', 'plain']]
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await writeXlsx(rows, 'X')) as unknown as ArrayBuffer)
    const cells = [1, 2, 3, 4].map(c => book.worksheets[0]?.getCell(1, c))
    expect(cells.map(c => [c?.type, c?.value])).toEqual(rows[0]?.map(v => [ExcelJS.ValueType.String, v]))
    expect((await readSheet(await writeXlsx(rows, 'X'), 'x')).rows).toEqual(rows)
  })

  it('of every menu read back', async () => {
    const bytes = (await authoring.exportMenu('sorrel', 'xlsx')) as Uint8Array
    const made = await authoring.createBodyFromSheet({ maker: 'Aurelle', model: 'Sorrel again' }, bytes, 's.xlsx', by())
    expect(made.settings).toBe(63)
  })
})

describe('units', () => {
  it('come and go as a spreadsheet without changing', async () => {
    const before = await kit.readKit()
    for (const form of ['csv', 'xlsx'] as const) {
      const file = await kit.exportUnits(form)
      const bytes = typeof file === 'string' ? csv(file) : file
      const { changes } = await kit.importUnits(bytes, `u.${form}`, false, by())
      expect(new Set(changes.map(c => c.what))).toEqual(new Set(['same']))
    }
    expect(await kit.readKit()).toEqual(before)
  })

  it('from a wrong file change nothing; from a right one first as a preview', async () => {
    const head = 'Tag,Kind,Model,Serial,Firmware,Owner,Hired until,Notes\n'
    const right = 'NEW-1,body,Sorrel,S-9,2.10,Us,,=cmd()\n'
    const wrong = csv(`${head}${right}NEW-2,body,Nobody,,1.0,,,\n`)
    const { detail } = await refusal(kit.importUnits(wrong, 'u.csv', false, by()))
    expect(detail).toContain('u.csv, row 3, column Model: Nobody stands there')
    expect((await kit.readKit()).units.some(u => u.tag === 'NEW-1')).toBe(false)
    const preview = await kit.importUnits(csv(head + right), 'u.csv', true, by())
    expect(preview).toMatchObject({ stored: false, changes: [{ tag: 'NEW-1', what: 'added' }] })
    expect((await kit.readKit()).units.some(u => u.tag === 'NEW-1')).toBe(false)
    await kit.importUnits(csv(head + right), 'u.csv', false, by('rufus-quill'))
    expect((await kit.readKit()).units.find(u => u.tag === 'NEW-1')?.notes).toBe('=cmd()')
    expect(await kit.exportUnits('csv')).toContain("'=cmd()")
  })

  it('are saved one at a time, with a tag of their own, and not over somebody else’s change', async () => {
    const unit = (await kit.readKit()).units.find(u => u.tag === 'TSP-L1')
    if (!unit) throw new Error('the demo lost a unit')
    const { id, revision, modelName, ...fields } = unit
    expect(modelName).toBe('Corvane Linnet')
    await kit.saveUnit({ ...fields, notes: 'New strap.' }, id, revision, by())
    expect((await refusal(kit.saveUnit({ ...fields, notes: 'Old.' }, id, revision, by()))).status).toBe(409)
    const twin = await refusal(kit.saveUnit(fields, undefined, 0, by()))
    expect(twin.detail).toContain('expected a tag that no other unit has')
    await kit.archiveUnit(id, true, revision + 1, by())
    expect((await kit.readKit()).units.map(u => u.id)).not.toContain(id)
  })
})

describe('lenses', () => {
  it('are saved, and not over somebody else’s change', async () => {
    const { document, revision } = await readLens('sorrel-85')
    await saveLens({ ...document, about: 'Sharp.' }, revision, by())
    expect((await refusal(saveLens({ ...document, about: 'Soft.' }, revision, by()))).status).toBe(409)
    expect((await readLens('sorrel-85')).document.about).toBe('Sharp.')
    expect((await refusal(readLens('no-such'))).status).toBe(404)
  })
})

describe('the phrasebook', () => {
  it('shows a concept on the bodies in hand, with the nearest way where there is nothing', async () => {
    const view = await readConcept('track.hold', ['sorrel', 'wicket'])
    expect(view.rows.map(r => [r.model, r.presence.how])).toEqual([
      ['Sorrel', 'set'],
      ['Wicket', 'none'],
    ])
    expect(view.rows[1]?.ways.length).toBeGreaterThan(0)
    expect((await refusal(readConcept('track.mood', undefined))).status).toBe(404)
  })

  it('gathers a false friend’s senses over all bodies, and keeps to one body where asked', async () => {
    const trail = (await readFalseFriends()).find(f => f.word === 'trail')
    expect(trail?.senses.map(s => s.meaning).sort()).toEqual(['Follows across the frame', 'Hold when blocked'])
    expect((await readFalseFriends('wicket')).map(f => f.word)).not.toContain('trail')
    expect((await readFalseFriends('wicket')).map(f => f.word)).toContain('roam')
  })

  it('translates with the firmware the units run', async () => {
    const { from, entries } = await readDictionary('linnet', 'sorrel')
    expect(from.model).toBe('Linnet')
    const kin = entries.find(e => e.concept === 'subject.class')
    expect(kin?.pairs.map(p => p.from)).toContain('Kin: beasts')
  })
})
