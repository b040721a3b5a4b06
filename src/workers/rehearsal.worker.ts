import { prepare } from '../core/rehearsal/rehearse'
import { type Cell, manyRuns, type Summary, summaryOf, sweep, type SweepId } from '../core/rehearsal/runs'
import type { Passage } from '../core/rehearsal/scene'
import type { SetUp } from '../core/rehearsal/set-up'
import { serve } from './serve'

/** Rehearses passages away from the page. */

export interface RehearsalAsk {
  readonly passage: Passage
  /** One or two; both meet the same chances. */
  readonly setUps: readonly SetUp[]
  readonly runs: number
  readonly sweep: { readonly across: SweepId; readonly down: SweepId; readonly runs: number }
}

export interface RehearsalAnswer {
  readonly summaries: readonly Summary[]
  readonly cells: readonly Cell[]
  readonly isDone: boolean
}

/** The first answer comes after so few runs. */
const FIRST = 60
/** So many cells at once. */
const CELLS = 6

function* answersTo({ passage, setUps, runs, sweep: asked }: RehearsalAsk): Generator<RehearsalAnswer> {
  const prepared = setUps.map(s => prepare(passage, s))
  const first = prepared.map(p => manyRuns(p, Math.min(FIRST, runs)))
  let answer: RehearsalAnswer = { summaries: first.map(summaryOf), cells: [], isDone: false }
  yield answer
  const all = prepared.map((p, i) => [...(first[i] ?? []), ...manyRuns(p, Math.max(0, runs - FIRST), FIRST)])
  answer = { ...answer, summaries: all.map(summaryOf) }
  yield answer
  const [setUp] = setUps
  if (!setUp) return
  const cells: Cell[] = []
  for (const cell of sweep(passage, setUp, asked.across, asked.down, asked.runs)) {
    cells.push(cell)
    if (cells.length % CELLS === 0) yield { ...answer, cells: [...cells] }
  }
  yield { ...answer, cells: [...cells], isDone: true }
}

serve<RehearsalAsk, RehearsalAnswer>('rehearsal', answersTo)
