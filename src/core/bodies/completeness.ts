import { canFocus } from './can-focus'
import { DIMENSIONS, type Dimension } from '../vocabulary/dimensions'
import { statementsOf } from '../vocabulary/parts'
import { UNKNOWN_OPTION } from './menu-rows'
import { type Body, type FactId, factoryState, type Setting } from './schema'

/** How far a profile has come, counted rather than felt. */

export type Coverage =
  | { readonly how: 'set'; readonly settings: readonly string[] }
  | { readonly how: 'fixed'; readonly words: string }
  /** No setting, but what such a body does is beyond doubt. */
  | { readonly how: 'implied' }
  | { readonly how: 'unmapped' }

export interface DimensionCoverage {
  readonly dimension: Dimension
  readonly coverage: Coverage
}

/** Dimensions that are parts of another one; they are covered with it. */
const PARTS = new Set(['area.size', 'track.preset'])

const speaksOf = (means: Readonly<Record<string, unknown>>, id: string): boolean =>
  Object.entries(means).some(
    ([d, value]) => d === id || (d === 'area.pattern' && statementsOf(d, value as never).some(s => s.channel === id)),
  )

/** Which dimensions of the vocabulary a body covers, and how. */
export const coverageOf = (body: Body): readonly DimensionCoverage[] =>
  DIMENSIONS.filter(d => !PARTS.has(d.id)).map(d => {
    const settings = body.settings.filter(s => s.options.some(o => speaksOf(o.means, d.id))).map(s => s.id)
    const fixed = body.fixed.find(f => speaksOf(f.means, d.id))
    const coverage: Coverage = settings.length
      ? { how: 'set', settings }
      : fixed
        ? { how: 'fixed', words: fixed.words }
        : d.without !== undefined
          ? { how: 'implied' }
          : { how: 'unmapped' }
    return { dimension: d, coverage }
  })

/** What stands between a profile and a card that could be trusted. */
export type Gap =
  | { readonly kind: 'no-settings' }
  | { readonly kind: 'undecided'; readonly settings: readonly Setting[] }
  | { readonly kind: 'unknown-options'; readonly settings: readonly Setting[] }
  | { readonly kind: 'unconfirmed'; readonly facts: readonly FactId[] }
  | { readonly kind: 'cannot-focus' }
  | { readonly kind: 'no-default-drive' }
  | { readonly kind: 'no-interlock' }

export const gapsOf = (body: Body): readonly Gap[] => {
  const gaps: Gap[] = []
  if (body.settings.length === 0) gaps.push({ kind: 'no-settings' })
  const undecided = body.settings.filter(s => s.undecided)
  if (undecided.length) gaps.push({ kind: 'undecided', settings: undecided })
  const unknown = body.settings.filter(s => s.options.some(o => o.label === UNKNOWN_OPTION))
  if (unknown.length) gaps.push({ kind: 'unknown-options', settings: unknown })
  if (body.unconfirmed.length) gaps.push({ kind: 'unconfirmed', facts: body.unconfirmed })
  if (body.settings.length && !canFocus(body, factoryState(body))) gaps.push({ kind: 'cannot-focus' })
  if (!coverageOf(body).some(c => c.dimension.id === 'mode.drive' && c.coverage.how !== 'unmapped'))
    gaps.push({ kind: 'no-default-drive' })
  if (!body.interlocks.some(i => i.about === 'af-mf')) gaps.push({ kind: 'no-interlock' })
  return gaps
}

export const FACT_WORDS: Readonly<Record<FactId, string>> = {
  firmware: 'firmware',
  sensor: 'sensor',
  coverage: 'where the AF points are',
  frameRates: 'frame rates',
  controls: 'controls',
  slots: 'memory slots',
  interlocks: 'AF and manual: what may be switched where',
}

/** A gap in words: what is missing, and what to do about it. */
export const gapWords = (gap: Gap): { readonly what: string; readonly todo: string } => {
  const names = (settings: readonly Setting[]) =>
    settings
      .slice(0, 4)
      .map(s => s.label)
      .join(', ') + (settings.length > 4 ? ` and ${settings.length - 4} more` : '')
  switch (gap.kind) {
    case 'no-settings':
      return { what: 'The menu is empty', todo: 'Paste the menu, or add settings.' }
    case 'undecided':
      return {
        what: `${gap.settings.length} settings have no decided meaning`,
        todo: `Accept a proposal or say that it has nothing to do with focus: ${names(gap.settings)}.`,
      }
    case 'unknown-options':
      return { what: 'Options not looked at yet', todo: `Write down what can be chosen at ${names(gap.settings)}.` }
    case 'unconfirmed':
      return {
        what: 'Facts taken over from where the profile began',
        todo: `Look at the body and confirm: ${gap.facts.map(f => FACT_WORDS[f]).join(', ')}.`,
      }
    case 'cannot-focus':
      return {
        what: 'As it leaves the factory, nothing starts focusing',
        todo: 'Say what half-pressing the shutter does, or which control starts AF.',
      }
    case 'no-default-drive':
      return { what: 'Nothing says when it focuses', todo: 'Map the setting for single, continuous or manual focus.' }
    case 'no-interlock':
      return {
        what: 'Nothing says where AF and manual may be switched',
        todo: 'Write what the maker’s manual says, since forcing one against the other can do damage; until then the card says to switch at one place only.',
      }
  }
}
