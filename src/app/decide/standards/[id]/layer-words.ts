import { type Layer, type Scope, SCOPES } from '@/core/standards'

export type LayerChoices = Readonly<Record<Scope, readonly { readonly id: string; readonly label: string }[]>>

export const SCOPE_WORDS: Readonly<Record<Scope, string>> = {
  people: 'People',
  units: 'Units',
  lenses: 'Lenses',
  scenes: 'Scenes',
}

/** For whom a layer is, in words. */
export const appliesWords = (layer: Pick<Layer, 'applies'>, choices: LayerChoices): string =>
  SCOPES.flatMap(s => (layer.applies?.[s] ?? []).map(id => choices[s].find(c => c.id === id)?.label ?? id)).join(', ')
