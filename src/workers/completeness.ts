import { type Body, checkBody, coverageOf, type DimensionCoverage, type Gap, gapsOf } from '../core/bodies'
import { problemWords } from '../core/reading/problem'
import { cellWords, resolve } from '../core/resolve'
import type { Standard } from '../core/standards'
import { dimension } from '../core/vocabulary/dimensions'
import type { Grade } from '../core/vocabulary/grade'
import { valueWords } from '../core/vocabulary/words'

/** Looks over a profile while it is written: what it covers, what contradicts, what a standard would make of it. */

export interface TrialLine {
  readonly dimension: string
  readonly label: string
  readonly wanted: string
  readonly main: string
  readonly sub: string
  readonly grade: Grade
  readonly distance: number
  readonly isMust: boolean
}

export interface Completeness {
  readonly coverage: readonly DimensionCoverage[]
  readonly gaps: readonly Gap[]
  readonly contradictions: readonly string[]
  readonly trial:
    | {
        readonly name: string
        readonly agreement: number
        readonly mustsHeld: number
        readonly musts: number
        readonly lines: readonly TrialLine[]
      }
    | undefined
}

const trialOf = (body: Body, standard: Standard): Completeness['trial'] => {
  const { agreement, mustsHeld, musts, outcomes } = resolve(body, standard)
  return {
    name: standard.name,
    agreement,
    mustsHeld,
    musts,
    lines: outcomes.map(o => {
      const d = dimension(o.target.dimension)
      const { main, sub } = cellWords(body, o)
      return {
        dimension: d.id,
        label: d.label,
        wanted: valueWords(d, o.target.value),
        main,
        sub,
        grade: o.grade,
        distance: o.distance,
        isMust: o.target.weight === 'must',
      }
    }),
  }
}

export const lookOver = (body: Body, standard: Standard | undefined): Completeness => {
  const contradictions = checkBody(body, body.model).map(problemWords)
  return {
    coverage: coverageOf(body),
    gaps: gapsOf(body),
    contradictions,
    trial: standard && contradictions.length === 0 ? trialOf(body, standard) : undefined,
  }
}
