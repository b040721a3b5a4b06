import type { Actor } from './actor'
import 'server-only'
import ical from 'ical-generator'
import { SECONDS_PER_CARD_ROW } from '@/core/jobs/facts'
import { eventWords } from '@/core/kit/event-words'
import type { UnitEvent } from '@/core/kit/known'
import { type Readiness, READINESS_ORDER, type ReadinessState, readinessOf, readinessWords } from '@/core/kit/readiness'
import { type Context, contextText, refFrom, refText } from '@/core/standards'
import { readRecheckWeeks, saveRecheckWeeks } from '@/db/settings'
import { listVersions } from '@/db/standards'
import { usualTimes } from '@/db/unit-events'
import { askedOf } from '@/core/resolve'
import { prepareAll, type PreparedCard } from './card-walk'
import { listStandards, readStandard } from './catalogue'
import { minutesOf } from './cards'
import { database } from './database'
import { readCarriers } from './carriers'
import { type Lives, readLives } from './lives'
import { changedMeanwhile } from './problems'
import type { NotReckoned } from './worked-out'

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
  readonly last: string | undefined
  /** How long its card takes, about; 0 where there is nothing to do. */
  readonly minutes: number
  /** It was signed for an earlier version, and does not match the one in force. */
  readonly isOwed: boolean
  /** It will not be ready any more at the end of tomorrow. */
  readonly isForTomorrow: boolean
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
  /** Bodies that cannot be reckoned; their units are missing above. */
  readonly failed: readonly NotReckoned[]
  /** The last day of what tomorrow needs. */
  readonly tomorrow: string
  /** When and by whom the version was approved, where that makes units owe a card. */
  readonly approved: { readonly at: string; readonly by: string | null } | undefined
  /** What happened in the last week, newest first. */
  readonly recent: readonly Recent[]
}

/** How many units are ready for each standard in force. */
export interface StandardReadiness {
  readonly id: string
  readonly name: string
  readonly version: number
  readonly of: number
  readonly counts: Readonly<Record<ReadinessState, number>>
  readonly owed: number
  readonly failed: readonly NotReckoned[]
}

const DAY_MS = 24 * 3600 * 1000
const WEEK_MS = 7 * DAY_MS
const MOST_RECENT = 40

const isFromCard = (e: UnitEvent): boolean => e.kind === 'set' && e.how === 'card'

