import type { Knex } from 'knex'
import type { State } from '../core/bodies'
import { type Db, withRetry } from './connection'
import { type HistoryEntry, recordChange } from './history'
import { addUnitEvent, type NewUnitEvent, type Recorded } from './unit-events'

/** What a card is for. A body without units has a card of its own. */
export interface CardKey {
  readonly bodyId: string
  readonly unitId: string | null
  readonly standardId: string
  readonly standardVersion: number
  /** Which walk through it, counted from 1: the next begins once one is signed, or once the unit was reset or repaired. */
  readonly walk: number
}

export interface TickRow {
  readonly step: string
  readonly personId: string | null
  readonly personName: string | null
  readonly tickedAt: string
}

/** The same card always has the same id, so that two people who open it at once share one. */
export const cardId = (key: CardKey): string =>
  [
    key.bodyId,
    key.unitId ?? 'any',
    key.standardId,
    `v${key.standardVersion}`,
    ...(key.walk > 1 ? [`walk ${key.walk}`] : []),
  ].join('/')

/** The walk that a card is on: what it began from, where it has begun. */
export interface OpenWalk {
  readonly walk: number
  /** Undefined for factory defaults, or where nothing was ticked yet. */
  readonly from: State | undefined
  readonly isBegun: boolean
}

/** Walks that were begun, by card without its walk; those that were closed count on. */
export const readWalks = async (
  db: Db,
  of: Partial<Pick<CardKey, 'standardId' | 'standardVersion' | 'bodyId'>> = {},
): Promise<(key: Omit<CardKey, 'walk'>) => OpenWalk> => {
  const wanted = Object.fromEntries(
    Object.entries({ standard_id: of.standardId, standard_version: of.standardVersion, body_id: of.bodyId }).filter(
      ([, value]) => value !== undefined,
    ),
  )
  const rows = await withRetry(() =>
    db<{ id: string; walk: number; from_state: string | null; closed_at: string | null }>('cards')
      .where(wanted)
      .select('id', 'walk', 'from_state', 'closed_at')
      .orderBy('walk'),
  )
  const newest = new Map(rows.map(r => [r.id.replace(/\/walk \d+$/, ''), r]))
  return key => {
    const row = newest.get(cardId({ ...key, walk: 1 }))
    if (!row) return { walk: 1, from: undefined, isBegun: false }
    if (row.closed_at !== null) return { walk: row.walk + 1, from: undefined, isBegun: false }
    return {
      walk: row.walk,
      from: row.from_state === null ? undefined : (JSON.parse(row.from_state) as State),
      isBegun: true,
    }
  }
}

export const readTicks = (db: Db, key: CardKey): Promise<readonly TickRow[]> =>
  withRetry(() =>
    db('ticks')
      .leftJoin('people', 'people.id', 'ticks.person_id')
      .where({ card_id: cardId(key) })
      .select({
        step: 'ticks.step',
        personId: 'ticks.person_id',
        personName: 'people.name',
        tickedAt: 'ticks.ticked_at',
      }),
  )

/** How many steps of each card are ticked, by card id. */
export const countTicks = async (db: Db): Promise<ReadonlyMap<string, readonly string[]>> => {
  const rows = await withRetry(() => db<{ card_id: string; step: string }>('ticks').select('card_id', 'step'))
  const byCard = new Map<string, string[]>()
  for (const { card_id, step } of rows) byCard.set(card_id, [...(byCard.get(card_id) ?? []), step])
  return byCard
}

/** What a tick says about the unit: what is set now, what the body pulled along included, or what was stored. */
export interface Tick {
  readonly step: string
  readonly ticked: boolean
  readonly says: readonly NewUnitEvent[]
}

/** Begins a walk, where it has not begun yet. */
export const beginWalk = async (trx: Knex.Transaction, key: CardKey, from: State, at: string): Promise<void> => {
  await trx('cards')
    .insert({
      id: cardId(key),
      body_id: key.bodyId,
      unit_id: key.unitId,
      standard_id: key.standardId,
      standard_version: key.standardVersion,
      walk: key.walk,
      from_state: JSON.stringify(from),
      created_at: at,
    })
    .onConflict('id')
    .ignore()
}

/** Ticks a step or takes the tick back. Doing it twice is the same as once: the first tick keeps its name and time. */
export const setTick = (
  db: Db,
  key: CardKey,
  from: State,
  { step, ticked, says }: Tick,
  at: string,
  personId: string | null,
  { receipt, received }: Pick<Recorded, 'receipt' | 'received'> = {},
): Promise<void> => {
  const work = async (trx: Knex.Transaction): Promise<HistoryEntry | undefined> => {
    const card_id = cardId(key)
    await beginWalk(trx, key, from, at)
    const before = await trx<{ card_id: string; step: string; person_id: string | null; ticked_at: string }>('ticks')
      .where({ card_id, step })
      .first()
    if (Boolean(before) === ticked) return undefined
    if (ticked) {
      await trx('ticks').insert({ card_id, step, person_id: personId, ticked_at: at })
      await closeOtherWalks(trx, key, at)
      if (key.unitId !== null)
        for (const event of says)
          await addUnitEvent(trx, key.unitId, event, at, personId, { tick: { cardId: card_id, step }, received })
    } else {
      await trx('ticks').where({ card_id, step }).delete()
      await trx('unit_events')
        .where({ card_id, step })
        .whereNull('undone_at')
        .update({ undone_at: at, undone_by: personId })
    }
    return {
      personId,
      kind: 'card',
      subject: card_id,
      what: ticked ? 'ticked' : 'took a tick back',
      before,
      after: { step },
    }
  }
  return recordChange(db, at, work, receipt)
}

/** Corrects what a walk began from, and takes the tick of that setting back. */
export const correctWalk = async (trx: Knex.Transaction, key: CardKey, from: State, setting: string): Promise<void> => {
  const card_id = cardId(key)
  await trx('cards')
    .where({ id: card_id })
    .update({ from_state: JSON.stringify(from) })
  await trx('ticks').where({ card_id }).whereLike('step', `${setting}=%`).delete()
}

/** What one card sets, the others of the unit took for granted otherwise: they begin anew from what is known then. */
export const closeOtherWalks = async (trx: Knex.Transaction, key: CardKey, at: string): Promise<void> => {
  if (key.unitId === null) return
  await closeWalks(trx, key.unitId, at, cardId(key))
}

/** Closes the walks of a unit, but for one. */
export const closeWalks = async (trx: Knex.Transaction, unitId: string, at: string, but = ''): Promise<void> => {
  await trx('cards').where({ unit_id: unitId }).whereNot({ id: but }).whereNull('closed_at').update({ closed_at: at })
}

/** Closes a walk: what comes next begins from what is known then. */
export const closeWalk = async (trx: Knex.Transaction, key: CardKey, at: string): Promise<void> => {
  await trx('cards')
    .where({ id: cardId(key) })
    .update({ closed_at: at })
}

/** When the first step of a walk was ticked; null where none is. */
export const walkBegan = async (db: Db, key: CardKey): Promise<string | null> => {
  const row = (await withRetry(() =>
    db('ticks')
      .where({ card_id: cardId(key) })
      .min({ first: 'ticked_at' })
      .first(),
  )) as { first: string | null } | undefined
  return row?.first ?? null
}
