import * as v from 'valibot'
import { compareVersions } from '../bodies/firmware'
import { type Parsed, parseWith, type Problem } from '../reading/problem'
import { type Column, readRecords, type Sheet } from '../reading/table'
import { folded } from '../language/language'

/** Physical bodies and lenses: which model, whose, and in what condition. */

const text = (most: number, what: string) =>
  v.pipe(v.string(), v.trim(), v.maxLength(most, `expected at most ${most} letters as ${what}`))

const day = v.pipe(v.string(), v.isoDate('expected a day such as 2026-12-24'))

const unitShape = v.strictObject({
  tag: v.pipe(text(40, 'asset tag'), v.minLength(1, 'expected an asset tag')),
  kind: v.picklist(['body', 'lens'], 'expected body or lens'),
  /** The id of a body or of a lens. */
  model: v.pipe(v.string(), v.minLength(1, 'expected a model')),
  serial: text(60, 'serial number'),
  /** Bodies only; empty for lenses. */
  firmware: v.union(
    [v.literal(''), v.pipe(v.string(), v.regex(/^\d+(\.\d+){0,3}$/))],
    'expected a version such as 2.10',
  ),
  owner: text(80, 'owner'),
  /** The last day it is here, where it is hired. */
  hiredUntil: v.union([v.literal(''), day], 'expected a day such as 2026-12-24'),
  notes: text(400, 'notes'),
})

const FIRMWARE_NEEDED = 'expected the firmware that the body runs'
const saysFirmware = (u: Pick<v.InferOutput<typeof unitShape>, 'kind' | 'firmware'>): boolean =>
  u.kind === 'lens' || u.firmware !== ''

export const unitSchema = v.pipe(
  unitShape,
  v.check(u => saysFirmware(u), FIRMWARE_NEEDED),
)
/** The same for a form: each field says all that is wrong with it, also while others are. */
export const unitFormSchema = v.pipe(
  unitShape,
  v.forward(v.partialCheck([['kind'], ['firmware']], saysFirmware, FIRMWARE_NEEDED), ['firmware']),
)
export type Unit = v.InferOutput<typeof unitSchema>

export interface Model {
  readonly id: string
  readonly kind: Unit['kind']
  readonly maker: string
  readonly model: string
  /** Bodies: the firmware the profile covers. */
  readonly firmware?: { readonly from: string; readonly to: string } | undefined
}

export const UNIT_COLUMNS: readonly Column[] = [
  { key: 'tag', heading: 'Tag', also: ['asset tag', 'asset'], required: true },
  { key: 'kind', heading: 'Kind', also: ['type'], required: true },
  { key: 'model', heading: 'Model', required: true },
  { key: 'serial', heading: 'Serial', also: ['serial number'], required: false },
  { key: 'firmware', heading: 'Firmware', also: ['version'], required: false },
  { key: 'owner', heading: 'Owner', required: false },
  { key: 'hiredUntil', heading: 'Hired until', required: false },
  { key: 'notes', heading: 'Notes', also: ['condition', 'condition notes'], required: false },
]

const MOST_ROWS = 5000

/** A model by its id, its name, or maker and name. */
export const findModel = (models: readonly Model[], kind: string, name: string): Model | undefined => {
  const wanted = folded(name.trim())
  return models.find(m => m.kind === kind && [m.id, m.model, `${m.maker} ${m.model}`].some(n => folded(n) === wanted))
}

/** What is wrong with a unit that has the right shape. */
export const checkUnit = (unit: Unit, models: readonly Model[]): { field: string; expected: string } | undefined => {
  const model = models.find(m => m.kind === unit.kind && m.id === unit.model)
  if (!model) return { field: 'Model', expected: `expected a ${unit.kind} that is known here` }
  if (unit.kind === 'body' && model.firmware && compareVersions(unit.firmware, model.firmware.from) < 0)
    return {
      field: 'Firmware',
      expected: `expected ${model.firmware.from} or later; the profile of ${model.model} begins there`,
    }
  return undefined
}

const COLUMN_OF = new Map(UNIT_COLUMNS.map(c => [c.key, c.heading]))

/**
 * Units from a spreadsheet. All rows are looked at, so that every mistake is told at once.
 *
 * @returns the units, or every problem with its row and column
 */
export const parseUnitTable = (sheet: Sheet, models: readonly Model[], file: string): Parsed<readonly Unit[]> => {
  const records = readRecords(sheet, UNIT_COLUMNS, file, MOST_ROWS)
  if (!records.ok) return records
  const units: Unit[] = []
  const problems: Problem[] = []
  const seen = new Map<string, number>()
  for (const { row, values } of records.value) {
    const say = (column: string, value: string, expected: string) =>
      problems.push({ file, path: `row ${row}, column ${column}`, value, expected })
    const kind = (values['kind'] ?? '').toLowerCase()
    const written = values['model'] ?? ''
    const parsed = parseWith(
      unitSchema,
      { ...values, kind, model: findModel(models, kind, written)?.id ?? written },
      file,
    )
    if (!parsed.ok) {
      for (const p of parsed.problems) {
        const column = COLUMN_OF.get(p.path.split('.')[0] ?? '') ?? 'Firmware'
        say(column, p.path ? p.value.replaceAll('"', '') : '', p.expected)
      }
      continue
    }
    const wrong = checkUnit(parsed.value, models)
    if (wrong) say(wrong.field, wrong.field === 'Model' ? written : parsed.value.firmware, wrong.expected)
    const key = folded(parsed.value.tag)
    const twin = seen.get(key)
    if (twin !== undefined) say('Tag', parsed.value.tag, `expected each tag once; it stands in row ${twin} already`)
    seen.set(key, row)
    units.push(parsed.value)
  }
  return problems.length ? { ok: false, problems: problems.slice(0, 100) } : { ok: true, value: units }
}

/** Units as a table, heading first. */
export const unitsAsTable = (units: readonly Unit[], models: readonly Model[]): readonly (readonly string[])[] => [
  UNIT_COLUMNS.map(c => c.heading),
  ...units.map(u => {
    const model = models.find(m => m.kind === u.kind && m.id === u.model)
    const name = model ? `${model.maker} ${model.model}` : u.model
    return [u.tag, u.kind, name, u.serial, u.firmware, u.owner, u.hiredUntil, u.notes]
  }),
]

export interface UnitChange {
  readonly tag: string
  readonly what: 'added' | 'changed' | 'same'
  readonly fields: readonly { readonly field: string; readonly before: string; readonly after: string }[]
}

const FIELDS = ['kind', 'model', 'serial', 'firmware', 'owner', 'hiredUntil', 'notes'] as const

/** What an import would change; units are known by their tag, and those not in the file stay as they are. */
export const previewUnits = (known: readonly Unit[], incoming: readonly Unit[]): readonly UnitChange[] => {
  const byTag = new Map(known.map(u => [folded(u.tag), u]))
  return incoming.map((u): UnitChange => {
    const before = byTag.get(folded(u.tag))
    if (!before) return { tag: u.tag, what: 'added', fields: [] }
    const fields = FIELDS.filter(f => before[f] !== u[f]).map(f => ({
      field: COLUMN_OF.get(f) ?? f,
      before: before[f],
      after: u[f],
    }))
    return { tag: u.tag, what: fields.length ? 'changed' : 'same', fields }
  })
}

/** Whether a hired unit's last day has passed. */
export const isOverdue = (unit: Pick<Unit, 'hiredUntil'>, today: string): boolean =>
  unit.hiredUntil !== '' && unit.hiredUntil < today
