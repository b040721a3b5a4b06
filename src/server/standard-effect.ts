import 'server-only'
import { type Body, factoryState } from '@/core/bodies'
import { mean } from '@/core/numeric/mean'
import { refText } from '@/core/standards'
import { compareStandards, isNoticed } from '@/core/standards/compare'
import { dimension } from '@/core/vocabulary/dimensions'
import * as db from '@/db/standards'
import { firmwareOf, formOf, readBodies, readStandard, type Revised, units } from './catalogue'
import { resolveStored, startAt, walkStored } from './concordance'
import { database } from './database'
import { eachReckoned, type NotReckoned } from './worked-out'

/** What a version changes on the cameras of the house once it is approved. */

/** What approving a version would do to one body. */
export interface BodyEffect {
  readonly body: string
  readonly model: string
  readonly units: readonly string[]
  /** Settings that have to be changed on each unit that is set to the version in force. */
  readonly steps: number
  readonly agreementBefore: number
  readonly agreementAfter: number
  /** Labels of musts that are held now and would be broken, and the reverse. */
  readonly mustsLost: readonly string[]
  readonly mustsWon: readonly string[]
}

export interface EffectView {
  /** The version in force that it is compared with; undefined where there is none yet. */
  readonly against: number | undefined
  readonly bodies: readonly BodyEffect[]
  /** Bodies that cannot be reckoned, and why. */
  readonly failed: readonly NotReckoned[]
  readonly units: number
  readonly steps: number
  readonly agreementBefore: number
  readonly agreementAfter: number
  readonly noticed: number
}

/** What approving a version will do: which bodies and units change, in how many steps, at what gain or loss. */
export const effectOf = async (ref: string): Promise<EffectView> => {
  const after = await readStandard(ref)
  const { document } = after
  const counts = db.inForce((await db.listVersions(await database(), document.id)).filter(v => v.state === 'approved'))
  const before = counts && (await readStandard(refText({ id: document.id, version: counts.version })))
  const [bodies, allUnits] = await Promise.all([readBodies(), units()])
  const effectOn = async (body: Revised<Body>): Promise<BodyEffect> => {
    const firmware = firmwareOf(body.document, allUnits)
    const form = formOf(body, firmware)
    const on = { body, standard: after, firmware }
    const [then, was] = await Promise.all([
      resolveStored(on),
      before && resolveStored({ body, standard: before, firmware }),
    ])
    const from = was?.state ?? factoryState(form)
    const { steps } = (await walkStored(on, startAt(form, from))).plan
    const held = (r: typeof then | undefined, id: string) =>
      r?.outcomes.some(o => o.target.dimension === id && o.target.weight === 'must' && o.held) ?? false
    const broken = (r: typeof then | undefined, id: string) =>
      r?.outcomes.some(o => o.target.dimension === id && o.target.weight === 'must' && !o.held) ?? false
    const musts = [...new Set([...then.outcomes, ...(was?.outcomes ?? [])].map(o => o.target.dimension))]
    const label = (id: string) => dimension(id).label
    return {
      body: form.id,
      model: form.model,
      units: allUnits.filter(u => u.body_id === form.id).map(u => u.tag),
      steps: steps.length,
      agreementBefore: was?.agreement ?? 0,
      agreementAfter: then.agreement,
      mustsLost: musts.filter(id => held(was, id) && broken(then, id)).map(label),
      mustsWon: musts.filter(id => broken(was, id) && held(then, id)).map(label),
    }
  }
  const { done: effects, failed } = await eachReckoned(bodies, b => b.document.model, effectOn)
  const changed = effects.filter(e => e.steps > 0)
  return {
    against: before?.document.version,
    bodies: effects,
    failed,
    units: changed.reduce((sum, e) => sum + e.units.length, 0),
    steps: changed.reduce((sum, e) => sum + e.steps * e.units.length, 0),
    agreementBefore: mean(
      effects.map(e => e.agreementBefore),
      1,
    ),
    agreementAfter: mean(
      effects.map(e => e.agreementAfter),
      1,
    ),
    noticed: before ? compareStandards(before.document, document).filter(isNoticed).length : 0,
  }
}
