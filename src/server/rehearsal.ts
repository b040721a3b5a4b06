import 'server-only'
import { meansIn } from '@/core/bodies'
import { schoolByShutter, type SchoolId } from '@/core/functions/schools'
import type { BodyFacts } from '@/core/rehearsal/set-up'
import { contextFrom } from '@/core/standards'
import type { NeutralValue } from '@/core/vocabulary/values'
import { firmwareOf, formOf, listBodies, listLenses, listStandards, readBody, readStandard, units } from './catalogue'
import { resolveStored } from './concordance'
import { type HouseScene, listScenes } from './scenes'

/** A standard on a body, as far as a rehearsal asks for it. */
export interface RehearsedSide {
  readonly body: string
  readonly standard: string
  /** In words, for what is compared. */
  readonly name: string
  readonly means: Readonly<Record<string, NeutralValue>>
  readonly facts: BodyFacts
  readonly school: SchoolId
}

export interface RehearsalView {
  readonly first: RehearsedSide
  readonly second: RehearsedSide | undefined
  readonly bodies: readonly { readonly id: string; readonly name: string }[]
  readonly standards: readonly { readonly id: string; readonly name: string }[]
  /** At their long end, wide open. */
  readonly lenses: readonly RehearsedLens[]
  /** The house's own, beside those that are always there. */
  readonly scenes: readonly HouseScene[]
}

export interface RehearsedLens {
  readonly id: string
  readonly name: string
  readonly focalMm: number
  readonly fNumber: number
  /** From the sensor plane. */
  readonly closestMetres: number | undefined
}

const sideOf = async (bodyId: string, ref: string, context: string | undefined): Promise<RehearsedSide> => {
  const [body, standard, all] = await Promise.all([readBody(bodyId), readStandard(ref), units()])
  const firmware = firmwareOf(body.document, all)
  const form = formOf(body, firmware)
  const { state } = await resolveStored({ body, standard, firmware, context: contextFrom(context) })
  const means = meansIn(form, state)
  const rate = form.frameRates.find(r => r.framesPerSecond === means['release.rate']) ?? form.frameRates[0]
  return {
    body: form.id,
    standard: standard.document.id,
    name: `${form.model}, ${standard.document.name}`,
    means,
    facts: { sensor: form.sensor, leastFace: form.finds?.face, frameRate: rate },
    school: standard.document.controls?.school ?? schoolByShutter(means['trigger.shutter']),
  }
}

/**
 * What is rehearsed: a standard on a body, and another one beside it.
 *
 * @param asked ids as an address has them; what is not there falls back to the first that is
 */
export const readRehearsal = async (asked: {
  readonly standard: string | undefined
  readonly for: string | undefined
  readonly body: string | undefined
  readonly otherStandard: string | undefined
  readonly otherBody: string | undefined
}): Promise<RehearsalView | undefined> => {
  const [bodies, standards, lenses, scenes] = await Promise.all([
    listBodies(),
    listStandards(),
    listLenses(),
    listScenes(),
  ])
  const body = bodies.find(b => b.id === asked.body) ?? bodies[0]
  const standard = standards.find(s => s.id === asked.standard?.split('@')[0]) ?? standards.find(s => s.isUsual)
  if (!body || !standard) return undefined
  const ref = asked.standard?.startsWith(`${standard.id}@`) ? asked.standard : standard.id
  const other = bodies.find(b => b.id === asked.otherBody)
  const second = standards.find(s => s.id === asked.otherStandard)
  const hasSecond = other !== undefined || second !== undefined
  return {
    first: await sideOf(body.id, ref, asked.for),
    second: hasSecond ? await sideOf(other?.id ?? body.id, second?.id ?? ref, asked.for) : undefined,
    bodies: bodies.map(b => ({ id: b.id, name: `${b.maker} ${b.model}` })),
    standards: standards.map(s => ({ id: s.id, name: s.name })),
    lenses: lenses.map(l => ({
      id: l.id,
      name: `${l.maker} ${l.model}`,
      focalMm: l.focalMm.to,
      fNumber: l.maxAperture.to,
      closestMetres: l.closest.metres === 'infinity' ? undefined : l.closest.metres,
    })),
    scenes,
  }
}
