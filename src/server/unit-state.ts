import type { Actor } from './actor'
import 'server-only'
import { parseState, type StateFile, stateFileOf, type StateOf } from '@/core/kit/state-file'
import { closeWalks } from '@/db/cards'
import { recordUnitEvent } from '@/db/unit-events'
import type { UnitRow } from '@/db/units'
import { formOf, readBody, type Revised, units } from './catalogue'
import type { Body } from '@/core/bodies'
import { database } from './database'
import { readLives } from './lives'
import { invalid, notFound, RequestError } from './problems'

/** What a unit is set to, from a file and into one. */

const unitWith = async (id: string): Promise<{ unit: UnitRow; body: Revised<Body>; of: StateOf }> => {
  const unit = (await units()).find(u => u.id === id)
  if (!unit?.body_id) throw notFound('unit', id)
  const body = await readBody(unit.body_id)
  return { unit, body, of: { body: formOf(body, unit.firmware), firmware: unit.firmware, tag: unit.tag } }
}

/** @throws RequestError 404 where there is no such unit, 422 where the file is of something else or cannot be used */
export const readStateFile = async (
  unitId: string,
  value: unknown,
  file: string,
  { at, personId }: Actor,
): Promise<{ readonly at: string; readonly settings: number }> => {
  const { of } = await unitWith(unitId)
  const parsed = parseState(value, file, of)
  if (!parsed.ok) throw invalid(parsed.problems)
  const event = { kind: 'read', settings: parsed.value } as const
  await recordUnitEvent(await database(), unitId, event, at, personId, {
    also: trx => closeWalks(trx, unitId, at),
  })
  return { at, settings: Object.keys(parsed.value).length }
}

/** @throws RequestError 404 where there is no such unit, or nothing is known of it */
export const writeStateFile = async (unitId: string): Promise<{ readonly state: StateFile; readonly name: string }> => {
  const { unit, body, of } = await unitWith(unitId)
  const known = await (await readLives(await database(), [unitId])).knownOf(unit, body, unit.firmware)
  const state = stateFileOf(of, known)
  if (!state) throw new RequestError(404, 'Nothing is known', `Nothing is known of what ${unit.tag} is set to.`)
  return { state, name: `${unit.id}-state.json` }
}
