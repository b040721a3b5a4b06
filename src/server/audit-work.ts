import 'server-only'
import type { AuditedScene, Judged } from '@/core/audit/audit'
import { isFromPicture, type TrialPlan } from '@/core/evidence/trial'
import type { AuditPlan } from '@/core/audit/plan'
import { type Identified, identified, type Owned } from '@/core/audit/whose'
import type { Audit } from '@/core/audit/audit'
import { knownAfter, knownState, type UnitEvent } from '@/core/kit/known'
import { withLate } from '@/core/kit/late'
import { askedOf } from '@/core/resolve'
import { contextFrom, refFrom, refText, relevantContext } from '@/core/standards'
import * as db from '@/db/audits'
import { listVersions } from '@/db/standards'
import { countCounts, listCounts, listTrials } from '@/db/trials'
import { type UnitRow, unitsEntered } from '@/db/units'
import { share } from '@/pool/documents'
import { formOf, listBodies, readBody, readStandard, type Revised, units } from './catalogue'
import type { Body } from '@/core/bodies'
import { resolveStored } from './concordance'
import { database } from './database'
import { readLives } from './lives'
import { RequestError } from './problems'
import { remember } from './remember'
import { work } from './working'

/** What an audit comes to: its pictures, the cameras of the house, and what the standards of that time wanted of them. */

export interface OwnUnit extends Owned {
  readonly row: UnitRow
  readonly body: Revised<Body>
  readonly form: Body
  readonly events: readonly UnitEvent[]
}

/** When the tag began to stand for this very camera; empty where it always did. */
const exchangedAt = (events: readonly UnitEvent[]): string => events.findLast(e => e.kind === 'exchanged')?.at ?? ''

export const ownUnits = async (plan: AuditPlan): Promise<readonly OwnUnit[]> => {
  const at = await database()
  const [all, lives, entered, bodies] = await Promise.all([units(), readLives(at), unitsEntered(at), listBodies()])
  const revisions = new Map(bodies.map(b => [b.id, b.revision]))
  const own = await Promise.all(
    all.map(async (row): Promise<OwnUnit[]> => {
      const revision = row.body_id === null ? undefined : revisions.get(row.body_id)
      if (row.body_id === null || revision === undefined) return []
      const body = await readBody(row.body_id, revision)
      const form = formOf(body, row.firmware)
      const life = lives.eventsOf(row.id)
      const came = entered.get(row.id) ?? ''
      const exchanged = exchangedAt(life)
      return [
        {
          id: row.id,
          tag: row.tag,
          serial: row.serial,
          maker: form.maker,
          model: form.model,
          entered: came,
          since: plan.isOnlySinceEntered && came > exchanged ? came : exchanged,
          row,
          body,
          form,
          events: life,
        },
      ]
    }),
  )
  return own.flat()
}

/** Which version of a standard a scene was shot by. */
export interface SceneStandard {
  readonly id: string
  readonly name: string
  readonly version: number
  /** It was approved only after the pictures were taken, and there was none before. */
  readonly isLater: boolean
}

/** The version in force at a time: the last that was approved by then. @throws RequestError 404 */
const standardAt = async (ref: string, time: string | undefined) => {
  const { id, version } = refFrom(ref)
  const approved = (await listVersions(await database(), id)).filter(v => v.approved_at !== null)
  const then = approved.find(v => time !== undefined && (v.approved_at ?? '') <= time)
  const first = version ?? then?.version
  const standard = await readStandard(first === undefined ? id : refText({ id, version: first }))
  const told: SceneStandard = {
    id,
    name: standard.document.name,
    version: standard.document.version,
    isLater: version === undefined && then === undefined,
  }
  return { standard, told }
}

/**
 * Each scene with what its standard wanted of each unit that may have taken pictures.
 *
 * @param failed gets the tags of those that could not be reckoned
 */
const scenesOf = async (
  { plan, summary }: db.AuditRow,
  used: readonly OwnUnit[],
  failed: Set<string>,
): Promise<readonly { readonly scene: AuditedScene; readonly told: SceneStandard }[]> =>
  Promise.all(
    plan.scenes.map(async ({ name, from, until, moves, standard: ref, for: context }) => {
      const { standard, told } = await standardAt(ref, from ?? summary.from)
      const wanted = await Promise.all(
        used.map(async u => {
          const asked = relevantContext(standard.document, { ...contextFrom(context), units: [u.id] })
          const known = knownState(knownAfter(u.body.document, u.row.firmware, u.events))
          const found = await resolveStored(
            { body: u.body, standard, firmware: u.row.firmware, context: asked },
            known,
          ).catch(() => {
            failed.add(u.tag)
            return undefined
          })
          const turned = found ? askedOf(u.form, found) : []
          return [u.id, Object.fromEntries(turned.map(s => [s, found?.state[s] ?? '']))] as const
        }),
      )
      return { scene: { name, from, until, moves, wanted: Object.fromEntries(wanted) }, told }
    }),
  )

