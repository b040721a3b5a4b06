import type { Knex } from 'knex'
import { EVENTS } from '../core/kit/events'
import { CLOSES_WALKS, type UnitEvent, type UnitEventKind } from '../core/kit/known'
import { placeOf } from '../core/kit/late'
import { type Db, withRetry } from './connection'
import { type HistoryEntry, recordChange } from './history'
import type { Receipt } from './received'

type WithoutWho<T> = T extends unknown ? Omit<T, 'at' | 'by'> : never
/** What happened, without who and when. */
export type NewUnitEvent = WithoutWho<UnitEvent>

interface Row {
  readonly id: number
  /** Its place among the events of its unit. */
  readonly seq: number
  readonly unit_id: string
  readonly at: string
  readonly kind: UnitEventKind
  readonly data: string
  readonly person: string | null
  readonly undone_at: string | null
  readonly undone_by: string | null
}

/** An event with what only the store knows of it. */
export interface StoredUnitEvent {
  readonly id: number
  readonly unit: string
  readonly event: UnitEvent
  readonly undone: { readonly at: string; readonly by: string | null } | undefined
}

const eventOf = (row: Row): StoredUnitEvent => ({
  id: row.id,
  unit: row.unit_id,
  // What is stored was written by `addUnitEvent`.
  event: { ...(JSON.parse(row.data) as NewUnitEvent), at: row.at, by: row.person },
  undone: row.undone_at === null ? undefined : { at: row.undone_at, by: row.undone_by },
})

const rows = (db: Db) =>
  db('unit_events')
    .leftJoin('people', 'people.id', 'unit_events.person_id')
    .leftJoin({ undoer: 'people' }, 'undoer.id', 'unit_events.undone_by')
    .orderBy(['unit_id', 'seq'])
    .select<Row[]>({
      id: 'unit_events.id',
      seq: 'unit_events.seq',
      unit_id: 'unit_events.unit_id',
      at: 'unit_events.at',
      kind: 'unit_events.kind',
      data: 'unit_events.data',
      person: 'people.name',
      undone_at: 'unit_events.undone_at',
      undone_by: 'undoer.name',
    })

/** All that counts of what happened to units, by unit, oldest first. */
export const listUnitEvents = async (
  db: Db,
  only?: readonly string[],
): Promise<ReadonlyMap<string, readonly UnitEvent[]>> => {
  const found = await withRetry(async () => {
    const all = rows(db).whereNull('unit_events.undone_at')
    return only === undefined ? await all : await all.whereIn('unit_id', [...only])
  })
  const byUnit = new Map<string, UnitEvent[]>()
  for (const { unit, event } of found.map(eventOf)) {
    const list = byUnit.get(unit)
    if (list) list.push(event)
    else byUnit.set(unit, [event])
  }
  return byUnit
}

/** A text for each unit that changes whenever what counts of its events does. */
export const unitEventStamps = async (db: Db, only?: readonly string[]): Promise<ReadonlyMap<string, string>> => {
  const found = await withRetry(async () => {
    const all = db('unit_events')
      .whereNull('undone_at')
      .groupBy('unit_id')
      .select<{ unit_id: string; n: number; last: number; sum: number }[]>(
        'unit_id',
        db.raw('count(*) as n'),
        db.raw('max(id) as last'),
        // Two sets of events of one size with the same last one differ in this, but for chance beyond any life.
        db.raw('total(id * id) as sum'),
      )
    return only === undefined ? await all : await all.whereIn('unit_id', [...only])
  })
  return new Map(found.map(r => [r.unit_id, `${r.n} ${r.last} ${r.sum}`]))
}

/** Everything that happened to a unit, what was taken back as well, newest first. */
export const unitTimeline = async (db: Db, unitId: string): Promise<readonly StoredUnitEvent[]> =>
  (await withRetry(async () => rows(db).where({ unit_id: unitId }))).map(eventOf).reverse()

/** Between two events there is room for those that come in late. */
const GAP = 2 ** 20

/** The last events of a unit are looked at so many at a time. */
const PAGE = 200

/**
 * Where an event stands in the order of a unit's life. The order is the server's own: a time is a fact beside it, so that
 * a clock that was wrong for a while changes nothing. Only what came in late is placed by its time.
 */
const seqFor = async (trx: Knex.Transaction, unitId: string, at: string, received: string): Promise<number> => {
  const last = (await trx('unit_events').where({ unit_id: unitId }).max({ seq: 'seq' }).first()) as
    | { seq: number | null }
    | undefined
  let next: number | undefined
  let before = last?.seq ?? 0
  for (let done = false; at < received && !done;) {
    const page = await trx<Row>('unit_events')
      .where({ unit_id: unitId })
      .where('seq', '<', next ?? Infinity)
      .orderBy('seq', 'desc')
      .limit(PAGE)
      .select('seq', 'at')
    const times = page.map(e => e.at).reverse()
    const stay = placeOf(times, at, received)
    before = page[page.length - stay]?.seq ?? 0
    next = page[page.length - stay - 1]?.seq ?? next
    done = stay > 0 || page.length < PAGE
  }
  if (next === undefined) return before + GAP
  if (next - before > 1) return Math.floor((before + next) / 2)
  await makeRoom(trx, unitId)
  return seqFor(trx, unitId, at, received)
}

/** Numbers the events of a unit anew, in the order they have. */
const makeRoom = async (trx: Knex.Transaction, unitId: string): Promise<void> => {
  const all = await trx<Row>('unit_events').where({ unit_id: unitId }).orderBy('seq').select('id')
  for (const [i, { id }] of all.entries())
    await trx('unit_events')
      .where({ id })
      .update({ seq: (i + 1) * GAP })
}

