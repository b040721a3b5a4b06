import { sentencesOf } from './sentence'
import { byTime, type Trial } from './trial'
import { verdictOf } from './verdict'

/** What a trial says as it is written into a standard: as advice, with where it comes from. */
export interface Finding {
  readonly id: string
  readonly title: string
  readonly text: string
  readonly source: string
}

const clipped = (text: string, most: number): string => (text.length <= most ? text : `${text.slice(0, most - 1)}…`)

/** The first day on which anything was counted. */
const dayOf = (trial: Trial): string | undefined => trial.counts.toSorted(byTime)[0]?.made.slice(0, 10)

/**
 * @param number of the trial in this house
 * @returns undefined where nothing was counted
 */
export const findingOf = (number: number, trial: Trial): Finding | undefined => {
  const day = dayOf(trial)
  if (day === undefined) return undefined
  const said = sentencesOf(trial, verdictOf(trial)).slice(0, 2).join(' ')
  const where = trial.situations.map(s => s.name).join('; ')
  return {
    id: `trial-${number}`,
    title: clipped(trial.name, 120),
    text: clipped(`${said} (${where}.)`, 600),
    source: `own trial of ${day}`,
  }
}
