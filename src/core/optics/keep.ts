import { type KEPT_AS, type KeptCalculation, type Layer, ownLayers, type Standard, type Weight } from '../standards'
import { withNewLayer, withTarget } from '../standards/edit'
import { withCalculation } from '../standards/guidance'
import type { Answer } from './answers/answer'
import { calculationOf } from './kept'
import type { Reckoned } from './reckon'

/** Keeping an answer of the desk in a standard. */
export interface KeepRequest {
  readonly as: (typeof KEPT_AS)[number]
  readonly weight: Weight
  /** One of the standard's own layers; the topmost that is not for one scene where not given. */
  readonly layer?: string | undefined
  /** The layer of one scene instead, made where there is none. */
  readonly forScene?: string | undefined
}

export interface Kept {
  readonly standard: Standard
  readonly layer: string
  readonly calculation: KeptCalculation
}

const isForScene =
  (scene: string) =>
  (l: Layer): boolean =>
    !l.from && l.applies?.scenes?.length === 1 && l.applies.scenes[0] === scene && !l.applies.people

const layerFor = (
  standard: Standard,
  { layer, forScene }: KeepRequest,
): { standard: Standard; id: string } | undefined => {
  if (forScene !== undefined) {
    const there = standard.layers.find(isForScene(forScene))
    if (there) return { standard, id: there.id }
    const slug =
      forScene
        .toLowerCase()
        .replaceAll(/[^a-z0-9]+/g, '-')
        .replaceAll(/^-|-$/g, '')
        .slice(0, 50) || 'scene'
    const made = withNewLayer(standard, { name: forScene, kind: 'scene', applies: { scenes: [forScene] } }, slug)
    const found = made.layers.find(isForScene(forScene))
    return found && { standard: made, id: found.id }
  }
  const own = ownLayers(standard)
  const chosen = layer === undefined ? (own.findLast(l => !l.applies) ?? own[0]) : own.find(l => l.id === layer)
  return chosen && { standard, id: chosen.id }
}

/** Asked before of the same body and lens at the same length: then this takes its place. */
const isSameMatter = (a: KeptCalculation, b: KeptCalculation): boolean =>
  a.question === b.question &&
  a.as === b.as &&
  (['body', 'lens', 'focalMm'] as const).every(k => a.scene[k] === b.scene[k])

const freeId = (layer: Layer | undefined, wanted: KeptCalculation): string => {
  const all = layer?.calculations ?? []
  const same = all.find(c => isSameMatter(c, wanted))
  if (same) return same.id
  let id = wanted.question
  for (let n = 2; all.some(c => c.id === id); n += 1) id = `${wanted.question}-${n}`
  return id
}

/**
 * A standard with an answer kept in it: as a target with the calculation as its reason, as a note, or as a figure for
 * the head of the card.
 *
 * @returns undefined where the standard has no such layer, or the answer cannot be a target
 */
export const keepIn = (standard: Standard, r: Reckoned, answer: Answer, request: KeepRequest): Kept | undefined => {
  const place = layerFor(standard, request)
  if (!place || (request.as === 'target' && !answer.target)) return undefined
  const drafted = calculationOf(r, answer, { id: answer.question, as: request.as })
  const layer = place.standard.layers.find(l => l.id === place.id)
  const calculation = { ...drafted, id: freeId(layer, drafted) }
  const kept = withCalculation(place.standard, place.id, calculation)
  const withIt =
    request.as === 'target' && answer.target
      ? withTarget(kept, place.id, {
          ...answer.target,
          weight: request.weight,
          reason: `Optics: ${answer.verdict}`.slice(0, 400),
        })
      : kept
  return { standard: withIt, layer: layer?.name ?? place.id, calculation }
}
