import type { Actor } from './actor'
import 'server-only'
import type { Body } from '@/core/bodies'
import { eventWords } from '@/core/kit/event-words'
import type { Happening, UnitEvent } from '@/core/kit/known'
import { placeOf, type SetEvent } from '@/core/kit/late'
import { slotOfKey, storeKey } from '@/core/kit/slots'
import { contextFrom } from '@/core/standards'
import {
  beginWalk,
  closeOtherWalks,
  closeWalk,
  closeWalks,
  correctWalk,
  readTicks,
  setTick,
  walkBegan,
} from '@/db/cards'
import { listUnitEvents, recordUnitEvent, setUnitEventUndone } from '@/db/unit-events'
import { share } from '@/pool/documents'
import { prepare, type PreparedCard, stepKey } from './card-walk'
import { work } from './working'
import { listStandards, units } from './catalogue'
import { database } from './database'
import { type Landing, type Late, once, type Received } from './late'
import { notFound, RequestError } from './problems'

/** What people do with a card: tick, correct what is known, sign, and say what happened to a unit. */

export interface TickRequest extends Late {
  readonly standard: string
  readonly body: string
  readonly unit?: string | undefined
  readonly for?: string | undefined
  readonly step: string
  readonly ticked: boolean
}

/** What became of something that was done on a card, seen with all that others did meanwhile. */
export interface DeedOutcome {
  readonly outcome:
    | 'done'
    /** Somebody else had done it already; theirs stands. */
    | 'was-so'
    /** Something that happened later takes it away again; it is kept in the unit's life. */
    | 'overruled'
    /** The card asks for it no more; it is kept as what the unit was set to. */
    | 'kept'
  /** Who stood in the way, when, and with what. */
  readonly by?: string | null | undefined
  readonly when?: string | undefined
  readonly words?: string | undefined
}

type NewSet = Omit<SetEvent, 'at' | 'by'>

