import 'server-only'
import type { Happening } from '@/core/kit/known'
import { contextFrom } from '@/core/standards'
import { beginWalk, closeOtherWalks, closeWalk, correctWalk, readTicks, setTick, walkBegan } from '@/db/cards'
import { recordUnitEvent, setUnitEventUndone } from '@/db/unit-events'
import { prepare, stepKey } from './card-walk'
import { units } from './catalogue'
import { database } from './database'
import { listPeople } from './people'
import { notFound, RequestError } from './problems'

/** What people do with a card: tick, correct what is known, sign, and say what happened to a unit. */

export interface TickRequest {
  readonly standard: string
  readonly body: string
  readonly unit?: string | undefined
  readonly for?: string | undefined
  readonly step: string
  readonly ticked: boolean
  readonly person?: string | undefined
}

const expectPerson = async (person: string | undefined): Promise<void> => {
  if (person !== undefined && !(await listPeople()).some(p => p.id === person))
    throw new RequestError(
      422,
      'No such person',
      'The name that signs is not known here any more. Choose it again at the top of the page.',
    )
}

/**
 * Ticks a step or takes the tick back; returns once it is on disk.
 *
 * @throws RequestError 422 when the card has no such step (any more)
 */
export const tickStep = async (request: TickRequest): Promise<{ readonly at: string }> => {
  const { steps, key, body, standard, from } = await prepare(
    request.standard,
    request.body,
    request.unit,
    contextFrom(request.for),
  )
  const step = steps.find(s => stepKey(s) === request.step)
  if (!step)
    throw new RequestError(
      422,
      'No such step',
      `The card of ${body.model} for ${standard.name} has no step “${request.step}”; it may have changed since it was opened. Reload the card.`,
    )
  await expectPerson(request.person)
  const at = new Date().toISOString()
  const sets = { ...Object.fromEntries(step.follows.map(f => [f.setting, f.to])), [step.setting]: step.to }
  const tick = { step: request.step, ticked: request.ticked, sets }
  await setTick(await database(), key, from, tick, at, request.person ?? null)
  return { at }
}

export interface TellRequest {
  readonly standard: string
  readonly for?: string | undefined
  readonly setting: string
  readonly option: string
  readonly person?: string | undefined
}

/** The body of a unit. @throws RequestError 404 where there is no such unit with a body */
const bodyOfUnit = async (unitId: string): Promise<string> => {
  const unit = (await units()).find(u => u.id === unitId)
  if (!unit?.body_id) throw notFound('unit', unitId)
  return unit.body_id
}

/**
 * Somebody looked, and a unit says this: it corrects what is known, and what is left to do on the card.
 *
 * @throws RequestError 422 where the body has no such setting or option
 */
export const tellSetting = async (unitId: string, request: TellRequest): Promise<{ readonly at: string }> => {
  const bodyId = await bodyOfUnit(unitId)
  const { body, key, from, isBegun } = await prepare(request.standard, bodyId, unitId, contextFrom(request.for))
  const { setting, option } = request
  if (!body.settings.find(s => s.id === setting)?.options.some(o => o.id === option))
    throw new RequestError(
      422,
      'No such setting',
      `${body.model} has no setting “${setting}” that can say “${option}” any more. Reload the card.`,
    )
  await expectPerson(request.person)
  const at = new Date().toISOString()
  const event = { kind: 'set', setting, option, how: 'person' } as const
  await recordUnitEvent(await database(), unitId, event, at, request.person ?? null, async trx => {
    if (isBegun) await correctWalk(trx, key, { ...from, [setting]: option }, setting)
    await closeOtherWalks(trx, key, at)
  })
  return { at }
}

export interface SignRequest {
  readonly standard: string
  readonly for?: string | undefined
  readonly timed: boolean
  readonly person?: string | undefined
}

/** Longer than this nobody walks: somebody put it down in between, and the time says nothing. */
const LONGEST_WALK_MINUTES = 60

/**
 * Signs that a unit is set to a standard and was tried; its walk is closed.
 *
 * @throws RequestError 422 while steps are open, or where nobody signs
 */
export const signCard = async (unitId: string, request: SignRequest): Promise<{ readonly at: string }> => {
  const bodyId = await bodyOfUnit(unitId)
  const prepared = await prepare(request.standard, bodyId, unitId, contextFrom(request.for))
  const { key, steps, standard, from, unit } = prepared
  const db = await database()
  const ticked = new Set((await readTicks(db, key)).map(t => t.step))
  const open = steps.filter(s => !ticked.has(stepKey(s))).length
  if (open > 0)
    throw new RequestError(
      422,
      'Steps are open',
      `${unit?.tag ?? 'The unit'} has ${open} of ${steps.length} steps left; tick them, or say what it says instead.`,
    )
  if (request.person === undefined)
    throw new RequestError(422, 'Who signs?', 'Say who you are at the top of the page; a signature needs a name.')
  await expectPerson(request.person)
  const at = new Date().toISOString()
  const began = await walkBegan(db, key)
  const took = began === null ? 0 : (Date.parse(at) - Date.parse(began)) / 60_000
  const minutes = request.timed && steps.length > 0 && took <= LONGEST_WALK_MINUTES ? Math.round(took * 10) / 10 : null
  const event = { kind: 'signed', standard: standard.id, version: standard.version, minutes } as const
  await recordUnitEvent(db, unitId, event, at, request.person, async trx => {
    await beginWalk(trx, key, from, at)
    await closeWalk(trx, key, at)
  })
  return { at }
}

/** Something happened that its card cannot know. @throws RequestError 404 where there is no such unit with a body */
export const recordHappened = async (
  unitId: string,
  kind: Happening,
  person: string | undefined,
): Promise<{ readonly at: string }> => {
  await bodyOfUnit(unitId)
  await expectPerson(person)
  const at = new Date().toISOString()
  await recordUnitEvent(await database(), unitId, { kind }, at, person ?? null)
  return { at }
}

/** Takes something that happened back, or has it count again. @throws RequestError 404 where it did not happen */
export const undoHappened = async (
  unitId: string,
  eventId: number,
  undone: boolean,
  person: string | undefined,
): Promise<void> => {
  await expectPerson(person)
  const found = await setUnitEventUndone(
    await database(),
    unitId,
    eventId,
    undone,
    new Date().toISOString(),
    person ?? null,
  )
  if (!found) throw notFound('event', String(eventId))
}
