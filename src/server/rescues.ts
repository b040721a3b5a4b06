import 'server-only'
import type { State } from '@/core/bodies'
import { todayOf } from '@/core/controls/today'
import type { Facts } from '@/core/guide/facts'
import { toldOf } from '@/core/jobs/guided'
import { changeOn, type OnBody, situationOf } from '@/core/rescues/on-body'
import { RULES } from '@/core/rescues/rules'
import type { NeutralValue } from '@/core/vocabulary/values'
import { contextFrom, effectiveTargets } from '@/core/standards'
import { firmwareOf, formOf, listBodies, listStandards, readBody, readStandard, units } from './catalogue'
import { stateBy } from './concordance'
import { database } from './database'
import { readJobOrNone } from './jobs'
import { readLives } from './lives'

/** What goes wrong, and what helps on the camera in hand. */

export interface RescueHand {
  readonly body: { readonly id: string; readonly name: string }
  readonly bodies: readonly { readonly id: string; readonly name: string }[]
  readonly units: readonly { readonly id: string; readonly tag: string }[]
  readonly unit: string | undefined
  readonly standard: { readonly id: string; readonly name: string } | undefined
  /** Where what it is set to comes from. */
  readonly from: 'unit' | 'standard' | 'factory'
  /** The scene of a job that it is about: its name, and what the guide makes of it. */
  readonly scene: { readonly name: string; readonly facts: Facts } | undefined
  /** What the standard asks for, where what the camera is set to is known on its own. */
  readonly asked: Readonly<Record<string, NeutralValue>> | undefined
  /** As a situation, in a shape that travels. */
  readonly means: Readonly<Record<string, NeutralValue>>
  readonly keys: Readonly<Record<string, string>>
  readonly says: readonly string[]
  /** By the id of a rule: how its change is made on this body. */
  readonly changes: Readonly<Record<string, OnBody>>
  /** By function: what the body calls the key that carries it. */
  readonly keyNames: Readonly<Record<string, string>>
}

const sceneOf = async ({
  job,
  scene: id,
}: {
  readonly job?: string | undefined
  readonly scene?: string | undefined
}) => {
  const scene = job === undefined ? undefined : (await readJobOrNone(job))?.scenes.find(s => s.id === id)
  return scene && { name: scene.name, facts: toldOf(scene) }
}

/**
 * @param asked ids as an address has them; what is not there falls back to the first that is
 * @returns undefined where there is no body yet
 */
export const readRescueHand = async (asked: {
  readonly body?: string | undefined
  readonly unit?: string | undefined
  readonly standard?: string | undefined
  readonly for?: string | undefined
  readonly job?: string | undefined
  readonly scene?: string | undefined
}): Promise<RescueHand | undefined> => {
  const [bodies, standards, all] = await Promise.all([listBodies(), listStandards(), units()])
  const unit = all.find(u => u.id === asked.unit && bodies.some(b => b.id === u.body_id))
  const heading = bodies.find(b => b.id === (unit?.body_id ?? asked.body)) ?? bodies[0]
  if (!heading) return undefined
  const stored = await readBody(heading.id)
  const firmware = unit?.firmware ?? firmwareOf(stored.document, all)
  const body = formOf(stored, firmware)
  const named = standards.find(s => s.id === asked.standard?.split('@')[0]) ?? standards.find(s => s.isUsual)

  const byUnit = async (): Promise<State | undefined> => {
    if (!unit) return undefined
    const { facts } = await (await readLives(await database(), [unit.id])).knownOf(unit, stored, firmware)
    return facts.size > 0 ? Object.fromEntries([...facts].map(([setting, f]) => [setting, f.option])) : undefined
  }
  const ofUnit = await byUnit()
  const standard = named && (await readStandard(named.id))
  const context = contextFrom(asked.for)
  const state = ofUnit ?? (await stateBy(stored, standard, firmware, context))
  const keys = todayOf(body, state)
  const situation = situationOf(body, state, keys)
  return {
    body: { id: body.id, name: `${body.maker} ${body.model}` },
    bodies: bodies.map(b => ({ id: b.id, name: `${b.maker} ${b.model}` })),
    units: all.filter(u => u.body_id === body.id).map(({ id, tag }) => ({ id, tag })),
    unit: unit?.id,
    standard: named && { id: named.id, name: named.name },
    from: ofUnit ? 'unit' : standard ? 'standard' : 'factory',
    scene: await sceneOf(asked),
    asked:
      ofUnit && standard
        ? Object.fromEntries(effectiveTargets(standard.document, context).map(t => [t.dimension, t.value]))
        : undefined,
    means: situation.means,
    keys,
    says: [...situation.says],
    changes: Object.fromEntries(
      RULES.flatMap(r => {
        const on = r.change && changeOn(body, state, keys, r.change)
        return on ? [[r.id, on]] : []
      }),
    ),
    keyNames: Object.fromEntries(
      Object.entries(keys).flatMap(([fn, id]) => {
        const label = body.controls.find(c => c.id === id)?.label
        return label === undefined ? [] : [[fn, label]]
      }),
    ),
  }
}
