import { withLayer } from './edit'
import type { Context } from './context'
import { layerApplies } from './layers'
import type { KeptAdvice, KeptCalculation, KeptRescue, Standard } from './schema'

/** How to shoot, and what to do when it goes wrong, as it is kept with a standard. */

export interface Guidance {
  readonly advice: readonly KeptAdvice[]
  readonly rescues: readonly KeptRescue[]
}

const byId = <T extends { readonly id: string }>(all: readonly T[]): readonly T[] => [
  ...new Map(all.map(a => [a.id, a])).values(),
]

/** Of all layers that count; where two say the same thing in other words, the upper one does. */
export const guidanceOf = (standard: Standard, context: Context = {}): Guidance => {
  const layers = standard.layers.filter(l => layerApplies(l, context))
  return { advice: byId(layers.flatMap(l => l.advice ?? [])), rescues: byId(layers.flatMap(l => l.rescues ?? [])) }
}

/** More than anybody reads on the way; a sheet that holds a book would hold up everybody else while it is drawn. */
const MOST_ADVICE = 24
const MOST_RESCUES = 16

/** What of it goes onto paper, and in words how much does not. */
export const onPaper = <A, R>({
  advice,
  rescues,
}: {
  readonly advice: readonly A[]
  readonly rescues: readonly R[]
}) => {
  const left = Math.max(0, advice.length - MOST_ADVICE) + Math.max(0, rescues.length - MOST_RESCUES)
  return {
    advice: advice.slice(0, MOST_ADVICE),
    rescues: rescues.slice(0, MOST_RESCUES),
    more: left > 0 ? `${left} more; see the standard.` : undefined,
  }
}

const replaced = <T extends { readonly id: string }>(all: readonly T[] | undefined, one: T): T[] => [
  ...(all ?? []).filter(a => a.id !== one.id),
  one,
]

/** Keeps an advice or a rescue in a layer, in place of the one it has under that id. */
export const withAdvice = (standard: Standard, layerId: string, advice: KeptAdvice): Standard =>
  withLayer(standard, layerId, l => ({ ...l, advice: replaced(l.advice, advice) }))
export const withRescue = (standard: Standard, layerId: string, rescue: KeptRescue): Standard =>
  withLayer(standard, layerId, l => ({ ...l, rescues: replaced(l.rescues, rescue) }))

/** Takes an advice or a rescue out of a layer. */
export const withoutGuidance = (standard: Standard, layerId: string, id: string): Standard =>
  withLayer(standard, layerId, ({ advice = [], rescues = [], ...l }) => {
    const [a, r] = [advice.filter(x => x.id !== id), rescues.filter(x => x.id !== id)]
    return { ...l, ...(a.length ? { advice: a } : {}), ...(r.length ? { rescues: r } : {}) }
  })

/** What was worked out for those who are there, of all layers that count; of two with one id the upper one. */
export const calculationsOf = (standard: Standard, context: Context = {}): readonly KeptCalculation[] =>
  byId(standard.layers.filter(l => layerApplies(l, context)).flatMap(l => l.calculations ?? []))

/** Calculations that were kept as notes, as advice: for paper that has one list of both. */
export const notesAsAdvice = (calculations: readonly KeptCalculation[]): readonly KeptAdvice[] =>
  calculations
    .filter(c => c.as === 'note')
    .map(c => ({ id: `optics-${c.id}`, title: 'Worked out', text: c.words, source: 'Optics desk' }))

/** Keeps a calculation in a layer, in place of the one it has under that id. */
export const withCalculation = (standard: Standard, layerId: string, calculation: KeptCalculation): Standard =>
  withLayer(standard, layerId, l => ({ ...l, calculations: replaced(l.calculations, calculation) }))

/** Takes a calculation out of a layer; a target that it was the reason of stays, with its reason in words. */
export const withoutCalculation = (standard: Standard, layerId: string, id: string): Standard =>
  withLayer(standard, layerId, ({ calculations = [], ...l }) => {
    const left = calculations.filter(c => c.id !== id)
    return left.length > 0 ? { ...l, calculations: left } : l
  })
