import 'server-only'
import type { FleetBody } from '@/core/controls/cells'
import { type Handover, handoverOf } from '@/core/handover/handover'
import { todayOf } from '@/core/controls/today'
import { type Context, refFrom, refText } from '@/core/standards'
import { firmwareOf, formOf, listStandards, readBody, readStandard, units } from './catalogue'
import { resolveStored, stateBy } from './concordance'
import { heldInDrills } from './drills'
import { modelsCarried, readCarriers, readHandedOver, weightOf } from './carriers'

/**
 * Bodies as hands know them: where each function is today, which is where the version in force put it, or the factory
 * where there is none.
 *
 * @param ref the standard in hand
 */
export const readFleetInHand = async (
  ref: string,
  chosen: readonly { readonly id: string; readonly revision: number }[],
  context: Context,
): Promise<readonly FleetBody[]> => {
  const [allUnits, standards, carriers] = await Promise.all([units(), listStandards(), readCarriers()])
  const carried = carriers.map(c => modelsCarried(c, allUnits))
  const inForce = standards.find(s => s.id === refFrom(ref).id && s.state === 'approved')
  const standard = inForce && (await readStandard(refText({ id: inForce.id, version: inForce.version })))
  return Promise.all(
    chosen.map(async ({ id, revision }) => {
      const stored = await readBody(id, revision)
      const firmware = firmwareOf(stored.document, allUnits)
      const body = formOf(stored, firmware)
      const state = await stateBy(stored, standard, firmware, context)
      return { body, weight: weightOf(id, carried), today: todayOf(body, state) }
    }),
  )
}

/** Somebody of the team, with the models they carry; none where nobody has said so yet. */
export interface Shooter {
  readonly id: string
  readonly name: string
  readonly bodies: readonly string[]
  /** Minutes that thumb buttons were held in drills today. */
  readonly drilledMinutes: number
}

export const readShooters = async (): Promise<readonly Shooter[]> => {
  const today = new Date().toISOString().slice(0, 10)
  const [allUnits, carriers, held] = await Promise.all([units(), readCarriers(), heldInDrills(today)])
  return carriers.map(c => ({
    id: c.id,
    name: c.name,
    bodies: modelsCarried(c, allUnits),
    drilledMinutes: held.get(c.id) ?? 0,
  }))
}

export interface HandoverView extends Handover {
  readonly units: readonly {
    readonly id: string
    readonly tag: string
    readonly handedOver: { readonly at: string; readonly by: string | null } | undefined
  }[]
  readonly body: { readonly id: string; readonly maker: string; readonly model: string; readonly firmware: string }
  readonly standard: { readonly name: string; readonly version: number }
}

/**
 * How a body that is set to a standard is handed to somebody who does not know it, and taken back.
 *
 * @throws RequestError 404 for a standard or a body that is not there
 */
export const readHandover = async (ref: string, bodyId: string, context: Context): Promise<HandoverView> => {
  const [standard, stored, allUnits, handed] = await Promise.all([
    readStandard(ref),
    readBody(bodyId),
    units(),
    readHandedOver(),
  ])
  const firmware = firmwareOf(stored.document, allUnits)
  const body = formOf(stored, firmware)
  const { id, maker, model } = body
  return {
    body: { id, maker, model, firmware },
    standard: { name: standard.document.name, version: standard.document.version },
    units: allUnits
      .filter(u => u.body_id === bodyId)
      .map(u => {
        const mark = handed.find(h => h.unit_id === u.id)
        return { id: u.id, tag: u.tag, handedOver: mark && { at: mark.at, by: mark.person } }
      }),
    ...handoverOf(body, (await resolveStored({ body: stored, standard, firmware, context })).state),
  }
}
