import type { Actor } from './actor'
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
import { writeCsv } from '@/core/reading/csv'
import { parseWith } from '@/core/reading/problem'
import { uniqueSlug } from '@/core/language/language'
import { listArchivedUnits, type NewUnit, saveUnits, setUnitArchived, type UnitRow } from '@/db/units'
import type { PutAwayThing } from './bodies'
import { listAllBodies, listLenses, readBody, units } from './catalogue'
import { database } from './database'
import { changedMeanwhile, invalid, notFound, RequestError } from './problems'
import { readSheet, writeXlsx } from './spreadsheets'

/** What the team owns and hires. */

export interface UnitView extends Unit {
  readonly id: string
  readonly revision: number
  readonly modelName: string
}

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

const rowOf = (unit: Unit, id: string, expected: number): NewUnit => ({
  id,
  expected,
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

/**
 * Units from a spreadsheet: what would change, or the change itself. A wrong file changes nothing.
 *
 * @throws RequestError 422 naming every problem, 409 where somebody changed one of them at the same moment
 */
export const importUnits = async (
  bytes: Uint8Array,
  file: string,
  isPreview: boolean,
  actor: Actor,
): Promise<UnitImport> => {
  const sheet = await readSheet(bytes, file)
  const [rows, putAway, known] = await Promise.all([units(), putAwayUnits(), models()])
  const parsed = parseUnitTable(sheet, known, file)
  if (!parsed.ok) throw invalid(parsed.problems)
  const away = new Set(putAway.map(u => u.tag.toLowerCase()))
  const taken = parsed.value.filter(u => away.has(u.tag.toLowerCase()))
  if (taken.length)
    throw invalid(taken.map(u => ({ file, path: 'Tag', value: u.tag, expected: TAKEN_BY_ONE_PUT_AWAY })))
  const changes = previewUnits(rows.map(unitOf), parsed.value)
  if (isPreview) return { changes, stored: false }
  const same = new Set(changes.filter(c => c.what === 'same').map(c => c.tag))
  const ofTag = new Map(rows.map(r => [r.tag.toLowerCase(), r]))
  const ids = new Set([...rows, ...putAway].map(r => r.id))
  const incoming = parsed.value
    .filter(u => !same.has(u.tag))
    .map(u => {
      const there = ofTag.get(u.tag.toLowerCase())
      return rowOf(u, there?.id ?? uniqueSlug(u.tag, ids, 'unit'), there?.revision ?? 0)
    })
  const signed = { ...actor, what: `from ${file}` }
  if (!(await saveUnits(await database(), incoming, signed))) throw changedMeanwhile('unit')
  return { changes, stored: true }
}

const TAKEN_BY_ONE_PUT_AWAY =
  'a unit with this tag was put away, and its history belongs to it; bring it back on the Kit page, or use another tag'

const putAwayUnits = async (): Promise<readonly UnitRow[]> => listArchivedUnits(await database())

/** Units that were put away, to be brought back. */
export const listPutAwayUnits = async (): Promise<readonly PutAwayThing[]> =>
  (await putAwayUnits()).map(({ id, tag, revision }) => ({ id, name: tag, revision }))

/**
 * Stores one unit; `id` undefined for a new one.
 *
 * @param revision the one it was edited from; 0 for a new one
 * @throws RequestError 409 where somebody else has stored it since
 */
export const saveUnit = async (
  value: unknown,
  id: string | undefined,
  revision: number,
  actor: Actor,
): Promise<{ readonly id: string; readonly revision: number }> => {
  const parsed = parseWith(unitSchema, value, 'unit')
  if (!parsed.ok) throw invalid(parsed.problems)
  const unit = parsed.value
  const wrong = checkUnit(unit, await models())
  if (wrong) throw invalid([{ file: 'unit', path: wrong.field, value: '', expected: wrong.expected }])
  const [rows, putAway] = await Promise.all([units(), putAwayUnits()])
  if (id !== undefined && !rows.some(r => r.id === id)) throw notFound('unit', id)
  const hasTag = (r: UnitRow) => r.tag.toLowerCase() === unit.tag.toLowerCase() && r.id !== id
  const expected = rows.some(hasTag)
    ? 'expected a tag that no other unit has'
    : putAway.some(hasTag)
      ? TAKEN_BY_ONE_PUT_AWAY
      : undefined
  if (expected) throw invalid([{ file: 'unit', path: 'Tag', value: unit.tag, expected }])
  const own = id ?? uniqueSlug(unit.tag, new Set([...rows, ...putAway].map(r => r.id)), 'unit')
  const signed = { ...actor, what: id ? 'edited' : 'added' }
  if (await saveUnits(await database(), [rowOf(unit, own, revision)], signed))
    return { id: own, revision: revision + 1 }
  throw new RequestError(
    409,
    'Somebody else changed this unit',
    'It was changed while you edited it. Reload to see it as it is now; what you typed is still in the form.',
  )
}

/** @throws RequestError 404 where there is no such unit, 409 where it was changed since it was looked at */
export const archiveUnit = async (id: string, archived: boolean, revision: number, actor: Actor): Promise<void> => {
  const all = archived ? await units() : [...(await units()), ...(await putAwayUnits())]
  if (!all.some(u => u.id === id)) throw notFound('unit', id)
  const signed = { ...actor, expected: revision }
  if (!(await setUnitArchived(await database(), id, archived, signed))) throw changedMeanwhile('unit')
}

export const exportUnits = async (form: 'csv' | 'xlsx'): Promise<string | Uint8Array> => {
  const [rows, known] = await Promise.all([units(), models()])
  const table = unitsAsTable(rows.map(unitOf), known)
  return form === 'csv' ? writeCsv(table) : writeXlsx(table, 'Units')
}
