import { updated } from '../fold'
import type { EventKind } from './event-kind'

/** Another firmware runs; what it touched is not known any more. */
export const firmware: EventKind<'firmware'> = {
  short: 'other firmware',
  words: ({ from, to }) => `firmware ${from} became ${to}`,
  mayTouch: () => true,
  after: (fold, { to, at }, profile) => updated(fold, profile, to, at),
  closesWalks: true,
  unproves: 'runs another firmware since it was signed',
}
