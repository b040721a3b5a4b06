import type { Actor } from './actor'
import 'server-only'
import { type HandoverRow, listCarries, listHandovers, setCarried, setHandedOver } from '@/db/carriers'
import type { UnitRow } from '@/db/units'
import { units } from './catalogue'
import { database } from './database'
import { listPeople } from './people'
import { changedMeanwhile, notFound } from './problems'

/** Who carries what. */
export interface Carrier {
  readonly id: string
  readonly name: string
  /** Ids of the units they usually carry together. */
  readonly units: readonly string[]
}

export const readCarriers = async (): Promise<readonly Carrier[]> => {
  const [people, carries, all] = await Promise.all([listPeople(), database().then(listCarries), units()])
  const there = new Set(all.map(u => u.id))
  return people.map(p => ({
    ...p,
    units: carries.filter(c => c.person_id === p.id && there.has(c.unit_id)).map(c => c.unit_id),
  }))
}

/** Bodies that one person carries together, by the ids of their models. */
export const modelsCarried = (carrier: Carrier, all: readonly Pick<UnitRow, 'id' | 'body_id'>[]): readonly string[] => [
  ...new Set(all.flatMap(u => (u.body_id && carrier.units.includes(u.id) ? [u.body_id] : []))),
]

/** Models that somebody carries beside this one, or beside this unit of it: between those a word can mislead a hand. */
export const modelsBeside = async (model: string, unitId: string | undefined): Promise<ReadonlySet<string>> => {
  const [carriers, all] = await Promise.all([readCarriers(), units()])
  const beside = carriers
    .filter(c => unitId === undefined || c.units.includes(unitId))
    .map(c => modelsCarried(c, all))
    .filter(models => models.includes(model))
  return new Set(beside.flat().filter(m => m !== model))
}

/**
 * How much it counts that a model is like the others: how many people carry it beside another one. Without anybody
 * named every model counts once; one that nobody carries beside another then counts a quarter.
 */
export const weightOf = (model: string, carried: readonly (readonly string[])[]): number => {
  const together = carried.filter(models => models.length > 1)
  if (together.length === 0) return 1
  return Math.max(0.25, together.filter(models => models.includes(model)).length)
}

/** @throws RequestError 404 for a person or a unit that is not there, 409 where they carry others by now than was seen */
export const saveCarried = async (
  personId: string,
  { units: unitIds, seen }: { readonly units: readonly string[]; readonly seen: readonly string[] },
  actor: Actor,
): Promise<void> => {
  const [people, all] = await Promise.all([listPeople(), units()])
  if (!people.some(p => p.id === personId)) throw notFound('person', personId)
  const missing = unitIds.find(id => !all.some(u => u.id === id))
  if (missing !== undefined) throw notFound('unit', missing)
  if (!(await setCarried(await database(), personId, { units: unitIds, seen }, actor.at, actor.personId)))
    throw changedMeanwhile('list')
}

export const readHandedOver = async (): Promise<readonly HandoverRow[]> => listHandovers(await database())

/** @throws RequestError 404 for a unit that is not there */
export const markHandedOver = async (unitId: string, handedOver: boolean, actor: Actor): Promise<void> => {
  if (!(await units()).some(u => u.id === unitId)) throw notFound('unit', unitId)
  await setHandedOver(await database(), unitId, handedOver, actor.at, actor.personId)
}
