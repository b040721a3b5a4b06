import { type Change, type Rule, RULES } from './rules'
import type { Situation } from './situation'
import type { SymptomId } from './symptoms'

/** One thing that may be behind it, and what to do. */
export interface Remedy extends Pick<Rule, 'id' | 'cause' | 'now' | 'why'> {
  /** `so`: the camera is set so. `may`: it is always possible. `unknown`: it depends on a setting that nobody knows. */
  readonly sure: 'so' | 'may' | 'unknown'
  /** Only where the body has a word for it. */
  readonly change: Change | undefined
}

const ORDER = { so: 0, may: 1, unknown: 2 } as const

/**
 * What may be behind a symptom on this camera, the likeliest first: what it is set to, then what is always possible,
 * then what depends on settings that nobody knows. What its settings rule out is not there.
 */
export const remediesFor = (symptom: SymptomId, situation: Situation): readonly Remedy[] =>
  RULES.filter(r => r.symptom === symptom)
    .flatMap((r): Remedy[] => {
      const answer = r.when ? r.when(situation) : 'may'
      if (answer === false) return []
      const { id, cause, now, why, change } = r
      const sure = answer === 'may' ? 'may' : answer ? 'so' : 'unknown'
      return [
        { id, cause, now, why, sure, change: change && situation.says.has(change.dimension) ? change : undefined },
      ]
    })
    .toSorted((a, b) => ORDER[a.sure] - ORDER[b.sure])
