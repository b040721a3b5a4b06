import fc from 'fast-check'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { readCsv, writeCsv } from '../reading/csv'
import { problemWords } from '../reading/problem'
import { isOverdue, type Model, parseUnitTable, previewUnits, type Unit, unitFormSchema, unitsAsTable } from './units'

const MODELS: readonly Model[] = [
  { id: 'linnet', kind: 'body', maker: 'Corvane', model: 'Linnet', firmware: { from: '1.0', to: '2.0' } },
  { id: 'sorrel-85', kind: 'lens', maker: 'Aurelle', model: 'Hearth 85 mm f/1.8' },
]
const FILE = 'units.csv'
const HEAD = 'Tag,Kind,Model,Serial,Firmware,Owner,Hired until,Notes\n'
const parse = (text: string) => parseUnitTable(readCsv(text, FILE), MODELS, FILE)
const complaints = (text: string) => {
  const parsed = parse(text)
  return parsed.ok ? [] : parsed.problems.map(problemWords)
}

const UNIT: Unit = {
  tag: 'TSP-L1',
  kind: 'body',
  model: 'linnet',
  serial: 'CL-1',
  firmware: '1.4',
  owner: 'Tallow Street Pictures',
  hiredUntil: '',
  notes: '',
}

describe('units from a spreadsheet', () => {
  it('know their model by its name, its maker and name, or its id', () => {
    const rows = ['Linnet', 'corvane linnet', 'linnet'].map((m, i) => `T-${i},body,${m},,1.4,,,`).join('\n')
    const parsed = parse(HEAD + rows)
    expect(parsed.ok && parsed.value.map(u => u.model)).toEqual(['linnet', 'linnet', 'linnet'])
  })

  it('tell every mistake at once, each with its row and column', () => {
    const text = `${HEAD}A,body,Linnet,,1.4,,,
A,body,Linnet,,1.4,,,
B,tripod,Linnet,,1.4,,,
C,body,Ostrich,,1.4,,,
D,body,Linnet,,,,,
E,body,Linnet,,0.9,,,
F,lens,Hearth 85 mm f/1.8,,,,next week,
,lens,sorrel-85,,,,,`
    expect(complaints(text)).toEqual([
      'units.csv, row 3, column Tag: A stands there; expected each tag once; it stands in row 2 already',
      'units.csv, row 4, column Kind: tripod stands there; expected body or lens',
      'units.csv, row 5, column Model: Ostrich stands there; expected a body that is known here',
      'units.csv, row 6, column Firmware: expected the firmware that the body runs',
      'units.csv, row 7, column Firmware: 0.9 stands there; expected 1.0 or later; the profile of Linnet begins there',
      'units.csv, row 8, column Hired until: next week stands there; expected a day such as 2026-12-24',
      'units.csv, row 9, column Tag: expected an asset tag',
    ])
  })

  it('say which column is missing', () => {
    expect(complaints('Tag,Serial\nA,1\n')).toEqual([
      'units.csv, row 1: Tag, Serial stands there; expected a column “Kind”',
      'units.csv, row 1: Tag, Serial stands there; expected a column “Model”',
    ])
  })

  it('take ten thousand rows as too many, at once', () => {
    const began = performance.now()
    expect(complaints(HEAD + 'A,body,Linnet,,1.4,,,\n'.repeat(10_000))[0]).toContain('expected at most 5000 rows')
    expect(performance.now() - began).toBeLessThan(2000)
  })

  it('written and read again are the same, whatever stands in their notes', () => {
    const text = fc.string({ maxLength: 30 }).map(t => t.replaceAll(/[\r\n]/g, ' ').trim())
    const unit = fc.record({ serial: text, owner: text, notes: text })
    fc.assert(
      fc.property(fc.array(unit, { minLength: 1, maxLength: 8 }), some => {
        const units = some.map((u, i): Unit => ({ ...UNIT, ...u, tag: `T-${i}` }))
        const parsed = parse(writeCsv(unitsAsTable(units, MODELS)))
        expect(parsed.ok && parsed.value).toEqual(units)
      }),
    )
  })
})

describe('the preview of an import', () => {
  it('tells new, changed and untouched units apart, field by field', () => {
    const changes = previewUnits(
      [UNIT, { ...UNIT, tag: 'TSP-L2' }],
      [
        { ...UNIT, tag: 'tsp-l1', firmware: '2.0' },
        { ...UNIT, tag: 'TSP-L2' },
        { ...UNIT, tag: 'TSP-L9' },
      ],
    )
    expect(changes).toEqual([
      { tag: 'tsp-l1', what: 'changed', fields: [{ field: 'Firmware', before: '1.4', after: '2.0' }] },
      { tag: 'TSP-L2', what: 'same', fields: [] },
      { tag: 'TSP-L9', what: 'added', fields: [] },
    ])
  })
})

it('knows when a hired unit is overdue: the day after its last', () => {
  expect(isOverdue({ hiredUntil: '2026-12-14' }, '2026-12-14')).toBe(false)
  expect(isOverdue({ hiredUntil: '2026-12-14' }, '2026-12-15')).toBe(true)
  expect(isOverdue({ hiredUntil: '' }, '2026-12-15')).toBe(false)
})

it('says in a form what is wrong at every field at once', () => {
  const typed = {
    tag: '',
    kind: 'body',
    model: 'linnet',
    serial: '',
    firmware: '',
    owner: '',
    hiredUntil: '',
    notes: '',
  }
  const wrong = (value: object) => {
    const read = v.safeParse(unitFormSchema, value)
    return read.success ? {} : (v.flatten(read.issues).nested ?? {})
  }
  expect(wrong(typed)).toEqual({
    tag: ['expected an asset tag'],
    firmware: ['expected the firmware that the body runs'],
  })
  expect(v.safeParse(unitFormSchema, { ...typed, tag: 'A-1', kind: 'lens' }).success).toBe(true)
})
