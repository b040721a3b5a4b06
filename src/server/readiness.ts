import 'server-only'
import { createEvents, type DateArray } from 'ics'
import { eventWords } from '@/core/kit/event-words'
import type { UnitEvent } from '@/core/kit/known'
import { type Readiness, READINESS_ORDER, readinessOf, readinessWords } from '@/core/kit/readiness'
import { type Context, contextText, refText } from '@/core/standards'
import { readRecheckWeeks, saveRecheckWeeks } from '@/db/settings'
import { listUnitEvents, unitTimeline } from '@/db/unit-events'
import { listedBy, prepareAll, type Prepared } from './card-walk'
import { formOf, listStandards, readBody, readStandard, units } from './catalogue'
import { database } from './database'
import { readCarriers } from './hands'
import { notFound } from './problems'

/** Who and what is ready, and why the rest is not. */

export interface UnitReadiness {
  readonly unit: string
  readonly tag: string
  readonly body: string
  readonly maker: string
  readonly model: string
  readonly firmware: string
  /** Who usually carries it. */
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly readiness: Readiness
  readonly words: string
  /** The last time anything was said about it. */
  readonly last: { readonly at: string; readonly by: string | null } | undefined
}

export interface Recent {
  readonly at: string
  readonly by: string | null
  readonly unit: string
  readonly tag: string
  readonly words: string
}

export interface ReadinessView {
  readonly standard: { readonly id: string; readonly name: string; readonly version: number; readonly state: string }
  readonly for: string
  readonly recheckWeeks: number
  readonly units: readonly UnitReadiness[]
  /** What happened in the last week, newest first. */
  readonly recent: readonly Recent[]
}

const DAY_MS = 24 * 3600 * 1000
const WEEK_MS = 7 * DAY_MS
const MOST_RECENT = 40

const isFromCard = (e: UnitEvent): boolean => e.kind === 'set' && e.how === 'card'

/** Steps of one card come as one line. */
const recentOf = (
  prepared: readonly Prepared[],
  events: ReadonlyMap<string, readonly UnitEvent[]>,
  since: string,
  standardName: (id: string) => string,
): readonly Recent[] =>
  prepared
    .flatMap(({ unit, body }) => {
      if (!unit) return []
      const mine = (events.get(unit.id) ?? []).filter(e => e.at >= since)
      const set = mine.filter(isFromCard)
      const last = set.at(-1)
      return mine
        .filter(e => !isFromCard(e) || e === last)
        .map((e): Recent => {
          const words = isFromCard(e)
            ? `${set.length} ${set.length === 1 ? 'setting' : 'settings'} set by card`
            : eventWords(e, body, standardName)
          return { at: e.at, by: e.by, unit: unit.id, tag: unit.tag, words }
        })
        .reverse()
    })
    .sort((a, b) => b.at.localeCompare(a.at))
    .slice(0, MOST_RECENT)

/** Every unit against a standard. */
export const readReadiness = async (
  ref: string,
  context: Context,
  chosen: readonly string[] | undefined,
  now = new Date().toISOString(),
): Promise<ReadinessView> => {
  const db = await database()
  const [{ document: standard, state }, prepared, carriers, recheckWeeks, events, standards] = await Promise.all([
    readStandard(ref),
    prepareAll(ref, chosen, context),
    readCarriers(),
    readRecheckWeeks(db),
    listUnitEvents(db),
    listStandards(),
  ])
  const names = new Map(standards.map(s => [s.id, s.name]))
  const all = prepared.flatMap((p): UnitReadiness[] => {
    const { unit, known, body } = p
    if (!unit) return []
    const readiness = readinessOf(known, {
      standard: standard.id,
      version: standard.version,
      steps: p.isBegun ? stepsLeft(p) : p.steps.length,
      settings: listedBy(p.resolution),
      recheckWeeks,
      now,
    })
    const last = events.get(unit.id)?.at(-1)
    return [
      {
        unit: unit.id,
        tag: unit.tag,
        body: body.id,
        maker: body.maker,
        model: body.model,
        firmware: unit.firmware,
        people: carriers.filter(c => c.units.includes(unit.id)).map(({ id, name }) => ({ id, name })),
        readiness,
        words: readinessWords(readiness, known),
        last: last && { at: last.at, by: last.by },
      },
    ]
  })
  const rank = (u: UnitReadiness) => READINESS_ORDER.indexOf(u.readiness.is)
  return {
    standard: { id: standard.id, name: standard.name, version: standard.version, state },
    for: contextText(context),
    recheckWeeks,
    units: all.sort((a, b) => rank(a) - rank(b) || a.tag.localeCompare(b.tag)),
    recent: recentOf(prepared, events, new Date(Date.parse(now) - WEEK_MS).toISOString(), id => names.get(id) ?? id),
  }
}

