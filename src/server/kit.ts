import 'server-only'
import {
  type Model,
  parseUnitTable,
  previewUnits,
  checkUnit,
  type Unit,
  type UnitChange,
  unitsAsTable,
  unitSchema,
} from '@/core/kit/units'
import { writeCsv } from '@/core/formats/csv'
import { parseWith } from '@/core/formats/problem'
import { uniqueSlug } from '@/core/language/language'
import { type NewUnit, saveUnits, setUnitArchived, type UnitRow } from '@/db/units'
import { listAllBodies, listLenses, readBody, units } from './catalogue'
import { database } from './database'
import { invalid, notFound, RequestError } from './problems'
import { readSheet, writeXlsx } from './spreadsheets'

/** What the team owns and hires. */

export interface UnitView extends Unit {
  readonly id: string
  readonly revision: number
  readonly modelName: string
}

const now = () => new Date().toISOString()

export const models = async (): Promise<readonly Model[]> => {
  const [bodies, lenses] = await Promise.all([listAllBodies(), listLenses()])
  const ofBodies = await Promise.all(
    bodies.map(async ({ id, maker, model, revision }): Promise<Model> => {
      const { document } = await readBody(id, revision)
      return { id, maker, model, kind: 'body', firmware: document.firmware }
    }),
  )
  return [...ofBodies, ...lenses.map(({ id, maker, model }): Model => ({ id, maker, model, kind: 'lens' }))]
}

const unitOf = (row: UnitRow): Unit => ({
  tag: row.tag,
  kind: row.kind,
  model: row.body_id ?? row.lens_id ?? '',
  serial: row.serial,
  firmware: row.firmware,
  owner: row.owner,
  hiredUntil: row.hired_until,
  notes: row.notes,
})

const rowOf = (unit: Unit, id: string): NewUnit => ({
  id,
  kind: unit.kind,
  body_id: unit.kind === 'body' ? unit.model : null,
  lens_id: unit.kind === 'lens' ? unit.model : null,
  tag: unit.tag,
  serial: unit.serial,
  firmware: unit.firmware,
  owner: unit.owner,
  hired_until: unit.hiredUntil,
  notes: unit.notes,
})

export const readKit = async (): Promise<{
  readonly units: readonly UnitView[]
  readonly models: readonly Model[]
}> => {
  const [rows, known] = await Promise.all([units(), models()])
  const name = (u: Unit) => {
    const m = known.find(x => x.kind === u.kind && x.id === u.model)
    return m ? `${m.maker} ${m.model}` : u.model
  }
  return {
    units: rows.map(row => {
      const unit = unitOf(row)
      return { ...unit, id: row.id, revision: row.revision, modelName: name(unit) }
    }),
    models: known,
  }
}

export interface UnitImport {
  readonly changes: readonly UnitChange[]
  readonly stored: boolean
}

/** Units from a spreadsheet: what would change, or the change itself. A wrong file changes nothing. */
export const importUnits = async (
  bytes: Uint8Array,
  file: string,
  isPreview: boolean,
  person: string | undefined,
): Promise<UnitImport> => {
  const [rows, known] = await Promise.all([units(), models()])
  const parsed = parseUnitTable(await readSheet(bytes, file), known, file)
  if (!parsed.ok) throw invalid(parsed.problems)
  const changes = previewUnits(rows.map(unitOf), parsed.value)
  if (isPreview) return { changes, stored: false }
  const same = new Set(changes.filter(c => c.what === 'same').map(c => c.tag))
  const idOfTag = new Map(rows.map(r => [r.tag.toLowerCase(), r.id]))
  const taken = new Set(rows.map(r => r.id))
  const incoming = parsed.value
    .filter(u => !same.has(u.tag))
    .map(u => rowOf(u, idOfTag.get(u.tag.toLowerCase()) ?? uniqueSlug(u.tag, taken, 'unit')))
  await saveUnits(await database(), incoming, { at: now(), personId: person ?? null, what: `from ${file}` })
  return { changes, stored: true }
}

/** Stores one unit; `id` undefined for a new one. */
export const saveUnit = async (
  value: unknown,
  id: string | undefined,
  revision: number | undefined,
  person: string | undefined,
): Promise<{ readonly id: string }> => {
  const parsed = parseWith(unitSchema, value, 'unit')
  if (!parsed.ok) throw invalid(parsed.problems)
  const unit = parsed.value
  const wrong = checkUnit(unit, await models())
  if (wrong) throw invalid([{ file: 'unit', path: wrong.field, value: '', expected: wrong.expected }])
  const rows = await units()
  const twin = rows.find(r => r.tag.toLowerCase() === unit.tag.toLowerCase() && r.id !== id)
  if (twin)
    throw invalid([{ file: 'unit', path: 'Tag', value: unit.tag, expected: 'expected a tag that no other unit has' }])
  const db = await database()
  const all = await db<{ id: string }>('units').select('id')
  const own = id ?? uniqueSlug(unit.tag, new Set(all.map(r => r.id)), 'unit')
  const stored = await saveUnits(db, [rowOf(unit, own)], {
    at: now(),
    personId: person ?? null,
    what: id ? 'edited' : 'added',
    ...(revision === undefined ? {} : { expected: revision }),
  })
  if (!stored)
    throw new RequestError(
      409,
      'Somebody else changed this unit',
      'It was changed while you edited it. Reload to see it as it is now; what you typed is still in the form.',
    )
  return { id: own }
}

export const archiveUnit = async (id: string, archived: boolean, person: string | undefined): Promise<void> => {
  if (archived && !(await units()).some(u => u.id === id)) throw notFound('unit', id)
  await setUnitArchived(await database(), id, archived, now(), person ?? null)
}

export const exportUnits = async (form: 'csv' | 'xlsx'): Promise<string | Uint8Array> => {
  const [rows, known] = await Promise.all([units(), models()])
  const table = unitsAsTable(rows.map(unitOf), known)
  return form === 'csv' ? writeCsv(table) : writeXlsx(table, 'Units')
}
