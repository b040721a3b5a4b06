import { availability, type Body, factoryState, isNotLookedFor } from '../bodies'
import { deliveredBy, type PlacedChoice, resolve } from '../resolve'
import { STANDARD_FORMAT, type Standard } from '../standards'
import { planSteps } from '../steps/plan'
import { type Substitute, SUBSTITUTES } from '../vocabulary/substitutes'
import type { NeutralValue } from '../vocabulary/values'
import { fixedAbout, saidAbout } from './terms'
import { dimension } from '../vocabulary/dimensions'

/** Where a body has nothing for a concept: the nearest way to get the behaviour, and what it costs. */
export interface Way {
  readonly how: string
  readonly costs: string
  /** What to set, in the body's own words. */
  readonly choices: readonly PlacedChoice[]
  /** Changes in the menu, from the factory defaults. */
  readonly changes: number
  /** Settings that can no longer be used, in the body's own words. */
  readonly blocks: readonly string[]
  /** How far what the body then does is from what the way asks for, 0 to 1. */
  readonly distance: number
}

export type Presence =
  | { readonly how: 'set' }
  | { readonly how: 'fixed'; readonly words: string }
  /** No setting, but what the body does is beyond doubt. */
  | { readonly how: 'implied'; readonly value: NeutralValue }
  /** The profile is not whole yet, and nobody has looked for it. */
  | { readonly how: 'not-looked-for' }
  | { readonly how: 'none' }

/** Whether a body has something for a concept. */
export const presenceOf = (body: Body, concept: string): Presence => {
  if (saidAbout(body, concept).length) return { how: 'set' }
  const fixed = fixedAbout(body, concept)
  if (fixed) return { how: 'fixed', words: fixed.words }
  if (isNotLookedFor(body, concept)) return { how: 'not-looked-for' }
  const { without } = dimension(concept)
  return without === undefined ? { how: 'none' } : { how: 'implied', value: without }
}

const standardOf = (uses: Substitute['uses']): Standard => ({
  format: STANDARD_FORMAT,
  id: 'instead',
  name: 'Instead',
  about: 'What stands in for a missing setting.',
  version: 1,
  layers: [
    {
      id: 'instead',
      name: 'Instead',
      targets: uses.map(u => ({ ...u, weight: 'must' as const, reason: 'It stands in for a missing setting.' })),
    },
  ],
})

const wayOn = (body: Body, { how, costs, uses }: Substitute): Way | undefined => {
  if (uses.length === 0) return { how, costs, choices: [], changes: 0, blocks: [], distance: 0 }
  const resolution = resolve(body, standardOf(uses))
  // A way that stands on a stand-in is no way.
  if (resolution.outcomes.some(o => o.missing || o.distance > 0.5)) return undefined
  const before = factoryState(body)
  const greyed = availability(body, before).unavailable
  const blocks = resolution.unavailable
    .filter(id => !greyed.has(id))
    .map(id => body.settings.find(s => s.id === id)?.label ?? id)
  return {
    how,
    costs,
    choices: resolution.outcomes.flatMap(o => deliveredBy(body, o)),
    changes: planSteps(body, before, resolution.state).steps.length,
    blocks,
    distance: Math.max(...resolution.outcomes.map(o => o.distance)),
  }
}

/**
 * The ways open on a body, the one that comes nearest first; empty where it has a setting, or where nobody knows one.
 */
export const nearestWays = (body: Body, concept: string): readonly Way[] => {
  const { how } = presenceOf(body, concept)
  if (how === 'set' || how === 'fixed' || how === 'not-looked-for') return []
  return (SUBSTITUTES[concept] ?? [])
    .flatMap(s => wayOn(body, s) ?? [])
    .toSorted((a, b) => Number(a.choices.length === 0) - Number(b.choices.length === 0) || a.distance - b.distance)
}