export interface Added {
  /** The tick it came of: it goes with it. */
  readonly tick?: { readonly cardId: string; readonly step: string }
  /** When it came in, where that is not when it was done. */
  readonly received?: string | undefined
}

/** Adds an event within a transaction that records it. @param at when it was done */
export const addUnitEvent = async (
  trx: Knex.Transaction,
  unitId: string,
  event: NewUnitEvent,
  at: string,
  personId: string | null,
  { tick, received = at }: Added = {},
): Promise<void> => {
  await trx('unit_events').insert({
    unit_id: unitId,
    seq: await seqFor(trx, unitId, at, received),
    at,
    person_id: personId,
    kind: event.kind,
    data: JSON.stringify(event),
    card_id: tick?.cardId ?? null,
    step: tick?.step ?? null,
  })
  if (CLOSES_WALKS.includes(event.kind))
    await trx('cards').where({ unit_id: unitId }).whereNull('closed_at').update({ closed_at: at })
}

export interface Recorded extends Pick<Added, 'received'> {
  /** What else changes with it. */
  readonly also?: (trx: Knex.Transaction) => Promise<void>
  readonly receipt?: Receipt | undefined
}

/** Records that something happened to a unit. */
export const recordUnitEvent = (
  db: Db,
  unitId: string,
  event: NewUnitEvent,
  at: string,
  personId: string | null,
  { also, receipt, received }: Recorded = {},
): Promise<void> => {
  const work = async (trx: Knex.Transaction): Promise<HistoryEntry> => {
    await addUnitEvent(trx, unitId, event, at, personId, { received })
    await also?.(trx)
    return { personId, kind: 'unit', subject: unitId, what: EVENTS[event.kind].short, after: event }
  }
  return recordChange(db, at, work, receipt)
}

/** What became of taking an event back. */
export type Undone = 'done' | 'no-such-event' | 'another-model' | 'not-the-last-firmware'

/**
 * Firmware that was entered is taken back in the kit as well, or what is known would be of another form than the one that
 * runs; only the last can be.
 */
const turnFirmwareBack = async (
  trx: Knex.Transaction,
  row: Row,
  undone: boolean,
): Promise<'done' | 'not-the-last-firmware'> => {
  const { from, to } = JSON.parse(row.data) as Extract<NewUnitEvent, { kind: 'firmware' }>
  const [now, next] = undone ? [to, from] : [from, to]
  const later = await trx<Row>('unit_events')
    .where({ unit_id: row.unit_id, kind: 'firmware', undone_at: null })
    .where('seq', '>', row.seq)
    .first()
  const changed = later
    ? 0
    : await trx('units').where({ id: row.unit_id, firmware: now }).update({ firmware: next }).increment('revision', 1)
  return changed ? 'done' : 'not-the-last-firmware'
}

/** Takes an event back, or back again; what was known without it is known again. */
export const setUnitEventUndone = async (
  db: Db,
  unitId: string,
  eventId: number,
  undone: boolean,
  at: string,
  personId: string | null,
): Promise<Undone> => {
  let became: Undone = 'no-such-event'
  await recordChange(db, at, async trx => {
    const row = await trx<Row>('unit_events').where({ id: eventId, unit_id: unitId }).first()
    became = row ? 'done' : 'no-such-event'
    if (!row || (row.undone_at !== null) === undone) return undefined
    const event = JSON.parse(row.data) as NewUnitEvent
    if (event.kind === 'exchanged' && event.what === 'model') became = 'another-model'
    if (event.kind === 'firmware') became = await turnFirmwareBack(trx, row, undone)
    if (became !== 'done') return undefined
    await trx('unit_events')
      .where({ id: eventId })
      .update({ undone_at: undone ? at : null, undone_by: undone ? personId : null })
    await trx('cards').where({ unit_id: unitId }).whereNull('closed_at').update({ closed_at: at })
    return {
      personId,
      kind: 'unit',
      subject: unitId,
      what: `${EVENTS[row.kind].short}: ${undone ? 'taken back' : 'counts again'}`,
      before: row.data,
    }
  })
  return became
}

/** A few of the last walks say how long one takes. */
const WALKS_COUNTED = 9

/** How long walks usually take, from the team's own. */
export interface UsualTime {
  readonly minutes: number
  /** Undefined where it is not known of how many steps they were. */
  readonly minutesPerStep: number | undefined
  readonly walks: number
}

const median = (values: readonly number[]): number | undefined =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]

/** The median of how long the team's own walks took to a standard, by body; those that nobody timed are missing. */
export const usualTimes = async (db: Db, standardId: string): Promise<ReadonlyMap<string, UsualTime>> => {
  const found = await withRetry(() =>
    db<{ data: string; body: string }>('unit_events')
      .join('units', 'units.id', 'unit_events.unit_id')
      .where({ 'unit_events.kind': 'signed' })
      .whereNull('unit_events.undone_at')
      .orderBy('unit_events.id', 'desc')
      .limit(2000)
      .select<{ data: string; body: string }[]>('unit_events.data as data', 'units.body_id as body'),
  )
  const byBody = new Map<string, { readonly minutes: number; readonly steps: number | undefined }[]>()
  for (const { data, body } of found) {
    const { standard, minutes, steps } = JSON.parse(data) as Extract<NewUnitEvent, { kind: 'signed' }>
    const list = byBody.get(body) ?? []
    if (standard !== standardId || minutes === null || list.length === WALKS_COUNTED) continue
    byBody.set(body, [...list, { minutes, steps }])
  }
  return new Map(
    [...byBody].map(([body, walks]) => {
      const perStep = walks.flatMap(w => (w.steps ? [w.minutes / w.steps] : []))
      return [
        body,
        { minutes: median(walks.map(w => w.minutes)) ?? 0, minutesPerStep: median(perStep), walks: walks.length },
      ]
    }),
  )
}