/** What a step sets, where the body has such a setting. */
const setBy = (body: Body, step: string): NewSet | undefined => {
  const [setting = '', option = ''] = step.replace(/#\d+$/, '').split('=')
  const isThere = body.settings.find(s => s.id === setting)?.options.some(o => o.id === option)
  return isThere ? { kind: 'set', setting, option, how: 'card' } : undefined
}

/** What came after and takes it away again, as an answer. */
const overruled = async ({ body }: PreparedCard, by: UnitEvent): Promise<DeedOutcome> => {
  const standards = await listStandards()
  const words = eventWords(by, body, id => standards.find(s => s.id === id)?.name ?? id)
  return { outcome: 'overruled', by: by.by, when: by.at, words }
}

/** What overrules that a unit was set to something at a time; undefined where it holds. */
const overruler = async (
  { profile, unit, body }: PreparedCard,
  set: NewSet,
  at: string,
  received: string,
): Promise<UnitEvent | undefined> => {
  if (!unit) return undefined
  const events = (await listUnitEvents(await database(), [unit.id])).get(unit.id) ?? []
  const times = events.map(e => e.at)
  // Nothing came after it: nothing can have taken it away.
  if (placeOf(times, at, received) === times.length) return undefined
  const asked = { body: share(profile), firmware: unit.firmware ?? body.firmware.to, events }
  return work('overruler', { ...asked, event: { ...set, at, by: null }, received })
}

/** Ticks that what is set was stored in a memory slot, or takes the tick back. */
const storeIn = async (
  { key, from, body, unit, standard }: PreparedCard,
  slot: string,
  { step, ticked }: TickRequest,
  { personId }: Actor,
  at: string,
  { storedWith }: Landing<DeedOutcome>,
): Promise<DeedOutcome> => {
  if (!unit || !body.slots.names.includes(slot))
    throw new RequestError(422, 'No such slot', `${body.model} has no memory slot “${slot}”. Reload the card.`)
  const outcome: DeedOutcome = { outcome: 'done' }
  const stored = { kind: 'stored', slot, standard: standard.id, version: standard.version } as const
  await setTick(await database(), key, from, { step, ticked, says: [stored] }, at, personId, storedWith(outcome))
  return outcome
}

/**
 * Ticks a step or takes the tick back; returns once it is on disk. A tick that waited for the network takes its place
 * among what others did meanwhile: by step, the later one stands, and nothing of it is lost.
 *
 * @throws RequestError 422 when the body has no such setting (any more)
 */
export const tickStep = (request: TickRequest, actor: Actor): Promise<DeedOutcome & Received> =>
  once<DeedOutcome>(request, async (at, landing) => {
    const prepared = await prepare(request.standard, request.body, request.unit, contextFrom(request.for))
    const slot = slotOfKey(request.step)
    if (slot !== undefined) return storeIn(prepared, slot, request, actor, at, landing)
    const { steps, key, body, standard, from, unit } = prepared
    const step = steps.find(s => stepKey(s) === request.step)
    const set = setBy(body, request.step)
    if (!step && !(set && unit && request.id !== undefined))
      throw new RequestError(
        422,
        'No such step',
        `The card of ${body.model} for ${standard.name} has no step “${request.step}”; it may have changed since it was opened. Reload the card.`,
      )
    const [db, person] = [await database(), actor.personId]
    const ticked = (await readTicks(db, key)).find(t => t.step === request.step)
    const isMine = ticked?.personId === person
    if (!request.ticked) {
      const outcome: DeedOutcome =
        // One person's own ticks come in the order in which they were made.
        ticked && !isMine && ticked.tickedAt > at && ticked.tickedAt <= landing.received
          ? { outcome: 'overruled', by: ticked.personName, when: ticked.tickedAt, words: 'ticked it' }
          : { outcome: ticked ? 'done' : 'was-so' }
      const tick = { step: request.step, ticked: outcome.outcome === 'overruled', says: [] }
      await setTick(db, key, from, tick, at, person, landing.storedWith(outcome))
      return outcome
    }
    const later = set && (await overruler(prepared, set, at, landing.received))
    if (unit && set && (later || !step)) {
      const outcome: DeedOutcome = later ? await overruled(prepared, later) : { outcome: 'kept' }
      const also = (trx: Parameters<typeof closeWalks>[0]) => (later ? Promise.resolve() : closeWalks(trx, unit.id, at))
      await recordUnitEvent(db, unit.id, set, at, person, { also, ...landing.storedWith(outcome) })
      return outcome
    }
    const outcome: DeedOutcome =
      ticked && !isMine
        ? { outcome: 'was-so', by: ticked.personName, when: ticked.tickedAt }
        : { outcome: ticked ? 'was-so' : 'done' }
    const pulled = (step?.follows ?? []).map((f): NewSet => ({
      kind: 'set',
      setting: f.setting,
      option: f.to,
      how: 'card',
    }))
    const tick = { step: request.step, ticked: true, says: [...pulled, ...(set ? [set] : [])] }
    await setTick(db, key, from, tick, at, person, landing.storedWith(outcome))
    return outcome
  })

export interface TellRequest extends Late {
  readonly standard: string
  readonly for?: string | undefined
  readonly setting: string
  readonly option: string
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
export const tellSetting = (unitId: string, request: TellRequest, actor: Actor): Promise<DeedOutcome & Received> =>
  once<DeedOutcome>(request, async (at, landing) => {
    const bodyId = await bodyOfUnit(unitId)
    const prepared = await prepare(request.standard, bodyId, unitId, contextFrom(request.for))
    const { body, key, from, isBegun } = prepared
    const { setting, option } = request
    if (!body.settings.find(s => s.id === setting)?.options.some(o => o.id === option))
      throw new RequestError(
        422,
        'No such setting',
        `${body.model} has no setting “${setting}” that can say “${option}” any more. Reload the card.`,
      )
    const event = { kind: 'set', setting, option, how: 'person' } as const
    const later = await overruler(prepared, event, at, landing.received)
    const outcome: DeedOutcome = later ? await overruled(prepared, later) : { outcome: 'done' }
    const correct = async (trx: Parameters<typeof closeWalks>[0]) => {
      if (later) return
      if (isBegun) await correctWalk(trx, key, { ...from, [setting]: option }, setting)
      await closeOtherWalks(trx, key, at)
    }
    const stored = { also: correct, ...landing.storedWith(outcome) }
    await recordUnitEvent(await database(), unitId, event, at, actor.personId, stored)
    return outcome
  })

export interface SignRequest extends Late {
  readonly standard: string
  readonly for?: string | undefined
  readonly timed: boolean
  /** The memory slot that it is stored in as well. */
  readonly slot?: string | undefined
}

/** Longer than this nobody walks: somebody put it down in between, and the time says nothing. */
const LONGEST_WALK_MINUTES = 60

/**
 * Signs that a unit is set to a standard and was tried; its walk is closed.
 *
 * @throws RequestError 422 while steps are open, or where nobody signs
 */
export const signCard = (unitId: string, request: SignRequest, actor: Actor): Promise<DeedOutcome & Received> =>
  once<DeedOutcome>(request, async (at, landing) => {
    const bodyId = await bodyOfUnit(unitId)
    const prepared = await prepare(request.standard, bodyId, unitId, contextFrom(request.for))
    const { key, steps, standard, from, unit } = prepared
    const db = await database()
    const ticked = new Set((await readTicks(db, key)).map(t => t.step))
    const asked = [...steps.map(stepKey), ...(request.slot === undefined ? [] : [storeKey(request.slot)])]
    const open = asked.filter(step => !ticked.has(step)).length
    if (open > 0)
      throw new RequestError(
        422,
        'Steps are open',
        `${unit?.tag ?? 'The unit'} has ${open} of ${asked.length} steps left; tick them, or say what it says instead.`,
      )
    const began = await walkBegan(db, key)
    const took = began === null ? 0 : (Date.parse(at) - Date.parse(began)) / 60_000
    const isTimed = request.timed && steps.length > 0 && took >= 0 && took <= LONGEST_WALK_MINUTES
    const minutes = isTimed ? Math.round(took * 10) / 10 : null
    const event = {
      kind: 'signed',
      standard: standard.id,
      version: standard.version,
      minutes,
      steps: steps.length,
    } as const
    const outcome: DeedOutcome = { outcome: 'done' }
    const close = async (trx: Parameters<typeof closeWalks>[0]) => {
      await beginWalk(trx, key, from, at)
      await closeWalk(trx, key, at)
    }
    await recordUnitEvent(db, unitId, event, at, actor.personId, { also: close, ...landing.storedWith(outcome) })
    return outcome
  })

/** Something happened that its card cannot know. @throws RequestError 404 where there is no such unit with a body */
export const recordHappened = (
  unitId: string,
  kind: Happening,
  actor: Actor,
  late: Late = {},
): Promise<DeedOutcome & Received> =>
  once<DeedOutcome>(late, async (at, landing) => {
    await bodyOfUnit(unitId)
    const outcome: DeedOutcome = { outcome: 'done' }
    await recordUnitEvent(await database(), unitId, { kind }, at, actor.personId, landing.storedWith(outcome))
    return outcome
  })

const NOT_TAKEN_BACK = {
  'another-model':
    'Which model a tag stands for is changed in the kit; what was known of the other one does not come back.',
  'not-the-last-firmware':
    'The firmware was changed again since, here or in the kit. Take the later change back first, or enter in the kit what it runs now.',
} as const

/** Takes something that happened back, or has it count again. @throws RequestError 404 where it did not happen, 422 where it cannot be */
export const undoHappened = async (unitId: string, eventId: number, undone: boolean, actor: Actor): Promise<void> => {
  const became = await setUnitEventUndone(await database(), unitId, eventId, undone, actor.at, actor.personId)
  if (became === 'no-such-event') throw notFound('event', String(eventId))
  if (became !== 'done') throw new RequestError(422, 'Not taken back', NOT_TAKEN_BACK[became])
}
