import 'server-only'
import { type Body, inMenuOrder, menuPath } from '@/core/bodies'
import { eventWords } from '@/core/kit/event-words'
import type { Fact, Known, Lost } from '@/core/kit/known'
import { type Readiness, readinessWords } from '@/core/kit/readiness'
import type { Context } from '@/core/standards'
import { readRecheckWeeks } from '@/db/settings'
import { unitTimeline } from '@/db/unit-events'
import { askedOf } from '@/core/resolve'
import { prepare, type PreparedCard } from './card-walk'
import { formOf, listStandards, readBody, units } from './catalogue'
import { database } from './database'
import { readLives } from './lives'
import { notFound } from './problems'
import { readinessAt } from './readiness'
import { whyNot } from './worked-out'

/** One unit: what it is set to now, against a standard, and all that happened to it. */

/** One setting of a unit: what it is known to say, and what the standard has it say. */
export interface SettingNow {
  readonly id: string
  readonly path: readonly [tab: string, page: string, row: number]
  readonly setting: string
  /** Undefined where it is not known; then `lost` says what took that away. */
  readonly says: string | undefined
  readonly how: Fact['how'] | undefined
  readonly at: string | undefined
  readonly by: string | null | undefined
  readonly lost: Lost | undefined
  /** What the standard wants it to say; undefined where the standard leaves it open. */
  readonly wanted: string | undefined
  readonly stands: 'as-wanted' | 'differs' | 'not-known' | 'open'
}

export interface LifeView {
  readonly unit: { readonly id: string; readonly tag: string; readonly firmware: string; readonly model: string }
  readonly body: string
  /** What it is held against, and how it stands; undefined where the house has no standard yet. */
  readonly against:
    | {
        readonly standard: { readonly id: string; readonly name: string; readonly version: number }
        readonly readiness: Readiness
        readonly words: string
      }
    | undefined
  readonly settings: readonly SettingNow[]
  readonly events: readonly {
    readonly id: number
    readonly at: string
    readonly by: string | null
    readonly words: string
    readonly undone: { readonly at: string; readonly by: string | null } | undefined
  }[]
}

const STANDS_ORDER: readonly SettingNow['stands'][] = ['differs', 'not-known', 'as-wanted', 'open']

const settingsNow = (body: Body, known: Known, prepared: PreparedCard | undefined): readonly SettingNow[] => {
  const asked = new Set(prepared && [...askedOf(body, prepared.resolution), ...prepared.steps.map(s => s.setting)])
  const all = inMenuOrder(body).map((s): SettingNow => {
    const label = (id: string | undefined) => s.options.find(o => o.id === id)?.label
    const fact = known.facts.get(s.id)
    const target = asked.has(s.id) ? prepared?.resolution.state[s.id] : undefined
    return {
      id: s.id,
      path: menuPath(body, s),
      setting: s.label,
      says: label(fact?.option),
      how: fact?.how,
      at: fact?.at,
      by: fact?.by,
      lost: known.lost.get(s.id),
      wanted: label(target),
      stands:
        target === undefined
          ? 'open'
          : fact === undefined
            ? 'not-known'
            : fact.option === target
              ? 'as-wanted'
              : 'differs',
    }
  })
  return all.sort((a, b) => STANDS_ORDER.indexOf(a.stands) - STANDS_ORDER.indexOf(b.stands))
}

const withoutThat = (error: unknown): undefined => {
  if (whyNot(error) === undefined) throw error
}

/**
 * A unit's life, newest first, and what it is set to now.
 *
 * @param ref the standard that it is held against
 * @throws RequestError 404 where there is no such unit with a body, or no such standard
 */
export const readLife = async (unitId: string, ref?: string, context: Context = {}): Promise<LifeView> => {
  const unit = (await units()).find(u => u.id === unitId)
  if (!unit?.body_id) throw notFound('unit', unitId)
  const db = await database()
  const [stored, timeline, standards, prepared, weeks] = await Promise.all([
    readBody(unit.body_id),
    unitTimeline(db, unitId),
    listStandards(),
    // What happened to a unit can be told, even where nobody can say what it should be set to.
    ref === undefined ? undefined : prepare(ref, unit.body_id, unitId, context).catch(withoutThat),
    readRecheckWeeks(db),
  ])
  const body = formOf(stored, unit.firmware)
  const name = (id: string) => standards.find(s => s.id === id)?.name ?? id
  const known = await (await readLives(db, [unitId])).knownOf(unit, stored, unit.firmware)
  const readiness = prepared && readinessAt(prepared, weeks, new Date().toISOString())
  return {
    unit: { id: unit.id, tag: unit.tag, firmware: unit.firmware, model: `${body.maker} ${body.model}` },
    body: body.id,
    against: prepared &&
      readiness && {
        standard: { id: prepared.standard.id, name: prepared.standard.name, version: prepared.standard.version },
        readiness,
        words: readinessWords(readiness, known),
      },
    settings: settingsNow(body, known, prepared),
    events: timeline.map(e => ({
      id: e.id,
      at: e.event.at,
      by: e.event.by,
      words: eventWords(e.event, body, name),
      undone: e.undone,
    })),
  }
}
