import 'server-only'
import type { BodyInHands } from '@/core/controls/fleet'
import { type Handover, handoverOf } from '@/core/controls/handover'
import { todayOf } from '@/core/controls/today'
import { factoryState } from '@/core/bodies'
import { type Context, refFrom, refText } from '@/core/standards'
import { firmwareOf, formOf, listStandards, readBody, readStandard, units } from './catalogue'
import { resolveStored } from './concordance'

/**
 * Bodies as hands know them: where each function is today, which is where the version in force put it, or the factory
 * where there is none.
 *
 * @param ref the standard in hand
 */
export const readHands = async (
  ref: string,
  chosen: readonly { readonly id: string; readonly revision: number }[],
  context: Context,
): Promise<readonly BodyInHands[]> => {
  const [allUnits, standards] = await Promise.all([units(), listStandards()])
  const inForce = standards.find(s => s.id === refFrom(ref).id && s.state === 'approved')
  const standard = inForce && (await readStandard(refText({ id: inForce.id, version: inForce.version })))
  return Promise.all(
    chosen.map(async ({ id, revision }) => {
      const stored = await readBody(id, revision)
      const firmware = firmwareOf(stored.document, allUnits)
      const body = formOf(stored, firmware)
      const state = standard ? resolveStored(stored, standard, firmware, context).state : factoryState(body)
      return { body, weight: 1, today: todayOf(body, state) }
    }),
  )
}

export interface HandoverView extends Handover {
  readonly body: { readonly id: string; readonly maker: string; readonly model: string; readonly firmware: string }
  readonly standard: { readonly name: string; readonly version: number }
}

/**
 * How a body that is set to a standard is handed to somebody who does not know it, and taken back.
 *
 * @throws RequestError 404 for a standard or a body that is not there
 */
export const readHandover = async (ref: string, bodyId: string, context: Context): Promise<HandoverView> => {
  const [standard, stored, allUnits] = await Promise.all([readStandard(ref), readBody(bodyId), units()])
  const firmware = firmwareOf(stored.document, allUnits)
  const body = formOf(stored, firmware)
  const { id, maker, model } = body
  return {
    body: { id, maker, model, firmware },
    standard: { name: standard.document.name, version: standard.document.version },
    ...handoverOf(body, resolveStored(stored, standard, firmware, context).state),
  }
}
