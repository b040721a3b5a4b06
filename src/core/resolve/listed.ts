import type { Body } from '../bodies'
import type { Resolution } from './resolve'

const listed = new WeakMap<Resolution, readonly string[]>()

/** Settings that a standard turns on, in the order in which it asks for what they bring about; pinned ones come last. */
export const listedBy = (resolution: Resolution): readonly string[] => {
  const known = listed.get(resolution)
  if (known) return known
  const delivering = resolution.outcomes.flatMap(o => o.parts.flatMap(p => p.deliveries.map(d => d.setting)))
  const pinned = resolution.pins.flatMap(p => (p.holds ? [p.setting] : []))
  const all = [...new Set([...delivering, ...pinned])]
  listed.set(resolution, all)
  return all
}

/** Those of them that can be at more than one thing: of the others nobody has to say what they are at. */
export const askedOf = (form: Body, resolution: Resolution): readonly string[] => {
  const fixed = new Set(form.settings.filter(s => s.options.length < 2).map(s => s.id))
  return listedBy(resolution).filter(id => !fixed.has(id))
}