/** On a walk that is underway, what is not known to be set yet is what is left. */
const stepsLeft = ({ steps, known }: Prepared): number =>
  steps.filter(s => known.facts.get(s.setting)?.option !== s.to).length

/** @throws RequestError 422 for another number of weeks than 1 to 52, by the shape of the request */
export const setRecheckWeeks = async (weeks: number, person: string | undefined): Promise<void> =>
  saveRecheckWeeks(await database(), weeks, new Date().toISOString(), person ?? null)

const dateOf = (at: string): DateArray => {
  const d = new Date(at)
  return [d.getUTCFullYear(), d.getUTCMonth() + 1, d.getUTCDate()]
}

/**
 * When each unit is to be looked at, as a calendar: the day its signature runs out, today for those that are owed.
 *
 * @source RFC 5545
 */
export const readCalendar = async (
  ref: string,
  context: Context,
  address: string,
  now = new Date().toISOString(),
): Promise<string> => {
  const view = await readReadiness(ref, context, undefined, now)
  const { error, value } = createEvents(
    view.units.map(u => {
      const at = u.readiness.is === 'ready' ? u.readiness.until : now
      return {
        uid: `${u.unit}.${view.standard.id}@coherion`,
        productId: 'coherion',
        start: dateOf(at),
        end: dateOf(new Date(Date.parse(at) + DAY_MS).toISOString()),
        title: `${u.tag} for ${view.standard.name}: ${u.readiness.is === 'ready' ? 'look again' : u.words}`,
        description: `${u.maker} ${u.model}, firmware ${u.firmware}`,
        url: `${address}/set/cards/${u.body}?standard=${refText({ id: view.standard.id })}&unit=${u.unit}`,
      }
    }),
  )
  if (error) throw error
  return value ?? ''
}

export interface LifeView {
  readonly unit: { readonly id: string; readonly tag: string; readonly firmware: string; readonly model: string }
  readonly body: string
  readonly events: readonly {
    readonly id: number
    readonly at: string
    readonly by: string | null
    readonly words: string
    readonly undone: { readonly at: string; readonly by: string | null } | undefined
  }[]
}

/** A unit's life, newest first. @throws RequestError 404 where there is no such unit with a body */
export const readLife = async (unitId: string): Promise<LifeView> => {
  const unit = (await units()).find(u => u.id === unitId)
  if (!unit?.body_id) throw notFound('unit', unitId)
  const [stored, timeline, standards] = await Promise.all([
    readBody(unit.body_id),
    unitTimeline(await database(), unitId),
    listStandards(),
  ])
  const body = formOf(stored, unit.firmware)
  const name = (id: string) => standards.find(s => s.id === id)?.name ?? id
  return {
    unit: { id: unit.id, tag: unit.tag, firmware: unit.firmware, model: `${body.maker} ${body.model}` },
    body: body.id,
    events: timeline.map(({ id, event, undone }) => ({
      id,
      at: event.at,
      by: event.by,
      words: eventWords(event, body, name),
      undone,
    })),
  }
}