/** Steps of one card come as one line. */
const recentOf = (
  prepared: readonly PreparedCard[],
  { eventsOf }: Lives,
  since: string,
  standardName: (id: string) => string,
): readonly Recent[] =>
  prepared
    .flatMap(({ unit, body }) => {
      if (!unit) return []
      const mine = eventsOf(unit.id).filter(e => e.at >= since)
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

/** One unit against a standard, at a time. */
export const readinessAt = (p: PreparedCard, recheckWeeks: number, now: string): Readiness =>
  readinessOf(p.known, {
    standard: p.standard.id,
    version: p.standard.version,
    steps: p.isBegun ? stepsLeft(p) : p.steps.length,
    settings: askedOf(p.body, p.resolution),
    recheckWeeks,
    now,
  })

const isOwed = ({ known, standard }: PreparedCard, readiness: Readiness): boolean =>
  readiness.is !== 'ready' && known.signed?.standard === standard.id && known.signed.version < standard.version

/** The end of the day after this one, in UTC. */
const endOfTomorrow = (now: string): string =>
  `${new Date(Date.parse(now) + DAY_MS).toISOString().slice(0, 10)}T23:59:59.999Z`

/** Every unit against a standard. */
export const readReadiness = async (
  ref: string,
  context: Context,
  chosen: readonly string[] | undefined,
  now = new Date().toISOString(),
): Promise<ReadinessView> => {
  const db = await database()
  const lives = await readLives(db)
  const [{ document: standard, state }, { cards: prepared, failed }, carriers, recheckWeeks, standards, usual] =
    await Promise.all([
      readStandard(ref),
      prepareAll(ref, chosen, context, lives),
      readCarriers(),
      readRecheckWeeks(db),
      listStandards(),
      usualTimes(db, refFrom(ref).id),
    ])
  const names = new Map(standards.map(s => [s.id, s.name]))
  const carriersOf = new Map<string, { id: string; name: string }[]>()
  for (const { id, name, units: carried } of carriers)
    for (const unit of carried) carriersOf.set(unit, [...(carriersOf.get(unit) ?? []), { id, name }])
  const tomorrow = endOfTomorrow(now)
  const all = prepared.flatMap((p): UnitReadiness[] => {
    const { unit, known, body } = p
    if (!unit) return []
    const readiness = readinessAt(p, recheckWeeks, now)
    const [steps, walked] = [stepsLeft(p), usual.get(body.id)]
    const minutes = walked ? minutesOf(walked, steps) : Math.max(1, Math.round((steps * SECONDS_PER_CARD_ROW) / 60))
    return [
      {
        unit: unit.id,
        tag: unit.tag,
        body: body.id,
        maker: body.maker,
        model: body.model,
        firmware: unit.firmware,
        people: carriersOf.get(unit.id) ?? [],
        readiness,
        words: readinessWords(readiness, known),
        last: lives.eventsOf(unit.id).at(-1)?.at,
        minutes: readiness.is === 'ready' ? 0 : minutes,
        isOwed: isOwed(p, readiness),
        isForTomorrow: readinessAt(p, recheckWeeks, tomorrow).is !== 'ready',
      },
    ]
  })
  const rank = (u: UnitReadiness) => READINESS_ORDER.indexOf(u.readiness.is)
  const version = all.some(u => u.isOwed)
    ? (await listVersions(db, standard.id)).find(v => v.version === standard.version)
    : undefined
  return {
    standard: { id: standard.id, name: standard.name, version: standard.version, state },
    for: contextText(context),
    recheckWeeks,
    units: all.sort((a, b) => rank(a) - rank(b) || a.tag.localeCompare(b.tag)),
    failed,
    tomorrow,
    approved:
      version?.state === 'approved'
        ? { at: version.approved_at ?? version.changed_at, by: version.approver }
        : undefined,
    recent: recentOf(prepared, lives, new Date(Date.parse(now) - WEEK_MS).toISOString(), id => names.get(id) ?? id),
  }
}

/** Every standard in force, and how many units are ready for it. */
export const readReadinessByStandard = async (
  context: Context,
  chosen: readonly string[] | undefined,
  now = new Date().toISOString(),
): Promise<readonly StandardReadiness[]> => {
  const db = await database()
  const [recheckWeeks, lives] = await Promise.all([readRecheckWeeks(db), readLives(db)])
  const inForce = (await listStandards()).filter(s => s.state === 'approved')
  return Promise.all(
    inForce.map(async ({ id, name, version }): Promise<StandardReadiness> => {
      const { cards, failed } = await prepareAll(id, chosen, context, lives)
      const all = cards.filter(p => p.unit)
      const states = all.map(p => ({ p, readiness: readinessAt(p, recheckWeeks, now) }))
      const count = (is: ReadinessState) => states.filter(s => s.readiness.is === is).length
      return {
        id,
        name,
        version,
        of: all.length,
        counts: {
          ready: count('ready'),
          unproven: count('unproven'),
          differs: count('differs'),
          unknown: count('unknown'),
          'out-of-date': count('out-of-date'),
        },
        owed: states.filter(s => isOwed(s.p, s.readiness)).length,
        failed,
      }
    }),
  )
}

/** On a walk that is underway, what is not known to be set yet is what is left. */
const stepsLeft = ({ steps, known }: PreparedCard): number =>
  steps.filter(s => !s.isPassing && known.facts.get(s.setting)?.option !== s.to).length

/** @throws RequestError 409 where it is another interval by now than was seen */
export const setRecheckWeeks = async (
  interval: { readonly weeks: number; readonly seen: number },
  actor: Actor,
): Promise<void> => {
  if (!(await saveRecheckWeeks(await database(), interval, actor.at, actor.personId)))
    throw changedMeanwhile('interval')
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
  const calendar = ical({ prodId: { company: 'Coherion', product: 'Readiness' }, name: view.standard.name })
  for (const u of view.units) {
    const at = u.readiness.is === 'ready' ? u.readiness.until : now
    calendar.createEvent({
      id: `${u.unit}.${view.standard.id}@coherion`,
      stamp: now,
      allDay: true,
      timezone: 'UTC',
      start: at,
      end: new Date(Date.parse(at) + DAY_MS),
      summary: `${u.tag} for ${view.standard.name}: ${u.readiness.is === 'ready' ? 'look again' : u.words}`,
      description: `${u.maker} ${u.model}, firmware ${u.firmware}`,
      url: `${address}/set/cards/${u.body}?standard=${refText({ id: view.standard.id })}&unit=${u.unit}`,
    })
  }
  return calendar.toString()
}
