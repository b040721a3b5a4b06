import { type Body, isNotLookedFor, meansIn, menuPath, type Option, type Setting, type State } from '../bodies'
import type { FunctionId } from '../functions/functions'
import { dimension, DIMENSIONS } from '../vocabulary/dimensions'
import { distance } from '../vocabulary/distance'
import { amountOf } from './amount'
import type { Change } from './rules'
import type { Situation } from './situation'

/** What a camera is set to as a situation, and changes as the presses of this body. */

/** What a body speaks of at all, and what it amounts to where it has no word for it, whatever it is set to. */
const spokenBy = (body: Body): { readonly spoken: ReadonlySet<string>; readonly implied: Situation['means'] } => {
  const spoken = new Set(body.settings.flatMap(s => s.options.flatMap(o => Object.keys(o.means))))
  // What the body has no word for is as bodies without it are, where that is beyond doubt.
  const implied = DIMENSIONS.flatMap(d =>
    d.without !== undefined && !spoken.has(d.id) && !isNotLookedFor(body, d.id) ? [[d.id, d.without] as const] : [],
  )
  return { spoken, implied: Object.fromEntries(implied) }
}

const known = new WeakMap<Body, ReturnType<typeof spokenBy>>()

/**
 * @param state what the camera is set to; settings that are missing are not known
 * @param keys on which control each function is
 */
export const situationOf = (body: Body, state: State, keys: Readonly<Record<FunctionId, string>>): Situation => {
  const by = known.get(body) ?? spokenBy(body)
  known.set(body, by)
  return { means: { ...by.implied, ...meansIn(body, state) }, keys, says: by.spoken }
}

/** How a change is made on a body: by a key, or in a row of its menus. */
export interface OnBody {
  /** The key that does it at once, as the body calls it. */
  readonly key: string | undefined
  readonly setting: string
  readonly path: readonly [tab: string, page: string, row: number]
  /** What it should say; undefined where it is not known what it says now. */
  readonly option: string | undefined
  /** Presses of the shorter way, where there is one. */
  readonly quick: number | undefined
}

/** A key with such a function changes it without the menu. */
const KEYS_FOR: Readonly<Record<string, FunctionId>> = {
  'area.pattern': 'area.cycle',
  'mode.drive': 'trigger.drive',
  'range.limit': 'range.limiter',
  'see.peaking': 'see.outline',
  'subject.class': 'subject.toggle',
}

const stepFrom = (setting: Setting, now: string | undefined, id: string, step: 'more' | 'less'): Option | undefined => {
  const amount = (o: Option) => {
    const value = o.means[id]
    return value === undefined ? undefined : amountOf(id, value)
  }
  const current = setting.options.find(o => o.id === now)
  const from = current && amount(current)
  if (from === undefined) return undefined
  const further = setting.options
    .flatMap(o => {
      const at = amount(o)
      return at !== undefined && (step === 'more' ? at > from : at < from) ? [{ o, at }] : []
    })
    .toSorted((a, b) => (step === 'more' ? a.at - b.at : b.at - a.at))
  return further[0]?.o
}

/** Farther from what is wanted than this, an option does something else. */
const NEAR_ENOUGH = 0.5

/** @returns undefined where the body cannot do it, or stands at its end already */
export const changeOn = (
  body: Body,
  known: State,
  keys: Readonly<Record<FunctionId, string>>,
  { dimension: id, to, step }: Change,
): OnBody | undefined => {
  const fn = KEYS_FOR[id]
  const key = fn === undefined ? undefined : body.controls.find(c => c.id === keys[fn])?.label
  for (const setting of body.settings) {
    if (!setting.options.some(o => o.means[id] !== undefined)) continue
    const wanted =
      to === undefined
        ? step && stepFrom(setting, known[setting.id], id, step)
        : setting.options
            .flatMap(o => {
              const value = o.means[id]
              return value === undefined ? [] : [{ o, off: distance(dimension(id), to, value) }]
            })
            .filter(x => x.off < NEAR_ENOUGH)
            .toSorted((a, b) => a.off - b.off)[0]?.o
    if (to !== undefined && (!wanted || wanted.id === known[setting.id])) continue
    if (to === undefined && !wanted && known[setting.id] !== undefined) continue
    return {
      key,
      setting: setting.label,
      path: menuPath(body, setting),
      option: wanted?.label,
      quick: body.menu.quick?.find(q => q.setting === setting.id)?.presses,
    }
  }
  return undefined
}
