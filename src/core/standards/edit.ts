import { type Layer, type LayerKind, type Standard, STANDARD_FORMAT, type StandardPin, type Target } from './schema'

/** Changes of a standard while it is drafted. All of them return the standard itself where nothing changes. */

export const emptyStandard = (
  named: { readonly id: string; readonly name: string; readonly about: string },
  kind: LayerKind,
  below: Standard | undefined,
): Standard => ({
  format: STANDARD_FORMAT,
  ...named,
  version: 1,
  layers: [
    ...(below ? borrowed(below) : []),
    { id: freeLayerId(below, named.id), name: named.name, kind, targets: [] },
  ],
})

/** The layers of a standard as they stand in one above it: each says where it was taken from. */
export const borrowed = (below: Standard): readonly Layer[] =>
  below.layers
    // What is for one scene or one person below is nobody's business above.
    .filter(l => l.kind !== 'exception' && !l.applies?.scenes && !l.applies?.people)
    .map(l => ({ ...l, from: l.from ?? { standard: below.id, version: below.version } }))

const freeLayerId = (below: Standard | undefined, wanted: string): string => {
  const taken = new Set(below?.layers.map(l => l.id))
  let id = wanted
  for (let n = 2; taken.has(id); n++) id = `${wanted}-${n}`
  return id
}

/** A layer changed; all others as they are. */
export const withLayer = (standard: Standard, layerId: string, change: (layer: Layer) => Layer): Standard => ({
  ...standard,
  layers: standard.layers.map(l => (l.id === layerId ? change(l) : l)),
})

/** States a target in a layer, in place of the one it has on that dimension. */
export const withTarget = (standard: Standard, layerId: string, target: Target): Standard =>
  withLayer(standard, layerId, l => {
    const there = l.targets.some(t => t.dimension === target.dimension)
    return {
      ...l,
      targets: there ? l.targets.map(t => (t.dimension === target.dimension ? target : t)) : [...l.targets, target],
    }
  })

/** Takes a target out of a layer; what the layers below say counts again. */
export const withoutTarget = (standard: Standard, layerId: string, dimensionId: string): Standard =>
  withLayer(standard, layerId, l => ({ ...l, targets: l.targets.filter(t => t.dimension !== dimensionId) }))

const isPinOf = (pin: StandardPin, other: StandardPin): boolean =>
  pin.body === other.body && pin.setting === other.setting

/** Pins an option on a body in a layer, in place of what it has there for that setting. */
export const withPinIn = (standard: Standard, layerId: string, pin: StandardPin): Standard =>
  withLayer(standard, layerId, l => ({ ...l, pins: [...(l.pins ?? []).filter(p => !isPinOf(p, pin)), pin] }))

/** Takes a pin out of a layer. */
export const withoutPin = (standard: Standard, layerId: string, pin: StandardPin): Standard =>
  withLayer(standard, layerId, ({ pins = [], ...l }) => {
    const left = pins.filter(p => !isPinOf(p, pin))
    return left.length ? { ...l, pins: left } : l
  })

/** Adds a layer above those of its kind. */
export const withNewLayer = (standard: Standard, layer: Omit<Layer, 'id' | 'targets'>, id: string): Standard => ({
  ...standard,
  layers: inOrder([...standard.layers, { ...layer, id: freeLayerId(standard, id), targets: [] }]),
})

export const withLayerFacts = (
  standard: Standard,
  layerId: string,
  facts: Partial<Pick<Layer, 'name' | 'kind' | 'applies'>>,
): Standard => {
  const changed = withLayer(standard, layerId, l => ({ ...l, ...facts }))
  return { ...changed, layers: inOrder(changed.layers) }
}

export const withoutLayer = (standard: Standard, layerId: string): Standard => ({
  ...standard,
  layers: standard.layers.filter(l => l.id !== layerId),
})

const ORDER: readonly LayerKind[] = ['house', 'work', 'scene', 'exception']

const inOrder = (layers: readonly Layer[]): Layer[] =>
  layers.toSorted((a, b) => ORDER.indexOf(a.kind ?? 'work') - ORDER.indexOf(b.kind ?? 'work'))

/** Puts the layers of a newer version of a standard below in place of those that were taken from it. */
export const withNewerBelow = (standard: Standard, below: Standard): Standard => {
  const ids = new Set(below.layers.map(l => l.from?.standard ?? below.id))
  const rest = standard.layers.filter(l => !l.from || !ids.has(l.from.standard))
  return { ...standard, layers: inOrder([...borrowed(below), ...rest]) }
}
