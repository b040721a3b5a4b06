import { ownLayers, type Standard } from '../standards'
import { withLayer, withTarget } from '../standards/edit'
import type { Proposal } from './guide'
import { schoolsIn, TOPIC_IDS, type TopicId } from './schools'

/** From a proposal into a draft, and out of it again. */

const writtenBy = (topic: TopicId): readonly string[] =>
  Object.values(schoolsIn(topic)).flatMap(s => s.targets.map(t => t.dimension))

/** Everything that some school of a topic writes, and that belongs to no topic before it. */
const dimensionsOf = (topic: string): ReadonlySet<string> => {
  const at = TOPIC_IDS.findIndex(t => t === topic)
  const before = new Set(TOPIC_IDS.slice(0, Math.max(at, 0)).flatMap(writtenBy))
  const known = TOPIC_IDS[at]
  return new Set(known ? writtenBy(known).filter(d => !before.has(d)) : [])
}

/** A standard as a school would have it on one topic: a layer on top of all others. */
export const asSchool = (standard: Standard, topic: string, proposal: Proposal): Standard => {
  const layer = { id: 'as-a-school', name: proposal.school, kind: 'exception' as const, targets: [] }
  // What another school has put there belongs to it, and goes with it.
  const own = dimensionsOf(topic)
  const bare: Standard = {
    ...standard,
    layers: [
      ...standard.layers.map(l => ({ ...l, targets: l.targets.filter(t => !t.school || !own.has(t.dimension)) })),
      layer,
    ],
  }
  // Nothing is written for good, so that nobody has to say why a must gives way.
  const relaxed = { ...proposal, targets: proposal.targets.map(t => ({ ...t, relaxes: t.reason })) }
  return accept(bare, layer.id, topic, relaxed)
}

/**
 * Writes an accepted proposal into the own layer of a draft; targets that another answer to the same topic had put
 * there go. Where it relaxes a must below, that stands until somebody writes why it may give way: the reason of the
 * guide is one for the proposal, not against the must.
 */
export const accept = (standard: Standard, layerId: string, topic: string, proposal: Proposal): Standard =>
  proposal.targets.reduce((s, t) => withTarget(s, layerId, t), clear(standard, layerId, topic))

/** Takes out what a topic had put into a layer. */
export const clear = (standard: Standard, layerId: string, topic: string): Standard => {
  const layer = ownLayers(standard).find(l => l.id === layerId)
  const dimensions = dimensionsOf(topic)
  if (!layer?.targets.some(t => dimensions.has(t.dimension))) return standard
  return withLayer(standard, layerId, l => ({ ...l, targets: l.targets.filter(t => !dimensions.has(t.dimension)) }))
}
