import { holds, type Facts } from '../guide/facts'
import { amountOf } from './amount'
import { type Change, type Rule, RULES } from './rules'
import type { Situation } from './situation'
import type { SymptomId } from './symptoms'

type Sure = 'so' | 'may' | 'unknown'

/** One thing that may be behind it, and what to do. */
export interface Remedy extends Pick<Rule, 'id' | 'cause' | 'now' | 'why'> {
  /** `so`: the camera is set so. `may`: it is always possible. `unknown`: it depends on a setting that nobody knows. */
  readonly sure: Sure
  /** It is likelier than others at such a scene. */
  readonly isLikely: boolean
  /** The standard asks for what the change brings; the camera is set to something else. */
  readonly isOtherwise: boolean
  /** Only where the body has a word for it. */
  readonly change: Change | undefined
}

const ORDER = { so: 0, may: 1, unknown: 2 } as const

/** How a rule stands with a camera; undefined where its settings rule it out. */
const sureOf = (r: Rule, situation: Situation): Sure | undefined => {
  if (r.needs !== undefined && !situation.says.has(r.needs)) return undefined
  if (!r.when) return 'may'
  const answer = r.when(situation)
  return answer === undefined ? 'unknown' : answer ? 'so' : undefined
}

const isLikelyAt = (r: Rule, scene: Facts | undefined): boolean =>
  scene !== undefined && r.at?.some(when => holds(when, scene)) === true

/** Whether a change leads from what is set toward what the standard asks for. */
const leadsBack = ({ dimension, to, step }: Change, { means, asked }: Situation): boolean => {
  const [now, wanted] = [means[dimension], asked?.[dimension]]
  if (now === undefined || wanted === undefined) return false
  if (to !== undefined) return wanted === to && now !== to
  const [from, until] = [amountOf(dimension, now), amountOf(dimension, wanted)]
  return from !== undefined && until !== undefined && (step === 'more' ? until > from : until < from)
}

/**
 * What may be behind a symptom on this camera, the likeliest first: what it is set to, then what is always possible,
 * then what depends on settings that nobody knows; of each, first what the standard asks otherwise, then what the scene
 * makes likely. What its settings rule out is not there.
 *
 * @example
 *   remediesFor('press-does-nothing', { means: { 'trigger.shutter': 'meters-only' }, ... })[0].now
 *   // 'Press the thumb key; the shutter only takes the picture.'
 */
export const remediesFor = (symptom: SymptomId, situation: Situation): readonly Remedy[] =>
  RULES.filter(r => r.symptom === symptom)
    .flatMap((r): Remedy[] => {
      const sure = sureOf(r, situation)
      if (sure === undefined) return []
      const { id, cause, now, why } = r
      const change = r.change && situation.says.has(r.change.dimension) ? r.change : undefined
      const isOtherwise = change !== undefined && leadsBack(change, situation)
      return [{ id, cause, now, why, sure, change, isOtherwise, isLikely: isLikelyAt(r, situation.scene) }]
    })
    .toSorted((a, b) => rankOf(a) - rankOf(b))

const rankOf = ({ sure, isOtherwise, isLikely }: Pick<Remedy, 'sure' | 'isOtherwise' | 'isLikely'>): number =>
  ORDER[sure] * 4 + (isOtherwise ? 0 : 2) + (isLikely ? 0 : 1)

const LETTERS = { so: 's', may: 'm', unknown: 'u' } as const

/** How every rule stands with a camera, in their order, a letter each: what can be kept for many cameras. */
export const standingOf = (situation: Situation): string =>
  RULES.map(r => {
    const sure = sureOf(r, situation)
    return sure === undefined ? '-' : LETTERS[sure]
  }).join('')

/** The rule that stands first for a symptom, on a camera as {@link standingOf} has it, at a scene. */
export const firstRule = (symptom: SymptomId, standing: string, scene: Facts | undefined): Rule | undefined =>
  RULES.flatMap((r, i) => {
    const sure = (['so', 'may', 'unknown'] as const).find(s => LETTERS[s] === standing[i])
    if (r.symptom !== symptom || sure === undefined) return []
    return [{ r, rank: rankOf({ sure, isOtherwise: false, isLikely: isLikelyAt(r, scene) }) }]
  }).toSorted((a, b) => a.rank - b.rank)[0]?.r