/** What would be known otherwise of a unit, once what was seen is taken over. */
export interface Learned {
  readonly unit: string
  readonly setting: string
  readonly from: string | undefined
  readonly to: string
}

export interface UnitNames {
  readonly tag: string
  readonly body: string
  readonly name: string
  readonly settings: Readonly<
    Record<string, { readonly label: string; readonly options: Readonly<Record<string, string>> }>
  >
}

const namesOf = ({ tag, form }: OwnUnit, settings: ReadonlySet<string>): UnitNames => ({
  tag,
  body: form.id,
  name: `${form.maker} ${form.model}`,
  settings: Object.fromEntries(
    form.settings
      .filter(s => settings.has(s.id))
      .map(s => [s.id, { label: s.label, options: Object.fromEntries(s.options.map(o => [o.id, o.label])) }]),
  ),
})

export const seenIn = (audit: Audit): readonly db.SeenOfUnit[] =>
  audit.units.flatMap(({ unit, sights }) =>
    sights.map(({ at, file, settings }) => ({ unit, at, event: { kind: 'pictured' as const, settings, file } })),
  )

export const learnedFrom = (audit: Audit, own: readonly OwnUnit[], now: string): readonly Learned[] => {
  const seen = seenIn(audit)
  return own.flatMap(({ id, body, row, events }) => {
    const mine = seen.filter(s => s.unit === id)
    if (mine.length === 0) return []
    const after = mine.reduce<readonly UnitEvent[]>(
      (life, s) => withLate(life, { ...s.event, at: s.at, by: null }, now),
      events,
    )
    const [was, is] = [events, after].map(life => knownAfter(body.document, row.firmware, life).facts)
    return [...(is ?? [])].flatMap(([setting, fact]): Learned[] => {
      const before = was?.get(setting)?.option
      return before === fact.option ? [] : [{ unit: id, setting, from: before, to: fact.option }]
    })
  })
}

/** By unit: pictures that were judged in trials with it. */
const judgedPictures = async (used: readonly OwnUnit[]): Promise<Readonly<Record<string, readonly Judged[]>>> => {
  const at = await database()
  const found: Record<string, Judged[]> = {}
  for (const trial of await listTrials(at)) {
    const tag = (JSON.parse(trial.document) as TrialPlan).unit
    const unit = used.find(u => u.tag === tag)
    if (!unit) continue
    for (const { id, made, judgement } of await listCounts(at, trial.id))
      if (isFromPicture(id)) (found[unit.id] ??= []).push({ at: made, isKept: judgement === 'sharp' })
  }
  return found
}

/** Cameras times scenes: each has to be reckoned by its standard. */
const MOST_RECKONED = 600

export const worked = remember<ReturnType<typeof workOut>>('audits', 30)

export const workOut = async (row: db.AuditRow, own: readonly OwnUnit[], now: string) => {
  const cameras: readonly Identified[] = identified(row.summary.cameras, own, row.plan.whose)
  const used = own.filter(u => cameras.some(c => c.whose.is === 'unit' && c.whose.unit === u.id))
  if (used.length * row.plan.scenes.length > MOST_RECKONED)
    throw new RequestError(
      422,
      'Too much at once',
      `${used.length} cameras in ${row.plan.scenes.length} scenes are more than one audit reckons (${MOST_RECKONED} together). Make two of it.`,
    )
  const failed = new Set<string>()
  const scenes = await scenesOf(row, used, failed)
  const { audit, findings, examples } = await work('audited', {
    pictures: await db.readPictures(await database(), row.id),
    units: own.map(({ id, tag, serial, maker, model, since, entered, form }) => ({
      id,
      tag,
      serial,
      maker,
      model,
      since,
      entered,
      form: share(form),
    })),
    scenes: scenes.map(s => s.scene),
    judged: await judgedPictures(used),
    clocks: row.plan.clocks,
    whose: row.plan.whose,
    minutesEast: row.plan.minutesEast,
    now,
  })
  const spoken = new Map(audit.units.map(u => [u.unit, new Set([...u.told, ...u.untold])]))
  return {
    audit,
    findings,
    examples,
    failed: [...failed],
    standards: scenes.map(s => s.told),
    names: Object.fromEntries(
      own.filter(u => spoken.has(u.id)).map(u => [u.id, namesOf(u, spoken.get(u.id) ?? new Set())]),
    ),
  }
}

/** Everything an audit goes by, as text: where nothing of it changed, it says the same. */
export const keyOf = async (row: db.AuditRow, own: readonly OwnUnit[]): Promise<string> => {
  const at = await database()
  const versions = (
    await Promise.all([...new Set(row.plan.scenes.map(s => refFrom(s.standard).id))].map(id => listVersions(at, id)))
  ).flat()
  return JSON.stringify([
    row.id,
    row.revision,
    row.created_at,
    own.map(u => [u.id, u.tag, u.serial, u.body.stamp, u.row.firmware, u.since, u.events.length, u.events.at(-1)?.at]),
    versions.map(v => [v.standard_id, v.version, v.revision, v.state]),
    [...(await countCounts(at))],
  ])
}
