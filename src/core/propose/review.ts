import { type Body, inMenuOrder, type Setting } from '../bodies'
import { acceptReading } from './propose'
import type { Reading } from './reading'

/** A page of a menu, read at once: what is sure is ticked, what is not is left open, and one key accepts the rest. */

export interface ReviewRow {
  readonly setting: Setting
  readonly readings: readonly Reading[]
  /** Which reading is taken; -1 for none of them. */
  readonly chosen: number
  readonly isTicked: boolean
}

/** Whether a reading may be taken without being looked at on its own. */
export const isOffered = (reading: Reading | undefined): boolean =>
  reading !== undefined && reading.certainty !== 'unsure' && !reading.isEitherWay

/**
 * The undecided settings of one page with their readings, in menu order.
 *
 * @param changed what a person has chosen so far, by setting: a reading, and whether it is to be taken
 */
export const reviewOf = (
  body: Body,
  page: { readonly tab: string; readonly page: number },
  proposals: Readonly<Record<string, readonly Reading[]>>,
  changed: Readonly<Record<string, { readonly chosen: number; readonly isTicked: boolean }>>,
): readonly ReviewRow[] =>
  inMenuOrder(body)
    .filter(s => s.undecided && s.at.tab === page.tab && s.at.page === page.page)
    .map(setting => {
      const readings = proposals[setting.id] ?? []
      return { setting, readings, chosen: 0, isTicked: isOffered(readings[0]), ...changed[setting.id] }
    })

/** The body once everything that is ticked has been taken, as one step. */
export const acceptReview = (body: Body, rows: readonly ReviewRow[]): Body =>
  rows.reduce((b, row) => {
    const reading = row.isTicked ? row.readings[row.chosen] : undefined
    return reading ? acceptReading(b, row.setting.id, reading) : b
  }, body)
